import { DIMENSIONS, FAILED, USER_SIDE, type Dimension, type FailureDetail } from '@toplens/core/telemetry';
import type { StepSpan, TraceSpan } from '@toplens/core/traces';
import type { Database } from './database';
import { nameOf } from '../names/name-of';
import { isOfShare } from './trace-shares';

/** The span that began an attempt, with what its row holds beyond the waterfall; dimensions as names' numbers. */
export interface StoredAttempt extends Record<Dimension, number> {
  spanId: string;
  flow: number;
  flags: number;
  startUs: number;
  durationUs: number;
  failure: string;
  person: string;
  /** number of its session; 0 where none is told */
  session: number;
  valueMinor: number | null;
}

export interface StoredTrace {
  spans: TraceSpan[];
  attempts: StoredAttempt[];
  details: Map<string, FailureDetail>;
}

/** A span as far as its path needs it: where it ran, below what, when, and whether it failed. */
interface PathRow {
  span_id: string;
  parent_id: string;
  component: string | null;
  host: string | null;
  peer: string | null;
  ran_on: string | null;
  kind: number;
  flags: number;
  started_us: number;
  duration_us: number;
}

interface SpanRow extends PathRow {
  name: string | null;
  statement: string | null;
  failure: string | null;
  entry: Omit<StoredAttempt, 'spanId' | 'startUs' | 'durationUs' | 'flags' | 'failure'> | null;
}

const pathOf = (row: PathRow): Omit<TraceSpan, 'name' | 'statement' | 'failure'> => ({
  spanId: row.span_id,
  parentSpanId: row.parent_id,
  component: row.component ?? '',
  host: row.host ?? '',
  peer: row.peer ?? '',
  kind: row.kind,
  failed: (row.flags & FAILED) !== 0,
  isUserSide: (row.flags & USER_SIDE) !== 0,
  ranOn: row.ran_on ?? '',
  startUs: row.started_us,
  durationUs: row.duration_us,
});

const ID = (column: string) => `lpad(to_hex(${column}), 16, '0')`;

/** All that is stored of a trace. @param traceId 32 hexadecimal digits */
export async function loadTrace(database: Database, traceId: string): Promise<StoredTrace> {
  const rows = await database.query<SpanRow>(
    `SELECT ${ID('s.span_id')} AS span_id, CASE WHEN s.parent_id = 0 THEN '' ELSE ${ID('s.parent_id')} END AS parent_id,
            ${nameOf('s.component')} AS component, ${nameOf('s.host')} AS host, ${nameOf('s.name')} AS name, ${nameOf('s.peer')} AS peer,
            ${nameOf('s.statement')} AS statement, ${nameOf('s.failure')} AS failure, ${nameOf('s.ran_on')} AS ran_on,
            s.kind, s.flags, s.started_us::float8 AS started_us, s.duration_us::float8 AS duration_us, s.entry
       FROM (SELECT span_id, parent_id, started_us, duration_us, component, host, name, peer, statement, failure, ran_on, kind, flags, NULL::jsonb AS entry
               FROM span WHERE trace_id = $1::uuid
             UNION ALL
             SELECT a.span_id, a.parent_id, a.started_us, a.duration_us, a.component, a.host, a.flow, 0, 0, a.failure, a.ran_on, 2, a.flags,
                    jsonb_build_object('flow', a.flow, 'person', coalesce(${nameOf('a.person')}, ''), 'session', a.session,
                                       ${DIMENSIONS.map((name) => `'${name}', a.${name}`).join(', ')}, 'valueMinor', a.value_minor)
               FROM attempt a WHERE a.trace_id = $1::uuid) s
      ORDER BY s.started_us, s.span_id`,
    [traceId],
  );
  const details = await database.query<{
    span_id: string;
    message: string;
    class_name: string;
    method: string;
    file: string;
    line: number;
    stack: string;
  }>(
    `SELECT ${ID('span_id')} AS span_id, message, class_name, method, file, line, stack FROM failure_detail WHERE trace_id = $1::uuid`,
    [traceId],
  );
  return {
    spans: rows.map((row) => ({
      ...pathOf(row),
      name: row.name ?? '',
      statement: row.statement ?? '',
      failure: row.failure ?? '',
    })),
    attempts: rows.flatMap((row) =>
      row.entry
        ? [
            {
              ...row.entry,
              spanId: row.span_id,
              flags: row.flags,
              startUs: row.started_us,
              durationUs: row.duration_us,
              failure: row.failure ?? '',
            },
          ]
        : [],
    ),
    details: new Map(
      details.map(({ span_id, class_name, ...detail }) => [span_id, { ...detail, className: class_name }]),
    ),
  };
}

/** Those of some traces of which spans below the entry are kept. */
export async function tracesWithSpans(database: Database, traceIds: readonly string[]): Promise<Set<string>> {
  const rows = await database.query<{ trace_id: string }>(
    "SELECT replace(t::text, '-', '') AS trace_id FROM unnest($1::uuid[]) t WHERE EXISTS (SELECT 1 FROM span s WHERE s.trace_id = t)",
    [traceIds],
  );
  return new Set(rows.map(({ trace_id }) => trace_id));
}

