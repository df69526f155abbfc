import { BUCKET_MS } from '@toplens/core/flows';
import { STRAINED_SPREADS, volumeAt } from '@toplens/core/normal';
import { ceilTo, floorTo, HOUR_MS, type Window } from '@toplens/core/time';
import type { SeriesShape } from '../../contract/common';
import type { EngineState } from '../state/engine-state';
import type { Narrowed } from './narrowed-buckets';

export type Measure = 'duration' | 'failures' | 'attempts';
type Point = { value: number | null; low: number | null; high: number | null };

export const measureOf = (signal: string): Measure =>
  signal === 'slow' ? 'duration' : signal === 'failing' ? 'failures' : 'attempts';

const MOST_POINTS = 400;
const SPARK_POINTS = 40;
const SPARK_MS = 3 * HOUR_MS;

export interface SeriesQuestion {
  flow: number;
  measure: Measure;
  window: Window;
  /** how far back the other window lies that is drawn beside it; none when left out */
  shiftMs?: number | undefined;
  /** points at most */
  most?: number;
  /** what a filter leaves of the flow, in place of all of it */
  narrowed?: Narrowed | undefined;
}

/**
 * A flow's measure in steps of five minutes, or of more in long windows, with its usual range beside it. Duration:
 * median, ms; failures: share. What a filter leaves stands beside what is usual for everybody; how many usually come
 * through the filter is not known.
 */
export function seriesOf(
  state: EngineState,
  { flow, measure, window, shiftMs, most = MOST_POINTS, narrowed }: SeriesQuestion,
): SeriesShape {
  const startMs = floorTo(window.fromMs, BUCKET_MS);
  // The bucket that is still filling would look like a fall.
  const toMs = Math.min(ceilTo(window.toMs, BUCKET_MS), floorTo(state.judgedMs, BUCKET_MS));
  const every = Math.max(1, Math.ceil((toMs - startMs) / BUCKET_MS / most));
  const stepMs = every * BUCKET_MS;
  const points: Point[] = [];
  const other: (number | null)[] = [];
  for (let at = startMs; at < toMs; at += stepMs) {
    // In long windows one bucket stands for its step: the middle one.
    const bucketMs = at + Math.floor(every / 2) * BUCKET_MS;
    points.push(pointOf(state, { flow, measure, narrowed }, bucketMs));
    if (shiftMs !== undefined)
      other.push(pointOf(state, { flow, measure, narrowed }, floorTo(bucketMs - shiftMs, BUCKET_MS)).value);
  }
  return {
    startMs,
    stepMs,
    values: points.map((point) => point.value),
    low: points.map((point) => point.low),
    high: points.map((point) => point.high),
    other: shiftMs === undefined ? null : other,
  };
}

/** The small line of a row: three hours, or the whole window when that is longer, in few points. */
export const sparkOf = (
  state: EngineState,
  question: Pick<SeriesQuestion, 'flow' | 'measure' | 'window' | 'narrowed'>,
): SeriesShape => seriesOf(state, { ...question, window: sparkWindow(question.window), most: SPARK_POINTS });

export const sparkWindow = ({ fromMs, toMs }: Window): Window => ({
  fromMs: toMs - Math.max(SPARK_MS, toMs - fromMs),
  toMs,
});

function pointOf(
  state: EngineState,
  { flow, measure, narrowed }: Pick<SeriesQuestion, 'flow' | 'measure' | 'narrowed'>,
  startMs: number,
): Point {
  const bucket = narrowed ? narrowed(flow, startMs) : state.history.bucket(flow, startMs);
  const normal = state.history.normalAt(flow, startMs);
  switch (measure) {
    case 'duration':
      return {
        value: bucket && bucket.medianMs > 0 ? bucket.medianMs : null,
        low: normal.medianRange?.low ?? null,
        high: normal.medianRange?.high ?? null,
      };
    case 'failures': {
      if (!bucket || bucket.attempts === 0) return { value: null, low: null, high: null };
      const sd = Math.sqrt(
        (normal.failedShare * (1 - normal.failedShare)) / bucket.attempts + normal.failedSpread ** 2,
      );
      const high = normal.days > 0 ? normal.failedShare + STRAINED_SPREADS * sd : null;
      return { value: bucket.failed / bucket.attempts, low: high === null ? null : 0, high };
    }
    case 'attempts': {
      const isKnown = startMs >= state.history.firstMsOf(flow) && (!narrowed || bucket !== undefined);
      const value = isKnown ? (bucket?.attempts ?? 0) : null;
      // How many usually come through a filter is not learned.
      const expected = narrowed ? NaN : volumeAt(normal, startMs);
      if (Number.isNaN(expected)) return { value, low: null, high: null };
      const sd = Math.sqrt(expected * normal.volumeDispersion + (expected * normal.volumeSpread) ** 2);
      return { value, low: Math.max(0, expected - STRAINED_SPREADS * sd), high: expected + STRAINED_SPREADS * sd };
    }
  }
}
