export * from './rules';
export * from './discover';
export * from './outcome';
export * from './apdex';
export * from './roll-up';
export * from './precedence';
export * from './field';
export * from './under-way';
