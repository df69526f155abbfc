export * from './series-text';
