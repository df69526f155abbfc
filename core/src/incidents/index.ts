export * from './group';
export * from './rates';
export * from './bill';
export * from './rank';
export * from './most-hit';
export * from './own-time';
export * from './words';
export * from './judge';
