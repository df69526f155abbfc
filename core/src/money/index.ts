export * from './expected';
export * from './business-event';
export * from './line-pattern';
export * from './exchange';
