import type { FailureDetail } from '@toplens/core/telemetry';
import type { TraceSpan } from '@toplens/core/traces';
import type { Database } from './database';

/** The span that began an attempt, with what its row holds beyond the waterfall; dimensions as names' numbers. */
export interface StoredAttempt {
  spanId: string;
  flow: number;
  flags: number;
  startUs: number;
  durationUs: number;
  failure: string;
  person: string;
  site: number;
  version: number;
  region: number;
  tier: number;
  promotion: number;
  host: number;
  valueMinor: number | null;
}

export interface StoredTrace {
  spans: TraceSpan[];
  attempts: StoredAttempt[];
  details: Map<string, FailureDetail>;
}

interface SpanRow {
  span_id: string;
  parent_id: string;
  component: string | null;
  host: string | null;
  name: string | null;
  peer: string | null;
  statement: string | null;
  failure: string | null;
  kind: number;
  flags: number;
  started_us: number;
  duration_us: number;
  entry: Omit<StoredAttempt, 'spanId' | 'startUs' | 'durationUs' | 'flags' | 'failure'> | null;
}

const ID = (column: string) => `lpad(to_hex(${column}), 16, '0')`;

/** All that is stored of a trace. @param traceId 32 hexadecimal digits */
export async function loadTrace(database: Database, traceId: string): Promise<StoredTrace> {
  const rows = await database.query<SpanRow>(
    `SELECT ${ID('s.span_id')} AS span_id, CASE WHEN s.parent_id = 0 THEN '' ELSE ${ID('s.parent_id')} END AS parent_id,
            c.value AS component, h.value AS host, n.value AS name, p.value AS peer, t.value AS statement, f.value AS failure,
            s.kind, s.flags, s.started_us::float8 AS started_us, s.duration_us::float8 AS duration_us, s.entry
       FROM (SELECT span_id, parent_id, started_us, duration_us, component, host, name, peer, statement, failure, kind, flags, NULL::jsonb AS entry
               FROM span WHERE trace_id = $1::uuid
             UNION ALL
             SELECT a.span_id, a.parent_id, a.started_us, a.duration_us, a.component, a.host, a.flow, 0, 0, a.failure, 2, a.flags,
                    jsonb_build_object('flow', a.flow, 'person', coalesce(w.value, ''), 'site', a.site, 'version', a.version, 'region', a.region, 'tier', a.tier,
                                       'promotion', a.promotion, 'host', a.host, 'valueMinor', a.value_minor)
               FROM attempt a LEFT JOIN name w ON w.id = a.person WHERE a.trace_id = $1::uuid) s
       LEFT JOIN name c ON c.id = s.component LEFT JOIN name h ON h.id = s.host LEFT JOIN name n ON n.id = s.name
       LEFT JOIN name p ON p.id = s.peer LEFT JOIN name t ON t.id = s.statement LEFT JOIN name f ON f.id = s.failure
      ORDER BY s.started_us, s.span_id`,
    [traceId],
  ); // prettier-ignore
  const details = await database.query<{ span_id: string; message: string; class_name: string; method: string; file: string; line: number; stack: string }>(
    `SELECT ${ID('span_id')} AS span_id, message, class_name, method, file, line, stack FROM failure_detail WHERE trace_id = $1::uuid`,
    [traceId],
  );
  return {
    spans: rows.map((row) => ({
      spanId: row.span_id,
      parentSpanId: row.parent_id,
      component: row.component ?? '',
      host: row.host ?? '',
      name: row.name ?? '',
      peer: row.peer ?? '',
      statement: row.statement ?? '',
      failure: row.failure ?? '',
      kind: row.kind,
      failed: (row.flags & 1) === 1,
      startUs: row.started_us,
      durationUs: row.duration_us,
    })),
    attempts: rows.flatMap((row) =>
      row.entry
        ? [{ ...row.entry, spanId: row.span_id, flags: row.flags, startUs: row.started_us, durationUs: row.duration_us, failure: row.failure ?? '' }]
        : [],
    ),
    details: new Map(details.map(({ span_id, class_name, ...detail }) => [span_id, { ...detail, className: class_name }])),
  };
}
