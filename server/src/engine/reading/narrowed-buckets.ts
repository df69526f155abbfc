import { BUCKET_MS } from '@toplens/core/flows';
import { median } from '@toplens/core/stats';
import { FAILED } from '@toplens/core/telemetry';
import { ceilTo, floorTo, HOUR_MS, type Window } from '@toplens/core/time';
import type { EngineState } from '../state/engine-state';
import type { Focus } from '../state/questions';
import { eachAttempt, LONGEST_SCAN_MS } from './each-attempt';
import { conditionsOf } from './focus';

/** What a flow did in five minutes, as far as a filter leaves it. */
export interface NarrowedBucket {
  attempts: number;
  failed: number;
  /** of what did not fail; 0 when nothing came */
  medianMs: number;
}

/** Asks for what a filter leaves of a flow in five minutes; `undefined` where that was not read. */
export type Narrowed = (flow: number, startMs: number) => NarrowedBucket | undefined;

/** A window, and the one that lies so far back beside it. */
export const withShifted = (window: Window, shiftMs: number | undefined): Window[] =>
  shiftMs === undefined ? [window] : [window, { fromMs: window.fromMs - shiftMs, toMs: window.toMs - shiftMs }];

const NOTHING: NarrowedBucket = { attempts: 0, failed: 0, medianMs: 0 };

/**
 * Reads what a filter leaves of some flows, five minutes by five minutes: curves follow the filter. Of windows longer
 * than a day and the hours around it the last such part is read.
 *
 * @returns `undefined` when no dimension is narrowed: then the roll-ups tell
 */
export async function narrowedBuckets(
  state: EngineState,
  windows: readonly Window[],
  focus: Focus,
  flows?: ReadonlySet<number>,
): Promise<Narrowed | undefined> {
  const conditions = conditionsOf(state, focus);
  if (conditions.length === 0) return undefined;
  const read: Window[] = windows.map(({ fromMs, toMs }) => ({
    fromMs: floorTo(Math.max(fromMs, toMs - LONGEST_SCAN_MS - HOUR_MS), BUCKET_MS),
    toMs: ceilTo(toMs, BUCKET_MS),
  }));
  const durations = new Map<string, { attempts: number; failed: number; ms: number[] }>();
  for (const window of read)
    await eachAttempt(state, { window, conditions, ...(flows && { flows }) }, (rows, row) => {
      const key = `${rows.flow[row]}:${floorTo(rows.startMs[row] as number, BUCKET_MS)}`;
      let own = durations.get(key);
      if (!own) durations.set(key, (own = { attempts: 0, failed: 0, ms: [] }));
      own.attempts++;
      if ((rows.flags[row] as number) & FAILED) own.failed++;
      else own.ms.push(rows.durationMs[row] as number);
    });
  const buckets = new Map<string, NarrowedBucket>(
    [...durations].map(([key, { attempts, failed, ms }]) => [key, { attempts, failed, medianMs: median(ms) ?? 0 }]),
  );
  return (flow, startMs) =>
    read.some(({ fromMs, toMs }) => startMs >= fromMs && startMs < toMs)
      ? (buckets.get(`${flow}:${startMs}`) ?? NOTHING)
      : undefined;
}
