import { SHORTEST_PART } from '@toplens/core/masking';
import type { Database, Statement } from './database';
import { columnsOf, TABLES, type TableName } from './tables';

/** Rows of a table that are told of one person: more would be no file that anybody reads. */
const MOST_ROWS = 50_000;

const ATTEMPTS = 'SELECT trace_id FROM attempt WHERE person = ANY($1::int[])';
const SESSIONS = `SELECT session FROM attempt WHERE person = ANY($1::int[]) AND session <> 0
  UNION SELECT session FROM phone_crash WHERE person = ANY($1::int[]) AND session <> 0`;
const VIEWS = 'SELECT view FROM page_view WHERE person = ANY($1::int[])';

/** Where anything of a person stands, and which rows are theirs; $1: the person's numbers. */
const OWN_ROWS = {
  attempt: 'person = ANY($1::int[])',
  attempt_item: 'person = ANY($1::int[])',
  page_view: 'person = ANY($1::int[])',
  page_detail: `view IN (${VIEWS})`,
  page_call: `view IN (${VIEWS})`,
  script_error: 'person = ANY($1::int[])',
  phone_crash: 'person = ANY($1::int[])',
  phone_moment: `session IN (${SESSIONS})`,
  span: `trace_id IN (${ATTEMPTS})`,
  log_line: `trace_id IN (${ATTEMPTS})`,
} as const satisfies Partial<Record<TableName, string>>;

/** Details of failures are no telemetry table of their own: they are inserted beside. */
const FAILURE_DETAIL = `SELECT replace(trace_id::text, '-', '') AS trace_id, lpad(to_hex(span_id), 16, '0') AS span_id,
  message, class_name, method, file, line, stack FROM failure_detail WHERE trace_id IN (${ATTEMPTS})`;

/** What was read while an attempt of theirs was under way. */
const WATCH_READING = `SELECT to_char(to_timestamp(at_ms / 1e3) AT TIME ZONE 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"') AS at, instance,
  replace(trace_id::text, '-', '') AS trace_id, held FROM watch_reading WHERE trace_id IN (${ATTEMPTS})`;

const MOMENTS: ReadonlySet<string> = new Set(['started_us', 'at_us', 'start_us']);

/** A column as somebody reads it who does not know the database: names for numbers, moments in UTC. */
function readable(column: string, type: string): string {
  if (type === 'name')
    return `(SELECT rtrim(replace(value, chr(31), ' · '), ' ·') FROM name WHERE name.id = t.${column}) AS ${column}`;
  if (type === 'hex8') return `lpad(to_hex(t.${column}), 16, '0') AS ${column}`;
  if (type.startsWith('uuid')) return `replace(t.${column}::text, '-', '') AS ${column}`;
  if (MOMENTS.has(column))
    return `to_char(to_timestamp(t.${column} / 1e6) AT TIME ZONE 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"') AS ${column.replace('_us', '')}`;
  return `t.${column}`;
}

const readableColumns = (table: TableName): string =>
  Object.entries(TABLES[table].columns)
    .map(([column, type]) => readable(column, type))
    .join(', ');

/** All that is stored of a person, by table; `isCut` where a table holds more than is told. */
export async function everythingOf(
  database: Database,
  numbers: readonly number[],
): Promise<{ tables: Record<string, object[]>; isCut: boolean }> {
  const selects = [
    ...Object.entries(OWN_ROWS).map(([table, isOwn]) => [
      table,
      `SELECT ${readableColumns(table as TableName)} FROM (SELECT ${columnsOf(table as TableName)} FROM ${table} WHERE ${isOwn}) t`,
    ]),
    ['failure_detail', FAILURE_DETAIL],
    ['watch_reading', WATCH_READING],
  ] as [string, string][];
  const tables: Record<string, object[]> = {};
  let isCut = false;
  for (const [table, select] of selects) {
    const rows = await database.query<object>(`${select} LIMIT ${MOST_ROWS + 1}`, [numbers]);
    isCut ||= rows.length > MOST_ROWS;
    tables[table] = rows.slice(0, MOST_ROWS);
  }
  return { tables, isCut };
}

export async function attemptsOf(database: Database, numbers: readonly number[]): Promise<number> {
  const [row] = await database.query<{ n: number }>(
    'SELECT count(*)::int AS n FROM attempt WHERE person = ANY($1::int[])',
    [numbers],
  );
  return row?.n ?? 0;
}

/** What can hold an id beside the number of the person: texts that somebody or something wrote. */
const TEXTS = [
  ['log_line', 'body', ''],
  ['failure_detail', 'message', ''],
  ['failure_detail', 'stack', ''],
  ['script_error', 'message', ''],
  ['script_error', 'stack', ''],
  ['phone_crash', 'message', ''],
  ['phone_crash', 'stack', ''],
  ['phone_crash', 'detail', '::jsonb'],
  ['phone_moment', 'detail', '::jsonb'],
  ['page_detail', 'detail', '::jsonb'],
  ['watch_reading', 'held', '::jsonb'],
] as const;

const ERASED = '[erased]';

function withoutId(id: string, { table, column, type }: { table: string; column: string; type: string }): Statement {
  const text = `${column}::text`;
  if (id.length >= SHORTEST_PART)
    return {
      sql: `UPDATE ${table} SET ${column} = replace(${text}, $1, $2)${type} WHERE strpos(${text}, $1) > 0`,
      params: [id, ERASED],
    };
  const word = `(?<![\\w-])${id.replace(/\W/g, '\\$&')}(?![\\w-])`;
  return {
    sql: `UPDATE ${table} SET ${column} = regexp_replace(${text}, $1, $2, 'g')${type} WHERE ${text} ~ $1`,
    params: [word, ERASED],
  };
}

/**
 * Takes away what says who a person is: their id becomes nobody's, and goes out of every text that holds it. What was
 * measured stays, of somebody who cannot be known any more.
 *
 * @param ids what the person is stored under
 * @param nobody what stands for each of the numbers from now on
 */
export function erasePerson(
  database: Database,
  { numbers, ids, nobody }: { numbers: readonly number[]; ids: readonly string[]; nobody: (number: number) => string },
): Promise<unknown> {
  const statements: Statement[] = numbers.map((number) => ({
    sql: "UPDATE name SET value = $2, source = '' WHERE id = $1 AND kind = 'person'",
    params: [number, nobody(number)],
  }));
  for (const id of ids) {
    for (const [table, column, type] of TEXTS) statements.push(withoutId(id, { table, column, type }));
    statements.push(
      { sql: 'DELETE FROM attempt_mark WHERE strpos(mark::text, $1) > 0', params: [id] },
      { sql: 'DELETE FROM refused_record WHERE strpos(record, $1) > 0', params: [id] },
    );
  }
  return database.transaction(statements);
}
