export * from './read-icalendar';
export * from './write-icalendar';
export * from './calendar-of';
