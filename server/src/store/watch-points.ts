import type { WatchPoint, WatchState } from '@toplens/core/watch';
import { nameOf } from '../names/name-of';
import type { Database } from './database';

export interface WatchPointRow extends WatchPoint {
  component: string;
  variables: string[];
  why: string;
  madeMs: number;
  madeBy: string;
  endsMs: number;
  /** null: nobody stopped it */
  stoppedMs: number | null;
  stoppedBy: string | null;
  /** how many readings came */
  readings: number;
  /** when the newest was; null without any */
  lastMs: number | null;
}

export interface WatchPlaceRow {
  instance: string;
  state: WatchState;
  /** the line that is read */
  line: number;
  seenMs: number;
}

export interface ReadingRow {
  id: string;
  atMs: number;
  instance: string;
  /** '' where no trace was under way */
  traceId: string;
  values: string[];
}

/** Readings are counted of the points that are asked for alone: every process asks every few seconds. */
const POINT = `SELECT id, component, file, line, variables, most, why, made_ms::float8 AS "madeMs", made_by AS "madeBy",
    ends_ms::float8 AS "endsMs", stopped_ms::float8 AS "stoppedMs", stopped_by AS "stoppedBy",
    r.n::int AS readings, r.last_ms::float8 AS "lastMs"
  FROM watch_point, LATERAL (SELECT count(*) AS n, max(at_ms) AS last_ms FROM watch_reading WHERE point = watch_point.id) r`;

/** The newest first. */
export const loadWatchPoints = (database: Database, most: number): Promise<WatchPointRow[]> =>
  database.query(`${POINT} ORDER BY id DESC LIMIT $1`, [most]);

export async function findWatchPoint(database: Database, id: number): Promise<WatchPointRow | undefined> {
  const [row] = await database.query<WatchPointRow>(`${POINT} WHERE id = $1`, [id]);
  return row;
}

/** Those that a component is to be read at now; one that has all its readings is over. */
export const watchPointsInForce = (database: Database, component: string, nowMs: number): Promise<WatchPointRow[]> =>
  database.query(
    `SELECT * FROM (${POINT} WHERE component = $1 AND stopped_ms IS NULL AND ends_ms > $2) p WHERE readings < most ORDER BY id`,
    [component, nowMs],
  );

export async function insertWatchPoint(
  database: Database,
  {
    component,
    file,
    line,
    variables,
    most,
    why,
    madeMs,
    madeBy,
    endsMs,
  }: Omit<WatchPointRow, 'id' | 'stoppedMs' | 'stoppedBy' | 'readings' | 'lastMs'>,
): Promise<number> {
  const [row] = await database.query<{ id: number }>(
    `INSERT INTO watch_point (component, file, line, variables, most, why, made_ms, made_by, ends_ms)
       VALUES ($1, $2, $3, $4, $5, $6, $7, $8, $9) RETURNING id`,
    [component, file, line, variables, most, why, madeMs, madeBy, endsMs],
  );
  return (row as { id: number }).id;
}

export const stopWatchPoint = (database: Database, id: number, by: string, nowMs: number): Promise<unknown> =>
  database.query(
    'UPDATE watch_point SET stopped_ms = $2, stopped_by = $3 WHERE id = $1 AND stopped_ms IS NULL AND ends_ms > $2',
    [id, nowMs, by],
  );

export const loadWatchPlaces = (database: Database, point: number): Promise<WatchPlaceRow[]> =>
  database.query(
    'SELECT instance, state, line, seen_ms::float8 AS "seenMs" FROM watch_place WHERE point = $1 ORDER BY instance',
    [point],
  );

/** The newest first. */
export const loadReadings = (database: Database, point: number): Promise<ReadingRow[]> =>
  database.query(
    `SELECT id::text, at_ms::float8 AS "atMs", instance, coalesce(replace(trace_id::text, '-', ''), '') AS "traceId",
       held AS values FROM watch_reading WHERE point = $1 ORDER BY at_ms DESC, id`,
    [point],
  );

export interface AttemptOfTrace {
  spanId: string;
  /** who made it; '' when that is not known */
  person: string;
}

/** The first attempt of each trace. */
export async function attemptsOfTraces(
  database: Database,
  traces: readonly string[],
): Promise<Map<string, AttemptOfTrace>> {
  const rows = await database.query<AttemptOfTrace & { traceId: string }>(
    `SELECT DISTINCT ON (trace_id) replace(trace_id::text, '-', '') AS "traceId", lpad(to_hex(span_id), 16, '0') AS "spanId",
         coalesce(${nameOf('person')}, '') AS person
       FROM attempt WHERE trace_id = ANY($1::uuid[]) ORDER BY trace_id, started_us`,
    [traces],
  );
  return new Map(rows.map(({ traceId, ...attempt }) => [traceId, attempt]));
}

/**
 * Stores what a process told. What came before stays as it is, and what is more than a point wants is left out; so is
 * what tells of a point that is not the component's.
 */
export const storeWatched = (
  database: Database,
  {
    component,
    instance,
    places,
    readings,
    nowMs,
  }: {
    component: string;
    instance: string;
    places: readonly { point: number; state: WatchState; line: number }[];
    readings: readonly (Omit<ReadingRow, 'instance'> & { point: number })[];
    nowMs: number;
  },
): Promise<void> =>
  database.transaction([
    ...places.map(({ point, state, line }) => ({
      sql: `INSERT INTO watch_place (point, instance, state, line, seen_ms)
        SELECT id, $2, $3, $4, $5 FROM watch_point WHERE id = $1 AND component = $6
        ON CONFLICT (point, instance) DO UPDATE SET state = excluded.state, line = excluded.line, seen_ms = excluded.seen_ms`,
      params: [point, instance, state, line, nowMs, component],
    })),
    ...readings.map(({ point, id, atMs, traceId, values }) => ({
      sql: `INSERT INTO watch_reading (point, id, at_ms, instance, trace_id, held)
        SELECT p.id, $2, $3, $4, nullif($5, '')::uuid, $6::jsonb FROM watch_point p
          WHERE p.id = $1 AND p.component = $7 AND (SELECT count(*) FROM watch_reading r WHERE r.point = p.id) < p.most
        ON CONFLICT (point, id) DO NOTHING`,
      params: [point, id, Math.round(atMs), instance, traceId, values, component],
    })),
  ]);

/** With their readings. */
export const dropOldWatchPoints = (database: Database, beforeMs: number): Promise<unknown> =>
  database.query('DELETE FROM watch_point WHERE ends_ms < $1', [beforeMs]);
