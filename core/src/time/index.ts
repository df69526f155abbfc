export * from './window';
export * from './calendar';
