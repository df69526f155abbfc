import { BUCKETS, bucketMiddleMs, forEachBucket, MAD_TO_SD } from '../stats';
import type { UsualBucket } from './bucket-history';

const LOG_MIDDLES = Float64Array.from({ length: BUCKETS }, (_, i) => Math.log(Math.max(bucketMiddleMs(i), 0.005)));

/** Adds the durations of a roll-up to counts by histogram bucket. */
export const poolInPlace = (counts: Float64Array, { durations }: Pick<UsualBucket, 'durations'>, weight = 1): void =>
  forEachBucket(durations, (i, count) => (counts[i] = (counts[i] as number) + weight * count));

/** The durations of some roll-ups together, as counts by histogram bucket. */
export function pool(buckets: readonly Pick<UsualBucket, 'durations'>[]): Float64Array {
  const counts = new Float64Array(BUCKETS);
  for (const bucket of buckets) poolInPlace(counts, bucket);
  return counts;
}

/**
 * Median and 1.4826 × MAD of the log durations in a histogram.
 *
 * @returns natural logarithms of milliseconds; `undefined` when nothing is counted
 */
export function robustLogDuration(counts: Float64Array): { centre: number; spread: number } | undefined {
  const values: [value: number, count: number][] = [];
  for (let i = 0; i < BUCKETS; i++) {
    const count = counts[i] as number;
    if (count > 0) values.push([LOG_MIDDLES[i] as number, count]);
  }
  const centre = weightedMedian(values);
  if (centre === undefined) return undefined;
  const distances = values
    .map(([value, count]): [number, number] => [Math.abs(value - centre), count])
    .sort((a, b) => a[0] - b[0]);
  return { centre, spread: MAD_TO_SD * (weightedMedian(distances) as number) };
}

function weightedMedian(sorted: [value: number, count: number][]): number | undefined {
  const n = sorted.reduce((sum, [, count]) => sum + count, 0);
  let seen = 0;
  for (const [value, count] of sorted) {
    seen += count;
    if (2 * seen >= n) return value;
  }
  return undefined;
}

/** How many lie above a limit, of how many; one is added to all, so that it is never 0. */
export function countAbove(counts: Float64Array, limitMs: number): { above: number; all: number } {
  let [above, all] = [0, 1];
  for (let i = 0; i < BUCKETS; i++) {
    const count = counts[i] as number;
    if (count === 0) continue;
    all += count;
    if (bucketMiddleMs(i) > limitMs) above += count;
  }
  return { above, all };
}

export function shareAbove(counts: Float64Array, limitMs: number): number {
  const { above, all } = countAbove(counts, limitMs);
  return above / all;
}

/** Mean and standard deviation of what single attempts take longer than expected, milliseconds. */
export function excessOf(counts: Float64Array, expectedMs: number | undefined): { mean: number; sd: number } {
  let [n, sum, squares] = [0, 0, 0];
  for (let i = 0; i < BUCKETS; i++) {
    const count = counts[i] as number;
    if (count === 0 || expectedMs === undefined) continue;
    const excess = Math.max(0, bucketMiddleMs(i) - expectedMs);
    n += count;
    sum += count * excess;
    squares += count * excess * excess;
  }
  return n === 0 ? { mean: 0, sd: 0 } : { mean: sum / n, sd: Math.sqrt(Math.max(0, squares / n - (sum / n) ** 2)) };
}
