import {
  findInSlice,
  isJudged,
  limitsAt,
  SLOT_MS,
  standsOut,
  type Deviation,
  type FlowNormal,
  type MinuteSeries,
  type Signal,
} from '../../normal';
import { mean, sum } from '../../stats';
import { floorTo, HOUR_MS, MINUTE_MS, type Window } from '../../time';
import { dimensionOf, NO_MINUTE, valueOf, type SlicesOfHour } from './count-slices';
import type { HourOfFlow } from './judge';

/** What is usual for a slice is told from so many hours before each hour. */
const PAST_HOURS = 24;
export const SLICE_PAST_MS = PAST_HOURS * HOUR_MS;
/** The past is cut into blocks, of which the second calmest counts: trouble of half a day teaches nothing. */
const BLOCK_HOURS = 6;
/** So many cases of a slice are taken to go wrong as often as its flow, whatever it did. */
const PRIOR_CASES = 3;
const FEWEST_CASES = 3;

const MINUTES = HOUR_MS / MINUTE_MS;
const MINUTES_OF_SLOT = SLOT_MS / MINUTE_MS;

type HourAt = (hourMs: number) => HourOfFlow | undefined;

/**
 * What is late or failing in one slice of a flow (a site, a host, a version, a promotion), long before the whole flow
 * shows it. A slice is judged by what is usual for its flow, times how much more often the slice itself went wrong in
 * the day before.
 *
 * @param hourOf counts of the flow's hours, in the window and `SLICE_PAST_MS` before it
 * @param shown what the whole flow shows: slices that do no more than take part in it are not looked at
 * @returns deviations of the flow, those of overlapping slices once
 */
export function findInSlices(
  flow: number,
  window: Window,
  hourOf: HourAt,
  shown: readonly Deviation[] = [],
): Deviation[] {
  const isKnown = (one: Candidate) =>
    shown.some(
      ({ signal, firedMs, endMs }) => signal === one.signal && firedMs <= one.fromMs + MINUTE_MS && endMs >= one.toMs,
    );
  const keys = new Set<number>();
  for (let hourMs = floorTo(window.fromMs, HOUR_MS); hourMs < window.toMs; hourMs += HOUR_MS)
    for (const one of standingOut(hourMs, hourOf)) if (!isKnown(one)) keys.add(one.key);
  const found = [...keys].sort((a, b) => a - b).flatMap((key) => findInSlice(flow, seriesOf(key, window, hourOf)));
  return strongestOfEach(found);
}

/** True of deviations of one flow that show the same at the same time. */
const areOne = (a: Deviation, b: Deviation): boolean =>
  a.signal === b.signal && a.onsetMs < b.endMs && a.endMs > b.onsetMs;

/** One deviation where slices overlap: that of the slice that stands out most, known since the first of them fired. */
function strongestOfEach(found: readonly Deviation[]): Deviation[] {
  const kept: Deviation[] = [];
  for (const one of [...found].sort((a, b) => b.z - a.z)) {
    const stronger = kept.findIndex((other) => areOne(other, one));
    if (stronger === -1) kept.push(one);
    else kept[stronger] = knownSince(kept[stronger] as Deviation, one);
  }
  return kept;
}

/** The same deviation, known as early as another that tells of it, and begun no later than that. */
const knownSince = (deviation: Deviation, other: Deviation): Deviation =>
  other.firedMs >= deviation.firedMs
    ? deviation
    : { ...deviation, firedMs: other.firedMs, onsetMs: Math.min(deviation.onsetMs, other.onsetMs) };

/** What flows tell, known as early as their slices tell it; and what slices alone tell. */
export function withSlices(shown: readonly Deviation[], inSlices: readonly Deviation[]): Deviation[] {
  return [
    ...shown.map((one) => inSlices.filter((slice) => areOne(one, slice)).reduce(knownSince, one)),
    ...inSlices.filter((slice) => !shown.some((one) => areOne(one, slice))),
  ];
}

