import { createHistogram, encodeHistogram, histogramQuantile, recordInPlace, type LogHistogram } from '../stats';
import { eachRow, FAILED, type AttemptColumns } from '../telemetry';
import { floorTo, MINUTE_MS } from '../time';

/** Length of a stored roll-up. */
export const BUCKET_MS = 5 * MINUTE_MS;

/** What a flow did in five minutes of event time. Probes are left out. */
export interface FlowBucket {
  flow: number;
  startMs: number;
  attempts: number;
  failed: number;
  /** durations of the attempts that did not fail, see LogHistogram; encoded */
  durations: Uint8Array;
  /** median of these durations, milliseconds; NaN when all failed */
  medianMs: number;
  /** sum of the values that were completed, minor units */
  valueMinor: number;
}

/** Five minutes since the epoch, until the year 2129. */
const BUCKETS_OF_ALL_TIME = 2 ** 24;

/**
 * Rolls attempts up by flow and five minutes. A pure function of the set of rows: their order and the batches they
 * came in make no difference, since all that is kept are integer counts.
 */
export function rollUp(rows: AttemptColumns): FlowBucket[] {
  interface Open {
    flow: number;
    startMs: number;
    attempts: number;
    failed: number;
    valueMinor: number;
    histogram: LogHistogram;
  }
  const open = new Map<number, Open>();
  eachRow(rows, {}, (i) => {
    const flags = rows.flags[i] as number;
    const flow = rows.flow[i] as number;
    const startMs = floorTo(rows.startMs[i] as number, BUCKET_MS);
    const key = flow * BUCKETS_OF_ALL_TIME + startMs / BUCKET_MS;
    let bucket = open.get(key);
    if (!bucket)
      open.set(key, (bucket = { flow, startMs, attempts: 0, failed: 0, valueMinor: 0, histogram: createHistogram() }));
    bucket.attempts++;
    if (flags & FAILED) bucket.failed++;
    else {
      recordInPlace(bucket.histogram, rows.durationMs[i] as number);
      const value = rows.valueMinor[i] as number;
      if (!Number.isNaN(value)) bucket.valueMinor += value;
    }
  });
  return [...open.values()]
    .map(({ histogram, ...counts }) => ({
      ...counts,
      durations: encodeHistogram(histogram),
      medianMs: histogramQuantile(histogram, 0.5) ?? NaN,
    }))
    .sort((a, b) => a.startMs - b.startMs || a.flow - b.flow);
}
