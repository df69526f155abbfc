export * from './service-promise';
export * from './period';
export * from './service-hours';
export * from './budget';
export * from './forecast';
export * from './spent-by';
export * from './report';
export * from './words';
