/** Pages of a handoff that open without a login: to read; or its team may answer there as well. */
export const LINK_KINDS = ['brief', 'answer'] as const;
export type LinkKind = (typeof LINK_KINDS)[number];
