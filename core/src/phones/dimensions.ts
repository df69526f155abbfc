/** What launches, crashes and moments of phones are told apart by. */
export const PHONE_DIMENSIONS = ['version', 'device', 'carrier', 'country'] as const;
export type PhoneDimension = (typeof PHONE_DIMENSIONS)[number];
