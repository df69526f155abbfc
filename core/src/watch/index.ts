export * from './variable';
export * from './watch-point';
