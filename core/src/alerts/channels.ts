/** By what ways messages go out. */
export const CHANNELS = ['mail', 'short', 'webhook'] as const;
export type Channel = (typeof CHANNELS)[number];
