import { BUCKETS, histogramCount, type LogHistogram } from '../stats';

/** A group on the one scale of unlike activities. */
export interface OnOneScale {
  /**
   * chance that a random attempt of the group takes longer than a random one of everybody, of the same activity; 0.5 is
   * the norm
   */
  score: number;
  standardError: number;
  /** spread of its attempts on the scale; 0.29 is that of everybody (1/√12), above it is unsteady */
  unsteadiness: number;
  attempts: number;
}

/** One activity: everybody's durations, the group's among them, and the group's own. */
export interface ActivityOf {
  everybody: LogHistogram;
  group: LogHistogram;
}

/**
 * Mean ridit (Bross 1958) of a group over unlike activities, weighted by its attempts in each.
 *
 * @returns `undefined` without attempts
 * @example everybody [10, 20, 30] in each of two activities, the group [30] in both → score 0.8333
 */
export function onOneScale(activities: readonly ActivityOf[]): OnOneScale | undefined {
  let [attempts, sum, squares] = [0, 0, 0];
  for (const { everybody, group } of activities) {
    const all = histogramCount(everybody);
    let below = 0;
    for (let i = 0; i < BUCKETS; i++) {
      const here = everybody[i] as number;
      const own = group[i] as number;
      const ridit = (below + here / 2) / all;
      if (own > 0) {
        attempts += own;
        sum += own * ridit;
        squares += own * ridit * ridit;
      }
      below += here;
    }
  }
  if (attempts === 0) return undefined;
  const score = sum / attempts;
  return {
    score,
    // A random attempt of everybody lies evenly on 0 to 1: variance 1/12.
    standardError: Math.sqrt(1 / (12 * attempts)),
    unsteadiness: Math.sqrt(Math.max(0, squares / attempts - score * score)),
    attempts,
  };
}
