export * from './mask-statement';
export * from './read-plan';
export * from './slower';
