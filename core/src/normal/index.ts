export * from './range';
export * from './flow-normal';
export * from './deviations';
