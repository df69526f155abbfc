/** Kinds of telemetry that are kept for different times. */
export const KEPT_KINDS = ['attempts', 'traces', 'logs', 'metrics', 'pageLoads', 'crashes', 'phoneSessions'] as const;
export type KeptKind = (typeof KEPT_KINDS)[number];
