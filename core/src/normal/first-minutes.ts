import { BUCKET_MS, hangLimitMs } from '../flows';
import { mean, median, sum } from '../stats';
import { DAY_MS, floorTo } from '../time';
import type { BucketHistory, UsualBucket } from './bucket-history';
import { calmPart } from './calm-part';
import { judgingLimit, type FlowNormal, type Limits } from './flow-normal';
import { BUCKETS_PER_SLOT, SLOT_MS } from './learning-days';
import { countAbove, excessOf, pool, robustLogDuration, shareAbove } from './log-durations';
import { normalRange, STRAINED_SPREADS } from './range';

/**
 * Ten seconds keep a person's attention on what they wait for; a tenth of a second is taken for at once. R. B. Miller,
 * Response time in man-computer conversational transactions, AFIPS Fall Joint Computer Conference 1968 (from memory).
 */
export const ATTENTION_MS = 10_000;
export const AT_ONCE_MS = 100;

/**
 * What is taken for usual before a flow has shown its own: one attempt in a hundred fails or is late, give or take one.
 * It weighs as much as a hundred attempts. Our own choice, no source; told in docs/architecture.md.
 */
const PRIOR_SHARE = 0.01;
const PRIOR_SPREAD = 0.01;
const PRIOR_ATTEMPTS = 100;
/** What fails or overruns its owner's limit more often than this from the first minute on is trouble, not usual. */
export const MOST_USUAL = 0.1;

/** Of fewer attempts a flow's own durations tell nothing. */
const FEWEST_OWN = 30;
/** How much the middle of one block of minutes lies off that of the next (spread of the logarithm). */
const DRIFT = 0.1;
/** An outage is told where traffic was seen for so many whole five minutes before it. */
const FEWEST_BEFORE = 2;
/** Where so little comes that a day does not make it known, the newest day tells as much as all. */
const LONGEST_MEMORY_MS = DAY_MS;
const VOLUME_MEMORY = 2 * BUCKETS_PER_SLOT;
/** How far the next five minutes are from those just before, and how unevenly people come, while neither is known. */
const VOLUME_SPREAD = 0.15;
const VOLUME_DISPERSION = 1.5;

export interface FirstMinutesSources {
  firstMs: number;
  slotMs: number;
  ownersLimitMs: number | undefined;
  siteLimitsMs: ReadonlyMap<number, number>;
  isWaitedFor: boolean;
  /** nobody is late before this, but by an owner's limit */
  leastLimitMs: number;
}

/**
 * What is usual for a flow while too little is known to learn from earlier hours: its own first minutes up to the end of
 * the slot, of which the calm part counts, with wide doubt; before enough attempts have come, what is published about
 * people's patience and a weak prior of how often services fail. The only rung that learns from the slot itself.
 */
