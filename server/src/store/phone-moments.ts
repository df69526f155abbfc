import { MOMENT_KINDS, PHONE_DIMENSIONS, type AddressSlice, type Moment, type MomentKind } from '@toplens/core/phones';
import { CRASHED, FAILED } from '@toplens/core/telemetry';
import { HOUR_MS, type Window } from '@toplens/core/time';
import { FLOW_SEPARATOR } from '../names/flow-text';
import { nameOf } from '../names/name-of';
import { between } from './between';
import { isUnmasked, maskOf } from './fair-part';
import { ON_PHONE } from './on-phone';
import { attemptsIn, toldIn, type PhoneScope } from './phone-scope';
import type { Database } from './database';

/** What is kept of a moment beside its columns. */
export interface MomentDetail {
  message?: string;
  shape?: NonNullable<Moment['shape']>;
}

const numberOfKind = (kind: MomentKind): number => MOMENT_KINDS.indexOf(kind);
const REQUEST = numberOfKind('request');
const ERROR = numberOfKind('error');

/** The number of an application's name among those of its kind; all of them when none is asked for. */
const OF_APPLICATION = `($1::text IS NULL OR application IN (SELECT id FROM name WHERE kind = 'application' AND value = $1))`;

export interface StoredAddress {
  address: string;
  requests: number;
  failed: number;
  bytesIn: number | null;
  bytesOut: number | null;
  medianMs: number;
  p95Ms: number;
  sessions: number;
  /** sessions in which a request to it failed */
  sessionsHit: number;
}

/** Addresses that phones asked, those that fail most first, then those that are asked most. */
export const addressesWithin = (
  database: Database,
  { scope, application, most }: { scope: PhoneScope; application: string | undefined; most: number },
): Promise<StoredAddress[]> =>
  // Hashed by session first: sorted for count(DISTINCT), a million requests take three times as long.
  database.query<StoredAddress & Record<string, unknown>>(
    `WITH request AS (SELECT what, session, duration_us, failed, bytes_in, bytes_out FROM phone_moment
                       WHERE kind = ${REQUEST} AND ${toldIn(scope, 'phone_moment')} AND ${OF_APPLICATION}),
          of_session AS (SELECT what, session, count(*) AS n, sum(failed) AS failed, sum(bytes_in) AS bytes_in, sum(bytes_out) AS bytes_out
                           FROM request GROUP BY what, session),
          told AS (SELECT what, sum(n)::int AS requests, sum(failed)::int AS failed,
                          sum(bytes_in)::float8 AS "bytesIn", sum(bytes_out)::float8 AS "bytesOut",
                          (count(*) FILTER (WHERE session <> 0))::int AS sessions,
                          (count(*) FILTER (WHERE session <> 0 AND failed > 0))::int AS "sessionsHit"
                     FROM of_session GROUP BY what ORDER BY failed DESC, requests DESC, what LIMIT ${most}),
          took AS (SELECT what, percentile_cont(ARRAY[0.5, 0.95]) WITHIN GROUP (ORDER BY duration_us) AS times
                     FROM request GROUP BY what)
     SELECT ${nameOf('what')} AS address, requests, failed, "bytesIn", "bytesOut",
            times[1] / 1000 AS "medianMs", times[2] / 1000 AS "p95Ms", sessions, "sessionsHit"
       FROM told JOIN took USING (what) ORDER BY failed DESC, requests DESC, address`,
    [application ?? null],
  );

/** Requests by address and value of each dimension; those that do not tell a value are left out. */
export const addressSlices = (
  database: Database,
  { scope, application }: { scope: PhoneScope; application: string | undefined },
): Promise<AddressSlice[]> =>
  database.query<AddressSlice & Record<string, unknown>>(
    `SELECT ${nameOf('what')} AS address, dimension, ${nameOf('of')} AS value, requests, failed FROM
       (SELECT what, CASE ${PHONE_DIMENSIONS.map((name) => `WHEN grouping(${name}) = 0 THEN '${name}'`).join(' ')} END AS dimension,
               coalesce(${PHONE_DIMENSIONS.join(', ')}) AS of, count(*)::int AS requests, sum(failed)::int AS failed
          FROM phone_moment WHERE kind = ${REQUEST} AND ${toldIn(scope, 'phone_moment')} AND ${OF_APPLICATION}
         GROUP BY what, GROUPING SETS (${PHONE_DIMENSIONS.map((name) => `(${name})`).join(', ')})) s
      WHERE of <> 0`,
    [application ?? null],
  );

export interface VersionMoments {
  version: string;
  sessions: number;
  requests: number;
  requestsFailed: number;
  errors: number;
  /** a fair part of many, the same each time */
  requestsMs: number[];
  cpu: number[];
  memory: number[];
}

/** So many moments tell what is usual of a version. */
const MOST_SAMPLES = 6_000;