/** Spans of many traces, as far as the search for an origin needs them: names and statements are left out. */
export async function loadPaths(database: Database, traceIds: readonly string[]): Promise<Map<string, TraceSpan[]>> {
  const rows = await database.query<PathRow & { trace_id: string; failure: string | null }>(
    `SELECT s.trace_id::text, CASE WHEN s.flags & 1 = 1 THEN ${nameOf('s.failure')} END AS failure, ${ID('s.span_id')} AS span_id, CASE WHEN s.parent_id = 0 THEN '' ELSE ${ID('s.parent_id')} END AS parent_id,
            ${nameOf('s.component')} AS component, ${nameOf('s.host')} AS host, ${nameOf('s.peer')} AS peer, NULL AS ran_on, s.kind, s.flags, s.started_us::float8 AS started_us, s.duration_us::float8 AS duration_us
       FROM (SELECT trace_id, span_id, parent_id, started_us, duration_us, component, host, peer, kind, flags, failure FROM span WHERE trace_id = ANY($1::uuid[])
             UNION ALL
             SELECT trace_id, span_id, parent_id, started_us, duration_us, component, host, 0, 2, flags, failure FROM attempt WHERE trace_id = ANY($1::uuid[])) s
      ORDER BY s.started_us, s.span_id`,
    [traceIds],
  );
  const traces = new Map<string, TraceSpan[]>();
  for (const row of rows) {
    const traceId = row.trace_id.replaceAll('-', '');
    const span: TraceSpan = { ...pathOf(row), name: '', statement: '', failure: row.failure ?? '' };
    const spans = traces.get(traceId);
    if (spans) spans.push(span);
    else traces.set(traceId, [span]);
  }
  return traces;
}

export interface StoredVersion {
  component: string;
  version: string;
  firstMs: number;
}

/** Releases of these components: versions that are not the first one seen. */
export async function releasesOf(
  database: Database,
  components: readonly string[],
  window: { fromMs: number; toMs: number },
): Promise<StoredVersion[]> {
  return database.query<StoredVersion>(
    `SELECT component, version, first_us::float8 / 1000 AS "firstMs" FROM component_version v
      WHERE component = ANY($1::text[]) AND first_us >= $2 AND first_us < $3
        AND EXISTS (SELECT 1 FROM component_version o WHERE o.component = v.component AND o.first_us < v.first_us)
      ORDER BY first_us, component, version`,
    [components, Math.floor(window.fromMs * 1000), Math.ceil(window.toMs * 1000)],
  );
}

/** So many can be chosen from. */
const MOST_RELEASES = 20;

/**
 * The newest releases in a window, of any component, or of those that say they belong to an application (or to none).
 */
export async function newestReleases(
  database: Database,
  application: string | undefined,
  { fromMs, toMs }: { fromMs: number; toMs: number },
): Promise<StoredVersion[]> {
  return database.query<StoredVersion>(
    `SELECT component, version, first_us::float8 / 1000 AS "firstMs" FROM component_version v
      WHERE first_us >= $1 AND first_us < $2
        AND EXISTS (SELECT 1 FROM component_version o WHERE o.component = v.component AND o.first_us < v.first_us)
        AND ($3::text IS NULL OR EXISTS (SELECT 1 FROM component_part p
              WHERE p.component = v.component AND p.application IN ($3::text, '')))
      ORDER BY first_us DESC, component, version LIMIT ${MOST_RELEASES}`,
    [Math.floor(fromMs * 1000), Math.ceil(toMs * 1000), application ?? null],
  );
}

/**
 * Traces of the fair share that went through a component in a window: how many, and some of them, spread by chance.
 *
 * @param share that is kept of the usual traces
 * @returns `undefined` when no component has that name
 */
export async function tracesThrough(
  database: Database,
  component: string,
  { window, most, share }: { window: { fromMs: number; toMs: number }; most: number; share: number },
): Promise<{ traces: number; traceIds: string[] } | undefined> {
  const [known] = await database.query<{ id: number }>("SELECT id FROM name WHERE kind = 'component' AND value = $1", [
    component,
  ]);
  // An outside service sends nothing: it is known by those who name it.
  const [peer] = await database.query<{ id: number }>("SELECT id FROM name WHERE kind = 'peer' AND value = $1", [
    component,
  ]);
  if (!known && !peer) return undefined;
  const rows = await database.query<{ trace_id: string; n: number }>(
    `SELECT replace(trace_id::text, '-', '') AS trace_id, (count(*) OVER ())::int AS n
       FROM (SELECT trace_id FROM span WHERE started_us >= $1 AND started_us < $2 AND (component = $3 OR peer = $4)
             UNION SELECT trace_id FROM attempt WHERE started_us >= $1 AND started_us < $2 AND component = $3) t
      WHERE ${isOfShare(share)} ORDER BY uuid_hash_extended(trace_id, 0) LIMIT ${most}`,
    [Math.floor(window.fromMs * 1000), Math.ceil(window.toMs * 1000), known?.id ?? -1, peer?.id ?? -1],
  );
  return { traces: rows[0]?.n ?? 0, traceIds: rows.map(({ trace_id }) => trace_id) };
}

