import type { Window } from '@toplens/core/time';

/** The condition that a column of microseconds lies in a window. */
export const between = (column: string, { fromMs, toMs }: Window): string =>
  `${column} >= ${Math.floor(fromMs * 1000)} AND ${column} < ${Math.ceil(toMs * 1000)}`;
