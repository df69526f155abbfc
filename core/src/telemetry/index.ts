export * from './attributes';
export * from './span';
export * from './failure-place';
export * from './attempt';
export * from './log-line';
export * from './metric-point';
