export * from './roles';
export * from './grants';
export * from './passwords';
export * from './sender-kinds';
