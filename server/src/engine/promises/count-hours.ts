import { BUCKET_MS, dependsOnJudge, isGoodAttempt, isToldByAttempts } from '@toplens/core/flows';
import { eachPromised } from '@toplens/core/incidents';
import { bucketFloorMs, forEachBucket } from '@toplens/core/stats';
import { BUSINESS_EVENT, type AttemptColumns } from '@toplens/core/telemetry';
import { DAY_MS, floorTo, HOUR_MS, MINUTE_MS, type Window } from '@toplens/core/time';
import { setImmediate as turn } from 'node:timers/promises';
import type { EngineState } from '../state/engine-state';
import { countTold } from './count-told';
import type { Counter, HourCount } from './hour-count';
import { KeptCounts, type KeptCount, type Lane } from './kept-counts';

const STEPS = HOUR_MS / BUCKET_MS;
/** Vitals and crashes are told when a page is left or an application starts anew: mostly within two days. */
const STILL_TOLD_MS = 2 * DAY_MS;
/** No batch of attempts tells that they came: what was counted is counted anew after a while. */
const COUNTED_ANEW_MS = { lately: MINUTE_MS, before: HOUR_MS };
/** A counter with what it counted before. */
export interface Counting {
  counter: Counter;
  lane: Lane;
}

export const countingBy = ({ hours }: EngineState, counters: readonly Counter[]): Counting[] => {
  const counts = KeptCounts.of(hours);
  return counters.map((counter) => ({ counter, lane: counts.lane(counter) }));
};

/**
 * Counts each flow's attempts of an hour by its counter. What was counted of an hour is kept until attempts come to it,
 * or another limit judges it: a month is counted once.
 *
 * @param counted which of its steps count; matters to people alone
 */
export async function countHour(
  state: EngineState,
  hourMs: number,
  countings: readonly Counting[],
  counted?: readonly boolean[],
): Promise<Map<number, HourCount>> {
  const hour = { fromMs: hourMs, toMs: hourMs + HOUR_MS };
  const version = state.hours.versionOf(hour);
  const counts = new Map<number, HourCount>();
  const open: Counting[] = [];
  const stepsText = counted?.map(Number).join('') ?? '';
  const basisOf = (counter: Counter) => ({
    version,
    judgedBy: judgeOf(state, counter, hourMs),
    counted: counter.indicator === 'people' ? stepsText : '',
  });
  for (const counting of countings) {
    const { counter, lane } = counting;
    const known = lane.get(hourMs);
    if (known && isStill(known, basisOf(counter))) counts.set(counter.flow, known.count);
    else open.push(counting);
  }
  if (open.length === 0) return counts;
  const keep = ({ counter, lane }: Counting, count: HourCount) => {
    counts.set(counter.flow, count);
    KeptCounts.of(state.hours).keep(lane, hourMs, { count, ...basisOf(counter), untilMs: Infinity });
  };
  const told = open.filter(({ counter }) => !isToldByAttempts(counter.indicator));
  if (told.length > 0) {
    await keepTold(state, floorTo(hourMs, DAY_MS), told);
    for (const { counter, lane } of told) counts.set(counter.flow, (lane.get(hourMs) as KeptCount).count);
  }
  const ofAttempts = open.filter(({ counter }) => isToldByAttempts(counter.indicator));
  if (ofAttempts.length === 0) return counts;
  const { columns, ranges } = await state.hours.glance(hourMs);
  for (const counting of ofAttempts) {
    const { counter } = counting;
    const [from, to] = ranges ? (ranges.get(counter.flow) ?? [0, 0]) : [0, columns.n];
    const count =
      columns.n > 0
        ? countRows(state, counter, { columns, from, to, window: hour, counted })
        : countSums(state, counter, hourMs);
    // The hour that goes on is counted again and again. Whether one that is over was judged yet does not matter: after a
    // start that takes a while, and a month would be counted anew for each question.
    if (hour.toMs <= Date.now()) keep(counting, count);
    else counts.set(counter.flow, count);
  }
  // Whoever waits for something else gets their turn between two hours.
  await turn();
  return counts;
}

