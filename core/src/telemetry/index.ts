export * from './attributes';
export * from './span';
export * from './attempt';
