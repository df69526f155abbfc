import { BUCKET_MS, outcomeOf } from '@toplens/core/flows';
import { limitsAt } from '@toplens/core/normal';
import type { Indicator } from '@toplens/core/promises';
import { bucketFloorMs, forEachBucket } from '@toplens/core/stats';
import { BUSINESS_EVENT, eachRow, FAILED, type AttemptColumns } from '@toplens/core/telemetry';
import { HOUR_MS, type Window } from '@toplens/core/time';
import { LRUCache } from 'lru-cache';
import { setImmediate as turn } from 'node:timers/promises';
import type { Hours } from '../state/hours';
import type { EngineState } from '../state/engine-state';

/** What makes attempts of a flow good. */
export interface Counter {
  flow: number;
  indicator: Indicator;
  limitMs: number | undefined;
}

/** Attempts of a flow in an hour, and good ones. */
export interface HourCount {
  /** by steps of five minutes: valid and good in turn */
  steps: Uint32Array;
  /** by number of the site and of the version: valid and good */
  sites: ReadonlyMap<number, readonly [valid: number, good: number]>;
  versions: ReadonlyMap<number, readonly [valid: number, good: number]>;
  /** from sums: single attempts are gone, and the limit cuts through a step of durations */
  isRough: boolean;
}

const STEPS = HOUR_MS / BUCKET_MS;
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
    const { flow, indicator, limitMs } = counter;
    // Whether an attempt hung is told by the limit that judged it, whatever limit the promise has.
    const by = indicator === 'inTime' && limitMs !== undefined ? limitMs : judgedBy(state, flow, hourMs);
    const key = `${hourMs}:${flow}:${indicator}:${by}`;
    const known = cache.get(key);
    if (known?.version === version) counts.set(counter.flow, known.count);
    else open.push({ counter, key });
  }
  if (open.length === 0) return counts;
  const { columns, ranges } = await state.hours.glance(hourMs);
  for (const { counter, key } of open) {
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

const judgedBy = (state: EngineState, flow: number, hourMs: number): string => {
  const { limitMs } = state.history.normalAt(flow, hourMs);
  return `judged ${limitMs}`;
};

const isGood = (
  { indicator, limitMs }: Counter,
  durationMs: number,
  isFailed: boolean,
  judgedMs: number | undefined,
): boolean => {
  if (isFailed) return false;
  if (indicator === 'answered') return outcomeOf(durationMs, false, judgedMs) !== 'hung';
  return durationMs <= (limitMs ?? judgedMs ?? Infinity);
};

function countRows(
  state: EngineState,
  counter: Counter,
  { columns, from, to, window }: { columns: AttemptColumns; from: number; to: number; window: Window },
): HourCount {
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
  eachRow(columns, { flows: counter.flow, window, from, to }, (row) => {
    const flags = columns.flags[row] as number;
    if (flags & BUSINESS_EVENT) return;
    const startMs = columns.startMs[row] as number;
    const site = columns.site[row] as number;
    const judged = limitsAt(state.history.normalAt(counter.flow, startMs), site).limitMs;
    const good = isGood(counter, columns.durationMs[row] as number, (flags & FAILED) !== 0, judged) ? 1 : 0;
    const step = 2 * Math.floor((startMs - window.fromMs) / BUCKET_MS);
    steps[step] = (steps[step] as number) + 1;
    steps[step + 1] = (steps[step + 1] as number) + good;
    add(sites, site, good);
    add(versions, columns.version[row] as number, good);
  });
  return { steps, sites, versions, isRough: false };
}

const NONE: ReadonlyMap<number, readonly [number, number]> = new Map();

/** Of hours whose attempts are no longer kept, from roll-ups of five minutes. */
function countSums(state: EngineState, counter: Counter, hourMs: number): HourCount {
  const steps = new Uint32Array(2 * STEPS);
  let isRough = false;
  for (let step = 0; step < STEPS; step++) {
    const bucket = state.history.bucket(counter.flow, hourMs + step * BUCKET_MS);
    if (!bucket) continue;
    isRough = true;
    const judged = state.history.normalAt(counter.flow, hourMs + step * BUCKET_MS).limitMs;
    let good = 0;
    forEachBucket(bucket.durations, (at, n) => {
      if (isGood(counter, bucketFloorMs(at), false, judged)) good += n;
    });
    steps[2 * step] = bucket.attempts;
    steps[2 * step + 1] = good;
  }
  return { steps, sites: NONE, versions: NONE, isRough };
}
