import type { SeenPart, SpanSums } from '@toplens/core/estate';
import { USER_SIDE } from '@toplens/core/telemetry';
import type { Window } from '@toplens/core/time';
import type { Database } from './database';
import { isOfShare } from './trace-shares';

/**
 * What spans came to in two neighbouring stretches, by component, host, peer, kind and name (of entries: the flow's
 * text); of traces of the fair share. Probes count: the part works for them too. People's own devices are no parts.
 */
export async function spanActivity(
  database: Database,
  before: Window,
  last: Window,
  share: number,
): Promise<SpanSums[]> {
  const rows = await database.query<{
    component: string;
    host: string | null;
    operation: string | null;
    peer: string | null;
    kind: number;
    is_last: boolean;
    attempts: number;
    failed: number;
    log_sum: number | null;
    log_squares: number | null;
  }>(
    `SELECT c.value AS component, h.value AS host, p.value AS peer, o.value AS operation, s.*
       FROM (SELECT component AS c, host AS h, peer AS p, name AS o, kind, started_us >= $2 AS is_last, count(*)::int AS attempts,
                    (count(*) FILTER (WHERE flags & 1 = 1))::int AS failed,
                    sum(log) FILTER (WHERE flags & 1 = 0) AS log_sum, sum(log * log) FILTER (WHERE flags & 1 = 0) AS log_squares
               FROM (SELECT component, host, peer, name, kind, flags, started_us, ln(greatest(duration_us, 10) / 1000.0)::float8 AS log
                       FROM span WHERE started_us >= $1 AND started_us < $3 AND flags & ${USER_SIDE} = 0 AND ${isOfShare(share)}
                     UNION ALL
                     SELECT component, host, 0, flow, 2, flags, started_us, ln(greatest(duration_us, 10) / 1000.0)::float8
                       FROM attempt WHERE started_us >= $1 AND started_us < $3 AND flags & ${USER_SIDE} = 0 AND ${isOfShare(share)}) both_kinds
              GROUP BY 1, 2, 3, 4, 5, 6) s
       JOIN name c ON c.id = s.c LEFT JOIN name h ON h.id = s.h LEFT JOIN name p ON p.id = s.p LEFT JOIN name o ON o.id = s.o
      ORDER BY 1, 2, 3, 4, s.kind, s.is_last`,
    [before.fromMs * 1000, last.fromMs * 1000, last.toMs * 1000],
  );
  return rows.map(({ component, host, peer, operation, kind, is_last, attempts, failed, log_sum, log_squares }) => ({
    component,
    host: host ?? '',
    peer: peer ?? '',
    kind,
    operation: operation ?? 'unnamed',
    when: is_last ? 'last' : 'before',
    sums: { attempts, failed, logSum: log_sum ?? 0, logSquares: log_squares ?? 0 },
  }));
}

/** When each component was last heard of on each host. */
export const seenParts = (database: Database): Promise<SeenPart[]> =>
  database.query<SeenPart>(
    'SELECT component, host, last_us::float8 / 1000 AS "lastMs" FROM component_part ORDER BY component, host',
  );

export interface StoredPart {
  component: string;
  host: string;
  application: string;
  region: string;
  version: string;
}

/** Where components run, as their newest spans say. */
export const storedParts = (database: Database): Promise<StoredPart[]> =>
  database.query<StoredPart>(
    'SELECT component, host, application, region, version FROM component_part ORDER BY component, host',
  );

/** All names of some kinds that ever came, each once, in order. */
export async function namesOf(database: Database, kinds: readonly string[]): Promise<string[]> {
  const rows = await database.query<{ value: string }>(
    'SELECT DISTINCT value FROM name WHERE kind = ANY($1::text[]) ORDER BY value',
    [[...kinds]],
  );
  return rows.map(({ value }) => value);
}
