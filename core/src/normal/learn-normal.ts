import { hangLimitMs, BUCKET_MS } from '../flows';
import { BUCKETS, forEachBucket, bucketMiddleMs, robustCentre, MAD_TO_SD } from '../stats';
import { type DayKinds, DAY_MS } from '../time';
import type { BucketHistory, DayTotal } from './bucket-history';
import type { FlowNormal, Limits } from './flow-normal';
import { chooseDays, type LearningDay, BUCKETS_PER_SLOT, FEWEST_DAYS } from './learning-days';
import { STRAINED_SPREADS, normalRange, type NormalRange } from './range';
import { learnVolume } from './volume';

// A limit closer to the centre than this would call ordinary jitter late.
const LEAST_LIMIT_FACTOR = 1.15;

export interface NormalSources {
  firstMs: number;
  slotMs: number;
  ownersLimitMs: number | undefined;
  kinds: DayKinds;
  totalOf?: DayTotal;
  siteLimitsMs?: ReadonlyMap<number, number>;
}

/**
 * Learns what is usual for a flow in the half hour that begins at `slotMs`, from what came before it, down a ladder:
 * the same time of the week in earlier weeks; with a wider neighbourhood; the same time of like days; all that is
 * known; the owner's limit alone. The newest days weigh most. Never from the slot itself or what follows.
 *
 * @param firstMs start of the flow's history: before it nothing is known, after it an absent bucket means no attempts
 * @param siteLimitsMs limits that the owner set for single sites; how often such a one is exceeded as usual is told
 *   from the
 *   durations of the whole flow, since roll-ups do not tell sites apart
 */
export function learnNormal(
  history: BucketHistory,
  { firstMs, slotMs, ownersLimitMs, kinds, totalOf = () => undefined, siteLimitsMs = NO_SITES }: NormalSources,
): FlowNormal {
  const { basis, days, volumeDays } = chooseDays(history, firstMs, slotMs, kinds);
  const learned = days.map(({ weight, starts }) => ({
    weight,
    buckets: starts.map(history).filter((bucket) => bucket !== undefined),
  }));
  const pooled = new Float64Array(BUCKETS);
  for (const { weight, buckets } of learned)
    for (const { durations } of buckets)
      forEachBucket(durations, (i, count) => (pooled[i] = (pooled[i] as number) + weight * count));
  const known = robustLogDuration(pooled);
  const learnedLimitMs =
    known &&
    Math.max(Math.exp(known.centre + STRAINED_SPREADS * known.spread), Math.exp(known.centre) * LEAST_LIMIT_FACTOR);
  const limitMs = ownersLimitMs ?? learnedLimitMs;
  const medians: number[] = [];
  const daily = learned.map(({ weight, buckets }) => {
    const day = { weight, attempts: 0, failed: 0, late: 0 };
    for (const { attempts, failed, durations, medianMs } of buckets) {
      if (medianMs > 0) medians.push(medianMs);
      day.attempts += attempts;
      day.failed += failed;
      if (limitMs !== undefined)
        forEachBucket(durations, (i, count) => (day.late += bucketMiddleMs(i) > limitMs ? count : 0));
    }
    return day;
  });
  const late = shareOverDays(daily.map((day) => ({ weight: day.weight, n: day.attempts - day.failed, bad: day.late })));
  const failed = shareOverDays(daily.map((day) => ({ weight: day.weight, n: day.attempts, bad: day.failed })));
  const expectedMs = known && Math.exp(known.centre);
  const wait = excessOf(pooled, expectedMs);
  return {
    basis: basis === 'none' && ownersLimitMs !== undefined ? 'ownersLimit' : basis,
    samples: daily.reduce((sum, day) => sum + day.attempts, 0),
    days: days.length,
    limitMs,
    limitBy: ownersLimitMs !== undefined ? 'owner' : learnedLimitMs !== undefined ? 'learned' : 'none',
    sites: new Map([...siteLimitsMs].map(([site, siteLimitMs]) => [site, limitsOf(pooled, siteLimitMs)])),
    learnedLimitMs,
    expectedMs,
    usualWaitMs: wait.mean,
    usualWaitSdMs: wait.sd,
    medianRange: normalRange(medians, 'log'),
    lateShare: late.share,
    lateSpread: late.spread,
    hungShare: limitMs === undefined ? 0 : Math.min(late.share, shareAbove(pooled, hangLimitMs(limitMs))),
    failedShare: failed.share,
    failedSpread: failed.spread,
    ...learnVolume(history, slotMs, volumeDays, totalOf),
    money: basis === 'history' || basis === 'none' ? undefined : learnMoney(history, slotMs, days),
  };
}

const NO_SITES: ReadonlyMap<number, number> = new Map();

/** Half a case is added, so that no share is 0: something may always be late. */
function limitsOf(pooled: Float64Array, limitMs: number): Limits {
  const { above, all } = countAbove(pooled, limitMs);
  return { limitMs, lateShare: (above + 0.5) / (all + 0.5), hungShare: shareAbove(pooled, hangLimitMs(limitMs)) };
}

/** Value completed in the slot's half hour on each learning day, on a log scale. */
function learnMoney(history: BucketHistory, slotMs: number, days: readonly LearningDay[]): NormalRange | undefined {
  const sums = days.map(({ daysBack }) => {
    let sum = 0;
    for (let k = 0; k < BUCKETS_PER_SLOT; k++)
      sum += history(slotMs - daysBack * DAY_MS + k * BUCKET_MS)?.valueMinor ?? 0;
    return sum;
  });
  return sums.some((sum) => sum > 0) ? normalRange(sums, 'log') : undefined;
}

/** Pooled share with half a case added (never 0), and its spread between days beyond the binomial one. */
function shareOverDays(days: readonly { weight: number; n: number; bad: number }[]): { share: number; spread: number } {
  const weighted = (value: (day: { n: number; bad: number }) => number) =>
    days.reduce((sum, day) => sum + day.weight * value(day), 0);
  const n = weighted((day) => day.n);
  const share = Math.min(1 - 1e-6, (weighted((day) => day.bad) + 0.5) / (n + 1));
  const shares = days.filter((day) => day.n > 0).map((day) => day.bad / day.n);
  if (shares.length < FEWEST_DAYS) return { share, spread: 0 };
  const robust = robustCentre(shares) as { spread: number };
  const binomial = (share * (1 - share) * shares.length) / Math.max(1, n);
  return { share, spread: Math.sqrt(Math.max(0, robust.spread ** 2 - binomial)) };
}

function shareAbove(counts: Float64Array, limitMs: number): number {
  const { above, all } = countAbove(counts, limitMs);
  return above / all;
}

/** How many lie above a limit, of how many; one is added to all, so that it is never 0. */
function countAbove(counts: Float64Array, limitMs: number): { above: number; all: number } {
  let [above, all] = [0, 1];
  for (let i = 0; i < BUCKETS; i++) {
    const count = counts[i] as number;
    if (count === 0) continue;
    all += count;
    if (bucketMiddleMs(i) > limitMs) above += count;
  }
  return { above, all };
}

/** Mean and standard deviation of what single attempts take longer than expected. */
function excessOf(counts: Float64Array, expectedMs: number | undefined): { mean: number; sd: number } {
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

const LOG_MIDDLES = Float64Array.from({ length: BUCKETS }, (_, i) => Math.log(Math.max(bucketMiddleMs(i), 0.005)));

/** Median and 1.4826 × MAD of the log durations in a histogram. */
function robustLogDuration(counts: Float64Array): { centre: number; spread: number } | undefined {
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
