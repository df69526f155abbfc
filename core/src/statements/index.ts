export * from './mask-statement';
