import type { Dimension } from '../../telemetry';

/** A value of a dimension that holds more than its share. */
export interface Place {
  dimension: Dimension;
  value: number;
  /** of all attempts (or sessions) looked at */
  shareOfAll: number;
  /** what it holds beyond its share, in the unit of the measure */
  excess: number;
}

export const isSamePlace = (a: Pick<Place, 'dimension' | 'value'>, b: Pick<Place, 'dimension' | 'value'>): boolean =>
  a.dimension === b.dimension && a.value === b.value;

const NEARLY = 0.8;
const MOST = 4;

/**
 * Of those that hold about as much of what went wrong as the one that holds most, the one that holds least of
 * everything.
 */
function narrowest<T extends Place>(candidates: readonly T[]): T | undefined {
  const most = Math.max(...candidates.map((one) => one.excess));
  const near = candidates.filter((one) => one.excess >= NEARLY * most);
  return near.sort((a, b) => a.shareOfAll - b.shareOfAll || b.excess - a.excess || a.value - b.value)[0];
}

/**
 * The values that stand out, one after the other: of nested ones (a site and its region) the one that explains more
 * alone is kept, since each must still stand out among what those before it leave.
 *
 * @param tried every value, against everybody else
 * @param isOver whether a value stands out
 * @param tryWithout every value again, among all that none of the picked ones holds
 */
export function pickNarrowest<T extends Place>(
  tried: readonly T[],
  isOver: (one: T) => boolean,
  tryWithout: (picked: readonly Place[]) => readonly T[],
): T[] {
  const picked: T[] = [];
  while (picked.length < MOST) {
    const best = narrowest((picked.length === 0 ? tried : tryWithout(picked)).filter(isOver));
    if (!best) break;
    picked.push(best);
  }
  // What is told of a value is told against everybody, however it was found.
  return picked.map((one) => tried.find((other) => isSamePlace(other, one)) ?? one);
}
