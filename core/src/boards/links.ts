/** Pages that open without a login, read-only: a whole board, as it is from then on; or one tile, as it was shared. */
export const BOARD_LINK_KINDS = ['board', 'tile'] as const;
export type BoardLinkKind = (typeof BOARD_LINK_KINDS)[number];
