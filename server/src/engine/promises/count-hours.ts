import { BUCKET_MS, dependsOnJudge, isGoodAttempt, isToldByAttempts } from '@toplens/core/flows';
import { eachPromised } from '@toplens/core/incidents';
import { bucketFloorMs, forEachBucket } from '@toplens/core/stats';
import { BUSINESS_EVENT, type AttemptColumns } from '@toplens/core/telemetry';
import { DAY_MS, HOUR_MS, MINUTE_MS, type Window } from '@toplens/core/time';
import { LRUCache } from 'lru-cache';
import { setImmediate as turn } from 'node:timers/promises';
import type { Hours } from '../state/hours';
import type { EngineState } from '../state/engine-state';
import { countTold } from './count-told';
import type { Counter, HourCount } from './hour-count';

const STEPS = HOUR_MS / BUCKET_MS;
/** Vitals and crashes are told when a page is left or an application starts anew: mostly within two days. */
const STILL_TOLD_MS = 2 * DAY_MS;
/** No batch of attempts tells that they came: what was counted is counted anew after a while. */
const COUNTED_ANEW_MS = { lately: MINUTE_MS, before: HOUR_MS };
/** Some thousand flows over a month and more. */
const MOST_KEPT = 400_000;
/** By what holds the attempts: what is counted goes with it. */
const kept = new WeakMap<Hours, LRUCache<string, { version: number; count: HourCount }>>();

/**
 * Counts each flow's attempts of an hour by its counter. What was counted of an hour is kept until attempts come to it,
 * or another limit judges it: a month is counted once.
 */
export async function countHour(
  state: EngineState,
  hourMs: number,
  counters: readonly Counter[],
): Promise<Map<number, HourCount>> {
  let cache = kept.get(state.hours);
  if (!cache) kept.set(state.hours, (cache = new LRUCache({ max: MOST_KEPT })));
  const window = { fromMs: hourMs, toMs: hourMs + HOUR_MS };
  const version = state.hours.versionOf(window);
  const counts = new Map<number, HourCount>();
  const open: { counter: Counter; key: string }[] = [];
  for (const counter of counters) {
    const { flow, indicator, personShare = 1, counted } = counter;
    const by = judgeOf(state, counter, hourMs);
    const ofPeople = indicator === 'people' ? `:${personShare}:${(counted ?? []).map(Number).join('')}` : '';
    const key = `${hourMs}:${flow}:${indicator}:${by}${ofPeople}`;
    const known = cache.get(key);
    if (known?.version === version) counts.set(counter.flow, known.count);
    else open.push({ counter, key });
  }
  if (open.length === 0) return counts;
  const told = open.filter(({ counter }) => !isToldByAttempts(counter.indicator));
  const age = window.toMs > state.judgedMs - STILL_TOLD_MS ? 'lately' : 'before';
  for (const [flow, count] of await countTold(
    state,
    told.map(({ counter }) => counter),
    window,
  ))
    counts.set(flow, count);
  for (const { counter, key } of told)
    cache.set(key, { version, count: counts.get(counter.flow) as HourCount }, { ttl: COUNTED_ANEW_MS[age] });
  const ofAttempts = open.filter(({ counter }) => isToldByAttempts(counter.indicator));
  if (ofAttempts.length === 0) return counts;
  const { columns, ranges } = await state.hours.glance(hourMs);
  for (const { counter, key } of ofAttempts) {
    const [from, to] = ranges ? (ranges.get(counter.flow) ?? [0, 0]) : [0, columns.n];
    const count =
      columns.n > 0 ? countRows(state, counter, { columns, from, to, window }) : countSums(state, counter, hourMs);
    // The hour that goes on is counted again and again.
    if (window.toMs <= state.judgedMs) cache.set(key, { version, count });
    counts.set(counter.flow, count);
  }
  // Whoever waits for something else gets their turn between two hours.
  await turn();
  return counts;
}

/**
 * What else the count depends on: the promise's own limit, or the one that judged; whether an attempt hung is told by the
 * limit that judged it, which people may set anew.
 */
function judgeOf({ history, settings }: EngineState, { flow, indicator, limitMs }: Counter, hourMs: number): string {
  if (indicator !== 'inTime' && indicator !== 'people') return `settings ${settings.number}`;
  return limitMs === undefined ? `judged ${history.normalAt(flow, hourMs).limitMs}` : `own ${limitMs}`;
}

function countRows(
  state: EngineState,
  counter: Counter,
  { columns, from, to, window }: { columns: AttemptColumns; from: number; to: number; window: Window },
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
  const isCounted = (startMs: number) => counter.counted?.[stepOf(startMs)] ?? true;
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
