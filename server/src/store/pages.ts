import {
  emptyViews,
  PAGE_DIMENSIONS,
  pageFlow,
  VIEW_KINDS,
  VITALS,
  type Load,
  type PageView,
  type PageDimension,
  type ViewColumns,
  type Vital,
} from '@toplens/core/pages';
import type { Window } from '@toplens/core/time';
import { flowText } from '../names/flow-text';

import { byName } from '../by-name';
import { between } from './between';
import { isAmong, isOneOf } from './fair-part';
import { eachSelected, float, integer } from './selection';
import { PART_COLUMNS } from './tables';
import type { Database } from './database';
import { nameOf } from '../names/name-of';

/** Views as they are stored, as columns: by number of a name for each dimension, and by index of VIEW_KINDS. */
export interface StoredViews extends ViewColumns {
  dimensions: Record<PageDimension, Int32Array>;
  kind: Uint8Array;
}

/** Values that views must have; names, as people see them. */
export type PageFocus = Partial<Record<PageDimension, string>>;

export interface ViewsFound {
  views: StoredViews;
  /** one of so many views was read: 1 unless there were too many */
  every: number;
}

const FRAME = VIEW_KINDS.indexOf('frame');

/** Number of a name; `undefined` when it was never seen. */
export async function numberOf(
  database: Database,
  dimension: PageDimension,
  value: string,
): Promise<number | undefined> {
  const [name] = await database.query<{ id: number }>('SELECT id FROM name WHERE kind = $1 AND value = $2', [
    dimension,
    value,
  ]);
  return name?.id;
}

/**
 * The condition of a focus, with numbers alone in it; `undefined` when a value is not known: then nothing can have it.
 */
export async function conditionOf(database: Database, window: Window, focus: PageFocus): Promise<string | undefined> {
  const conditions = [between('started_us', window)];
  for (const dimension of PAGE_DIMENSIONS) {
    const value = focus[dimension];
    if (value === undefined) continue;
    const number = await numberOf(database, dimension, value);
    if (number === undefined) return undefined;
    conditions.push(`${dimension} = ${number}`);
  }
  return conditions.join(' AND ');
}

/** Number of the flow that loads of a page are attempts of. */
export async function flowOfPage(database: Database, application: string, page: string): Promise<number | undefined> {
  const text = flowText({ application, technicalName: pageFlow(page), kind: 'page' });
  const [name] = await database.query<{ id: number }>("SELECT id FROM name WHERE kind = 'flow' AND value = $1", [text]);
  return name?.id;
}

export async function countViews(database: Database, where: string): Promise<number> {
  const [row] = await database.query<{ n: number }>(`SELECT count(*)::int AS n FROM page_view WHERE ${where}`);
  return row?.n ?? 0;
}

const VIEW = {
  ...byName(PAGE_DIMENSIONS, integer),
  ...byName(PART_COLUMNS, integer),
  ...byName(VITALS, float),
  person: integer('person'),
  startedUs: integer('started_us'),
  kind: integer('kind'),
  share: float('share'),
  interactions: integer('interactions'),
  errors: integer('errors'),
  missing: integer('missing'),
};

/**
 * Views of a window; of more than `most` a fair part, the same each time: told by their id. @param where from
 * `conditionOf`
 */
export async function viewsWhere(database: Database, where: string, most: number): Promise<ViewsFound> {
  const all = await countViews(database, where);
  const every = Math.max(1, Math.ceil(all / most));
  const views = emptyStored(all);
  await eachSelected(
    database,
    VIEW,
    `FROM page_view WHERE ${where} AND ${isOneOf(every, 'view')} LIMIT ${all}`,
    (view) => {
      const row = views.n++;
      for (const dimension of PAGE_DIMENSIONS) views.dimensions[dimension][row] = view[dimension];
      PART_COLUMNS.forEach((column, i) => ((views.parts[i] as Float64Array)[row] = view[column] / 1000));
      for (const vital of VITALS) views.vitals[vital][row] = view[vital];
      views.person[row] = view.person;
      views.atMs[row] = view.startedUs / 1000;
      views.kind[row] = view.kind;
      views.share[row] = view.share;
      views.interactions[row] = view.interactions;
      views.errors[row] = view.errors;
      views.missing[row] = view.missing;
    },
  );
  return { views, every };
}

