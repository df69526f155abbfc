export * from './ownership';
export * from './state';
export * from './mask';
export * from './brief';
export * from './reproduce';
