import { bestStretch, binomialZ, poissonZ } from '../stats';
import { MINUTE_MS } from '../time';
import { HURTING_SPREADS, STRAINED_SPREADS } from './range';

export const SIGNALS = ['slow', 'failing', 'missing'] as const;
export type Signal = (typeof SIGNALS)[number];

export const LEVELS = ['calm', 'strained', 'hurting', 'broken'] as const;
export type Level = (typeof LEVELS)[number];

/**
 * One flow, minute by minute of event time: what happened and what is usual. All arrays have the same length.
 * Where nothing is known the expectation is NaN, and the minute is not judged.
 */
export interface MinuteSeries {
  startMs: number;
  attempts: Int32Array;
  /** late and hung ones */
  late: Int32Array;
  failed: Int32Array;
  expectedAttempts: Float64Array;
  volumeSpread: Float64Array;
  volumeDispersion: Float64Array;
  lateShare: Float64Array;
  lateSpread: Float64Array;
  failedShare: Float64Array;
  failedSpread: Float64Array;
}

export interface Deviation {
  flow: number;
  signal: Signal;
  /** estimated by change-point, not by when the rule fired */
  onsetMs: number;
  /** first moment that is usual again; the end of the series while it lasts */
  endMs: number;
  /** still outside at the end of the series, or not calm for long enough */
  active: boolean;
  level: Exclude<Level, 'calm'>;
  /** attempts that went wrong (or are missing) beyond the usual */
  excess: number;
  /** evidence over the whole stretch, in spreads */
  z: number;
}

/** Trailing windows in minutes, and the evidence that each must show. The shortest must show it in 3 of 5 minutes. */
const RULES = [
  { minutes: 1, z: STRAINED_SPREADS, times: 3 },
  { minutes: 5, z: 4.5, times: 1 },
  { minutes: 20, z: 4.5, times: 1 },
] as const;
const OF_LAST = 5;
/** Minutes that must stay usual before a deviation is over. */
const CALM_MINUTES = 10;
/** How far before the rule fired an onset is looked for, minutes. */
const ONSET_LOOK_BACK = 60;
/** Minimum traffic: attempts in the window, and attempts beyond the usual. */
const FEWEST_ATTEMPTS = 5;
const FEWEST_EXCESS = 3;
/** Volume must fall at least this far below its expectation. */
const LARGEST_VOLUME_SHARE = 0.7;
const BROKEN_SHARE = 0.5;

/** Sums over a stretch of one signal: `bad` of `n` against `usual`; for missing, n is what was expected. */
interface Tally {
  n: number;
  bad: number;
  usual: number;
  spread: number;
  dispersion: number;
  known: boolean;
}

/**
 * Where a flow left its normal range long enough. Pure in the series: the same minutes give the same deviations,
 * whether they came live or were loaded at once.
 */
export function findDeviations(flow: number, series: MinuteSeries): Deviation[] {
  return SIGNALS.flatMap((signal) => findSignal(flow, signal, series));
}

function findSignal(flow: number, signal: Signal, series: MinuteSeries): Deviation[] {
  const length = series.attempts.length;
  const fires = firings(signal, series);
  const deviations: Deviation[] = [];
  let previousEnd = 0;
  for (let t = 0; t < length; t++) {
    if (!fires[t]) continue;
    let last = t;
    for (let u = t; u < length && u - last <= CALM_MINUTES; u++) if (fires[u]) last = u;
    const from = Math.max(previousEnd, t - ONSET_LOOK_BACK);
    const stretch = changedStretch(signal, series, from, last + 1);
    if (stretch) {
      const running = length - 1 - last < CALM_MINUTES && length - stretch.end <= CALM_MINUTES;
      const end = running ? length : stretch.end;
      deviations.push(describe(flow, signal, series, stretch.start, end, stretch.end, running));
    }
    previousEnd = last + 1;
    t = last;
  }
  return deviations;
}

function firings(signal: Signal, series: MinuteSeries): Uint8Array {
  const length = series.attempts.length;
  const fires = new Uint8Array(length);
  for (const { minutes, z, times } of RULES) {
    const outside = new Uint8Array(length);
    for (let t = minutes - 1; t < length; t++) outside[t] = isOutside(signal, tally(signal, series, t - minutes + 1, t + 1), z) ? 1 : 0;
    for (let t = 0; t < length; t++) {
      let count = 0;
      for (let u = Math.max(0, t - (times > 1 ? OF_LAST : 1) + 1); u <= t; u++) count += outside[u] as number;
      if (count >= times) fires[t] = 1;
    }
  }
  return fires;
}