/**
 * People by number of a name, and all of them under `ALL_PEOPLE`: told of all views, however many are read. @param
 * where from `conditionOf`
 */
export async function peopleWhere(database: Database, where: string, by: PageDimension): Promise<Map<number, number>> {
  const rows = await database.query<{ value: number | null; people: number }>(
    `WITH seen AS (SELECT DISTINCT ${by} AS value, person FROM page_view WHERE ${where} AND person <> 0 AND kind <> ${FRAME})
     SELECT value, count(*)::int AS people FROM seen GROUP BY value UNION ALL SELECT ${ALL_PEOPLE}, count(DISTINCT person)::int FROM seen`,
  );
  return new Map(rows.map(({ value, people }) => [value ?? 0, people]));
}

export const ALL_PEOPLE = -1;

const emptyStored = (capacity: number): StoredViews => ({
  ...emptyViews(capacity),
  dimensions: Object.fromEntries(
    PAGE_DIMENSIONS.map((dimension) => [dimension, new Int32Array(capacity)]),
  ) as StoredViews['dimensions'],
  kind: new Uint8Array(capacity),
});

export async function namesOf(database: Database, ids: readonly number[]): Promise<Map<number, string>> {
  const rows = await database.query<{ id: number; value: string }>(
    'SELECT id, value FROM name WHERE id = ANY($1::int[])',
    [[...new Set(ids)]],
  );
  return new Map(rows.map(({ id, value }) => [id, value]));
}

/** One load as it is listed. */
export interface ListedView {
  /** 16 hexadecimal digits */
  view: string;
  atMs: number;
  page: string;
  country: string;
  browser: string;
  loadMs: number | null;
  lcpMs: number | null;
  errors: number;
  missing: number;
}

const LISTED = `lpad(to_hex(view), 16, '0') AS view, started_us::float8 / 1000 AS "atMs", coalesce(${nameOf('page')}, '') AS page,
  coalesce(${nameOf('country')}, '') AS country, coalesce(${nameOf('browser')}, '') AS browser,
  (${PART_COLUMNS.join(' + ')})::float8 / 1000 AS "loadMs", lcp AS "lcpMs", errors, missing`;

/**
 * Loads worth opening: those on which something did not come or a script failed, then the slowest. @param where from
 * `conditionOf`
 */
export async function worstViews(database: Database, where: string, most: number): Promise<ListedView[]> {
  return database.query<ListedView>(
    `SELECT ${LISTED} FROM page_view WHERE ${where} AND kind <> ${FRAME}
      ORDER BY (missing > 0) DESC, greatest(coalesce(lcp, 0), coalesce((${PART_COLUMNS.join(' + ')}) / 1000, 0)) DESC, view LIMIT ${most}`,
  );
}

/**
 * Pages that some persons looked at, in order of time; the newest of more than `most`. @param persons numbers of names
 */
export const viewsOfPersons = (database: Database, persons: readonly number[], window: Window, most: number) =>
  database.query<ListedView & { session: number; system: string }>(
    `SELECT * FROM (SELECT ${LISTED}, session::float8 AS session, coalesce(${nameOf('system')}, '') AS system
       FROM page_view WHERE person = ANY($1::int[]) AND ${between('started_us', window)} ORDER BY started_us DESC LIMIT ${most}) v ORDER BY "atMs", view`,
    [persons],
  );

