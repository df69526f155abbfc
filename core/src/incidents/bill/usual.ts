import { BUCKET_MS } from '../../flows';
import { volumeAt, type History } from '../../normal';
import { smoothedLevel } from '../../stats';
import { eachRow, FAILED, type AttemptColumns } from '../../telemetry';
import { floorTo, HOUR_MS, type Window } from '../../time';

/** Values and tiers of some flows in the day before an incident. */
export interface UsualMix {
  /** mean value of a completion in units of currency; a tier without completions of its own takes none */
  expectedValue: (flow: number, tier: number) => number;
  /** standard deviation of the value of a single completion, units of currency */
  valueSpread: (flow: number, tier: number) => number;
  tierShares: (flow: number) => Map<number, number>;
  /** share of a flow's attempts for which a condition holds */
  shareWhere: (flow: number) => number;
}

/** @param holds the slice that is looked at, for `shareWhere` */
export function learnUsualMix(rows: AttemptColumns, holds: (row: number) => boolean = () => true): UsualMix {
  const values = new Map<string, { sum: number; squares: number; n: number }>();
  const tiers = new Map<number, Map<number, number>>();
  const counts = new Map<number, { all: number; inside: number }>();
  eachRow(rows, {}, (i) => {
    const flags = rows.flags[i] as number;
    const flow = rows.flow[i] as number;
    const tier = rows.tier[i] as number;
    const count = counts.get(flow) ?? { all: 0, inside: 0 };
    count.all++;
    counts.set(flow, count);
    if (!holds(i)) return;
    count.inside++;
    let shares = tiers.get(flow);
    if (!shares) tiers.set(flow, (shares = new Map<number, number>()));
    shares.set(tier, (shares.get(tier) ?? 0) + 1);
    const value = rows.valueMinor[i] as number;
    if (Number.isNaN(value) || flags & FAILED) return;
    const key = `${flow}:${tier}`;
    const sum = values.get(key) ?? { sum: 0, squares: 0, n: 0 };
    sum.sum += value;
    sum.squares += value * value;
    sum.n++;
    values.set(key, sum);
  });
  for (const [flow, shares] of tiers)
    for (const [tier, n] of shares) shares.set(tier, n / (counts.get(flow)?.inside ?? 1));
  return {
    expectedValue: (flow, tier) => {
      const known = values.get(`${flow}:${tier}`);
      return known ? known.sum / known.n / 100 : 0;
    },
    valueSpread: (flow, tier) => {
      const known = values.get(`${flow}:${tier}`);
      return known && known.n > 1
        ? Math.sqrt(Math.max(0, known.squares - known.sum ** 2 / known.n) / (known.n - 1)) / 100
        : 0;
    },
    tierShares: (flow) => tiers.get(flow) ?? new Map<number, number>(),
    shareWhere: (flow) => {
      const count = counts.get(flow);
      return count && count.all > 0 ? count.inside / count.all : 1;
    },
  };
}

export const PEOPLE_LOOK_BACK_MS = 6 * HOUR_MS;
const LOOKS = 6;

export interface UsualPeople {
  /** different people in a stretch as long as the one asked for, and the standard deviation of that */
  mean: number;
  sd: number;
  /** attempts that they made */
  attempts: number;
}

/**
 * How many different people usually come in a stretch as long as the window: looked up in those just before the
 * trouble.
 */
export function usualPeople(
  before: AttemptColumns,
  onsetMs: number,
  flows: ReadonlySet<number>,
  window: Window,
): UsualPeople {
  const lengthMs = window.toMs - window.fromMs;
  const looks = Math.max(1, Math.min(LOOKS, Math.floor(PEOPLE_LOOK_BACK_MS / lengthMs)));
  const counts: number[] = [];
  let attempts = 0;
  for (let k = 1; k <= looks; k++) {
    const toMs = onsetMs - (k - 1) * lengthMs;
    const people = new Set<number>();
    let unknown = 0;
    eachRow(before, { flows, window: { fromMs: toMs - lengthMs, toMs } }, (i) => {
      attempts++;
      const person = before.person[i] as number;
      if (person === 0) unknown++;
      else people.add(person);
    });
    counts.push(people.size + unknown);
  }
  const mean = counts.reduce((sum, n) => sum + n, 0) / counts.length;
  const variance = counts.reduce((sum, n) => sum + (n - mean) ** 2, 0) / Math.max(1, counts.length - 1);
  // The stretch itself varies as those before it do, around a mean that is known from a few of them.
  return {
    mean,
    sd: Math.sqrt(Math.max(variance, mean) * (1 + 1 / counts.length)),
    attempts: attempts / counts.length,
  };
}

const LEVEL_LOOK_MS = 4 * HOUR_MS;
const FEWEST_EXPECTED = 30;
const SMOOTHING = 0.3;

/**
 * Today's volume against its expectation, by exponential smoothing of the half hours before; what is in trouble then is
 * passed over.
 */
export function todaysLevel(
  history: History,
  isInTrouble: (flow: number, window: Window) => boolean,
  flow: number,
  beforeMs: number,
): number {
  const ratios: number[] = [];
  let [expected, came, known] = [0, 0, 0];
  for (
    let startMs = floorTo(beforeMs - LEVEL_LOOK_MS, BUCKET_MS);
    startMs + BUCKET_MS <= beforeMs;
    startMs += BUCKET_MS
  ) {
    if (isInTrouble(flow, { fromMs: startMs, toMs: startMs + BUCKET_MS })) continue;
    const volume = volumeAt(history.normalAt(flow, startMs), startMs);
    if (Number.isNaN(volume)) continue;
    expected += volume;
    known += volume;
    came += history.bucket(flow, startMs)?.attempts ?? 0;
    if (expected < FEWEST_EXPECTED) continue;
    ratios.push(came / expected);
    [expected, came] = [0, 0];
  }
  const smoothed = smoothedLevel(ratios, SMOOTHING);
  if (!smoothed || known < FEWEST_EXPECTED) return 1;
  return Math.min(1.4, Math.max(0.7, smoothed.level));
}
