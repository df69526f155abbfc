export * from './log-line';
export * from './mask-line';
export * from './mine-patterns';
export * from './rank-patterns';