/** What was fetched by about `most` of `all` views, a fair part, the same each time. @param where from `conditionOf` */
export async function detailsWhere(
  database: Database,
  where: string,
  all: number,
  most: number,
): Promise<(Pick<ViewDetail, 'host' | 'resources'> & { page: number })[]> {
  return database.query(
    `SELECT page, detail->>'host' AS host, detail->'resources' AS resources FROM page_view JOIN page_detail USING (view) WHERE ${where} AND ${isAmong(most, all, 'view')}`,
  );
}

export interface CallFigures {
  call: string;
  calls: number;
  failed: number;
  medianMs: number;
  p95Ms: number;
}

/**
 * Calls that pages made in the background, most time first. @param page number of the page, when one is meant; of one
 * in `every` views
 */
export async function callsOf(
  database: Database,
  { window, page, every, most }: { window: Window; page: number | undefined; every: number; most: number },
): Promise<CallFigures[]> {
  return database.query<CallFigures>(
    `SELECT coalesce(${nameOf('c.call')}, '') AS call, calls, failed, median / 1000 AS "medianMs", p95 / 1000 AS "p95Ms"
       FROM (SELECT call, count(*)::int * ${every} AS calls, sum(failed)::int * ${every} AS failed, sum(duration_us) AS weight,
                    percentile_cont(0.5) WITHIN GROUP (ORDER BY duration_us) AS median, percentile_cont(0.95) WITHIN GROUP (ORDER BY duration_us) AS p95
               FROM page_call WHERE ${between('started_us', window)} ${page === undefined ? '' : `AND page = ${page}`} AND ${isOneOf(every, 'view')}
              GROUP BY call ORDER BY weight DESC, call LIMIT ${most}) c`,
  );
}

export interface StoredLoad extends ListedView, ViewDetail {
  kind: number;
  component: string;
  application: string;
  version: string;
  system: string;
  connection: string;
  tier: string;
  parts: (number | null)[];
  vitals: Record<Vital, number | null>;
  interactions: number;
  /** 32 hexadecimal digits; null when not told */
  traceId: string | null;
  spanId: string;
}

/** One view with all that is known of it. @param view 16 hexadecimal digits */
export async function loadView(database: Database, view: string): Promise<StoredLoad | undefined> {
  const [row] = await database.query<StoredLoad & { detail: ViewDetail }>(
    `SELECT ${LISTED}, kind, coalesce(${nameOf('component')}, '') AS component, coalesce(${nameOf('application')}, '') AS application,
            coalesce(${nameOf('version')}, '') AS version, coalesce(${nameOf('system')}, '') AS system, coalesce(${nameOf('connection')}, '') AS connection,
            coalesce(${nameOf('tier')}, '') AS tier, json_build_array(${PART_COLUMNS.map((column) => `${column}::float8 / 1000`).join()}) AS parts,
            json_build_object(${VITALS.map((vital) => `'${vital}', ${vital}`).join()}) AS vitals, interactions,
            replace(trace_id::text, '-', '') AS "traceId", lpad(to_hex(span_id), 16, '0') AS "spanId", detail
       FROM page_view JOIN page_detail USING (view) WHERE view = ('x' || $1)::bit(64)::int8`,
    [view],
  );
  if (!row) return undefined;
  const { detail, ...rest } = row;
  return { ...rest, ...detail };
}

/** Loads with what their spans are made from, by id. @param views 16 hexadecimal digits each */
export async function loadsOf(database: Database, views: readonly string[]): Promise<Map<string, Load>> {
  const rows = await database.query<Omit<Load, 'host' | 'resources'> & { detail: ViewDetail }>(
    `SELECT lpad(to_hex(view), 16, '0') AS id, started_us::float8 AS "atUs", coalesce(${nameOf('component')}, '') AS component,
            json_build_array(${PART_COLUMNS.map((column) => `${column}::float8 / 1000`).join()}) AS parts, detail
       FROM page_view JOIN page_detail USING (view) WHERE view = ANY(SELECT ('x' || id)::bit(64)::int8 FROM unnest($1::text[]) AS id) AND ${PART_COLUMNS[0]} IS NOT NULL`,
    [views],
  );
  return new Map(
    rows.map(({ detail, ...row }) => [row.id, { ...row, host: detail.host, resources: detail.resources }]),
  );
}

