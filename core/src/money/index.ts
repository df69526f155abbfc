export * from './expected';
