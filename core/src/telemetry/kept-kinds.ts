/** Kinds of telemetry that are kept for different times. */
export const KEPT_KINDS = ['attempts', 'traces', 'logs', 'metrics', 'pageLoads', 'crashes', 'phoneSessions'] as const;
export type KeptKind = (typeof KEPT_KINDS)[number];

/** An hour and a little: less would be gone before it is judged. */
export const SHORTEST_KEPT_DAYS = 0.05;
export const LONGEST_KEPT_DAYS = 3_650;
