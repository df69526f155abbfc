import { seriesText } from '@toplens/core/metrics';
import type { MetricPoint } from '@toplens/core/telemetry';
import type { IntakeLimits } from './limits';
import type { NameBook } from './name-book';

export interface Admitted {
  admitted: MetricPoint[];
  /** reasons with their counts */
  refused: Map<string, number>;
}

/**
 * Points of series that are known or for which there is room: beyond so many series, somebody makes ids or addresses
 * attributes of a metric.
 */
export function admitSeries(
  points: readonly MetricPoint[],
  names: NameBook,
  { series: most, seriesBytes }: Pick<IntakeLimits, 'series' | 'seriesBytes'>,
): Admitted {
  const refused = new Map<string, number>();
  const refuse = (reason: string) => {
    refused.set(reason, (refused.get(reason) ?? 0) + 1);
    return false;
  };
  const admitted = points.filter(({ series }) => {
    const text = seriesText(series);
    if (names.knows('series', text)) return true;
    if (text.length * 3 > seriesBytes && Buffer.byteLength(text) > seriesBytes)
      return refuse(`attributes: name and attributes of a series are longer than ${seriesBytes} bytes`);
    if (names.count('series') >= most)
      return refuse(
        `attributes: ${most} series are kept, and this would be one more; leave ids and addresses out of metrics, or let old ones run out`,
      );
    names.idOf('series', text, series.component);
    return true;
  });
  return { admitted, refused };
}
