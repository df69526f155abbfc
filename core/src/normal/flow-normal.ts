import { BUCKET_MS, hangLimitMs, type FlowBucket } from '../flows';
import { BUCKETS, bucketMiddleMs, forEachBucket, MAD_TO_SD, robustCentre } from '../stats';
import { DAY_MS, floorTo, type DayKinds } from '../time';
import { BUCKETS_PER_SLOT, chooseDays, FEWEST_DAYS, SLOT_MS, type Basis, type LearningDay } from './learning-days';
import { normalRange, STRAINED_SPREADS, type NormalRange } from './range';
import { learnVolume } from './volume';

// A limit closer to the centre than this would call ordinary jitter late.
const LEAST_LIMIT_FACTOR = 1.15;

export type UsualBucket = Pick<FlowBucket, 'attempts' | 'failed' | 'durations' | 'medianMs' | 'valueMinor'>;

/** Earlier roll-ups of one flow, asked by their start; `undefined` when a bucket is left out or lies before all data. */
export type BucketHistory = (startMs: number) => UsualBucket | undefined;

/** Attempts of a flow on a whole day (its begin, UTC); `undefined` when the day is not known as a whole. */
export type DayTotal = (dayMs: number) => number | undefined;

/** What judges an attempt, and how often it is outside that as usual. */
export interface Limits {
  /** milliseconds; `undefined` when nothing is known */
  limitMs: number | undefined;
  /** usual share of late and hung among the attempts that did not fail */
  lateShare: number;
  /** usual share of hung ones among the attempts that did not fail */
  hungShare: number;
}

/** What is usual for a flow in one half hour. */
export interface FlowNormal extends Limits {
  basis: Basis;
  /** attempts that it was learned from */
  samples: number;
  /** days that it was learned from */
  days: number;
  limitBy: 'owner' | 'learned' | 'none';
  /** sites with a limit of their own, set by the owner */
  sites: ReadonlyMap<number, Limits>;
  /** upper normal bound of a single attempt, milliseconds; also when the owner's limit judges */
  learnedLimitMs: number | undefined;
  /** usual duration of an attempt, milliseconds */
  expectedMs: number | undefined;
  /** what an attempt usually takes longer than expected, milliseconds a piece, and its standard deviation from one attempt to the next */
  usualWaitMs: number;
  usualWaitSdMs: number;
  /** usual range of the median of five minutes, milliseconds */
  medianRange: NormalRange | undefined;
  lateSpread: number;
  /** natural error level */
  failedShare: number;
  failedSpread: number;
  /** expected attempts in each five minutes of the slot; NaN where not known */
  volume: Float64Array;
  /** standard deviation of the expectation as a share of it */
  volumeSpread: number;
  /** variance of five-minute counts around their expectation, as a multiple of it; at least 1 */
  volumeDispersion: number;
  /** usual range of the value completed in half an hour, minor units; `undefined` for flows without value */
  money: NormalRange | undefined;
}

/**
 * Learns what is usual for a flow in the half hour that begins at `slotMs`, from what came before it, down a ladder: the
 * same time of the week in earlier weeks; with a wider neighbourhood; the same time of like days; all that is known; the
 * owner's limit alone. The newest days weigh most. Never from the slot itself or what follows.
 *
 * @param firstMs start of the flow's history: before it nothing is known, after it an absent bucket means no attempts
 * @param siteLimitsMs limits that the owner set for single sites; how often such a one is exceeded as usual is told from the
 *   durations of the whole flow, since roll-ups do not tell sites apart
 */
export function learnNormal(
  history: BucketHistory,
  firstMs: number,
  slotMs: number,
  ownersLimitMs: number | undefined,
  kinds: DayKinds,
  totalOf: DayTotal = () => undefined,
  siteLimitsMs: ReadonlyMap<number, number> = NO_SITES,
): FlowNormal {
  const { basis, days, volumeDays } = chooseDays(history, firstMs, slotMs, kinds);
  const learned = days.map(({ weight, starts }) => ({ weight, buckets: starts.map(history).filter((bucket) => bucket !== undefined) }));
  const pooled = new Float64Array(BUCKETS);
  for (const { weight, buckets } of learned)
    for (const { durations } of buckets) forEachBucket(durations, (i, count) => (pooled[i] = (pooled[i] as number) + weight * count));
  const known = robustLogDuration(pooled);
  const learnedLimitMs = known && Math.max(Math.exp(known.centre + STRAINED_SPREADS * known.spread), Math.exp(known.centre) * LEAST_LIMIT_FACTOR);
  const limitMs = ownersLimitMs ?? learnedLimitMs;
  const medians: number[] = [];
  const daily = learned.map(({ weight, buckets }) => {
    const day = { weight, attempts: 0, failed: 0, late: 0 };
    for (const { attempts, failed, durations, medianMs } of buckets) {
      if (medianMs > 0) medians.push(medianMs);
      day.attempts += attempts;
      day.failed += failed;
      if (limitMs !== undefined) forEachBucket(durations, (i, count) => (day.late += bucketMiddleMs(i) > limitMs ? count : 0));
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

/** What judges an attempt of a site: its own limit, or the flow's. */
export const limitsAt = (normal: FlowNormal, site: number): Limits => (normal.sites.size === 0 ? normal : (normal.sites.get(site) ?? normal));

/** Half a case is added, so that no share is 0: something may always be late. */
function limitsOf(pooled: Float64Array, limitMs: number): Limits {
  const { above, all } = countAbove(pooled, limitMs);
  return { limitMs, lateShare: (above + 0.5) / (all + 0.5), hungShare: shareAbove(pooled, hangLimitMs(limitMs)) };
}

/** False where the owner's limit judges alone, or nothing does: what is usual is not known. */
export const isLearned = ({ basis }: Pick<FlowNormal, 'basis'>): boolean => basis !== 'none' && basis !== 'ownersLimit';

/** Expected attempts in the five minutes that a moment of the normal's own slot lies in; NaN where not known. */
export const volumeAt = ({ volume }: Pick<FlowNormal, 'volume'>, timeMs: number): number =>
  volume[Math.floor((timeMs - floorTo(timeMs, SLOT_MS)) / BUCKET_MS)] as number;

/** Value completed in the slot's half hour on each learning day, on a log scale. */
function learnMoney(history: BucketHistory, slotMs: number, days: readonly LearningDay[]): NormalRange | undefined {
  const sums = days.map(({ daysBack }) => {
    let sum = 0;
    for (let k = 0; k < BUCKETS_PER_SLOT; k++) sum += history(slotMs - daysBack * DAY_MS + k * BUCKET_MS)?.valueMinor ?? 0;
    return sum;
  });
  return sums.some((sum) => sum > 0) ? normalRange(sums, 'log') : undefined;
}

/** Pooled share with half a case added (never 0), and its spread between days beyond the binomial one. */
function shareOverDays(days: readonly { weight: number; n: number; bad: number }[]): { share: number; spread: number } {
  const weighted = (value: (day: { n: number; bad: number }) => number) => days.reduce((sum, day) => sum + day.weight * value(day), 0);
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
  const distances = values.map(([value, count]): [number, number] => [Math.abs(value - centre), count]).sort((a, b) => a[0] - b[0]);
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
