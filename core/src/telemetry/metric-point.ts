import { DEFAULT_LIMITS } from './limits';
import type { NamedValues } from './log-line';
import { whyTimeRejected, type TimeRange } from './time-range';

export const METRIC_KINDS = ['gauge', 'counter', 'upDownCounter', 'histogram', 'summary'] as const;
export type MetricKind = (typeof METRIC_KINDS)[number];

/** What tells a series of points from all others. */
export interface MetricSeries {
  /** as the semantic conventions name it: `system.cpu.utilization` */
  metric: string;
  unit: string;
  kind: MetricKind;
  /** each point tells of the time since the one before (delta), or since `startUs` (cumulative); gauges: neither */
  temporality: 'delta' | 'cumulative' | '';
  component: string;
  host: string;
  /** of the process that sends: one component may run many times on a host */
  instance: string;
  attributes: NamedValues;
}

/**
 * Values gone through by a histogram: how many were at most so large. Exponential histograms are brought into this
 * form.
 */
export interface Distribution {
  count: number;
  sum: number;
  min: number | null;
  max: number | null;
  /** upper bounds in ascending order; the last bucket, above all of them, has none */
  bounds: readonly number[];
  counts: readonly number[];
}

export interface MetricPoint {
  series: MetricSeries;
  startUs: number;
  atUs: number;
  /** of histograms and summaries: their sum */
  value: number;
  distribution: Distribution | undefined;
}

/** Why a point cannot be taken, in words for the person who runs the sender; `undefined` when it can. */
export function whyPointRejected(
  { series, atUs, value, distribution }: MetricPoint,
  { earliestUs, latestUs }: TimeRange,
  buckets = DEFAULT_LIMITS.buckets,
): string | undefined {
  if (series.metric === '') return 'name: empty';
  const wrongTime = whyTimeRejected(atUs, { earliestUs, latestUs });
  if (wrongTime !== undefined) return `timeUnixNano: ${wrongTime}`;
  if (!distribution && !Number.isFinite(value)) return 'asDouble, asInt: missing, or not a finite number';
  if (series.kind !== 'gauge' && series.temporality === '')
    return 'aggregationTemporality: expected DELTA or CUMULATIVE';
  if (!distribution) return undefined;
  const { count, bounds, counts } = distribution;
  // Those of the exponential form are written out with a few more: what lies between zero and the first.
  if (counts.length > buckets + 3) return `bucketCounts: more than ${buckets} buckets`;
  if (counts.length !== bounds.length + 1) return 'bucketCounts: expected one more than explicitBounds';
  if (bounds.some((bound, i) => !(bound > (bounds[i - 1] ?? -Infinity)))) return 'explicitBounds: expected to ascend';
  if (!counts.every((n) => n >= 0) || counts.reduce((sum, n) => sum + n, 0) !== count)
    return 'count: expected the sum of bucketCounts';
  return undefined;
}
