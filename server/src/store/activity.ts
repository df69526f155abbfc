import type { RecentCounts } from '@toplens/core/normal';
import type { Database } from './database';

/** What each component did in two neighbouring stretches, from the spans below the entries. */
export async function componentActivity(
  database: Database,
  beforeFromMs: number,
  lastFromMs: number,
  toMs: number,
): Promise<{ component: string; last: RecentCounts; before: RecentCounts }[]> {
  const rows = await database.query<{ component: string; recent: boolean; attempts: number; failed: number; log_mean: number | null; log_sd: number | null }>(
    `SELECT n.value AS component, s.recent, s.attempts, s.failed, s.log_mean, s.log_sd
       FROM (SELECT component, started_us >= $2 AS recent, count(*)::int AS attempts, (count(*) FILTER (WHERE flags & 1 = 1))::int AS failed,
                    avg(ln(greatest(duration_us, 10) / 1000.0)) FILTER (WHERE flags & 1 = 0)::float8 AS log_mean,
                    stddev_pop(ln(greatest(duration_us, 10) / 1000.0)) FILTER (WHERE flags & 1 = 0)::float8 AS log_sd
               FROM span WHERE started_us >= $1 AND started_us < $3 GROUP BY 1, 2) s
       JOIN name n ON n.id = s.component ORDER BY 1, 2`,
    [beforeFromMs * 1000, lastFromMs * 1000, toMs * 1000],
  );
  const nothing: RecentCounts = { attempts: 0, failed: 0, logMean: NaN, logSd: NaN };
  const components = new Map<string, { component: string; last: RecentCounts; before: RecentCounts }>();
  for (const { component, recent, attempts, failed, log_mean, log_sd } of rows) {
    const own = components.get(component) ?? { component, last: nothing, before: nothing };
    components.set(component, { ...own, [recent ? 'last' : 'before']: { attempts, failed, logMean: log_mean ?? NaN, logSd: log_sd ?? NaN } });
  }
  return [...components.values()];
}
