export * from './range';
export * from './learning-days';
export * from './flow-normal';
export * from './history';
export * from './deviations';
export * from './outages';
export * from './recent';
export * from './sudden-change';
