export * from './sessions';
export * from './discover';
export * from './leaving';
export * from './judge-journey';
export * from './repair';
export * from './step-words';
