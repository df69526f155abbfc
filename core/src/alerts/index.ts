export * from './rules';
export * from './conversations';
export * from './receivers';
export * from './gsm-text';
export * from './message';
export * from './defaults';
export * from './try-rule';
export * from './channels';
