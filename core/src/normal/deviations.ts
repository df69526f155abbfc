import { bestStretch, binomialZ, median, poissonZ } from '../stats';
import { DAY_MS, floorTo, MINUTE_MS } from '../time';
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

interface Rule {
  minutes: number;
  z: number;
  times: number;
}

/**
 * Trailing windows in minutes, and the evidence that each must show: the shortest in 3 of 5 minutes; longer ones at once,
 * when it is overwhelming. Thresholds were set on worlds whose truth is known (docs/truth.md).
 */
const RULES: readonly Rule[] = [
  { minutes: 1, z: STRAINED_SPREADS, times: 3 },
  { minutes: 1, z: 5.5, times: 1 },
  { minutes: 2, z: 5.1, times: 1 },
  { minutes: 3, z: 5, times: 1 },
  { minutes: 5, z: 5, times: 1 },
  { minutes: 10, z: 5, times: 1 },
  { minutes: 20, z: 5.1, times: 1 },
  { minutes: 60, z: 5.5, times: 1 },
];
const OF_LAST = 5;
/** Volume varies for more reasons than shares do: it must show that much more. */
const MISSING_MORE = 0.5;
/** Of many slices one stands out by chance sooner than a flow does: it must show that much more. */
const SLICE_MORE = 0.25;
/** Longer stretches are told by the flow itself: by then a slice is no earlier. */
const SLICE_MINUTES = 20;
/** An outage lasts for minutes and not for hours: where few attempts come it shows best over all of it. */
const LONGEST_OUTAGE: Rule = { minutes: 40, z: 5, times: 1 };
const MISSING_RULES = [...RULES, LONGEST_OUTAGE].map((rule) => ({ ...rule, z: rule.z + MISSING_MORE }));
const SLICE_RULES = RULES.filter(({ minutes }) => minutes <= SLICE_MINUTES).map((rule) => ({ ...rule, z: rule.z + SLICE_MORE }));
/**
 * How busy a day is as a whole is uncertain, most on days of which few came before; the hour before tells it. So volume is
 * also measured against that hour, in blocks of five minutes that expect enough, ending five minutes before the stretch.
 */
const LEVEL_MINUTES = 90;
const LEVEL_BLOCK = 5;
const LEVEL_GAP = 5;
const LEVEL_FEWEST_BLOCKS = 9;
const LEVEL_FEWEST_EXPECTED = 3;
/** Volume drifts by so much against its usual course within an hour or two: a share of it, and more where the course itself is uncertain. */
const LEVEL_DRIFT = 0.06;
const LEVEL_DRIFT_OF_SPREAD = 0.5;
/** Only a loss of more than half is told by the hour before: the course of a day that is known badly bends by less. */
const LEVEL_LOSS = 0.5;
/** Variance of a median against that of a mean, for normal errors: π / 2. */
const MEDIAN_VARIANCE = Math.PI / 2;
/** A deviation goes on while these windows still show something: its level goes back only after the calm time. */
const HOLDS = [
  { minutes: 5, z: STRAINED_SPREADS },
  { minutes: 20, z: STRAINED_SPREADS },
] as const;
/** Minutes that must stay usual before a deviation is over. */
const CALM_MINUTES = 10;
/** Over its whole stretch a deviation must stand out so many spreads; what does not was a moment's chance. */
const LEAST_OVER_STRETCH = 3.5;
/** How far before the rule fired an onset is looked for, minutes. */
const ONSET_LOOK_BACK = 70;
/** A return to the usual must explain the minutes so much better than one level does: log-likelihood, 8 is four spreads. */
const RETURN_GAIN = 8;
/**
 * How often something fails or is late differs from day to day by at least so much of itself, whatever few days let see: an
 * hour of a busy flow that fails a half more often than usual is a day like that.
 */
const LEAST_SPREAD_OF_SHARE = 0.25;
/** Minimum traffic: attempts in the window, and attempts beyond the usual. */
const FEWEST_ATTEMPTS = 4;
const FEWEST_EXCESS = 3;
/** Volume must fall at least this far below its expectation. */
const LARGEST_VOLUME_SHARE = 0.7;
const BROKEN_SHARE = 0.5;

/** Sums over a stretch of one signal: `bad` of `n` against `usual`; for missing, n is what was expected and bad what came. */
interface Tally {
  n: number;
  bad: number;
  usual: number;
  spread: number;
  dispersion: number;
  known: boolean;
}

/** One signal of a flow with running sums, so that any stretch is told in one step. */
class SignalSeries {
  readonly length: number;
  readonly #n: Float64Array;
  readonly #bad: Float64Array;
  readonly #usual: Float64Array;
  readonly #unknown: Float64Array;

