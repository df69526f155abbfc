import { MINUTE_MS } from '../time';
import { changedStretch } from './change-stretch';
import { HURTING_SPREADS, STRAINED_SPREADS } from './range';
import { SIGNALS, SignalSeries, evidence, excessOf, type Signal, type MinuteSeries, type Tally } from './signal-series';
import {
  SLICE_RULES,
  CALM_MINUTES,
  ONSET_LOOK_BACK,
  LEAST_OVER_STRETCH,
  OF_LAST,
  HOLDS,
  FEWEST_ATTEMPTS,
  LARGEST_VOLUME_SHARE,
  FEWEST_EXCESS,
  LEVEL_BLOCK,
  BROKEN_SHARE,
} from './rules';

export const LEVELS = ['calm', 'strained', 'hurting', 'broken'] as const;
export type Level = (typeof LEVELS)[number];

export interface Deviation {
  flow: number;
  signal: Signal;
  /** estimated by change-point, not by when the rule fired */
  onsetMs: number;
  /** first moment that is usual again; the end of the series while it lasts */
  endMs: number;
  /** end of the minute in which the rule fired: from then on it is known */
  firedMs: number;
  /** still outside at the end of the series, or not calm for long enough */
  active: boolean;
  level: Exclude<Level, 'calm'>;
  /** attempts that went wrong (or are missing) beyond the usual */
  excess: number;
  /** evidence over the whole stretch, in spreads */
  z: number;
}

/**
 * Where a flow left its normal range long enough. Pure in the series: the same minutes give the same deviations,
 * whether they came live or were loaded at once.
 */
export function findDeviations(flow: number, series: MinuteSeries): Deviation[] {
  return SIGNALS.flatMap((signal) => findSignal(flow, new SignalSeries(signal, series)));
}

/** What is missing alone: for the sum of several flows, of which single ones have too few attempts to tell. */
export const findMissing = (flow: number, series: MinuteSeries): Deviation[] =>
  findSignal(flow, new SignalSeries('missing', series));

/** Attempts that came and that were expected in a stretch of the series, minutes. */
export function volumeIn(series: MinuteSeries, from: number, to: number): { came: number; expected: number } {
  const { n, bad } = new SignalSeries('missing', series).tally(from, to);
  return { came: bad, expected: n };
}

/** What is late or failing in one slice of a flow, which the flow as a whole may hardly show. */
export const findInSlice = (flow: number, slice: MinuteSeries): Deviation[] =>
  SLICE_SIGNALS.flatMap((signal) => findSignal(flow, new SignalSeries(signal, slice, SLICE_RULES)));

const SLICE_SIGNALS = ['slow', 'failing'] as const;

/** First and last minute of a series in which a rule holds for a signal. */
export interface StandsOut {
  signal: Signal;
  first: number;
  last: number;
}

/** Where a slice may stand out, from a minute on: a quick look before `findInSlice`. */
export const standsOut = (slice: MinuteSeries, from: number): StandsOut[] =>
  SLICE_SIGNALS.flatMap((signal) => {
    const series = new SignalSeries(signal, slice, SLICE_RULES);
    const bad = signal === 'slow' ? slice.late : slice.failed;
    const holds = (t: number) =>
      SLICE_RULES.some(({ minutes, z }) => t + 1 >= minutes && isOutside(series, t + 1 - minutes, t + 1, z));
    const minutes: number[] = [];
    for (let t = from; t < series.length; t++) if (bad[t] !== 0 && holds(t)) minutes.push(t);
    return minutes.length > 0 ? [{ signal, first: minutes[0] as number, last: minutes.at(-1) as number }] : [];
  });

function findSignal(flow: number, series: SignalSeries): Deviation[] {
  const { length } = series;
  const fires = firings(series);
  const holds = holding(series, fires);
  const deviations: Deviation[] = [];
  let previousEnd = 0;
  for (let t = 0; t < length; t++) {
    if (!fires[t]) continue;
    let last = t;
    for (let u = t; u < length && u - last <= CALM_MINUTES; u++) if (fires[u] || holds[u]) last = u;
    const from = Math.max(previousEnd, t - ONSET_LOOK_BACK);
    const stretch = changedStretch(series, from, last + 1);
    if (stretch) {
      const running = length - 1 - last < CALM_MINUTES && length - stretch.end <= CALM_MINUTES;
      const end = running ? length : stretch.end;
      const found = describe(series, { start: stretch.start, end, lastBad: stretch.end, active: running });
      if (found.z >= LEAST_OVER_STRETCH)
        deviations.push({ flow, ...found, firedMs: series.startMs + (t + 1) * MINUTE_MS });
    }
    previousEnd = last + 1;
    t = last;
  }
  return deviations;
}

function firings(series: SignalSeries): Uint8Array {
  const { length } = series;
  const fires = new Uint8Array(length);
  for (const { minutes, z, times } of series.rules) {
    const outside = new Uint8Array(length);
    for (let t = minutes - 1; t < length; t++) outside[t] = isOutside(series, t - minutes + 1, t + 1, z) ? 1 : 0;
    for (let t = 0; t < length; t++) {
      let count = 0;
      for (let u = Math.max(0, t - (times > 1 ? OF_LAST : 1) + 1); u <= t; u++) count += outside[u] as number;
      if (count >= times) fires[t] = 1;
    }
  }
  return fires;
}

/** Minutes that would not raise a deviation, but keep one. Looked at only where there is one. */
function holding(series: SignalSeries, fires: Uint8Array): Uint8Array {
  const holds = new Uint8Array(series.length);
  if (!fires.includes(1)) return holds;
  for (const { minutes, z } of HOLDS)
    for (let t = minutes - 1; t < series.length; t++) if (isOutside(series, t - minutes + 1, t + 1, z)) holds[t] = 1;
  return holds;
}

function isOutside(series: SignalSeries, from: number, to: number, threshold: number): boolean {
  const { signal } = series;
  const sums = series.tally(from, to);
  if (!sums.known || sums.n < FEWEST_ATTEMPTS) return false;
  if (signal === 'missing' && sums.bad > sums.n * LARGEST_VOLUME_SHARE) return false;
  if (excessOf(signal, sums) < FEWEST_EXCESS) return false;
  return strength(series, sums, from, to) >= threshold;
}

/** Evidence by the clock of the week, and for what is missing also by the hour before: whichever tells more. */
function strength(series: SignalSeries, sums: Tally, from: number, to: number): number {
  const byWeek = evidence(series.signal, sums);
  // The hour before is asked only where the week has its doubts already, and about more than a moment.
  if (series.signal !== 'missing' || byWeek < STRAINED_SPREADS || to - from < LEVEL_BLOCK) return byWeek;
  return Math.max(byWeek, series.missingSinceBefore(from, to));
}

function describe(
  series: SignalSeries,
  { start, end, lastBad, active }: { start: number; end: number; lastBad: number; active: boolean },
): Omit<Deviation, 'firedMs' | 'flow'> {
  const { signal } = series;
  const sums = series.tally(start, lastBad);
  const z = strength(series, sums, start, lastBad);
  const share = signal === 'missing' ? 1 - sums.bad / sums.n : sums.bad / sums.n;
  const level = share > BROKEN_SHARE && signal !== 'slow' ? 'broken' : z >= HURTING_SPREADS ? 'hurting' : 'strained';
  return {
    signal,
    onsetMs: series.startMs + start * MINUTE_MS,
    endMs: series.startMs + end * MINUTE_MS,
    active,
    level,
    excess: Math.max(0, excessOf(signal, sums)),
    z,
  };
}
