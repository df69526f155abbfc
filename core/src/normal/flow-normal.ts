import { BUCKET_MS, type FlowBucket } from '../flows';
import {
  addEncodedInPlace, BUCKETS, bucketMiddleMs, createHistogram, histogramCount, MAD_TO_SD, median, robustCentre, type LogHistogram,
} from '../stats'; // prettier-ignore
import { DAY_MS, floorTo, isWeekend, MINUTE_MS } from '../time';
import { normalRange, STRAINED_SPREADS, type NormalRange } from './range';

/** Normal is learned for every half hour of the day. */
export const SLOT_MS = 30 * MINUTE_MS;

/** From where normal was learned, best first. */
export const BASES = ['timeOfWeek', 'dayPattern', 'history', 'ownersLimit', 'none'] as const;
export type Basis = (typeof BASES)[number];

const BUCKETS_PER_SLOT = SLOT_MS / BUCKET_MS;
const NEIGHBOURHOOD = BUCKETS_PER_SLOT;
const VOLUME_NEIGHBOURHOOD = 2;
const LONGEST_MEMORY_DAYS = 35;
const FEWEST_WEEKS = 3;
const FEWEST_DAYS = 3;
const FEWEST_ATTEMPTS = 100;
// Least relative spread of the volume from day to day; also what is assumed while fewer than three days are known.
const LEAST_VOLUME_SPREAD = 0.04;
const UNKNOWN_VOLUME_SPREAD = 0.2;
const UNKNOWN_DISPERSION = 2;
const FEWEST_PAIRS = 30;
const TRIMMED_CHI_SQUARE_MEAN = 0.602;
// A limit closer to the centre than this would call ordinary jitter late.
const LEAST_LIMIT_FACTOR = 1.15;

/** Earlier roll-ups of one flow, asked by their start; `undefined` when a bucket is masked or lies before all data. */
export type BucketHistory = (startMs: number) => Pick<FlowBucket, 'attempts' | 'failed' | 'durations' | 'medianMs'> | undefined;

/** What is usual for a flow in one half hour. */
export interface FlowNormal {
  basis: Basis;
  /** attempts that it was learned from */
  samples: number;
  /** days that it was learned from */
  days: number;
  /** what judges an attempt, milliseconds; `undefined` when nothing is known */
  limitMs: number | undefined;
  limitBy: 'owner' | 'learned' | 'none';
  /** upper normal bound of a single attempt, milliseconds; also when the owner's limit judges */
  learnedLimitMs: number | undefined;
  /** usual duration of an attempt, milliseconds */
  expectedMs: number | undefined;
  /** what an attempt usually takes longer than expected, milliseconds a piece */
  usualWaitMs: number;
  /** usual range of the median of five minutes, milliseconds */
  medianRange: NormalRange | undefined;
  /** usual share of late and hung among the attempts that did not fail, against the limit that judges */
  lateShare: number;
  lateSpread: number;
  failedShare: number;
  failedSpread: number;
  /** expected attempts in each five minutes of the slot; NaN where not known */
  volume: Float64Array;
  /** standard deviation of the expectation as a share of it */
  volumeSpread: number;
  /** variance of five-minute counts around their expectation, as a multiple of it; at least 1 */
  volumeDispersion: number;
}

/**
 * Learns what is usual for a flow in the half hour that begins at `slotMs`, from what came before it: the same time of
 * the week in at least three earlier weeks, else the same time of at least three like days (workdays or weekend), else
 * all that is known, else the owner's limit alone. Never from the slot itself or what follows.
 *
 * @param firstMs start of the flow's history: before it nothing is known, after it an absent bucket means no attempts
 */
