export * from './csv-text';