  constructor(
    readonly signal: Signal,
    private readonly series: MinuteSeries,
    readonly rules: readonly Rule[] = signal === 'missing' ? MISSING_RULES : RULES,
  ) {
    this.length = series.attempts.length;
    const sums = () => new Float64Array(this.length + 1);
    [this.#n, this.#bad, this.#usual, this.#unknown] = [sums(), sums(), sums(), sums()];
    for (let t = 0; t < this.length; t++) {
      const attempts = series.attempts[t] as number;
      const failed = series.failed[t] as number;
      const share = (signal === 'slow' ? series.lateShare : series.failedShare)[t] as number;
      const expected = series.expectedAttempts[t] as number;
      const isUnknown = Number.isNaN(signal === 'missing' ? expected : share);
      const n = isUnknown ? 0 : signal === 'missing' ? expected : signal === 'slow' ? attempts - failed : attempts;
      const bad = signal === 'missing' ? attempts : signal === 'slow' ? (series.late[t] as number) : failed;
      this.#n[t + 1] = (this.#n[t] as number) + n;
      this.#bad[t + 1] = (this.#bad[t] as number) + bad;
      this.#usual[t + 1] = (this.#usual[t] as number) + (isUnknown || signal === 'missing' ? 0 : n * share);
      this.#unknown[t + 1] = (this.#unknown[t] as number) + Number(isUnknown);
    }
  }

  /**
   * Evidence that a stretch misses attempts, against how busy the day was just before it: the day's level, of which only the
   * spread between days is known, is updated by what came in that hour (normal prior and likelihood on the log scale).
   *
   * @returns spreads; 0 where the hour before tells nothing
   */
  missingSinceBefore(from: number, to: number): number {
    const { n, bad, spread, dispersion, known } = this.tally(from, to);
    const ratios: number[] = [];
    let expected = 0;
    // Levels belong to days: the evening before tells nothing of a Saturday.
    const midnight = Math.ceil((floorTo(this.startMs + (to - 1) * MINUTE_MS, DAY_MS) - this.startMs) / MINUTE_MS);
    const first = Math.max(0, midnight, from - LEVEL_GAP - LEVEL_MINUTES);
    for (let end = from - LEVEL_GAP; end - LEVEL_BLOCK >= first; end -= LEVEL_BLOCK) {
      const block = this.tally(end - LEVEL_BLOCK, end);
      if (!block.known || block.n < LEVEL_FEWEST_EXPECTED) continue;
      ratios.push(block.bad / block.n);
      expected += block.n;
    }
    const level = ratios.length < LEVEL_FEWEST_BLOCKS ? undefined : median(ratios);
    if (!known || !level || !(n > 0)) return 0;
    const [prior, error] = [spread ** 2, (MEDIAN_VARIANCE * dispersion) / expected + LEVEL_DRIFT ** 2 + (LEVEL_DRIFT_OF_SPREAD * spread) ** 2];
    const weight = prior / (prior + error);
    if (bad > n * level ** weight * LEVEL_LOSS) return 0;
    return -poissonZ(bad, n * level ** weight, Math.sqrt(weight * error), dispersion);
  }

  get startMs(): number {
    return this.series.startMs;
  }

  tally(from: number, to: number): Tally {
    const { signal, series } = this;
    const spreads = signal === 'missing' ? series.volumeSpread : signal === 'slow' ? series.lateSpread : series.failedSpread;
    const [n, usual] = [over(this.#n, from, to), over(this.#usual, from, to)];
    return {
      n,
      bad: over(this.#bad, from, to),
      usual,
      // Spreads change by the half hour at most: the larger end stands for the stretch. For what is missing, nothing is usual.
      spread: Math.max(largerEnd(spreads, from, to), n > 0 ? (LEAST_SPREAD_OF_SHARE * usual) / n : 0),
      dispersion: signal === 'missing' ? Math.max(1, largerEnd(series.volumeDispersion, from, to)) : 1,
      known: over(this.#unknown, from, to) === 0,
    };
  }
}

const over = (sums: Float64Array, from: number, to: number): number => (sums[to] as number) - (sums[from] as number);
const largerEnd = (values: Float64Array, from: number, to: number): number => Math.max(values[from] as number, values[to - 1] as number);

/**
 * Where a flow left its normal range long enough. Pure in the series: the same minutes give the same deviations,
 * whether they came live or were loaded at once.
 */
export function findDeviations(flow: number, series: MinuteSeries): Deviation[] {
  return SIGNALS.flatMap((signal) => findSignal(flow, new SignalSeries(signal, series)));
}

/** What is missing alone: for the sum of several flows, of which single ones have too few attempts to tell. */
export const findMissing = (flow: number, series: MinuteSeries): Deviation[] => findSignal(flow, new SignalSeries('missing', series));

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
    const holds = (t: number) => SLICE_RULES.some(({ minutes, z }) => t + 1 >= minutes && isOutside(series, t + 1 - minutes, t + 1, z));
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
      const found = describe(series, stretch.start, end, stretch.end, running);
      if (found.z >= LEAST_OVER_STRETCH) deviations.push({ flow, ...found, firedMs: series.startMs + (t + 1) * MINUTE_MS });
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
  for (const { minutes, z } of HOLDS) for (let t = minutes - 1; t < series.length; t++) if (isOutside(series, t - minutes + 1, t + 1, z)) holds[t] = 1;
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

const excessOf = (signal: Signal, sums: Tally) => (signal === 'missing' ? sums.n - sums.bad : sums.bad - sums.usual);

function evidence(signal: Signal, { n, bad, usual, spread, dispersion }: Tally): number {
  return signal === 'missing' ? -poissonZ(bad, n, spread, dispersion) : binomialZ(bad, n, usual / n, spread);
}

/** The stretch in which the changed level explains the minutes best: maximum of the summed log-likelihood ratio. */
function changedStretch(series: SignalSeries, from: number, to: number) {
  const changed = strongestLevel(series, from, to);
  if (changed === undefined) return undefined;
  const isMissing = series.signal === 'missing';
  const scores = new Float64Array(to - from);
  for (let t = from; t < to; t++) {
    const { n, bad, usual, known } = series.tally(t, t + 1);
    if (!known || n === 0) continue;
    if (isMissing) scores[t - from] = bad * Math.log(changed) - n * (changed - 1);
    else {
      const share = usual / n;
      scores[t - from] = bad * Math.log(changed / share) + (n - bad) * Math.log((1 - changed) / (1 - share));
    }
  }
  const best = bestStretch(scores);
  return best && { start: from + best.start, end: lastReturn(series, from + best.start, from + best.end) };
}

/**
 * Where the stretch changes once more, to a level that alone would be usual: there it ended. A quiet half hour behind an
 * outage lies half way between the outage and the usual, and the halved level alone cannot tell to which of them it belongs.
 */
function lastReturn(series: SignalSeries, start: number, end: number): number {
  const whole = logLikelihood(series, start, end);
  let best = { end, gain: RETURN_GAIN };
  for (let cut = start + 1; cut < end; cut++) {
    const gain = logLikelihood(series, start, cut) + logLikelihood(series, cut, end) - whole;
    if (gain <= best.gain || !isUsual(series, cut, end)) continue;
    best = { end: cut, gain };
  }
  return best.end;
}

function isUsual(series: SignalSeries, from: number, to: number): boolean {
  const sums = series.tally(from, to);
  return sums.known && sums.n >= FEWEST_ATTEMPTS && evidence(series.signal, sums) < STRAINED_SPREADS;
}

/** Of one level over the whole stretch, the one that it shows; Poisson for what is missing, else binomial. */
function logLikelihood(series: SignalSeries, from: number, to: number): number {
  const { n, bad } = series.tally(from, to);
  const times = (count: number, share: number) => (count > 0 ? count * Math.log(share) : 0);
  if (n === 0) return 0;
  return series.signal === 'missing' ? times(bad, bad / n) - bad : times(bad, bad / n) + times(n - bad, 1 - bad / n);
}

/** Share (for missing: ratio to the expectation) in the trailing window with the strongest evidence. */
function strongestLevel(series: SignalSeries, from: number, to: number): number | undefined {
  let strongest = 0;
  let level: number | undefined;
  for (const { minutes } of series.rules)
    for (let t = Math.max(from, minutes - 1); t < to; t++) {
      const sums = series.tally(t - minutes + 1, t + 1);
      if (!sums.known || sums.n < FEWEST_ATTEMPTS) continue;
      const z = evidence(series.signal, sums);
      if (z <= strongest) continue;
      strongest = z;
      // Half way back to the usual: minutes at the edge that are only partly affected still belong to the stretch.
      const seen = sums.bad / sums.n;
      level = series.signal === 'missing' ? Math.min(0.9, Math.max(0.02, (seen + 1) / 2)) : Math.min(0.98, (seen + sums.usual / sums.n) / 2);
    }
  return level;
}

function describe(series: SignalSeries, start: number, end: number, lastBad: number, active: boolean): Omit<Deviation, 'firedMs' | 'flow'> {
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
