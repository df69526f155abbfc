import { BUCKET_MS } from '@toplens/core/flows';
import { SLOT_MS, STRAINED_SPREADS } from '@toplens/core/normal';
import { ceilTo, floorTo, type Window } from '@toplens/core/time';
import type { SeriesShape } from '../api/shapes';
import type { World } from './world';

export type Measure = 'duration' | 'failures' | 'attempts';

type Point = { value: number | null; low: number | null; high: number | null };

/** A flow's measure in five-minute steps with its usual range beside it. Duration: median, ms; failures: share. */
export function seriesOf(world: World, flow: number, measure: Measure, window: Window): SeriesShape {
  const startMs = floorTo(window.fromMs, BUCKET_MS);
  // The bucket that is still filling would look like a fall.
  const toMs = Math.min(ceilTo(window.toMs, BUCKET_MS), floorTo(world.judgedMs, BUCKET_MS));
  const points: Point[] = [];
  for (let at = startMs; at < toMs; at += BUCKET_MS) points.push(pointOf(world, flow, measure, at));
  return {
    startMs,
    stepMs: BUCKET_MS,
    values: points.map((point) => point.value),
    low: points.map((point) => point.low),
    high: points.map((point) => point.high),
  };
}

function pointOf(world: World, flow: number, measure: Measure, startMs: number): Point {
  const bucket = world.history.bucket(flow, startMs);
  const normal = world.history.normalAt(flow, startMs);
  switch (measure) {
    case 'duration':
      return { value: bucket && bucket.medianMs > 0 ? bucket.medianMs : null, low: normal.medianRange?.low ?? null, high: normal.medianRange?.high ?? null };
    case 'failures': {
      if (!bucket || bucket.attempts === 0) return { value: null, low: null, high: null };
      const sd = Math.sqrt((normal.failedShare * (1 - normal.failedShare)) / bucket.attempts + normal.failedSpread ** 2);
      const high = normal.days > 0 ? normal.failedShare + STRAINED_SPREADS * sd : null;
      return { value: bucket.failed / bucket.attempts, low: high === null ? null : 0, high };
    }
    case 'attempts': {
      const expected = normal.volume[Math.floor((startMs - floorTo(startMs, SLOT_MS)) / BUCKET_MS)] as number;
      const value = startMs >= world.history.firstMsOf(flow) ? (bucket?.attempts ?? 0) : null;
      if (Number.isNaN(expected)) return { value, low: null, high: null };
      const sd = Math.sqrt(expected * normal.volumeDispersion + (expected * normal.volumeSpread) ** 2);
      return { value, low: Math.max(0, expected - STRAINED_SPREADS * sd), high: expected + STRAINED_SPREADS * sd };
    }
  }
}
