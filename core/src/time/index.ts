export * from './window';
