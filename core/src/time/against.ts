/** With what a window is compared. */
export const AGAINST = ['nothing', 'week', 'day', 'before', 'release'] as const;
export type Against = (typeof AGAINST)[number];
