export * from './vitals';
export * from './navigation-parts';
export * from './page-view';
export * from './host-of';
export * from './summarise';
export * from './only-here';
export * from './script-errors';