/** Moments of an application by version. */
export async function momentsByVersion(
  database: Database,
  application: string,
  scope: PhoneScope,
): Promise<VersionMoments[]> {
  const where = `${toldIn(scope, 'phone_moment')} AND ${OF_APPLICATION}`;
  const counted = await database.query<
    Pick<VersionMoments, 'version' | 'sessions' | 'requests' | 'requestsFailed' | 'errors'> & {
      number: number;
      all: number;
    }
  >(
    `SELECT version AS number, coalesce(${nameOf('version')}, '') AS version, "all", sessions, requests, "requestsFailed", errors FROM
       (SELECT version, sum(n)::int AS "all", (count(*) FILTER (WHERE session <> 0))::int AS sessions, sum(requests)::int AS requests,
               sum(failed)::int AS "requestsFailed", sum(errors)::int AS errors
          FROM (SELECT version, session, count(*) AS n, count(*) FILTER (WHERE kind = ${REQUEST}) AS requests,
                       count(*) FILTER (WHERE kind = ${REQUEST} AND failed = 1) AS failed,
                       count(*) FILTER (WHERE kind = ${ERROR}) AS errors
                  FROM phone_moment WHERE ${where} GROUP BY version, session) s
         GROUP BY version) v`,
    [application],
  );
  const samples = await database.query<{
    number: number;
    requestMs: number | null;
    cpu: number | null;
    memory: number | null;
  }>(
    `SELECT version AS number, CASE WHEN kind = ${REQUEST} AND failed = 0 THEN duration_us::float8 / 1000 END AS "requestMs",
            cpu, memory::float8 AS memory
       FROM phone_moment JOIN unnest($2::int[], $3::int8[]) AS part (number, mask) ON part.number = version
      WHERE ${where} AND ${isUnmasked('id', 'part.mask')} AND (kind = ${REQUEST} OR cpu IS NOT NULL OR memory IS NOT NULL)`,
    [application, counted.map(({ number }) => number), counted.map(({ all }) => maskOf(all, MOST_SAMPLES))],
  );
  return counted.map(({ number, all: _all, ...told }) => {
    const own = samples.filter((sample) => sample.number === number);
    const known = (values: readonly (number | null)[]) => values.filter((value) => value !== null);
    return {
      ...told,
      requestsMs: known(own.map(({ requestMs }) => requestMs)),
      cpu: known(own.map(({ cpu }) => cpu)),
      memory: known(own.map(({ memory }) => memory)),
    };
  });
}

export interface StoredSession {
  session: number;
  application: string;
  fromMs: number;
  toMs: number;
  attempts: number;
  failed: number;
  crashes: number;
  requests: number;
  requestsFailed: number;
  errors: number;
  /** time that attempts took, milliseconds */
  waitedMs: number;
  version: string;
  device: string;
  carrier: string;
  country: string;
}

export interface SessionsQuestion {
  scope: PhoneScope;
  application: string | undefined;
  /** sessions with a request to this address alone */
  address: string | undefined;
  most: number;
}

/** Sessions on phones, the worst first: what crashed, then what failed, then what took longest. */
export const sessionsWithin = (
  database: Database,
  { scope, application, address, most }: SessionsQuestion,
): Promise<StoredSession[]> =>
  database.query<StoredSession & Record<string, unknown>>(
    `WITH part AS (
       SELECT session, (SELECT split_part(value, '${FLOW_SEPARATOR}', 1) FROM name WHERE id = flow) AS application,
              started_us, started_us + duration_us AS ended_us, 1 AS attempt,
              (flags & ${FAILED} = ${FAILED})::int AS failed, (flags & ${CRASHED} = ${CRASHED})::int AS crashed,
              0 AS request, 0 AS request_failed, 0 AS error, duration_us, version, device, carrier, region AS country
         FROM attempt WHERE session <> 0 AND ${ON_PHONE} AND ${attemptsIn(scope)}
       UNION ALL
       SELECT session, ${nameOf('application')}, at_us, at_us + duration_us, 0, 0, 0,
              (kind = ${REQUEST})::int, (kind = ${REQUEST} AND failed = 1)::int, (kind = ${ERROR})::int, 0, version, device, carrier, country
         FROM phone_moment WHERE session <> 0 AND ${toldIn(scope, 'phone_moment')})
     SELECT session::float8 AS session, application, "fromMs", "toMs", attempts, failed, crashes,
            requests, "requestsFailed", errors, "waitedMs",
            ${PHONE_DIMENSIONS.map((name) => `coalesce(${nameOf(name)}, '') AS ${name}`).join(', ')}
       FROM (SELECT session, application, min(started_us)::float8 / 1000 AS "fromMs", max(ended_us)::float8 / 1000 AS "toMs",
                    sum(attempt)::int AS attempts, sum(failed)::int AS failed, sum(crashed)::int AS crashes, sum(request)::int AS requests,
                    sum(request_failed)::int AS "requestsFailed", sum(error)::int AS errors,
                    sum(duration_us)::float8 / 1000 AS "waitedMs", (array_agg(version ORDER BY started_us DESC))[1] AS version,
                    max(device) AS device, max(carrier) AS carrier, max(country) AS country
               FROM part WHERE ($1::text IS NULL OR application = $1)
                AND ($2::text IS NULL OR session IN (
                      SELECT session FROM phone_moment WHERE kind = ${REQUEST} AND ${toldIn(scope, 'phone_moment')}
                         AND what IN (SELECT id FROM name WHERE kind = 'call' AND value = $2)))
              GROUP BY session, application
              ORDER BY sum(crashed) DESC, sum(failed + request_failed + error) DESC, sum(duration_us) DESC, session LIMIT ${most}) s
      ORDER BY crashes DESC, failed + "requestsFailed" + errors DESC, "waitedMs" DESC, session`,
    [application ?? null, address ?? null],
  );

