import { launchFlow, LAUNCHES } from '@toplens/core/flows';
import { PHONE_DIMENSIONS, type Crash, type PhoneDimension } from '@toplens/core/phones';
import type { Window } from '@toplens/core/time';
import { nameOf } from '../names/name-of';
import { FLOW_SEPARATOR, parseFlowText } from '../names/flow-text';
import { between } from './between';
import { isUnmasked, maskOf } from './fair-part';
import { attemptsIn, OF_ATTEMPT, toldIn, type PhoneScope } from './phone-scope';
import { ON_PHONE } from './on-phone';
import type { Database } from './database';

/** What is kept of a crash beside its columns. */
export type CrashDetail = Pick<Crash, 'thread' | 'threads' | 'trail'>;

/** Flows whose attempts are launches. */
export interface LaunchFlows {
  application: string;
  cold: number[];
  warm: number[];
}

/** Applications that tell of their launches, in order of the alphabet. */
export async function launchFlows(database: Database): Promise<LaunchFlows[]> {
  const rows = await database.query<{ id: number; value: string }>(
    `SELECT id, value FROM name WHERE kind = 'flow' AND (${LAUNCHES.map(
      (launch) => `value LIKE '%${FLOW_SEPARATOR}${launchFlow(launch)}${FLOW_SEPARATOR}'`,
    ).join(' OR ')}) ORDER BY value`,
  );
  const found = new Map<string, LaunchFlows>();
  for (const { id, value } of rows) {
    const { application, technicalName } = parseFlowText(value);
    let flows = found.get(application);
    if (!flows) found.set(application, (flows = { application, cold: [], warm: [] }));
    (technicalName === launchFlow('cold') ? flows.cold : flows.warm).push(id);
  }
  return [...found.values()];
}

export interface StoredVersionLaunches {
  version: string;
  launches: number;
  people: number;
  /** of launches that did not fail, milliseconds: a fair part, the same each time */
  coldMs: number[];
  warmMs: number[];
}

/** So many starts of a version tell how long they take. */
const MOST_STARTS = 2_000;

/** Launches of an application by version. */
export async function launchesByVersion(
  database: Database,
  { cold, warm }: LaunchFlows,
  scope: PhoneScope,
): Promise<StoredVersionLaunches[]> {
  const flows = [...cold, ...warm];
  // Hashed by person first: to sort a month of launches for count(DISTINCT) takes three times as long.
  const counted = await database.query<{ number: number; version: string; launches: number; people: number }>(
    `SELECT version AS number, coalesce(${nameOf('version')}, '') AS version, launches, people FROM
       (SELECT version, sum(n)::int AS launches, (count(*) FILTER (WHERE person <> 0))::int AS people
          FROM (SELECT version, person, count(*) AS n FROM attempt WHERE flow = ANY($1::int[]) AND ${attemptsIn(scope)} GROUP BY version, person) p
         GROUP BY version) v`,
    [flows],
  );
  const starts = await database.query<{ number: number; isCold: boolean; ms: number }>(
    `SELECT version AS number, flow = ANY($2::int[]) AS "isCold", duration_us::float8 / 1000 AS ms
       FROM attempt JOIN unnest($3::int[], $4::int8[]) AS part (number, mask) ON part.number = version
      WHERE flow = ANY($1::int[]) AND ${attemptsIn(scope)} AND flags & 1 = 0 AND ${isUnmasked('span_id', 'part.mask')}`,
    [flows, cold, counted.map(({ number }) => number), counted.map(({ launches }) => maskOf(launches, MOST_STARTS))],
  );
  return counted.map(({ number, ...told }) => {
    const own = starts.filter((start) => start.number === number);
    return {
      ...told,
      coldMs: own.filter(({ isCold }) => isCold).map(({ ms }) => ms),
      warmMs: own.filter(({ isCold }) => !isCold).map(({ ms }) => ms),
    };
  });
}

/** Launches of an application by version and step of time, from a moment on. */
export const launchesOverTime = (
  database: Database,
  { cold, warm }: LaunchFlows,
  { scope, stepMs }: { scope: PhoneScope; stepMs: number },
): Promise<{ version: string; step: number; launches: number }[]> =>
  database.query(
    `SELECT coalesce(${nameOf('version')}, '') AS version, step, launches FROM
       (SELECT version, ((started_us - $2) / $3)::int AS step, count(*)::int AS launches FROM attempt
         WHERE flow = ANY($1::int[]) AND ${attemptsIn(scope)} GROUP BY 1, 2) v`,
    [[...cold, ...warm], Math.floor(scope.window.fromMs * 1000), stepMs * 1000],
  );

/** Launches by the values of a dimension; those that do not tell it are left out. */
export const launchesBy = (
  database: Database,
  { cold, warm }: LaunchFlows,
  { scope, dimension }: { scope: PhoneScope; dimension: PhoneDimension },
): Promise<{ value: string; launches: number }[]> =>
  database.query(
    `SELECT ${nameOf('of')} AS value, launches FROM (SELECT ${OF_ATTEMPT[dimension]} AS of, count(*)::int AS launches FROM attempt
       WHERE flow = ANY($1::int[]) AND ${attemptsIn(scope)} AND ${OF_ATTEMPT[dimension]} <> 0 GROUP BY 1) l ORDER BY launches DESC, value`,
    [[...cold, ...warm]],
  );

