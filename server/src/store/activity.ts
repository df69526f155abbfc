import type { SeenPart, SpanSums } from '@toplens/core/estate';
import { SpanKind, USER_SIDE } from '@toplens/core/telemetry';
import type { Window } from '@toplens/core/time';
import type { Database } from './database';
import { isOfShare } from './trace-shares';

/**
 * SQL: each span, and each attempt for the span that it begins with, that ran in a component, with the logarithm of its
 * milliseconds. People's own devices are no parts.
 *
 * @param where of both tables
 */
export const workWhere = (where: string): string =>
  `SELECT component, host, peer, name, kind, flags, started_us, ln(greatest(duration_us, 10) / 1000.0)::float8 AS log
     FROM span WHERE ${where} AND flags & ${USER_SIDE} = 0
   UNION ALL
   SELECT component, host, 0, flow, ${SpanKind.SERVER}, flags, started_us, ln(greatest(duration_us, 10) / 1000.0)::float8
     FROM attempt WHERE ${where} AND flags & ${USER_SIDE} = 0`;

/** SQL: joins the texts of a part's numbers, `s` being what was summed. */
export const PART_TEXTS =
  'JOIN name c ON c.id = s.component LEFT JOIN name h ON h.id = s.host LEFT JOIN name p ON p.id = s.peer LEFT JOIN name o ON o.id = s.name';

/** A row that was summed, with the texts of {@link PART_TEXTS}. */
export interface SumRow {
  component: string;
  host: string | null;
  operation: string | null;
  peer: string | null;
  kind: number;
  attempts: number;
  failed: number;
  log_sum: number | null;
  log_squares: number | null;
}

export const sumsOfRow = (row: SumRow): Omit<SpanSums, 'when'> => ({
  component: row.component,
  host: row.host ?? '',
  peer: row.peer ?? '',
  kind: row.kind,
  operation: row.operation ?? 'unnamed',
  sums: {
    attempts: row.attempts,
    failed: row.failed,
    logSum: row.log_sum ?? 0,
    logSquares: row.log_squares ?? 0,
  },
});

/**
 * What spans came to in two neighbouring stretches, by component, host, peer, kind and name (of entries: the flow's
 * text); of traces of the fair share. Probes count: the part works for them too.
 */
export async function spanActivity(
  database: Database,
  before: Window,
  last: Window,
  share: number,
): Promise<SpanSums[]> {
  const rows = await database.query<SumRow & { is_last: boolean }>(
    `SELECT c.value AS component, h.value AS host, p.value AS peer, o.value AS operation,
            s.kind, s.is_last, s.attempts, s.failed, s.log_sum, s.log_squares
       FROM (SELECT component, host, peer, name, kind, started_us >= $2 AS is_last, count(*)::int AS attempts,
                    (count(*) FILTER (WHERE flags & 1 = 1))::int AS failed,
                    sum(log) FILTER (WHERE flags & 1 = 0) AS log_sum, sum(log * log) FILTER (WHERE flags & 1 = 0) AS log_squares
               FROM (${workWhere(`started_us >= $1 AND started_us < $3 AND ${isOfShare(share)}`)}) work
              GROUP BY 1, 2, 3, 4, 5, 6) s
       ${PART_TEXTS}
      ORDER BY 1, 2, 3, 4, s.kind, s.is_last`,
    [before.fromMs * 1000, last.fromMs * 1000, last.toMs * 1000],
  );
  return rows.map((row) => ({ ...sumsOfRow(row), when: row.is_last ? 'last' : 'before' }));
}

/** When each component was last heard of on each host. */
export const seenParts = (database: Database): Promise<SeenPart[]> =>
  database.query<SeenPart>(
    `SELECT component, host, max(last_us)::float8 / 1000 AS "lastMs"
       FROM component_part GROUP BY component, host ORDER BY component, host`,
  );

export interface StoredPart {
  component: string;
  host: string;
  application: string;
  region: string;
  version: string;
}

/** Where components ran before a moment, as the newest spans of that time say. */
export const partsBefore = (database: Database, beforeMs: number): Promise<StoredPart[]> =>
  database.query<StoredPart>(
    `SELECT DISTINCT ON (component, host) component, host, application, region, version
       FROM component_part WHERE first_us < $1
      ORDER BY component, host, least(last_us, $1) DESC, first_us DESC`,
    [Math.ceil(beforeMs * 1000)],
  );

/** All names of some kinds that ever came, each once, in order. */
export async function namesOf(database: Database, kinds: readonly string[]): Promise<string[]> {
  const rows = await database.query<{ value: string }>(
    'SELECT DISTINCT value FROM name WHERE kind = ANY($1::text[]) ORDER BY value',
    [[...kinds]],
  );
  return rows.map(({ value }) => value);
}