/** Counts what is told apart from attempts for a whole day: hour by hour a month would be hundreds of questions. */
async function keepTold(state: EngineState, dayMs: number, told: readonly Counting[]): Promise<void> {
  const counters = told.map(({ counter }) => counter);
  const hours = Array.from({ length: DAY_MS / HOUR_MS }, (_, i) => dayMs + i * HOUR_MS);
  // Asked before it is counted: what comes meanwhile is counted again.
  const versions = hours.map((hourMs) => state.hours.versionOf({ fromMs: hourMs, toMs: hourMs + HOUR_MS }));
  const counts = await countTold(state, counters, { fromMs: dayMs, toMs: dayMs + DAY_MS });
  const age = dayMs + DAY_MS > state.judgedMs - STILL_TOLD_MS ? 'lately' : 'before';
  const untilMs = performance.now() + COUNTED_ANEW_MS[age];
  for (const { counter, lane } of told)
    for (const [i, hourMs] of hours.entries()) {
      const count = counts.get(counter.flow)?.[i] as HourCount;
      const version = versions[i] as number;
      KeptCounts.of(state.hours).keep(lane, hourMs, { count, version, judgedBy: UNJUDGED, counted: '', untilMs });
    }
}

const isStill = (
  known: KeptCount,
  { version, judgedBy, counted }: Pick<KeptCount, 'version' | 'judgedBy' | 'counted'>,
): boolean =>
  known.version === version &&
  known.judgedBy === judgedBy &&
  known.counted === counted &&
  (known.untilMs === Infinity || known.untilMs > performance.now());

const UNJUDGED = -1;

/**
 * What else the count depends on: the limit that judged where the promise has none of its own; whether an attempt hung is
 * told by the limit that judged it, which people may set anew.
 */
function judgeOf({ history, settings }: EngineState, { flow, indicator, limitMs }: Counter, hourMs: number): number {
  if (!isToldByAttempts(indicator)) return UNJUDGED;
  if (indicator !== 'inTime' && indicator !== 'people') return settings.number;
  return limitMs === undefined ? (history.normalAt(flow, hourMs).limitMs ?? UNJUDGED) : 0;
}

function countRows(
  state: EngineState,
  counter: Counter,
  {
    columns,
    from,
    to,
    window,
    counted,
  }: {
    columns: AttemptColumns;
    from: number;
    to: number;
    window: Window;
    counted: readonly boolean[] | undefined;
  },
): HourCount {
  const normalAt = (flow: number, timeMs: number) => state.history.normalAt(flow, timeMs);
  const steps = new Uint32Array(2 * STEPS);
  const sites = new Map<number, [number, number]>();
  const versions = new Map<number, [number, number]>();
  const add = (counts: Map<number, [number, number]>, value: number, good: number) => {
    const own = counts.get(value);
    if (own) {
      own[0]++;
      own[1] += good;
    } else counts.set(value, [1, good]);
  };
  const stepOf = (startMs: number) => Math.floor((startMs - window.fromMs) / BUCKET_MS);
  // All but people is counted whole, and by step: which steps count is told later.
  const isCounted = (startMs: number) => counter.indicator !== 'people' || (counted?.[stepOf(startMs)] ?? true);
  const question = { flows: counter.flow, window, from, to, without: BUSINESS_EVENT, isCounted, normalAt };
  eachPromised(counter, columns, question, (row, isGood) => {
    const good = Number(isGood);
    const step = 2 * stepOf(columns.startMs[row] as number);
    steps[step] = (steps[step] as number) + 1;
    steps[step + 1] = (steps[step + 1] as number) + good;
    add(sites, columns.site[row] as number, good);
    add(versions, columns.version[row] as number, good);
  });
  return { steps, sites, versions, isRough: false };
}

const NONE: ReadonlyMap<number, readonly [number, number]> = new Map();

/** Of hours whose attempts are no longer kept, from roll-ups of five minutes. */
function countSums(state: EngineState, counter: Counter, hourMs: number): HourCount {
  const steps = new Uint32Array(2 * STEPS);
  let isRough = false;
  // Sums hold no probes and no persons: of hours whose attempts are gone nothing is known.
  if (counter.indicator === 'reachable' || counter.indicator === 'people')
    return { steps, sites: NONE, versions: NONE, isRough };
  for (let step = 0; step < STEPS; step++) {
    const startMs = hourMs + step * BUCKET_MS;
    const bucket = state.history.bucket(counter.flow, startMs);
    if (!bucket) continue;
    isRough = true;
    let good = 0;
    forEachBucket(bucket.durations, (at, n) => {
      const attempt = { durationMs: bucketFloorMs(at), isFailed: false };
      const judged = dependsOnJudge(counter, attempt.durationMs)
        ? state.history.normalAt(counter.flow, startMs).limitMs
        : undefined;
      if (isGoodAttempt(counter, attempt, judged)) good += n;
    });
    steps[2 * step] = bucket.attempts;
    steps[2 * step + 1] = good;
  }
  return { steps, sites: NONE, versions: NONE, isRough };
}
