export * from './read-icalendar';
export { writeICalendar } from './write-icalendar';
export { calendarOfHappenings } from './write-happenings';
export * from './calendar-of';
