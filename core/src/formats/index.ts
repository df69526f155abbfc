export * from './otlp';
