export * from './tiles';
export * from './defaults';
export * from './columns';
export * from './links';
