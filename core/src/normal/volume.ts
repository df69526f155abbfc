import { BUCKET_MS } from '../flows';
import { mean, median, robustCentre, sortedCopy, sum } from '../stats';
import { DAY_MS, floorTo, type DayKinds } from '../time';
import type { FlowNormal } from './flow-normal';
import type { BucketHistory, DayTotal } from './bucket-history';
import { BUCKETS_PER_SLOT, chooseDays, FEWEST_DAYS, type LearningDay } from './learning-days';

const NEIGHBOURHOOD = 2;
/** Days are compared by what they bring in the slot and half an hour on each side. */
const AROUND_SLOT = 3 * BUCKETS_PER_SLOT;
/**
 * Least relative spread of the volume from day to day, and what it is at least taken for while fewer days are known.
 */
const LEAST_SPREAD = 0.04;
const UNKNOWN_SPREAD = 0.2;
const UNKNOWN_DISPERSION = 2;
const FEWEST_PAIRS = 30;
/** χ² with one degree of freedom: its mean without the largest tenth, and its 99.9 % point. */
const TRIMMED_CHI_SQUARE_MEAN = 0.602;
const CHI_SQUARE_999 = 10.83;
/** Share of the days left out at each end. */
const CUT = 0.2;
const FEWEST_DAYS_OF_WEEK = 5;
/** Growth from week to week is followed, a day gone wrong is not. */
const LEAST_GROWTH = 0.75;
const MOST_GROWTH = 1.35;

/**
 * Expected attempts in each five minutes of the slot, with the spread of the expectation and of the counts around it.
 */
export function learnVolume(
  history: BucketHistory,
  slotMs: number,
  days: readonly LearningDay[],
  totalOf: DayTotal,
): Pick<FlowNormal, 'volume' | 'volumeSpread' | 'volumeDispersion'> {
  const volume = new Float64Array(BUCKETS_PER_SLOT).fill(NaN);
  const unknown = { volumeSpread: UNKNOWN_SPREAD, volumeDispersion: UNKNOWN_DISPERSION };
  if (days.length === 0) return { volume, ...unknown };
  if (days.length === 1) {
    // Without a daily pattern the last hour is the best guess of the next half hour: its middle, which trouble of some
    // minutes does not move, or its mean, since the middle of small counts is often none.
    const recent = (days[0] as LearningDay).starts
      .slice(-2 * BUCKETS_PER_SLOT)
      .map((start) => history(start)?.attempts ?? 0);
    return { volume: volume.fill(Math.max(median(recent) ?? NaN, mean(recent))), ...unknown };
  }
  const growth = days.map((day) => growthSince(totalOf, slotMs, day));
  const counts = days.map(({ starts }) => starts.map((start) => history(start)?.attempts ?? 0));
  const sums = counts.map((own, d) => mean(own) * AROUND_SLOT * (growth[d] as number));
  const kept = middleOf(
    sums,
    days.map(({ weight }) => weight),
  );
  for (let k = 0; k < BUCKETS_PER_SLOT; k++) {
    let [attempts, known] = [0, 0];
    days.forEach(({ daysBack }, d) => {
      for (let off = -NEIGHBOURHOOD; off <= NEIGHBOURHOOD; off++) {
        const bucket = history(slotMs - daysBack * DAY_MS + (k + off) * BUCKET_MS);
        if (!bucket) continue;
        attempts += (kept[d] as number) * bucket.attempts * (growth[d] as number);
        known += kept[d] as number;
      }
    });
    volume[k] = attempts / known;
  }
  const robust = robustCentre(sums);
  const relative = robust && robust.centre > 0 ? (robust.spread / robust.centre) ** 2 - 1 / robust.centre : 0;
  return {
    volume,
    volumeSpread: Math.max(days.length < FEWEST_DAYS ? UNKNOWN_SPREAD : LEAST_SPREAD, Math.sqrt(Math.max(0, relative))),
    volumeDispersion: dispersionOf(counts),
  };
}

/** Variance-to-mean ratio of the attempts around the slot's time on the days to learn from. */
export const dispersionAround = (
  history: BucketHistory,
  { firstMs, slotMs, kinds }: { firstMs: number; slotMs: number; kinds: DayKinds },
): number =>
  dispersionOf(
    chooseDays(history, firstMs, slotMs, kinds).volumeDays.map(({ starts }) =>
      starts.map((start) => history(start)?.attempts ?? 0),
    ),
  );

/**
 * Load drifts: the week up to now against the week up to a learning day of the same weekday. Days that are not known
 * count for neither.
 */
function growthSince(totalOf: DayTotal, slotMs: number, { daysBack }: LearningDay): number {
  if (daysBack % 7 !== 0) return 1;
  const todayMs = floorTo(slotMs, DAY_MS);
  let [now, then, known] = [0, 0, 0];
  for (let back = 1; back <= 7; back++) {
    const recent = totalOf(todayMs - back * DAY_MS);
    const earlier = totalOf(todayMs - (back + daysBack) * DAY_MS);
    if (recent === undefined || earlier === undefined) continue;
    now += recent;
    then += earlier;
    known++;
  }
  if (known < FEWEST_DAYS_OF_WEEK || then < 100) return 1;
  return Math.min(MOST_GROWTH, Math.max(LEAST_GROWTH, now / then));
}

/**
 * Variance-to-mean ratio of neighbouring five minutes, from their squared differences (von Neumann 1941, from memory):
 * a rising or falling day does not count as variance. For independent arrivals each ratio is 1 in the mean, however few
 * they are; trouble is left out in two steps, roughly and then beyond what chance would do in one of a thousand.
 */
function dispersionOf(days: number[][]): number {
  const ratios: number[] = [];
  for (const counts of days)
    for (let i = 1; i < counts.length; i++) {
      const [a, b] = [counts[i - 1] as number, counts[i] as number];
      if (a + b > 0) ratios.push((a - b) ** 2 / (a + b));
    }
  if (ratios.length < FEWEST_PAIRS) return UNKNOWN_DISPERSION;
  const calm = sortedCopy(ratios).subarray(0, Math.ceil(ratios.length * 0.9));
  const roughly = Math.max(1, mean(calm) / TRIMMED_CHI_SQUARE_MEAN);
  return Math.max(1, mean(ratios.filter((ratio) => ratio <= CHI_SQUARE_999 * roughly)));
}

/**
 * What of each day's weight lies in the middle 60 % by volume. Days are left out and not single five minutes: of small
 * counts the middle lies below the mean, by a third where one attempt comes in ten minutes.
 */
function middleOf(volumes: readonly number[], weights: readonly number[]): number[] {
  const all = sum(weights);
  const [from, to] = [all * CUT, all * (1 - CUT)];
  const kept = volumes.map(() => 0);
  let seen = 0;
  for (const d of volumes.map((_, i) => i).sort((a, b) => (volumes[a] as number) - (volumes[b] as number))) {
    const next = seen + (weights[d] as number);
    kept[d] = Math.max(0, Math.min(next, to) - Math.max(seen, from));
    seen = next;
  }
  return kept;
}