/** A slice that may stand out in an hour, from when to when. */
interface Candidate {
  key: number;
  signal: Signal;
  fromMs: number;
  toMs: number;
}

/** Those of an hour, with the hours before it by which they were told. */
interface Candidates {
  past: number[];
  found: Candidate[];
}
const candidatesOf = new WeakMap<HourOfFlow, Candidates>();
/** Hours are known by numbers: if each held those before it, none would ever be forgotten. */
const numbers = new WeakMap<HourOfFlow, number>();
let lastNumber = 0;

function numberOf(hour: HourOfFlow | undefined): number {
  if (!hour) return 0;
  const known = numbers.get(hour) ?? ++lastNumber;
  numbers.set(hour, known);
  return known;
}

/**
 * Slices that may stand out in an hour. An hour that is over is counted once, and looked at once while those before it
 * stay the same.
 */
function standingOut(hourMs: number, hourOf: HourAt): Candidate[] {
  const hour = hourOf(hourMs);
  if (!hour) return [];
  const past = Array.from({ length: PAST_HOURS }, (_, k) => numberOf(hourOf(hourMs - (k + 1) * HOUR_MS)));
  const known = candidatesOf.get(hour);
  if (known?.past.every((number, k) => number === past[k])) return known.found;
  const before = hourOf(hourMs - HOUR_MS)?.slices;
  const found: Candidate[] = [];
  hour.slices.keys.forEach((key, place) => {
    const [late, failed] = [hour.slices.late[place] as number, hour.slices.failed[place] as number];
    if (late + failed === 0) return;
    const earlier = before && casesOf(before, key);
    if (Math.max(late + (earlier?.late ?? 0), failed + (earlier?.failed ?? 0)) < FEWEST_CASES) return;
    const series = seriesOf(key, { fromMs: hourMs - HOUR_MS, toMs: hourMs + HOUR_MS }, hourOf);
    for (const { signal, first, last } of standsOut(series, MINUTES))
      found.push({
        key,
        signal,
        fromMs: series.startMs + first * MINUTE_MS,
        toMs: series.startMs + (last + 1) * MINUTE_MS,
      });
  });
  candidatesOf.set(hour, { past, found });
  return found;
}

function placeOf({ keys }: SlicesOfHour, key: number): number {
  let [low, high] = [0, keys.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if ((keys[middle] as number) < key) low = middle + 1;
    else high = middle;
  }
  return keys[low] === key ? low : -1;
}

function casesOf(slices: SlicesOfHour, key: number): { attempts: number; late: number; failed: number } | undefined {
  const place = placeOf(slices, key);
  if (place < 0) return undefined;
  return {
    attempts: slices.attempts[place] as number,
    late: slices.late[place] as number,
    failed: slices.failed[place] as number,
  };
}

