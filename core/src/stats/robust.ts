import { quantileSorted, sortedCopy } from './quantile';

/** Makes the median absolute deviation estimate the standard deviation of a normal sample (1 / Φ⁻¹(3/4)). */
export const MAD_TO_SD = 1.4826;

/** Median, type 7; `undefined` for an empty sample. */
export function median(values: ArrayLike<number>): number | undefined {
  return quantileSorted(sortedCopy(values), 0.5);
}

/**
 * Robust centre and spread: the median and 1.4826 × the median absolute deviation from it.
 *
 * @param values any unit; not mutated
 * @returns `undefined` for an empty sample; spread 0 for a constant one
 * @example robustCentre([1, 1, 2, 2, 4, 6, 9]) // { centre: 2, spread: 1.4826, n: 7 }
 */
export function robustCentre(values: ArrayLike<number>): { centre: number; spread: number; n: number } | undefined {
  const centre = median(values);
  if (centre === undefined) return undefined;
  const distances = Float64Array.from(values, (value) => Math.abs(value - centre));
  return { centre, spread: MAD_TO_SD * (median(distances) as number), n: values.length };
}
