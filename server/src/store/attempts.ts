import { emptyColumns, withCapacity, type AttemptColumns, type KeptKind } from '@toplens/core/telemetry';
import { HOUR_MS, type Window } from '@toplens/core/time';
import { byName } from '../by-name';
import { eachSelected, integer } from './selection';
import { ATTEMPT_NUMBERS } from './tables';
import type { Database } from './database';
import { PART_HOURS_KEPT_MS } from './part-hours';
import { nameOf } from '../names/name-of';
import { isOfShare } from './trace-shares';

/** Every hour with at least one attempt, from the roll-ups and the hours that wait for theirs. */
export async function storedHours(database: Database): Promise<number[]> {
  const rows = await database.query<{ hour: string }>(
    `SELECT DISTINCT hour_ms AS hour FROM roll_up_hour UNION SELECT hour_ms FROM stale_hour`,
  );
  return rows.map((row) => Number(row.hour));
}

/**
 * When the newest attempts ended, milliseconds; 0 before the first. Looked up among those that began last: by index,
 * whatever is stored. What lies ahead of the clock came while a clock was wrong, and does not count.
 */
export async function newestEnd(database: Database, nowMs: number): Promise<number> {
  const [newest] = await database.query<{ ms: number | null }>(
    `SELECT max(started_us + duration_us)::float8 / 1000 AS ms FROM (SELECT started_us, duration_us FROM attempt WHERE started_us <= $1 ORDER BY started_us DESC LIMIT 20000) a`,
    [Math.floor(nowMs * 1000)],
  );
  return Math.min(nowMs, newest?.ms ?? 0);
}

const COLUMNS = {
  startUs: integer('started_us'),
  durationUs: integer('duration_us'),
  valueMinor: integer('value_minor'),
  ...byName(ATTEMPT_NUMBERS, integer),
};

/** All attempts that started in the hour, as columns. */
export async function loadHour(database: Database, hourMs: number): Promise<AttemptColumns> {
  const fromUs = Math.floor(hourMs * 1000);
  let columns = emptyColumns(4096);
  await eachSelected(
    database,
    COLUMNS,
    `FROM attempt WHERE started_us >= ${fromUs} AND started_us < ${fromUs + HOUR_MS * 1000}`,
    (row) => {
      if (columns.n === columns.startMs.length) columns = withCapacity(columns, 2 * columns.n);
      const i = columns.n++;
      columns.startMs[i] = row.startUs / 1000;
      columns.durationMs[i] = row.durationUs / 1000;
      columns.valueMinor[i] = row.valueMinor;
      for (const name of ATTEMPT_NUMBERS) columns[name][i] = row[name];
    },
  );
  return columns;
}

export interface StoredSample {
  traceId: string;
  /** 16 hexadecimal digits */
  spanId: string;
  startMs: number;
  durationMs: number;
  failed: boolean;
  failure: string;
  person: string;
  component: string;
  /** number of the site */
  site: number;
  /** what it brought, units of currency; null where it carries no value */
  value: number | null;
}

/**
 * Attempts of a flow that started at these moments, microseconds; of these, those whose traces are of the fair share.
 */
export async function attemptsAt(
  database: Database,
  flow: number,
  startsUs: readonly number[],
  share = 1,
): Promise<StoredSample[]> {
  const rows = await database.query<{
    trace_id: string;
    span_id: string;
    started_us: number;
    duration_us: number;
    flags: number;
    site: number;
    failure: string | null;
    person: string | null;
    component: string | null;
    value_minor: number | null;
  }>(
    `SELECT a.trace_id::text, lpad(to_hex(a.span_id), 16, '0') AS span_id, a.started_us::float8 AS started_us, a.duration_us::float8 AS duration_us, a.flags, a.site, a.value_minor::float8 AS value_minor,
            ${nameOf('a.failure')} AS failure, ${nameOf('a.person')} AS person, ${nameOf('a.component')} AS component
       FROM attempt a
      WHERE a.started_us = ANY($1::int8[]) AND a.flow = $2 AND ${isOfShare(share)}`,
    [startsUs, flow],
  );
  return rows.map((row) => ({
    traceId: row.trace_id.replaceAll('-', ''),
    spanId: row.span_id,
    startMs: row.started_us / 1000,
    durationMs: row.duration_us / 1000,
    failed: (row.flags & 1) === 1,
    failure: row.failure ?? '',
    person: row.person ?? '',
    component: row.component ?? '',
    site: row.site,
    value: row.value_minor === null ? null : row.value_minor / 100,
  }));
}

