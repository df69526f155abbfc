export * from './trace-span';
export * from './own-time';
export * from './time-shares';
export * from './clock-offsets';
export * from './waterfall';
