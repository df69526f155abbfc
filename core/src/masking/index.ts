export * from './hide-secrets';
export * from './mask-text';
