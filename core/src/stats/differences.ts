import { wilson, type Interval } from './evidence';
import { studentPoint } from './student';
import { mean, sum } from './sum';

/**
 * Difference of two shares with its 95 % interval: method 10 of Newcombe 1998, from the Wilson intervals of both.
 *
 * @returns `undefined` when either has nothing to count
 * @example shareDifference([56, 70], [48, 80]) // 0.2000, 0.0524 to 0.3339
 */
export function shareDifference(
  [ofFirst, n]: readonly [count: number, n: number],
  [ofSecond, m]: readonly [count: number, n: number],
): Interval | undefined {
  const [first, second] = [wilson(ofFirst, n), wilson(ofSecond, m)];
  if (!first || !second) return undefined;
  const estimate = first.estimate - second.estimate;
  return {
    estimate,
    low: estimate - Math.hypot(first.estimate - first.low, second.high - second.estimate),
    high: estimate + Math.hypot(first.high - first.estimate, second.estimate - second.low),
  };
}

/**
 * Difference of two means with its 95 % interval: two-sample t with unequal variances (Welch 1947), as R `t.test`.
 *
 * @returns `undefined` for fewer than two of either
 */
export function meanDifference(first: readonly number[], second: readonly number[]): Interval | undefined {
  if (first.length < 2 || second.length < 2) return undefined;
  const [a, b] = [momentsOf(first), momentsOf(second)];
  const estimate = a.centre - b.centre;
  const error = a.part + b.part;
  if (error === 0) return { estimate, low: estimate, high: estimate };
  const freedom = error ** 2 / (a.part ** 2 / (first.length - 1) + b.part ** 2 / (second.length - 1));
  const half = studentPoint(freedom, 0.95) * Math.sqrt(error);
  return { estimate, low: estimate - half, high: estimate + half };
}

/** Mean, and the variance of the mean. */
function momentsOf(values: readonly number[]): { centre: number; part: number } {
  const centre = mean(values);
  return { centre, part: sum(values.map((value) => (value - centre) ** 2)) / (values.length - 1) / values.length };
}
