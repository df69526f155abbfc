export * from './part';
export * from './judge-parts';
export * from './words';
export * from './dead-replicas';
