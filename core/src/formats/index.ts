export * from './otlp';
export * from './har';
export * from './icalendar';
