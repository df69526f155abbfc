/** By what views are told apart and narrowed. */
export const PAGE_DIMENSIONS = [
  'page',
  'country',
  'area',
  'browser',
  'system',
  'connection',
  'version',
  'application',
] as const;

export type PageDimension = (typeof PAGE_DIMENSIONS)[number];
