import type { Window } from '@toplens/core/time';
import type { Database } from './database';

/** A stretch whose usual traces were thinned out to a share; all that went wrong stayed. */
export interface TraceShare extends Window {
  /** 0 to 1 */
  share: number;
  usual: number;
  bad: number;
}

/**
 * A number in [0, 1) that always belongs to the same trace, whatever its sender makes ids of: traces below the share of
 * their stretch are kept. So a trace is kept or dropped as a whole, and those below the smallest share of several
 * stretches are a fair sample of all of them.
 */
const CHANCE = '(uuid_hash_extended(trace_id, 0)::float8 / 18446744073709551616 + 0.5)';

/** A condition for SQL: the trace is of the fair share. */
export const isOfShare = (share: number): string => (share >= 1 ? 'TRUE' : `${CHANCE} < ${share}`);

export const loadShares = (database: Database): Promise<TraceShare[]> =>
  database.query<TraceShare>(
    'SELECT from_ms::float8 AS "fromMs", to_ms::float8 AS "toMs", share, usual, bad FROM trace_share ORDER BY from_ms',
  );

/** When the oldest span began, milliseconds; `undefined` without any. */
export async function oldestSpan(database: Database): Promise<number | undefined> {
  const [oldest] = await database.query<{ ms: number | null }>('SELECT min(started_us)::float8 / 1000 AS ms FROM span');
  return oldest?.ms ?? undefined;
}

/** Limits of flows, milliseconds: attempts beyond them went wrong. */
export interface FlowLimit {
  flow: number;
  limitMs: number;
}

/**
 * Traces with an attempt that began in the stretch; bad: one that failed or took longer than its flow's limit, here or
 * elsewhere in the trace.
 */
const JUDGED = `
  SELECT t.trace_id, EXISTS (
           SELECT 1 FROM attempt a LEFT JOIN unnest($3::int[], $4::float8[]) AS l (flow, limit_us) ON l.flow = a.flow
            WHERE a.trace_id = t.trace_id AND (a.flags & 1 = 1 OR a.duration_us > coalesce(l.limit_us, 'Infinity'))) AS bad
    FROM (SELECT DISTINCT trace_id FROM attempt WHERE started_us >= $1 AND started_us < $2) t`;

const params = ({ fromMs, toMs }: Window, limits: readonly FlowLimit[]) => [
  Math.round(fromMs * 1000),
  Math.round(toMs * 1000),
  limits.map(({ flow }) => flow),
  limits.map(({ limitMs }) => limitMs * 1000),
];

/** How many traces of a stretch went wrong, and how many did not. */
export async function countTraces(
  database: Database,
  stretch: Window,
  limits: readonly FlowLimit[],
): Promise<{ usual: number; bad: number }> {
  const [counts] = await database.query<{ usual: number; bad: number }>(
    `SELECT (count(*) FILTER (WHERE NOT bad))::int AS usual, (count(*) FILTER (WHERE bad))::int AS bad FROM (${JUDGED}) j`,
    params(stretch, limits),
  );
  return counts ?? { usual: 0, bad: 0 };
}

/**
 * Drops the spans below the attempts of usual traces beyond the share, minute by minute so that nobody waits for long,
 * and writes the share down. Attempts themselves stay: what is counted is counted of all. Said twice, it does the same
 * once.
 */
export async function thinOut(
  database: Database,
  { fromMs, toMs, share, usual, bad }: TraceShare,
  limits: readonly FlowLimit[],
  stepMs: number,
): Promise<void> {
  if (share < 1)
    for (let atMs = fromMs; atMs < toMs; atMs += stepMs)
      await database.query(
        `DELETE FROM span USING (SELECT trace_id FROM (${JUDGED}) j WHERE NOT bad AND NOT (${isOfShare(share)})) dropped WHERE span.trace_id = dropped.trace_id`,
        params({ fromMs: atMs, toMs: Math.min(toMs, atMs + stepMs) }, limits),
      );
  await database.query('INSERT INTO trace_share VALUES ($1, $2, $3, $4, $5) ON CONFLICT (from_ms) DO NOTHING', [
    fromMs,
    toMs,
    share,
    usual,
    bad,
  ]);
}
