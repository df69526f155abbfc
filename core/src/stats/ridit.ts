import { BUCKETS, histogramCount, type LogHistogram } from './log-histogram';

export interface Ridit {
  /** chance that a random value of the group is above a random one of everybody, ties half; 0.5 is the norm */
  mean: number;
  standardError: number;
  n: number;
}

/**
 * Mean ridit of a group against everybody (Bross 1958): on one scale whatever the unit.
 *
 * @param everybody includes the group
 * @returns `undefined` when either is empty
 * @example everybody [10, 20, 30], group [30] → ridit (2 + 0.5) / 3 = 0.8333
 */
export function meanRidit(everybody: LogHistogram, group: LogHistogram): Ridit | undefined {
  const all = histogramCount(everybody);
  const n = histogramCount(group);
  if (all === 0 || n === 0) return undefined;
  let below = 0;
  let sum = 0;
  for (let i = 0; i < BUCKETS; i++) {
    const here = everybody[i] as number;
    sum += (group[i] as number) * ((below + here / 2) / all);
    below += here;
  }
  // A random value of everybody has a ridit spread evenly over 0 to 1: variance 1/12.
  return { mean: sum / n, standardError: Math.sqrt(1 / (12 * n)), n };
}
