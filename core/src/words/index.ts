export * from './numbers';
export * from './durations';
export * from './money';
