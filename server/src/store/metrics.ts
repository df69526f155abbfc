import type { StoredSeries } from '@toplens/core/hosts';
import { parseSeriesText } from '@toplens/core/metrics';
import type { MetricSeries } from '@toplens/core/telemetry';
import type { Window } from '@toplens/core/time';
import { eachSelected, float, integer } from './selection';
import type { Database } from './database';

const POINT = {
  series: integer('series'),
  atUs: integer('at_us'),
  startUs: integer('start_us'),
  value: float('value'),
};

/**
 * Series that are wanted, with their points of a window in order of time. Counters need the point before: ask from a
 * little earlier.
 */
export async function loadSeries(
  database: Database,
  isWanted: (series: MetricSeries) => boolean,
  window: Window,
): Promise<StoredSeries[]> {
  const names = await database.query<{ id: number; value: string }>(
    "SELECT id, value FROM name WHERE kind = 'series' ORDER BY id",
  );
  const found = new Map<number, StoredSeries & { points: { startUs: number; atUs: number; value: number }[] }>();
  for (const { id, value } of names) {
    const series = parseSeriesText(value);
    if (isWanted(series)) found.set(id, { series, points: [] });
  }
  if (found.size === 0) return [];
  await eachSelected(
    database,
    POINT,
    `FROM metric_point WHERE series IN (${[...found.keys()].join()})
        AND at_us >= ${Math.floor(window.fromMs * 1000)} AND at_us < ${Math.ceil(window.toMs * 1000)} ORDER BY series, at_us`,
    ({ series, ...point }) => found.get(series)?.points.push(point),
  );
  return [...found.values()].filter(({ points }) => points.length > 0);
}
