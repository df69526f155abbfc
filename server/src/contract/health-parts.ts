export const HEALTH_PARTS = ['intake', 'journal', 'database', 'engine', 'search', 'disk', 'backup'] as const;
export type HealthPart = (typeof HEALTH_PARTS)[number];
