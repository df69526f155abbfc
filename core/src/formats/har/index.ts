export * from './read-har';
