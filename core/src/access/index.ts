export * from './roles';
export * from './grants';
