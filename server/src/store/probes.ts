import { REQUEST_PARTS, type RequestParts } from '@toplens/core/probes';
import type { Window } from '@toplens/core/time';
import { nameOf } from '../names/name-of';
import { between } from './between';
import type { Database } from './database';

export interface StoredStep {
  id: string;
  name: string;
  startMs: number;
  durationMs: number;
  failed: boolean;
  /** '' when it did not fail */
  message: string;
  parts: RequestParts | undefined;
}

export interface StoredRun {
  /** 16 hexadecimal digits */
  id: string;
  traceId: string;
  atMs: number;
  durationMs: number;
  probe: string;
  application: string;
  site: string;
  host: string;
  failed: boolean;
  /** what is wrong with the runner; '' when it is well */
  fault: string;
  /** in the order of the script */
  steps: StoredStep[];
}

type RunRow = Omit<StoredRun, 'steps' | 'failed'> & { failed: number };
type StepRow = Omit<StoredStep, 'failed' | 'parts'> & { run: string; failed: number; parts: RequestParts | null };

const ID = (column: string) => `lpad(to_hex(${column}), 16, '0')`;
const RUN = `${ID('id')} AS id, replace(trace_id::text, '-', '') AS "traceId", at_us::float8 / 1000 AS "atMs", duration_us::float8 / 1000 AS "durationMs",
  coalesce(${nameOf('probe')}, '') AS probe, coalesce(${nameOf('application')}, '') AS application, coalesce(${nameOf('site')}, '') AS site,
  coalesce(${nameOf('host')}, '') AS host, failed, fault`;
const STEP = `${ID('id')} AS id, ${ID('run')} AS run, coalesce(${nameOf('name')}, '') AS name, at_us::float8 / 1000 AS "startMs",
  duration_us::float8 / 1000 AS "durationMs", failed, message, parts`;

/** Numbers of a name among those of its kind, in SQL; `$n` is the text. */
const numbersOf = (kind: 'probe' | 'site', parameter: string) =>
  `(SELECT id FROM name WHERE kind = '${kind}' AND value = ${parameter})`;

/** Runs that began in a window, oldest first; of more than `most` the newest. */
export async function runsWithin(
  database: Database,
  {
    window,
    probe,
    site,
    most,
  }: { window: Window; probe?: string | undefined; site?: string | undefined; most: number },
): Promise<StoredRun[]> {
  const wanted = `SELECT * FROM probe_run WHERE ${between('at_us', window)}
      AND ($1::text IS NULL OR probe IN ${numbersOf('probe', '$1')}) AND ($2::text IS NULL OR site IN ${numbersOf('site', '$2')})
    ORDER BY at_us DESC, id LIMIT ${most}`;
  const of = [probe ?? null, site ?? null];
  const runs = await database.query<RunRow & Record<string, unknown>>(
    `SELECT ${RUN} FROM (${wanted}) run ORDER BY at_us, id`,
    of,
  );
  const steps = await database.query<StepRow & Record<string, unknown>>(
    `SELECT ${STEP} FROM probe_step WHERE run IN (SELECT id FROM (${wanted}) run) ORDER BY place, at_us`,
    of,
  );
  return withSteps(runs, steps);
}

/** One run; `undefined` when none of this number is kept. @param id 16 hexadecimal digits */
export async function loadRun(database: Database, id: string): Promise<StoredRun | undefined> {
  const runs = await database.query<RunRow & Record<string, unknown>>(
    `SELECT ${RUN} FROM probe_run WHERE id = ('x' || $1)::bit(64)::int8`,
    [id],
  );
  const steps = await database.query<StepRow & Record<string, unknown>>(
    `SELECT ${STEP} FROM probe_step WHERE run = ('x' || $1)::bit(64)::int8 ORDER BY place, at_us`,
    [id],
  );
  return withSteps(runs, steps)[0];
}

function withSteps(runs: readonly RunRow[], steps: readonly StepRow[]): StoredRun[] {
  const byRun = new Map<string, StoredStep[]>();
  for (const { run, failed, parts, ...step } of steps) {
    const own = byRun.get(run) ?? [];
    own.push({ ...step, failed: failed !== 0, parts: parts ? partsOf(parts) : undefined });
    byRun.set(run, own);
  }
  return runs.map(({ failed, ...run }) => ({ ...run, failed: failed !== 0, steps: byRun.get(run.id) ?? [] }));
}

const partsOf = (parts: RequestParts): RequestParts =>
  Object.fromEntries(REQUEST_PARTS.map((name) => [name, parts[name] ?? 0])) as unknown as RequestParts;
