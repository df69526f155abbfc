export * from './begin';
export * from './trace-span';
export * from './stretch';
export * from './time-shares';
export * from './clock-offsets';
export * from './waterfall';
export * from './hops';
export * from './layers';