/** When the newest that browsers told of happened, milliseconds; 0 before the first. */
export async function newestOfPages(database: Database): Promise<number> {
  const [row] = await database.query<{ ms: number | null }>(
    `SELECT greatest((SELECT max(started_us) FROM page_view), (SELECT max(started_us) FROM page_call), (SELECT max(at_us) FROM script_error))::float8 / 1000 AS ms`,
  );
  return row?.ms ?? 0;
}

/** The view that a trace began in: by a call that it made, or by the load itself. @returns 16 hexadecimal digits */
export async function viewOfTrace(database: Database, traceId: string): Promise<string | undefined> {
  const [row] = await database.query<{ view: string }>(
    `SELECT lpad(to_hex(view), 16, '0') AS view FROM
       (SELECT view FROM page_call WHERE trace_id = $1::uuid UNION ALL SELECT view FROM page_view WHERE trace_id = $1::uuid) v LIMIT 1`,
    [traceId],
  );
  return row?.view;
}

export interface StoredError {
  id: string;
  view: string;
  atMs: number;
  component: string;
  version: string;
  page: string;
  person: number;
  browser: string;
  type: string;
  message: string;
  stack: string;
}

const ERROR = `lpad(to_hex(id), 16, '0') AS id, lpad(to_hex(view), 16, '0') AS view, at_us::float8 / 1000 AS "atMs", coalesce(${nameOf('component')}, '') AS component,
  coalesce(${nameOf('version')}, '') AS version, coalesce(${nameOf('page')}, '') AS page, person, coalesce(${nameOf('browser')}, '') AS browser, type, message, stack`;

/** Script errors of a window, the newest of more than `most`. @param condition begins with AND, or is empty */
export const errorsWithin = (
  database: Database,
  window: Window,
  condition: string,
  most: number,
): Promise<StoredError[]> =>
  database.query<StoredError>(
    `SELECT ${ERROR} FROM script_error WHERE ${between('at_us', window)}${condition} ORDER BY at_us DESC, id LIMIT ${most}`,
  );

export const errorsOfView = (database: Database, view: string): Promise<StoredError[]> =>
  database.query<StoredError>(
    `SELECT ${ERROR} FROM script_error WHERE view = ('x' || $1)::bit(64)::int8 ORDER BY at_us, id LIMIT 50`,
    [view],
  );

export interface SourceMapKey {
  component: string;
  version: string;
  /** last part of the script's path */
  file: string;
}

export const saveSourceMap = (
  database: Database,
  { component, version, file }: SourceMapKey,
  map: string,
): Promise<unknown> =>
  database.query(
    `INSERT INTO source_map (component, version, file, map) VALUES ($1, $2, $3, $4)
       ON CONFLICT (component, version, file) DO UPDATE SET map = excluded.map, uploaded = now()`,
    [component, version, file, map],
  );

export async function loadSourceMap(
  database: Database,
  { component, version, file }: SourceMapKey,
): Promise<string | undefined> {
  const [row] = await database.query<{ map: string }>(
    'SELECT map FROM source_map WHERE component = $1 AND version = $2 AND file = $3',
    [component, version, file],
  );
  return row?.map;
}

export const listSourceMaps = (database: Database): Promise<(SourceMapKey & { uploadedMs: number; bytes: number })[]> =>
  database.query(
    `SELECT component, version, file, extract(epoch FROM uploaded)::float8 * 1000 AS "uploadedMs", length(map) AS bytes FROM source_map ORDER BY uploaded DESC, component, version, file LIMIT 500`,
  );

/** What is kept of a view beside its figures. */
export type ViewDetail = Pick<PageView, 'path' | 'host' | 'resources' | 'moreResources'>;
