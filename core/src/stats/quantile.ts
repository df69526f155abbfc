/**
 * Quantile of a sorted sample by linear interpolation between order statistics:
 * type 7 of Hyndman & Fan (1996), the default of R, and `percentile_cont` of SQL.
 *
 * @param sorted values in ascending order, any unit
 * @param p probability, 0 to 1 inclusive
 * @returns the quantile in the unit of the values; `undefined` for an empty sample
 * @throws RangeError when p lies outside 0 to 1
 * @example quantileSorted([3, 6, 7, 8, 8, 10, 13, 15, 16, 20], 0.9) // 16.4
 */
export function quantileSorted(sorted: ArrayLike<number>, p: number): number | undefined {
  if (!(p >= 0 && p <= 1)) throw new RangeError(`expected 0 <= p <= 1, got: ${p}`);
  const n = sorted.length;
  if (n === 0) return undefined;
  const position = (n - 1) * p;
  const below = Math.floor(position);
  const low = sorted[below] as number;
  const high = sorted[Math.min(below + 1, n - 1)] as number;
  return low + (high - low) * (position - below);
}

/** Ascending copy; the caller's array is left alone. */
export function sortedCopy(values: ArrayLike<number>): Float64Array {
  return Float64Array.from(values).sort();
}