/** Items of some persons' attempts of some flows, by how many of the persons; at most so many. */
export const itemsOf = (
  database: Database,
  {
    flows,
    persons,
    window: { fromMs, toMs },
    most,
  }: { flows: readonly number[]; persons: readonly number[]; window: Window; most: number },
): Promise<{ value: string; people: number }[]> =>
  database.query(
    `SELECT value, people FROM (SELECT item, count(DISTINCT person)::int AS people FROM attempt_item
        WHERE flow = ANY($1::int[]) AND started_us >= $3 AND started_us < $4 AND person = ANY($2::int[]) GROUP BY item ORDER BY people DESC, item LIMIT $5) i
       JOIN name ON name.id = i.item ORDER BY people DESC, value`,
    [flows, persons, Math.floor(fromMs * 1000), Math.ceil(toMs * 1000), most],
  );

/** Rows that are dropped at a time: others who ask the one database thread wait no longer than for these. */
const DROPPED_AT_ONCE = 20_000;
const VACUUMED = [
  'span',
  'failure_detail',
  'log_line',
  'page_call',
  'script_error',
  'attempt_mark',
  'phone_crash',
  'phone_moment',
  'remote_sample',
  'probe_run',
  'probe_step',
  'page_detail',
  'page_view',
  'metric_point',
  'change_event',
  'attempt_item',
  'attempt',
  'name',
  'roll_up_hour',
  'stale_hour',
  'component_part',
];

async function dropBefore(database: Database, table: string, column: string, before: number): Promise<void> {
  for (;;) {
    const gone = await database.query(
      `WITH gone AS (DELETE FROM ${table} WHERE ctid IN (SELECT ctid FROM ${table} WHERE ${column} < $1 LIMIT ${DROPPED_AT_ONCE}) RETURNING 1) SELECT count(*)::int AS n FROM gone`,
      [Math.floor(before)],
    );
    if (((gone[0] as { n: number } | undefined)?.n ?? 0) < DROPPED_AT_ONCE) return;
  }
}

/** By which moment rows of each table are kept, how many of its units a millisecond has, and as what kind. */
const KEPT_TABLES: readonly (readonly [table: string, column: string, unitsInMs: number, kind: KeptKind])[] = [
  ['span', 'started_us', 1000, 'traces'],
  ['trace_share', 'to_ms', 1, 'traces'],
  ['failure_detail', 'started_us', 1000, 'traces'],
  ['attempt_mark', 'received_ms', 1, 'traces'],
  ['log_line', 'at_us', 1000, 'logs'],
  ['metric_point', 'at_us', 1000, 'metrics'],
  ['page_call', 'started_us', 1000, 'pageLoads'],
  ['page_detail', 'at_us', 1000, 'pageLoads'],
  ['page_view', 'started_us', 1000, 'pageLoads'],
  ['script_error', 'at_us', 1000, 'pageLoads'],
  ['phone_crash', 'at_us', 1000, 'crashes'],
  ['phone_moment', 'at_us', 1000, 'phoneSessions'],
  ['component_part', 'last_us', 1000, 'attempts'],
  ['remote_sample', 'at_us', 1000, 'attempts'],
  ['probe_run', 'at_us', 1000, 'attempts'],
  ['probe_step', 'at_us', 1000, 'attempts'],
  ['change_event', 'at_us', 1000, 'attempts'],
  ['attempt_item', 'started_us', 1000, 'attempts'],
  ['attempt', 'started_us', 1000, 'attempts'],
];

/** Drops what is older than is kept, ms since the epoch by kind. */
export async function dropOld(database: Database, keptFromMs: Readonly<Record<KeptKind, number>>): Promise<void> {
  for (const [table, column, unitsInMs, kind] of KEPT_TABLES)
    await dropBefore(database, table, column, keptFromMs[kind] * unitsInMs);
  await dropBefore(database, 'part_hour', 'hour_ms', Math.max(keptFromMs.attempts, Date.now() - PART_HOURS_KEPT_MS));
  // Table by table, for the same reason.
  for (const table of VACUUMED) await database.exec(`VACUUM ${table}`);
  // Without it the planner knows nothing of what came since: there is no background worker that would look.
  for (const table of VACUUMED) await database.exec(`ANALYZE ${table}`);
}
