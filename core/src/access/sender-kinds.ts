/** What sends telemetry with a key. */
export const SENDER_KINDS = ['service', 'page', 'phone'] as const;
export type SenderKind = (typeof SENDER_KINDS)[number];
