import type { MetricPoint, MetricSeries } from '../telemetry';

/** What a series says of a stretch of time that ends at `atMs`. */
export interface Sample {
  atMs: number;
  value: number;
}

/** Points of one series in order of time. */
export type SeriesPoint = Pick<MetricPoint, 'startUs' | 'atUs' | 'value'>;

/**
 * Points as values to look at: gauges and up-down counters as they are; counters, and the sums of histograms, as what
 * was added a second. A cumulative counter begins anew when its start moves or its value falls; what it shows then was
 * added since. Points that say the same moment twice, or nothing of a time, are left out.
 *
 * @returns units of the metric (gauges), units a second (counters)
 * @see OpenTelemetry data model, "Sums" and "Resets and gaps"
 */
export function samplesOf(
  { kind, temporality }: Pick<MetricSeries, 'kind' | 'temporality'>,
  points: readonly SeriesPoint[],
): Sample[] {
  const isLevel = kind === 'gauge' || kind === 'upDownCounter';
  const samples: Sample[] = [];
  let before: SeriesPoint | undefined;
  let level = 0;
  for (const point of points) {
    if (before && point.atUs <= before.atUs) continue;
    const atMs = point.atUs / 1000;
    // An up-down counter sent as differences shows its level once they are summed; where it began is not known.
    if (isLevel) samples.push({ atMs, value: temporality === 'delta' ? (level += point.value) : point.value });
    else {
      const added = temporality === 'delta' ? fromDelta(point, before) : fromCumulative(point, before);
      if (added) samples.push({ atMs, value: added.value / added.seconds });
    }
    before = point;
  }
  return samples;
}

interface Added {
  value: number;
  seconds: number;
}

function fromDelta(point: SeriesPoint, before: SeriesPoint | undefined): Added | undefined {
  const fromUs = point.startUs > 0 ? point.startUs : before?.atUs;
  return fromUs !== undefined && fromUs < point.atUs
    ? { value: point.value, seconds: (point.atUs - fromUs) / 1e6 }
    : undefined;
}

function fromCumulative(point: SeriesPoint, before: SeriesPoint | undefined): Added | undefined {
  // The first point may stand for days: it makes no rate of a minute.
  if (!before) return undefined;
  const isReset = point.value < before.value || point.startUs > before.atUs;
  if (!isReset) return { value: point.value - before.value, seconds: (point.atUs - before.atUs) / 1e6 };
  const fromUs = point.startUs > before.atUs && point.startUs < point.atUs ? point.startUs : before.atUs;
  return { value: point.value, seconds: (point.atUs - fromUs) / 1e6 };
}
