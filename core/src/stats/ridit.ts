import { BUCKETS, histogramCount, type LogHistogram } from './log-histogram';

export interface Ridit {
  /** chance that a random value of the group is above a random one of everybody, ties half; 0.5 is the norm */
  mean: number;
  standardError: number;
  n: number;
}

/** Ridits of a group's values among everybody's: how many, their sum, and the sum of their squares. */
export function riditSums(everybody: LogHistogram, group: LogHistogram): { n: number; sum: number; squares: number } {
  const all = histogramCount(everybody);
  let below = 0;
  const sums = { n: 0, sum: 0, squares: 0 };
  for (let i = 0; i < BUCKETS; i++) {
    const here = everybody[i] as number;
    const own = group[i] as number;
    if (own > 0) {
      const ridit = (below + here / 2) / all;
      sums.n += own;
      sums.sum += own * ridit;
      sums.squares += own * ridit * ridit;
    }
    below += here;
  }
  return sums;
}

/** A random value of everybody has a ridit spread evenly over 0 to 1: variance 1/12. */
export const riditError = (n: number): number => Math.sqrt(1 / (12 * n));

/**
 * Mean ridit of a group against everybody (Bross 1958): on one scale whatever the unit.
 *
 * @param everybody includes the group
 * @returns `undefined` when either is empty
 * @example everybody [10, 20, 30], group [30] → ridit (2 + 0.5) / 3 = 0.8333
 */
export function meanRidit(everybody: LogHistogram, group: LogHistogram): Ridit | undefined {
  if (histogramCount(everybody) === 0) return undefined;
  const { n, sum } = riditSums(everybody, group);
  return n === 0 ? undefined : { mean: sum / n, standardError: riditError(n), n };
}