/** Flows whose attempts reached a component in a window: who else depends on it. */
export async function flowsThrough(
  database: Database,
  component: string,
  window: { fromMs: number; toMs: number },
): Promise<number[]> {
  const rows = await database.query<{ flow: number }>(
    `SELECT DISTINCT a.flow
       FROM (SELECT DISTINCT trace_id FROM span s JOIN name n ON n.id = s.component
              WHERE n.kind = 'component' AND n.value = $1 AND s.started_us >= $2 AND s.started_us < $3 LIMIT 5000) t
       JOIN attempt a USING (trace_id) ORDER BY a.flow`,
    [component, Math.floor(window.fromMs * 1000), Math.ceil(window.toMs * 1000)],
  );
  return rows.map(({ flow }) => flow);
}

export interface StatementBeside {
  statement: string;
  calls: number;
  /** milliseconds of the stretch in which at least a part of such a call ran, added up over calls */
  overlapMs: number;
  longestMs: number;
}

/** A call that has been running for longer than that is not looked for: it would cost a walk through hours. */
const LONGEST_CALL_US = 10 * 60_000_000;

/**
 * What else was asked of a store while one of its statements ran, by shape, by how much of that time it took; null when
 * there is no such span.
 */
export async function statementsBeside(
  database: Database,
  traceId: string,
  spanId: string,
): Promise<{ component: string; durationMs: number; others: StatementBeside[] } | null> {
  const [own] = await database.query<{ component: number; name: string; started_us: number; duration_us: number }>(
    `SELECT s.component, c.value AS name, s.started_us::float8 AS started_us, s.duration_us::float8 AS duration_us
       FROM span s JOIN name c ON c.id = s.component WHERE s.trace_id = $1::uuid AND s.span_id = ('x' || $2)::bit(64)::int8`,
    [traceId, spanId],
  );
  if (!own) return null;
  const [fromUs, toUs] = [own.started_us, own.started_us + own.duration_us];
  const others = await database.query<StatementBeside>(
    `SELECT t.value AS statement, count(*)::int AS calls, max(s.duration_us)::float8 / 1000 AS "longestMs",
            sum(least(s.started_us + s.duration_us, $3) - greatest(s.started_us, $2))::float8 / 1000 AS "overlapMs"
       FROM span s JOIN name t ON t.id = s.statement
      WHERE s.component = $1 AND s.statement <> 0 AND s.started_us >= $2 - ${LONGEST_CALL_US} AND s.started_us < $3 AND s.started_us + s.duration_us > $2
        AND NOT (s.trace_id = $4::uuid AND s.span_id = ('x' || $5)::bit(64)::int8)
      GROUP BY t.value ORDER BY 4 DESC, 1 LIMIT 8`,
    [own.component, Math.floor(fromUs), Math.ceil(toUs), traceId, spanId],
  );
  return { component: own.name, durationMs: own.duration_us / 1000, others };
}

export interface StoredStatement {
  statement: string;
  component: string;
  calls: number;
  totalMs: number;
  longestMs: number;
  failed: number;
  traceIds: string[];
}

/** Statements of some traces by their shape, heaviest first. */
/** Spans below the entries of some traces, with what they are called. */
export const stepSpansIn = (database: Database, traceIds: readonly string[]): Promise<StepSpan[]> =>
  database.query<StepSpan & Record<string, unknown>>(
    `SELECT replace(s.trace_id::text, '-', '') AS "traceId", ${ID('s.span_id')} AS "spanId", ${ID('s.parent_id')} AS "parentSpanId",
            coalesce(${nameOf('s.component')}, '') AS component, coalesce(${nameOf('s.name')}, '') AS operation,
            s.duration_us::float8 / 1000 AS "durationMs", s.flags & ${FAILED} <> 0 AS failed
       FROM span s WHERE s.trace_id = ANY($1::uuid[]) ORDER BY s.trace_id, s.started_us, s.span_id`,
    [traceIds],
  );

export async function statementsIn(database: Database, traceIds: readonly string[]): Promise<StoredStatement[]> {
  return database.query<StoredStatement>(
    `SELECT t.value AS statement, c.value AS component, count(*)::int AS calls, sum(s.duration_us)::float8 / 1000 AS "totalMs",
            max(s.duration_us)::float8 / 1000 AS "longestMs", count(*) FILTER (WHERE s.flags & 1 = 1)::int AS failed,
            array_agg(DISTINCT replace(s.trace_id::text, '-', '')) AS "traceIds"
       FROM span s JOIN name t ON t.id = s.statement JOIN name c ON c.id = s.component
      WHERE s.trace_id = ANY($1::uuid[]) AND s.statement <> 0
      GROUP BY t.value, c.value ORDER BY sum(s.duration_us) DESC, t.value`,
    [traceIds],
  );
}
