import { BUCKET_MS } from '../flows';
import { DAY_MS, floorTo, MINUTE_MS, type DayKinds } from '../time';
import type { BucketHistory } from './bucket-history';
import { calmPart } from './calm-part';

/** Normal is learned for every half hour of the day. */
export const SLOT_MS = 30 * MINUTE_MS;
export const BUCKETS_PER_SLOT = SLOT_MS / BUCKET_MS;

/** From where normal was learned, best first. */
export const BASES = [
  'timeOfWeek',
  'timeOfWeekWide',
  'dayPattern',
  'history',
  'firstMinutes',
  'ownersLimit',
  'published',
  'none',
] as const;
export type Basis = (typeof BASES)[number];

/** Half an hour on each side of the slot, and an hour and a half when that holds too few attempts. */
const NEIGHBOURHOOD = BUCKETS_PER_SLOT;
const WIDE_NEIGHBOURHOOD = 3 * BUCKETS_PER_SLOT;
const LONGEST_MEMORY_DAYS = 35;
const FEWEST_WEEKS = 3;
/** Of fewer, how much they differ from one another is not known. */
export const FEWEST_DAYS = 3;
const FEWEST_DAYS_FOR_VOLUME = 2;
export const FEWEST_ATTEMPTS = 100;
const ENOUGH_ATTEMPTS = 500;
/** After so many days what was learned weighs half. */
const HALF_LIFE_DAYS = 14;

export interface LearningDay {
  daysBack: number;
  /** 1 for the newest, less for older ones */
  weight: number;
  /** starts of the buckets around the slot's time on that day */
  starts: number[];
}

interface ChosenDays {
  basis: Basis;
  days: LearningDay[];
  /**
   * days to learn from how many attempts come: the same, but for basis 'history' like days where there are enough of
   * them. How many come on ten days is known long before there are enough to tell how long they take.
   */
  volumeDays: LearningDay[];
}

/**
 * The days to learn from: the first rung of the ladder that holds enough. For basis 'history' one "day", the calm part of
 * all that is known.
 */
export function chooseDays(history: BucketHistory, firstMs: number, slotMs: number, kinds: DayKinds): ChosenDays {
  const daysLike = (isWanted: (back: number) => boolean, neighbourhood: number) => {
    const days: LearningDay[] = [];
    for (let back = 1; back <= LONGEST_MEMORY_DAYS; back++) {
      const centre = slotMs - back * DAY_MS;
      if (centre < firstMs || !isWanted(back)) continue;
      const starts = bucketsAround(centre, slotMs, neighbourhood).filter(
        (start) => start >= firstMs && history(start) !== undefined,
      );
      if (starts.length >= BUCKETS_PER_SLOT)
        days.push({ daysBack: back, weight: 0.5 ** ((back - 1) / HALF_LIFE_DAYS), starts });
    }
    return days;
  };
  const attemptsIn = (days: readonly LearningDay[]) =>
    days.reduce((sum, day) => sum + day.starts.reduce((n, start) => n + (history(start)?.attempts ?? 0), 0), 0);
  const chosen = (basis: Basis, days: LearningDay[]): ChosenDays => ({ basis, days, volumeDays: days });
  // A holiday has the traffic of a weekend, and no weekday's.
  if (!kinds.isHoliday(slotMs)) {
    const isSameWeekday = (back: number) => back % 7 === 0 && !kinds.isHoliday(slotMs - back * DAY_MS);
    const weeks = daysLike(isSameWeekday, NEIGHBOURHOOD);
    if (weeks.length >= FEWEST_WEEKS) {
      if (attemptsIn(weeks) >= FEWEST_ATTEMPTS) return chosen('timeOfWeek', weeks);
      const wide = daysLike(isSameWeekday, WIDE_NEIGHBOURHOOD);
      if (attemptsIn(wide) >= FEWEST_ATTEMPTS) return chosen('timeOfWeekWide', wide);
    }
  }
  const isLike = (back: number) => kinds.isOff(slotMs - back * DAY_MS) === kinds.isOff(slotMs);
  const likeDays = daysLike(isLike, NEIGHBOURHOOD);
  // On the second weekend there are two of them: enough for how many come, when that is taken with doubt.
  let pattern = likeDays.length >= FEWEST_DAYS_FOR_VOLUME ? likeDays : undefined;
  if (likeDays.length >= FEWEST_DAYS) {
    if (attemptsIn(likeDays) >= FEWEST_ATTEMPTS) return chosen('dayPattern', likeDays);
    pattern = daysLike(isLike, WIDE_NEIGHBOURHOOD);
    if (attemptsIn(pattern) >= FEWEST_ATTEMPTS) return chosen('dayPattern', pattern);
  }
  // All that is known, newest first, as far back as it takes.
  const all: number[] = [];
  let attempts = 0;
  const earliest = Math.max(floorTo(firstMs, BUCKET_MS), slotMs - LONGEST_MEMORY_DAYS * DAY_MS);
  for (
    let start = slotMs - BUCKET_MS;
    start >= earliest && (attempts < ENOUGH_ATTEMPTS || slotMs - start < DAY_MS);
    start -= BUCKET_MS
  ) {
    const bucket = history(start);
    if (!bucket) continue;
    all.push(start);
    attempts += bucket.attempts;
  }
  if (attempts < FEWEST_ATTEMPTS || all.length < 2 * BUCKETS_PER_SLOT) return chosen('none', []);
  const day = { daysBack: 0, weight: 1, starts: all.reverse() };
  const calm = { ...day, starts: calmPart(history, day.starts) };
  return { basis: 'history', days: [calm], volumeDays: pattern ?? [day] };
}

/** The slot's own buckets and some on each side, but never from the slot that is being judged. */
function bucketsAround(centreMs: number, slotMs: number, neighbourhood: number): number[] {
  const starts: number[] = [];
  for (let k = -neighbourhood; k < BUCKETS_PER_SLOT + neighbourhood; k++) {
    const start = centreMs + k * BUCKET_MS;
    if (start < slotMs) starts.push(start);
  }
  return starts;
}
