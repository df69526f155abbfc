import type { FlowRow } from '@/data/client';

/** Nothing is wrong with it as far as is known. */
export const isQuiet = (level: FlowRow['level']): boolean => level === 'calm' || level === 'learning';
