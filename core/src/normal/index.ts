export * from './range';
export * from './learning-days';
export * from './flow-normal';
export * from './history';
export * from './deviations';
export * from './outages';
export * from './sudden-change';
