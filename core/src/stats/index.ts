export * from './quantile';
export * from './robust';
export * from './log-histogram';
export * from './evidence';
export * from './random';