export interface StoredMoment {
  kind: MomentKind;
  atMs: number;
  durationMs: number;
  what: string;
  failed: boolean;
  status: number;
  bytesIn: number | null;
  bytesOut: number | null;
  cpu: number | null;
  memory: number | null;
  traceId: string;
  spanId: string;
  detail: MomentDetail | null;
}

/** Moments of a session in a stretch of time, in order; the last of more than `most`. */
export async function momentsOfSession(
  database: Database,
  { session, window, most }: { session: number; window: Window; most: number },
): Promise<StoredMoment[]> {
  const rows = await database.query<Omit<StoredMoment, 'kind'> & { kind: number }>(
    `SELECT kind, at_us::float8 / 1000 AS "atMs", duration_us::float8 / 1000 AS "durationMs", coalesce(${nameOf('what')}, '') AS what, failed = 1 AS failed,
            status, bytes_in::float8 AS "bytesIn", bytes_out::float8 AS "bytesOut", cpu, memory::float8 AS memory,
            coalesce(replace(trace_id::text, '-', ''), '') AS "traceId", lpad(to_hex(span_id), 16, '0') AS "spanId", detail
       FROM (SELECT * FROM phone_moment WHERE session = $1 AND ${between('at_us', window)} ORDER BY at_us DESC, id LIMIT ${most}) m ORDER BY at_us, id`,
    [session],
  );
  return rows.map(({ kind, ...row }) => ({ ...row, kind: MOMENT_KINDS[kind] as MomentKind }));
}

/** A session that goes on for days is told by its last hours. */
const LONGEST_SESSION_MS = 12 * HOUR_MS;

/** From when to when a session is told; `undefined` when nothing of it is kept. */
export async function stretchOfSession(database: Database, session: number): Promise<Window | undefined> {
  const [row] = await database.query<{ first: number | null; last: number | null }>(
    `SELECT min(first)::float8 / 1000 AS first, max(last)::float8 / 1000 AS last FROM (
       SELECT min(started_us) AS first, max(started_us + duration_us) AS last FROM attempt WHERE session = $1 AND session <> 0 AND ${ON_PHONE}
       UNION ALL SELECT min(at_us), max(at_us + duration_us) FROM phone_moment WHERE session = $1 AND session <> 0) p`,
    [session],
  );
  if (row?.last == null || row.first === null) return undefined;
  return { fromMs: Math.max(row.first, row.last - LONGEST_SESSION_MS), toMs: row.last + 1 };
}

/** Crashes of a session, in order. */
export const crashesOfSession = (
  database: Database,
  { session, window }: { session: number; window: Window },
): Promise<{ id: string; atMs: number; type: string; message: string; screen: string }[]> =>
  database.query(
    `SELECT lpad(to_hex(id), 16, '0') AS id, at_us::float8 / 1000 AS "atMs", type, message, coalesce(${nameOf('screen')}, '') AS screen
       FROM phone_crash WHERE ${between('at_us', window)} AND session = $1 ORDER BY at_us`,
    [session],
  );

/** Attempts of servers that requests began, by the request's span. */
export async function serverAttemptsOf(
  database: Database,
  traceIds: readonly string[],
): Promise<Map<string, { traceId: string; spanId: string }>> {
  const rows = await database.query<{ traceId: string; spanId: string; parentId: string }>(
    `SELECT replace(trace_id::text, '-', '') AS "traceId", lpad(to_hex(span_id), 16, '0') AS "spanId", lpad(to_hex(parent_id), 16, '0') AS "parentId"
       FROM attempt WHERE trace_id = ANY($1::uuid[]) AND parent_id <> 0`,
    [[...traceIds]],
  );
  return new Map(rows.map(({ traceId, spanId, parentId }) => [`${traceId}${parentId}`, { traceId, spanId }]));
}
