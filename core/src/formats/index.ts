export * from './otlp';
export * from './har';
