import type { ObservedLine } from '@toplens/core/logs';
import { PAGE, severityWord } from '@toplens/core/telemetry';
import type { Window } from '@toplens/core/time';
import { isOneOf } from './fair-part';
import { eachSelected, integer, text } from './selection';
import type { Database } from './database';
import { nameOf } from '../names/name-of';

export interface StoredLine extends ObservedLine {
  host: string;
  /** 32 hexadecimal digits; '' for none */
  traceId: string;
  failure: string;
}

export interface LinesFound {
  lines: StoredLine[];
  /** share of the lines that were read: 1 unless there were too many */
  kept: number;
}

const LINE = {
  component: text(nameOf('l.component')),
  atUs: integer('l.at_us'),
  severity: integer('l.severity'),
  host: text(nameOf('l.host')),
  traceId: text("replace(l.trace_id::text, '-', '')"),
  failure: text(nameOf('l.failure')),
  body: text('l.body'),
};

async function readLines(database: Database, rest: string): Promise<StoredLine[]> {
  const lines: StoredLine[] = [];
  await eachSelected(database, LINE, `FROM log_line l ${rest}`, ({ atUs, ...line }) =>
    lines.push({ ...line, atMs: atUs / 1000 }),
  );
  return lines;
}

/** Lines since a moment, some of them where there are more. */
export const newestLines = (
  database: Database,
  { sinceMs, most }: { sinceMs: number; most: number },
): Promise<StoredLine[]> =>
  readLines(database, `WHERE l.at_us >= ${Math.floor(sinceMs * 1000)} LIMIT ${Math.floor(most)}`);

const between = ({ fromMs, toMs }: Window) =>
  `l.at_us >= ${Math.floor(fromMs * 1000)} AND l.at_us < ${Math.ceil(toMs * 1000)}`;

/** Numbers of components: numbers alone go into the text of a COPY. */
async function numbersOf(database: Database, components: readonly string[]): Promise<number[]> {
  const rows = await database.query<{ id: number }>(
    "SELECT id FROM name WHERE kind = 'component' AND value = ANY($1::text[])",
    [components],
  );
  return rows.map(({ id }) => id);
}

/**
 * Lines of some components in some windows; of more than `most` a fair part, the same each time: told by their
 * identity.
 */
export async function linesOf(
  database: Database,
  components: readonly string[],
  windows: readonly Window[],
  most: number,
): Promise<LinesFound> {
  const numbers = await numbersOf(database, components);
  if (numbers.length === 0) return { lines: [], kept: 1 };
  const where = `l.component IN (${numbers.join()}) AND (${windows.map(between).join(' OR ')})`;
  const [{ n } = { n: 0 }] = await database.query<{ n: number }>(
    `SELECT count(*)::int AS n FROM log_line l WHERE ${where}`,
  );
  const every = Math.max(1, Math.ceil(n / most));
  return {
    lines: await readLines(database, `WHERE ${where} AND ${isOneOf(every, 'l.identity')}`),
    kept: 1 / every,
  };
}

/**
 * Lines that belong to a trace, in order of time. @param components those of its spans @param traceId 32 hexadecimal
 * digits
 */
export async function linesOfTrace(
  database: Database,
  traceId: string,
  { components, window, most }: { components: readonly string[]; window: Window; most: number },
): Promise<StoredLine[]> {
  const numbers = await numbersOf(database, components);
  if (numbers.length === 0 || !/^[0-9a-f]{32}$/.test(traceId)) return [];
  return readLines(
    database,
    `WHERE l.component IN (${numbers.join()}) AND ${between(window)} AND l.trace_id = '${traceId}'::uuid ORDER BY l.at_us, l.identity LIMIT ${most}`,
  );
}

/** Where a trace's attempt is found, and who made it. */
export interface Entry {
  spanId: string;
  person: string;
}

/** The attempts that some traces tell of: their first spans. The load of the page that asked is no span of theirs. */
export async function entriesOf(database: Database, traceIds: readonly string[]): Promise<Map<string, Entry>> {
  const rows = await database.query<{ trace_id: string; span_id: string; person: string | null }>(
    `SELECT DISTINCT ON (trace_id) replace(trace_id::text, '-', '') AS trace_id, lpad(to_hex(span_id), 16, '0') AS span_id, p.value AS person
       FROM attempt LEFT JOIN name p ON p.id = attempt.person WHERE trace_id = ANY($1::uuid[]) AND flags & ${PAGE} = 0 ORDER BY trace_id, started_us, span_id`,
    [traceIds],
  );
  return new Map(rows.map(({ trace_id, span_id, person }) => [trace_id, { spanId: span_id, person: person ?? '' }]));
}

const IDS_AT_ONCE = 10_000;

/** Which of some traces hold an attempt of some flows. */
export async function tracesOfFlows(
  database: Database,
  traceIds: readonly string[],
  flows: readonly number[],
): Promise<Set<string>> {
  const found = new Set<string>();
  for (let at = 0; at < traceIds.length; at += IDS_AT_ONCE) {
    const rows = await database.query<{ trace_id: string }>(
      `SELECT DISTINCT replace(trace_id::text, '-', '') AS trace_id FROM attempt
        WHERE trace_id = ANY($1::uuid[]) AND flow = ANY($2::int[])`,
      [traceIds.slice(at, at + IDS_AT_ONCE), [...flows]],
    );
    for (const { trace_id } of rows) found.add(trace_id);
  }
  return found;
}

/**
 * A line as it is shown.
 *
 * @param masked its text, whoever it may name masked as everywhere
 * @param spanId of the stored attempt that it leads to; null for none
 */
export const lineShape = (
  { atMs, component, host, severity, body, traceId }: StoredLine,
  masked: (body: string) => string,
  spanId: string | null,
) => ({
  atMs,
  component,
  host,
  severity: severityWord(severity),
  body: masked(body),
  traceId: spanId === null ? null : traceId,
  spanId,
});
