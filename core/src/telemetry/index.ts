export * from './attributes';
export * from './span';
export * from './failure-place';
export * from './attempt';
