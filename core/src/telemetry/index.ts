export * from './attributes';
export * from './user-side';
export * from './span';
export * from './failure-place';
export * from './attempt';
export * from './log-line';
export * from './metric-point';
export * from './path-shape';