/** A slice minute by minute, with what is usual for it. */
function seriesOf(key: number, window: Window, hourOf: HourAt): MinuteSeries {
  const length = Math.round((window.toMs - window.fromMs) / MINUTE_MS);
  const unknown = () => new Float64Array(length).fill(NaN);
  const series: MinuteSeries = {
    startMs: window.fromMs,
    attempts: new Int32Array(length),
    late: new Int32Array(length),
    failed: new Int32Array(length),
    expectedAttempts: unknown(),
    volumeSpread: new Float64Array(length),
    volumeDispersion: new Float64Array(length).fill(1),
    lateShare: unknown(),
    lateSpread: new Float64Array(length),
    failedShare: unknown(),
    failedSpread: new Float64Array(length),
  };
  for (let hourMs = floorTo(window.fromMs, HOUR_MS); hourMs < window.toMs; hourMs += HOUR_MS) {
    const hour = hourOf(hourMs);
    if (!hour) continue;
    const { slices, normals } = hour;
    const place = placeOf(slices, key);
    const attempts = place < 0 ? 0 : (slices.attempts[place] as number);
    const begin = place < 0 ? -1 : (slices.begins[place] as number);
    const lone = place < 0 ? NO_MINUTE : (slices.lone[place] as number);
    const [late, failed] = [usualOf('late', key, hourMs, hourOf), usualOf('failed', key, hourMs, hourOf)];
    const lateShares = normals.map((normal) => lateShareOf(hour, normal, key));
    const first = Math.round((hourMs - window.fromMs) / MINUTE_MS);
    for (let minute = Math.max(0, -first); minute < MINUTES && first + minute < length; minute++) {
      const t = first + minute;
      const slot = Math.floor(minute / MINUTES_OF_SLOT);
      const normal = normals[slot] as FlowNormal;
      if (begin >= 0) {
        series.attempts[t] = slices.minutes[begin + minute] as number;
        series.late[t] = slices.minutes[begin + MINUTES + minute] as number;
        series.failed[t] = slices.minutes[begin + 2 * MINUTES + minute] as number;
      } else {
        // Minutes are kept where several attempts went wrong; else attempts are spread evenly, and the one bad one has
        // its minute.
        const spread = Math.floor((attempts * (minute + 1)) / MINUTES) - Math.floor((attempts * minute) / MINUTES);
        series.attempts[t] = minute === lone ? Math.max(1, spread) : spread;
        if (minute === lone) (slices.failed[place] === 1 ? series.failed : series.late)[t] = 1;
      }
      if (!isJudged(normal)) continue;
      if (normal.limitMs !== undefined)
        [series.lateShare[t], series.lateSpread[t]] = scaled(lateShares[slot] as number, normal.lateSpread, late);
      [series.failedShare[t], series.failedSpread[t]] = scaled(normal.failedShare, normal.failedSpread, failed);
    }
  }
  return series;
}

/** How much more often than its flow a slice usually goes wrong, and the relative error of that. */
interface UsualOfSlice {
  factor: number;
  error: number;
}

const MOST_SHARE = 0.95;

/**
 * How often attempts of a slice are late as usual. Where sites have limits of their own it depends on the site, else on
 * which of them came.
 */
function lateShareOf(hour: HourOfFlow, normal: FlowNormal, key: number): number {
  if (!hour.usualLate) return normal.lateShare;
  if (dimensionOf(key) === 'site') return limitsAt(normal, valueOf(key)).lateShare;
  const judged = sum([...hour.attempts]) - sum([...hour.failed]);
  return judged > 0 ? sum([...hour.usualLate]) / judged : normal.lateShare;
}

function scaled(share: number, spread: number, { factor, error }: UsualOfSlice): [share: number, spread: number] {
  const own = Math.min(MOST_SHARE, share * factor);
  return [own, Math.hypot(spread * factor, own * error)];
}

function usualOf(what: 'late' | 'failed', key: number, hourMs: number, hourOf: HourAt): UsualOfSlice {
  const factors: number[] = [];
  let cases = PRIOR_CASES;
  for (let block = 0; block < PAST_HOURS / BLOCK_HOURS; block++) {
    let [bad, usual] = [PRIOR_CASES, PRIOR_CASES];
    for (let back = 1; back <= BLOCK_HOURS; back++) {
      const hour = hourOf(hourMs - (block * BLOCK_HOURS + back) * HOUR_MS);
      const own = hour && casesOf(hour.slices, key);
      if (!hour || !own) continue;
      const share = mean(
        hour.normals.map((normal) => (what === 'late' ? lateShareOf(hour, normal, key) : normal.failedShare)),
      );
      if (!(share > 0) || !hour.normals.every(isJudged)) continue;
      bad += own[what];
      usual += share * (own.attempts - (what === 'late' ? own.failed : 0));
    }
    factors.push(bad / usual);
    cases += usual - PRIOR_CASES;
  }
  const factor = Math.max(1, factors.sort((a, b) => a - b)[1] as number);
  return { factor, error: 1 / Math.sqrt(cases * factor) };
}
