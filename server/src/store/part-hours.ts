import { DAY_MS, HOUR_MS, type Window } from '@toplens/core/time';
import type { SpanSums } from '@toplens/core/estate';
import { PART_TEXTS, sumsOfRow, workWhere, type SumRow } from './activity';
import type { Database } from './database';

/** Sums are kept so long: a week to compare with, and another for whoever looks at a past week. */
export const PART_HOURS_KEPT_MS = 15 * DAY_MS;

/** The newest hour that is summed; `undefined` before the first. */
export async function newestPartHour(database: Database): Promise<number | undefined> {
  const [newest] = await database.query<{ ms: number | null }>('SELECT max(hour_ms)::float8 AS ms FROM part_hour');
  return newest?.ms ?? undefined;
}

/** When the oldest span that is kept began, or where none came below an entry the oldest attempt, milliseconds. */
export async function oldestWork(database: Database): Promise<number | undefined> {
  const [oldest] = await database.query<{ ms: number | null }>(
    'SELECT coalesce((SELECT min(started_us) FROM span), (SELECT min(started_us) FROM attempt))::float8 / 1000 AS ms',
  );
  return oldest?.ms ?? undefined;
}

/** Sums an hour's spans and attempts by component, host, peer, kind and operation. Said twice, it does so once. */
export async function sumPartHour(database: Database, hourMs: number): Promise<void> {
  await database.query(
    `INSERT INTO part_hour
     SELECT $1::int8, component, host, peer, name, kind, count(*), count(*) FILTER (WHERE flags & 1 = 1),
            coalesce(sum(log) FILTER (WHERE flags & 1 = 0), 0), coalesce(sum(log * log) FILTER (WHERE flags & 1 = 0), 0)
       FROM (${workWhere('started_us >= $2 AND started_us < $3')}) work
      WHERE NOT EXISTS (SELECT 1 FROM part_hour WHERE hour_ms = $1)
      GROUP BY component, host, peer, name, kind`,
    [hourMs, hourMs * 1000, (hourMs + HOUR_MS) * 1000],
  );
}

/**
 * What spans came to in some stretches of whole hours, told apart by the place of the stretch in the list.
 *
 * @returns nothing of a stretch of which an hour was not summed
 */
export async function activityInHours(
  database: Database,
  stretches: readonly Window[],
): Promise<{ stretch: number; sums: Omit<SpanSums, 'when'>[] }[]> {
  const found: { stretch: number; sums: Omit<SpanSums, 'when'>[] }[] = [];
  for (const [stretch, { fromMs, toMs }] of stretches.entries()) {
    const [summed] = await database.query<{ hours: number }>(
      'SELECT count(DISTINCT hour_ms)::int AS hours FROM part_hour WHERE hour_ms >= $1 AND hour_ms < $2',
      [fromMs, toMs],
    );
    if (summed?.hours !== (toMs - fromMs) / HOUR_MS) continue;
    const rows = await database.query<SumRow>(
      `SELECT c.value AS component, h.value AS host, p.value AS peer, o.value AS operation, s.kind, s.attempts, s.failed, s.log_sum, s.log_squares
         FROM (SELECT component, host, peer, name, kind, sum(attempts)::int AS attempts, sum(failed)::int AS failed,
                      sum(log_sum) AS log_sum, sum(log_squares) AS log_squares
                 FROM part_hour WHERE hour_ms >= $1 AND hour_ms < $2 GROUP BY 1, 2, 3, 4, 5) s
         ${PART_TEXTS}`,
      [fromMs, toMs],
    );
    found.push({ stretch, sums: rows.map(sumsOfRow) });
  }
  return found;
}