function isOutside(signal: Signal, sums: Tally, threshold: number): boolean {
  if (!sums.known || sums.n < FEWEST_ATTEMPTS) return false;
  if (signal === 'missing' && sums.bad > sums.n * LARGEST_VOLUME_SHARE) return false;
  if (excessOf(signal, sums) < FEWEST_EXCESS) return false;
  return evidence(signal, sums) >= threshold;
}

const excessOf = (signal: Signal, sums: Tally) => (signal === 'missing' ? sums.n - sums.bad : sums.bad - sums.usual);

function evidence(signal: Signal, { n, bad, usual, spread, dispersion }: Tally): number {
  return signal === 'missing' ? -poissonZ(bad, n, spread, dispersion) : binomialZ(bad, n, usual / n, spread);
}

/** For 'missing', n is the expectation and bad is what came. */
function tally(signal: Signal, series: MinuteSeries, from: number, to: number): Tally {
  const sums: Tally = { n: 0, bad: 0, usual: 0, spread: 0, dispersion: 1, known: true };
  for (let t = from; t < to; t++) {
    const attempts = series.attempts[t] as number;
    if (signal === 'missing') {
      const expected = series.expectedAttempts[t] as number;
      if (Number.isNaN(expected)) sums.known = false;
      sums.n += expected;
      sums.bad += attempts;
      sums.spread = Math.max(sums.spread, series.volumeSpread[t] as number);
      sums.dispersion = Math.max(sums.dispersion, series.volumeDispersion[t] as number);
      continue;
    }
    const failed = series.failed[t] as number;
    const n = signal === 'slow' ? attempts - failed : attempts;
    const share = (signal === 'slow' ? series.lateShare : series.failedShare)[t] as number;
    if (Number.isNaN(share)) sums.known = false;
    sums.n += n;
    sums.bad += signal === 'slow' ? (series.late[t] as number) : failed;
    sums.usual += n * share;
    sums.spread = Math.max(sums.spread, (signal === 'slow' ? series.lateSpread : series.failedSpread)[t] as number);
  }
  return sums;
}

/** The stretch in which the changed level explains the minutes best: maximum of the summed log-likelihood ratio. */
function changedStretch(signal: Signal, series: MinuteSeries, from: number, to: number) {
  const changed = strongestLevel(signal, series, from, to);
  if (changed === undefined) return undefined;
  const scores = new Float64Array(to - from);
  for (let t = from; t < to; t++) {
    const { n, bad, usual, known } = tally(signal, series, t, t + 1);
    if (!known || (n === 0 && signal !== 'missing')) continue;
    if (signal === 'missing') scores[t - from] = n > 0 ? bad * Math.log(changed) - n * (changed - 1) : 0;
    else {
      const share = usual / n;
      scores[t - from] = bad * Math.log(changed / share) + (n - bad) * Math.log((1 - changed) / (1 - share));
    }
  }
  const best = bestStretch(scores);
  return best && { start: from + best.start, end: from + best.end };
}

/** Share (for missing: ratio to the expectation) in the trailing window with the strongest evidence. */
function strongestLevel(signal: Signal, series: MinuteSeries, from: number, to: number): number | undefined {
  let strongest = 0;
  let level: number | undefined;
  for (const { minutes } of RULES)
    for (let t = Math.max(from, minutes - 1); t < to; t++) {
      const sums = tally(signal, series, t - minutes + 1, t + 1);
      if (!sums.known || sums.n < FEWEST_ATTEMPTS) continue;
      const z = evidence(signal, sums);
      if (z <= strongest) continue;
      strongest = z;
      // Half way back to the usual: minutes at the edge that are only partly affected still belong to the stretch.
      const seen = sums.bad / sums.n;
      level = signal === 'missing' ? Math.min(0.9, Math.max(0.02, (seen + 1) / 2)) : Math.min(0.98, (seen + sums.usual / sums.n) / 2);
    }
  return level;
}

function describe(flow: number, signal: Signal, series: MinuteSeries, start: number, end: number, lastBad: number, active: boolean): Deviation {
  const sums = tally(signal, series, start, lastBad);
  const z = evidence(signal, sums);
  const share = signal === 'missing' ? 1 - sums.bad / sums.n : sums.bad / sums.n;
  const level = share > BROKEN_SHARE && signal !== 'slow' ? 'broken' : z >= HURTING_SPREADS ? 'hurting' : 'strained';
  return {
    flow,
    signal,
    onsetMs: series.startMs + start * MINUTE_MS,
    endMs: series.startMs + end * MINUTE_MS,
    active,
    level,
    excess: Math.max(0, excessOf(signal, sums)),
    z,
  };
}
