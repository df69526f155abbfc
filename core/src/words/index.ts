export * from './numbers';
export * from './durations';
export * from './money';
export * from './html';
