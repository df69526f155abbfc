export * from './window';
export * from './calendar';
export * from './against';