export function learnFirstMinutes(
  history: BucketHistory,
  { firstMs, slotMs, ownersLimitMs, siteLimitsMs, isWaitedFor, leastLimitMs }: FirstMinutesSources,
): FlowNormal {
  const known: number[] = [];
  const earliest = Math.max(floorTo(firstMs, BUCKET_MS), slotMs - LONGEST_MEMORY_MS);
  for (let start = earliest; start < slotMs + SLOT_MS; start += BUCKET_MS)
    if (history(start) !== undefined) known.push(start);
  const bucketsAt = (starts: readonly number[]) => starts.map(history).filter((bucket) => bucket !== undefined);
  const attempts = attemptsIn(bucketsAt(known));
  const buckets = bucketsAt(calmPart(history, known));
  const counts = pool(buckets);
  const ended = sum(counts);
  const isOwn = ended >= FEWEST_OWN;
  const log = robustLogDuration(counts);
  const doubt = Math.hypot(Math.sqrt(Math.PI / 2 / ended) * (log?.spread ?? 0), DRIFT);
  const learnedLimitMs =
    isOwn && log
      ? Math.max(Math.exp(log.centre + STRAINED_SPREADS * Math.hypot(log.spread, 2 * doubt)), leastLimitMs)
      : undefined;
  const { limitMs, limitBy } = judgingLimit({
    owner: ownersLimitMs,
    learned: learnedLimitMs,
    published: isWaitedFor ? ATTENTION_MS : undefined,
  });
  const failed = sum(buckets.map((bucket) => bucket.failed));
  const samples = attemptsIn(buckets);
  const failing = withPrior(failed, samples);
  const lateBy = (limit: number | undefined) =>
    limit === undefined
      ? { share: PRIOR_SHARE, spread: PRIOR_SPREAD }
      : withPrior(countAbove(counts, limit).above, ended);
  const late = lateBy(limitMs);
  const limitsBy = (limit: number): Limits => ({
    limitMs: limit,
    lateShare: lateBy(limit).share,
    hungShare: shareAbove(counts, hangLimitMs(limit)),
  });
  const wait = excessOf(counts, log && Math.exp(log.centre));
  return {
    basis: isOwn ? 'firstMinutes' : ownersLimitMs !== undefined ? 'ownersLimit' : attempts > 0 ? 'published' : 'none',
    samples,
    days: 0,
    limitMs,
    limitBy,
    sites: new Map([...siteLimitsMs].map(([site, siteMs]) => [site, limitsBy(siteMs)])),
    learnedLimitMs,
    expectedMs: log && Math.exp(log.centre),
    usualWaitMs: wait.mean,
    usualWaitSdMs: wait.sd,
    medianRange: isOwn
      ? normalRange(
          buckets.map(({ medianMs }) => medianMs),
          'log',
        )
      : undefined,
    lateShare: late.share,
    lateSpread: late.spread,
    hungShare: limitMs === undefined ? 0 : Math.min(late.share, shareAbove(counts, hangLimitMs(limitMs))),
    failedShare: failing.share,
    failedSpread: failing.spread,
    // Work that nobody waits for comes when it is started, and ends: that the next five minutes bring as much is known of
    // people alone.
    ...volumeSoFar(isWaitedFor ? history : () => undefined, { firstMs, slotMs }),
    money: undefined,
  };
}

const attemptsIn = (buckets: readonly UsualBucket[]): number => sum(buckets.map(({ attempts }) => attempts));

/** A share that begins at the prior and goes over to what is seen, its doubt shrinking with the attempts. */
function withPrior(bad: number, n: number): { share: number; spread: number } {
  const share = Math.min(MOST_USUAL, (bad + PRIOR_SHARE * PRIOR_ATTEMPTS) / (n + PRIOR_ATTEMPTS));
  return { share, spread: PRIOR_SPREAD * Math.sqrt(PRIOR_ATTEMPTS / (n + PRIOR_ATTEMPTS)) };
}

/**
 * Each five minutes are expected to bring as many attempts as those before them, once there were enough: their middle,
 * which trouble of some minutes does not move, or their mean, since the middle of small counts is often none.
 */
function volumeSoFar(
  history: BucketHistory,
  { firstMs, slotMs }: Pick<FirstMinutesSources, 'firstMs' | 'slotMs'>,
): Pick<FlowNormal, 'volume' | 'volumeSpread' | 'volumeDispersion'> {
  const volume = new Float64Array(BUCKETS_PER_SLOT).map((_, k) => {
    const atMs = slotMs + k * BUCKET_MS;
    const before: number[] = [];
    // The five minutes in which the flow began are not known as a whole.
    for (let start = atMs - BUCKET_MS; start >= firstMs && before.length < VOLUME_MEMORY; start -= BUCKET_MS) {
      const bucket = history(start);
      if (bucket) before.push(bucket.attempts);
    }
    return before.length < FEWEST_BEFORE ? NaN : Math.max(median(before) ?? NaN, mean(before));
  });
  return { volume, volumeSpread: VOLUME_SPREAD, volumeDispersion: VOLUME_DISPERSION };
}
