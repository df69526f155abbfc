import { hangLimitMs, BUCKET_MS } from '../flows';
import { BUCKETS, forEachBucket, bucketMiddleMs, robustCentre } from '../stats';
import { type DayKinds, DAY_MS } from '../time';
import type { BucketHistory, DayTotal } from './bucket-history';
import { AT_ONCE_MS, learnFirstMinutes, MOST_USUAL } from './first-minutes';
import { judgingLimit, type FlowNormal, type Limits } from './flow-normal';
import { chooseDays, type LearningDay, BUCKETS_PER_SLOT, FEWEST_DAYS } from './learning-days';
import { countAbove, excessOf, poolInPlace, robustLogDuration, shareAbove } from './log-durations';
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
  /** false for what nobody waits for: its duration is judged by its own alone */
  isWaitedFor?: boolean;
  /** what is answered sooner is never late where somebody waits, unless its owner's limit says so; milliseconds */
  atOnceMs?: number;
}

/**
 * Learns what is usual for a flow in the half hour that begins at `slotMs`, from what came before it, down a ladder:
 * the same time of the week in earlier weeks; with a wider neighbourhood; the same time of like days; the calm part of all
 * that is known; its first minutes (`learnFirstMinutes`). The newest days weigh most. But for those first minutes never
 * from the slot itself or what follows.
 *
 * @param firstMs start of the flow's history: before it nothing is known, after it an absent bucket means no attempts
 * @param siteLimitsMs limits that the owner set for single sites; how often such a one is exceeded as usual is told
 *   from the durations of the whole flow, since roll-ups do not tell sites apart
 */
export function learnNormal(history: BucketHistory, sources: NormalSources): FlowNormal {
  const {
    firstMs,
    slotMs,
    ownersLimitMs,
    kinds,
    totalOf = () => undefined,
    siteLimitsMs = NO_SITES,
    isWaitedFor = true,
    atOnceMs = AT_ONCE_MS,
  } = sources;
  const leastLimitMs = isWaitedFor ? atOnceMs : 0;
  const { basis, days, volumeDays } = chooseDays(history, firstMs, slotMs, kinds);
  if (basis === 'none') return learnFirstMinutes(history, { ...sources, siteLimitsMs, isWaitedFor, leastLimitMs });
  const learned = days.map(({ weight, starts }) => ({
    weight,
    buckets: starts.map(history).filter((bucket) => bucket !== undefined),
  }));
  const pooled = new Float64Array(BUCKETS);
  for (const { weight, buckets } of learned) for (const bucket of buckets) poolInPlace(pooled, bucket, weight);
  const known = robustLogDuration(pooled);
  const learnedLimitMs =
    known &&
    Math.max(
      Math.exp(known.centre + STRAINED_SPREADS * known.spread),
      Math.exp(known.centre) * LEAST_LIMIT_FACTOR,
      leastLimitMs,
    );
  const { limitMs, limitBy } = judgingLimit({ owner: ownersLimitMs, learned: learnedLimitMs });
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
    basis,
    samples: daily.reduce((sum, day) => sum + day.attempts, 0),
    days: days.length,
    limitMs,
    limitBy,
    sites: new Map([...siteLimitsMs].map(([site, siteLimitMs]) => [site, limitsOf(pooled, siteLimitMs)])),
    learnedLimitMs,
    expectedMs,
    usualWaitMs: wait.mean,
    usualWaitSdMs: wait.sd,
    medianRange: normalRange(medians, 'log'),
    lateShare: late.share,
    lateSpread: late.spread,
    hungShare: limitMs === undefined ? 0 : Math.min(late.share, shareAbove(pooled, hangLimitMs(limitMs))),
    // On its first day a flow has not shown yet that it is no trouble.
    failedShare: basis === 'history' && slotMs - firstMs < DAY_MS ? Math.min(MOST_USUAL, failed.share) : failed.share,
    failedSpread: failed.spread,
    ...learnVolume(history, slotMs, volumeDays, totalOf),
    money: basis === 'history' ? undefined : learnMoney(history, slotMs, days),
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
