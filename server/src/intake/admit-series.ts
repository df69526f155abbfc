import { seriesText } from '@toplens/core/metrics';
import type { MetricPoint } from '@toplens/core/telemetry';
import type { NameBook } from './name-book';

/** Beyond so many series, points of new ones are rejected: somebody makes ids or addresses attributes of a metric. */
const MOST_SERIES = 50_000;

/** Points of series that are known or for which there is room; and why others are not taken. */
export function admitSeries(points: readonly MetricPoint[], names: NameBook, most = MOST_SERIES): { admitted: MetricPoint[]; refused: number; reason: string } {
  const admitted = points.filter(({ series }) => {
    const text = seriesText(series);
    if (!names.knows('series', text) && names.count('series') >= most) return false;
    names.idOf('series', text);
    return true;
  });
  const reason = `attributes: ${most} series are kept, and this would be one more; leave ids and addresses out of metrics, or let old ones run out`;
  return { admitted, refused: points.length - admitted.length, reason };
}
