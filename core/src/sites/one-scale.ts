import { riditError, riditSums, sum, type LogHistogram } from '../stats';

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
  const sums = activities.map(({ everybody, group }) => riditSums(everybody, group));
  const attempts = sum(sums.map(({ n }) => n));
  if (attempts === 0) return undefined;
  const score = sum(sums.map((one) => one.sum)) / attempts;
  const squares = sum(sums.map((one) => one.squares)) / attempts;
  return {
    score,
    standardError: riditError(attempts),
    unsteadiness: Math.sqrt(Math.max(0, squares - score * score)),
    attempts,
  };
}
