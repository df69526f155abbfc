import { median } from '../stats';
import { MEDIAN_ERROR } from './cells';
import type { WorkCell } from './work';

/** Whom a person was compared with, from the likest on. */
export const LIKENESSES = ['sameSiteServerStation', 'sameSiteServer', 'sameSite', 'sameServer', 'everybody'] as const;
export type Likeness = (typeof LIKENESSES)[number];

/** Fewer like people do not tell what is usual among them. */
export const FEWEST_LIKE = 8;
const IS_LIKE: Readonly<Record<Likeness, (a: WorkCell, b: WorkCell) => boolean>> = {
  sameSiteServerStation: (a, b) => a.site === b.site && a.server === b.server && a.station === b.station,
  sameSiteServer: (a, b) => a.site === b.site && a.server === b.server,
  sameSite: (a, b) => a.site === b.site,
  sameServer: (a, b) => a.server === b.server,
  everybody: () => true,
};

export interface AgainstLike {
  likeness: Likeness;
  /** people compared with */
  people: number;
  /** how much longer it takes this person, as logarithm, with its standard error */
  shift: number;
  standardError: number;
}

/**
 * How a person's own time compares with that of people like them: same site, server and kind of device, or the next wider
 * group of which there are enough.
 *
 * @param between how much people differ among themselves (spread of the logarithm), told of all of them: of the few who
 *   are like one it cannot be
 * @returns `undefined` when there are fewer than `FEWEST_LIKE` others at all
 */
export function againstLikePeople(own: WorkCell, cells: readonly WorkCell[], between: number): AgainstLike | undefined {
  for (const likeness of LIKENESSES) {
    const others = cells.filter((other) => other.person !== own.person && IS_LIKE[likeness](own, other));
    const people = new Set(others.map(({ person }) => person)).size;
    if (people < FEWEST_LIKE) continue;
    return {
      likeness,
      people,
      shift: own.middle - (median(others.map(({ middle }) => middle)) as number),
      standardError: Math.hypot(own.standardError, between, (MEDIAN_ERROR * between) / Math.sqrt(people)),
    };
  }
  return undefined;
}
