export * from './malformed';
export * from './read-json';
export * from './read-protobuf';
