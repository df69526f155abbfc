import { robustCentre } from '../stats';

/** Spreads from the centre at which a signal is strained, and at which it is hurting. */
export const STRAINED_SPREADS = 3;
export const HURTING_SPREADS = 6;

export type Scale = 'linear' | 'log';

export interface NormalRange {
  centre: number;
  /** bounds of what is usual, 3 spreads from the centre */
  low: number;
  high: number;
  n: number;
}

/**
 * Range of what is usual: robust centre ± 3 robust spreads, on a log scale for durations and money.
 * That three standard deviations bound the normal is common practice, no source.
 *
 * @param values in the unit of the result; on the log scale, values of 0 or less are left out
 * @returns `undefined` without values
 * @example 200 ms with a spread of 13.33 ms → high 240 ms: 239 is normal, 241 is not
 */
export function normalRange(values: ArrayLike<number>, scale: Scale): NormalRange | undefined {
  if (scale === 'linear') {
    const robust = robustCentre(values);
    return robust && rangeOf(robust.centre, robust.spread, robust.n, 'linear');
  }
  const logs = Array.from(values)
    .filter((value) => value > 0)
    .map(Math.log);
  const robust = robustCentre(logs);
  return robust && rangeOf(robust.centre, robust.spread, robust.n, 'log');
}

/** @param centre, spread on the scale: for 'log', of the logarithms */
export function rangeOf(centre: number, spread: number, n: number, scale: Scale): NormalRange {
  const low = centre - STRAINED_SPREADS * spread;
  const high = centre + STRAINED_SPREADS * spread;
  return scale === 'linear'
    ? { centre, low, high, n }
    : { centre: Math.exp(centre), low: Math.exp(low), high: Math.exp(high), n };
}
