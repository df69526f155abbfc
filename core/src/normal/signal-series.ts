import { median, poissonZ, binomialZ } from '../stats';
import { floorTo, MINUTE_MS, DAY_MS } from '../time';
import {
  type Rule,
  MISSING_RULES,
  RULES,
  LEVEL_GAP,
  LEVEL_MINUTES,
  LEVEL_BLOCK,
  LEVEL_FEWEST_EXPECTED,
  LEVEL_FEWEST_BLOCKS,
  LEVEL_DRIFT,
  LEVEL_DRIFT_OF_SPREAD,
  LEVEL_LOSS,
  LEAST_SPREAD_OF_SHARE,
} from './rules';

export const SIGNALS = ['slow', 'failing', 'missing'] as const;

export type Signal = (typeof SIGNALS)[number];

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

/** Variance of a median against that of a mean, for normal errors: π / 2. */
const MEDIAN_VARIANCE = Math.PI / 2;

/**
 * Sums over a stretch of one signal: `bad` of `n` against `usual`; for missing, n is what was expected and bad what
 * came.
 */
export interface Tally {
  n: number;
  bad: number;
  usual: number;
  spread: number;
  dispersion: number;
  known: boolean;
}

/** One signal of a flow with running sums, so that any stretch is told in one step. */
export class SignalSeries {
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
   * Evidence that a stretch misses attempts, against how busy the day was just before it: the day's level, of which
   * only the spread between days is known, is updated by what came in that hour (normal prior and likelihood on the log
   * scale).
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
    const [prior, error] = [
      spread ** 2,
      (MEDIAN_VARIANCE * dispersion) / expected + LEVEL_DRIFT ** 2 + (LEVEL_DRIFT_OF_SPREAD * spread) ** 2,
    ];
    const weight = prior / (prior + error);
    if (bad > n * level ** weight * LEVEL_LOSS) return 0;
    return -poissonZ(bad, n * level ** weight, Math.sqrt(weight * error), dispersion);
  }

  get startMs(): number {
    return this.series.startMs;
  }

  tally(from: number, to: number): Tally {
    const { signal, series } = this;
    const spreads =
      signal === 'missing' ? series.volumeSpread : signal === 'slow' ? series.lateSpread : series.failedSpread;
    const [n, usual] = [over(this.#n, from, to), over(this.#usual, from, to)];
    return {
      n,
      bad: over(this.#bad, from, to),
      usual,
      // Spreads change by the half hour at most: the larger end stands for the stretch. For what is missing, nothing is
      // usual.
      spread: Math.max(largerEnd(spreads, from, to), n > 0 ? (LEAST_SPREAD_OF_SHARE * usual) / n : 0),
      dispersion: signal === 'missing' ? Math.max(1, largerEnd(series.volumeDispersion, from, to)) : 1,
      known: over(this.#unknown, from, to) === 0,
    };
  }
}

const over = (sums: Float64Array, from: number, to: number): number => (sums[to] as number) - (sums[from] as number);

const largerEnd = (values: Float64Array, from: number, to: number): number =>
  Math.max(values[from] as number, values[to - 1] as number);

export const excessOf = (signal: Signal, sums: Tally) =>
  signal === 'missing' ? sums.n - sums.bad : sums.bad - sums.usual;

export function evidence(signal: Signal, { n, bad, usual, spread, dispersion }: Tally): number {
  return signal === 'missing' ? -poissonZ(bad, n, spread, dispersion) : binomialZ(bad, n, usual / n, spread);
}
