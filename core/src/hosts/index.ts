export * from './advice';
export * from './figures';
export * from './judge-host';
export * from './minutes';
export * from './samples';