export function learnNormal(history: BucketHistory, firstMs: number, slotMs: number, ownersLimitMs: number | undefined): FlowNormal {
  const { basis, dayStarts } = chooseDays(history, firstMs, slotMs);
  const pooled = createHistogram();
  const daily: { attempts: number; failed: number; durations: LogHistogram }[] = [];
  const medians: number[] = [];
  for (const starts of dayStarts) {
    const day = { attempts: 0, failed: 0, durations: createHistogram() };
    for (const start of starts) {
      const bucket = history(start);
      if (!bucket) continue;
      day.attempts += bucket.attempts;
      day.failed += bucket.failed;
      addEncodedInPlace(day.durations, bucket.durations);
      if (bucket.medianMs > 0) medians.push(bucket.medianMs);
    }
    for (let i = 0; i < BUCKETS; i++) pooled[i] = (pooled[i] as number) + (day.durations[i] as number);
    daily.push(day);
  }
  const known = robustLogDuration(pooled);
  const learnedLimitMs = known && Math.max(Math.exp(known.centre + STRAINED_SPREADS * known.spread), Math.exp(known.centre) * LEAST_LIMIT_FACTOR);
  const limitMs = ownersLimitMs ?? learnedLimitMs;
  const late = shareOverDays(daily.map((day) => ({ n: day.attempts - day.failed, bad: countAbove(day.durations, limitMs) })));
  const failed = shareOverDays(daily.map((day) => ({ n: day.attempts, bad: day.failed })));
  const expectedMs = known && Math.exp(known.centre);
  return {
    basis: basis === 'none' && ownersLimitMs !== undefined ? 'ownersLimit' : basis,
    samples: daily.reduce((sum, day) => sum + day.attempts, 0),
    days: dayStarts.length,
    limitMs,
    limitBy: ownersLimitMs !== undefined ? 'owner' : learnedLimitMs !== undefined ? 'learned' : 'none',
    learnedLimitMs,
    expectedMs,
    usualWaitMs: meanExcess(pooled, expectedMs),
    medianRange: normalRange(medians, 'log'),
    lateShare: late.share,
    lateSpread: late.spread,
    failedShare: failed.share,
    failedSpread: failed.spread,
    ...learnVolume(history, basis, slotMs, dayStarts),
  };
}

/** The buckets to learn from, one list a day (for basis 'history', one list of all). */
function chooseDays(history: BucketHistory, firstMs: number, slotMs: number): { basis: Basis; dayStarts: number[][] } {
  const daysBack = (isWanted: (back: number) => boolean) => {
    const days: number[][] = [];
    for (let back = 1; back <= LONGEST_MEMORY_DAYS; back++) {
      const centre = slotMs - back * DAY_MS;
      if (centre < firstMs || !isWanted(back)) continue;
      const starts = bucketsAround(centre, slotMs).filter((start) => start >= firstMs && history(start) !== undefined);
      if (starts.length >= BUCKETS_PER_SLOT) days.push(starts);
    }
    return days;
  };
  const weeks = daysBack((back) => back % 7 === 0);
  if (weeks.length >= FEWEST_WEEKS) return { basis: 'timeOfWeek', dayStarts: weeks };
  const likeDays = daysBack((back) => isWeekend(slotMs - back * DAY_MS) === isWeekend(slotMs));
  if (likeDays.length >= FEWEST_DAYS) return { basis: 'dayPattern', dayStarts: likeDays };
  const all: number[] = [];
  const from = Math.max(floorTo(firstMs, BUCKET_MS), slotMs - LONGEST_MEMORY_DAYS * DAY_MS);
  let attempts = 0;
  for (let start = from; start < slotMs; start += BUCKET_MS) {
    const bucket = history(start);
    if (!bucket) continue;
    all.push(start);
    attempts += bucket.attempts;
  }
  if (attempts >= FEWEST_ATTEMPTS && all.length >= 2 * BUCKETS_PER_SLOT) return { basis: 'history', dayStarts: [all] };
  return { basis: 'none', dayStarts: [] };
}

/** The slot's own buckets and half an hour on each side, but never from the slot that is being judged. */
function bucketsAround(centreMs: number, slotMs: number): number[] {
  const starts: number[] = [];
  for (let k = -NEIGHBOURHOOD; k < BUCKETS_PER_SLOT + NEIGHBOURHOOD; k++) {
    const start = centreMs + k * BUCKET_MS;
    if (start < slotMs) starts.push(start);
  }
  return starts;
}

