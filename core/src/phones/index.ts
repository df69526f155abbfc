export * from './crash';
export * from './stack-frames';
export * from './crash-group';
export * from './mapping';
export * from './versions';
export * from './words';
