export * from './malformed';
export * from './read-json';
export * from './read-protobuf';
export * from './read-logs';
export * from './read-metrics';