function learnVolume(
  history: BucketHistory,
  basis: Basis,
  slotMs: number,
  dayStarts: number[][],
): Pick<FlowNormal, 'volume' | 'volumeSpread' | 'volumeDispersion'> {
  const volume = new Float64Array(BUCKETS_PER_SLOT).fill(NaN);
  const unknown = { volumeSpread: UNKNOWN_VOLUME_SPREAD, volumeDispersion: UNKNOWN_DISPERSION };
  if (basis === 'none') return { volume, ...unknown };
  if (basis === 'history') {
    // Without a daily pattern the last hour is the best guess of the next half hour.
    const recent = (dayStarts[0] as number[]).slice(-2 * BUCKETS_PER_SLOT).map((start) => history(start)?.attempts ?? 0);
    return { volume: volume.fill(median(recent) ?? NaN), ...unknown };
  }
  const days = dayStarts.map((starts) => floorTo(starts[NEIGHBOURHOOD] ?? (starts[0] as number), DAY_MS));
  const timeOfDay = slotMs - floorTo(slotMs, DAY_MS);
  for (let k = 0; k < BUCKETS_PER_SLOT; k++) {
    const counts: number[] = [];
    for (const day of days)
      for (let off = -VOLUME_NEIGHBOURHOOD; off <= VOLUME_NEIGHBOURHOOD; off++) {
        const bucket = history(day + timeOfDay + (k + off) * BUCKET_MS);
        if (bucket) counts.push(bucket.attempts);
      }
    volume[k] = trimmedMean(counts);
  }
  const sums = dayStarts.map((starts) => (starts.reduce((sum, start) => sum + (history(start)?.attempts ?? 0), 0) / starts.length) * 18);
  const robust = robustCentre(sums);
  const relative = robust && robust.centre > 0 ? (robust.spread / robust.centre) ** 2 - 1 / robust.centre : 0;
  const counts = dayStarts.map((starts) => starts.map((start) => history(start)?.attempts ?? 0));
  return {
    volume,
    volumeSpread: Math.max(LEAST_VOLUME_SPREAD, Math.sqrt(Math.max(0, relative))),
    volumeDispersion: dispersionOf(counts),
  };
}

/**
 * Variance-to-mean ratio of neighbouring five minutes, from their squared differences (von Neumann 1941, from memory): a
 * rising or falling day does not count as variance. The largest tenth is left out as trouble.
 */
function dispersionOf(days: number[][]): number {
  const ratios: number[] = [];
  for (const counts of days)
    for (let i = 1; i < counts.length; i++) {
      const [a, b] = [counts[i - 1] as number, counts[i] as number];
      if (a + b > 0) ratios.push((a - b) ** 2 / (a + b));
    }
  if (ratios.length < FEWEST_PAIRS) return UNKNOWN_DISPERSION;
  const kept = ratios.sort((a, b) => a - b).slice(0, Math.ceil(ratios.length * 0.9));
  const mean = kept.reduce((sum, ratio) => sum + ratio, 0) / kept.length;
  // For independent arrivals the ratio is χ² with one degree of freedom; its mean without the largest tenth is 0.602.
  return Math.max(1, mean / TRIMMED_CHI_SQUARE_MEAN);
}

/** Mean of the middle 60 %: nearly as robust as the median, without its steps on small counts. */
function trimmedMean(values: number[]): number {
  if (values.length === 0) return NaN;
  const sorted = [...values].sort((a, b) => a - b);
  const cut = Math.floor(sorted.length * 0.2);
  const middle = sorted.slice(cut, sorted.length - cut);
  return middle.reduce((sum, value) => sum + value, 0) / middle.length;
}

/** Pooled share with half a case added (never 0), and its spread between days beyond the binomial one. */
function shareOverDays(days: { n: number; bad: number }[]): { share: number; spread: number } {
  const n = days.reduce((sum, day) => sum + day.n, 0);
  const bad = days.reduce((sum, day) => sum + day.bad, 0);
  const share = Math.min(1 - 1e-6, (bad + 0.5) / (n + 1));
  const shares = days.filter((day) => day.n > 0).map((day) => day.bad / day.n);
  if (shares.length < FEWEST_DAYS) return { share, spread: 0 };
  const robust = robustCentre(shares) as { spread: number };
  const binomial = (share * (1 - share) * shares.length) / Math.max(1, n);
  return { share, spread: Math.sqrt(Math.max(0, robust.spread ** 2 - binomial)) };
}

function countAbove(histogram: LogHistogram, limitMs: number | undefined): number {
  if (limitMs === undefined) return 0;
  let count = 0;
  for (let i = 0; i < BUCKETS; i++) if ((histogram[i] as number) > 0 && bucketMiddleMs(i) > limitMs) count += histogram[i] as number;
  return count;
}

function meanExcess(histogram: LogHistogram, expectedMs: number | undefined): number {
  const n = histogramCount(histogram);
  if (expectedMs === undefined || n === 0) return 0;
  let sum = 0;
  for (let i = 0; i < BUCKETS; i++) {
    const count = histogram[i] as number;
    if (count > 0) sum += count * Math.max(0, bucketMiddleMs(i) - expectedMs);
  }
  return sum / n;
}

/** Median and 1.4826 × MAD of the log durations in a histogram. */
function robustLogDuration(histogram: LogHistogram): { centre: number; spread: number } | undefined {
  const values: [value: number, count: number][] = [];
  for (let i = 0; i < BUCKETS; i++) {
    const count = histogram[i] as number;
    if (count > 0) values.push([Math.log(Math.max(bucketMiddleMs(i), 0.005)), count]);
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