export interface StoredCrash {
  /** 16 hexadecimal digits */
  id: string;
  atMs: number;
  component: string;
  application: string;
  version: string;
  /** number of the name; 0 when nobody is named */
  person: number;
  session: number;
  device: string;
  system: string;
  carrier: string;
  country: string;
  screen: string;
  type: string;
  message: string;
  stack: string;
}

const TEXTS = ['component', 'application', 'version', 'device', 'system', 'carrier', 'country', 'screen'] as const;
const CRASH = `lpad(to_hex(id), 16, '0') AS id, at_us::float8 / 1000 AS "atMs", person, session::float8 AS session, type, message, stack,
  ${TEXTS.map((text) => `coalesce(${nameOf(text)}, '') AS ${text}`).join(', ')}`;

/** Crashes of a scope, the newest of more than `most`. */
export const crashesWithin = (database: Database, scope: PhoneScope, most: number): Promise<StoredCrash[]> =>
  database.query<StoredCrash & Record<string, unknown>>(
    `SELECT ${CRASH} FROM (SELECT * FROM phone_crash WHERE ${toldIn(scope, 'phone_crash')} ORDER BY at_us DESC, id LIMIT ${most}) c`,
  );

/** One crash with all that is known of it. @param id 16 hexadecimal digits */
export async function loadCrash(
  database: Database,
  id: string,
): Promise<(StoredCrash & { detail: CrashDetail }) | undefined> {
  const [row] = await database.query<StoredCrash & { detail: CrashDetail }>(
    `SELECT ${CRASH}, detail FROM phone_crash WHERE id = ('x' || $1)::bit(64)::int8`,
    [id],
  );
  return row;
}

export interface SessionAttempt {
  traceId: string;
  spanId: string;
  atMs: number;
  durationMs: number;
  failed: boolean;
  /** text of its flow */
  flow: string;
  failure: string;
}

/** Attempts of a session in a stretch of time, in order; the last of more than `most`. */
export const attemptsOfSession = (
  database: Database,
  { session, window, most }: { session: number; window: Window; most: number },
): Promise<SessionAttempt[]> =>
  database.query<SessionAttempt & Record<string, unknown>>(
    `SELECT replace(trace_id::text, '-', '') AS "traceId", lpad(to_hex(span_id), 16, '0') AS "spanId", started_us::float8 / 1000 AS "atMs",
            duration_us::float8 / 1000 AS "durationMs", flags & 1 = 1 AS failed,
            coalesce(${nameOf('flow')}, '') AS flow, coalesce(${nameOf('failure')}, '') AS failure
       FROM (SELECT * FROM attempt WHERE session = $1 AND session <> 0 AND ${ON_PHONE} AND ${between('started_us', window)} ORDER BY started_us DESC LIMIT ${most}) a ORDER BY started_us, span_id`,
    [session],
  );

/** With what a session was, as its newest attempt or moment tells. */
export async function outfitOfSession(
  database: Database,
  session: number,
  window: Window,
): Promise<{ application: string; version: string; device: string; carrier: string; country: string }> {
  const [row] = await database.query<Record<'application' | 'version' | 'device' | 'carrier' | 'country', string>>(
    `SELECT application, ${PHONE_DIMENSIONS.map((name) => `coalesce(${nameOf(name)}, '') AS ${name}`).join(', ')} FROM (
       (SELECT started_us AS at_us, split_part(${nameOf('flow')}, '${FLOW_SEPARATOR}', 1) AS application, version, device, carrier, region AS country
          FROM attempt WHERE session = $1 AND session <> 0 AND ${ON_PHONE} AND ${between('started_us', window)} ORDER BY started_us DESC LIMIT 1)
       UNION ALL
       (SELECT at_us, coalesce(${nameOf('application')}, ''), version, device, carrier, country
          FROM phone_moment WHERE session = $1 AND ${between('at_us', window)} ORDER BY at_us DESC LIMIT 1)) o ORDER BY at_us DESC LIMIT 1`,
    [session],
  );
  return row ?? { application: '', version: '', device: '', carrier: '', country: '' };
}

export interface MappingKey {
  component: string;
  version: string;
}

export const saveMapping = (
  database: Database,
  { component, version }: MappingKey,
  mapping: string,
): Promise<unknown> =>
  database.query(
    `INSERT INTO name_mapping (component, version, mapping) VALUES ($1, $2, $3)
       ON CONFLICT (component, version) DO UPDATE SET mapping = excluded.mapping, uploaded = now()`,
    [component, version, mapping],
  );

export const listMappings = (database: Database): Promise<(MappingKey & { uploadedMs: number; bytes: number })[]> =>
  database.query(
    `SELECT component, version, extract(epoch FROM uploaded)::float8 * 1000 AS "uploadedMs", length(mapping) AS bytes
       FROM name_mapping ORDER BY uploaded DESC, component, version LIMIT 500`,
  );

export async function loadMapping(database: Database, { component, version }: MappingKey): Promise<string | undefined> {
  const [row] = await database.query<{ mapping: string }>(
    'SELECT mapping FROM name_mapping WHERE component = $1 AND version = $2',
    [component, version],
  );
  return row?.mapping;
}

/** When the newest crash happened, milliseconds; 0 before the first. */
export async function newestCrash(database: Database): Promise<number> {
  const [row] = await database.query<{ ms: number | null }>('SELECT max(at_us)::float8 / 1000 AS ms FROM phone_crash');
  return row?.ms ?? 0;
}
