import type { Database, Statement } from '../store/database';
import { epochMs } from '../store/time-columns';
import { ThreadError } from '../threads/ask-and-serve';
import { KINDS, noRecords, type Records } from './records';

/** A record that the database refused, kept aside. */
export interface RefusedRecord {
  id: number;
  /** when it was refused, milliseconds since the epoch */
  atMs: number;
  kind: keyof Records;
  sqlstate: string;
  reason: string;
  /** as JSON */
  record: string;
}

/** So many are kept: beyond, the oldest go. */
const MOST_KEPT = 10_000;

/**
 * Classes of SQLSTATE (PostgreSQL documentation, appendix A) after which the same batch may well be taken: connection,
 * rollback, resources, prerequisite state, operator, system.
 */
const TRANSIENT_CLASSES = new Set(['08', '40', '53', '55', '57', '58']);
/** Memory is not a matter of waiting: a batch that needs more than there is will need it again. */
const OUT_OF_MEMORY = '53200';

/** Is it worth trying the same once more? Without a SQLSTATE the database did not answer at all. */
export function isTransient(error: unknown): boolean {
  if (!(error instanceof ThreadError)) return false;
  if (error.isGone) return true;
  return error.code !== undefined && error.code !== OUT_OF_MEMORY && TRANSIENT_CLASSES.has(error.code.slice(0, 2));
}

/** Records in two halves; the second is empty when there is one alone. */
export function halves(records: Records): [Records, Records] {
  const all = KINDS.flatMap((kind) => records[kind].map((one) => [kind, one] as const));
  const parts: [Records, Records] = [noRecords(), noRecords()];
  all.forEach(([kind, one], i) => (parts[i < Math.ceil(all.length / 2) ? 0 : 1][kind] as unknown[]).push(one));
  return parts;
}

export const countOf = (records: Records): number => KINDS.reduce((sum, kind) => sum + records[kind].length, 0);

/** Statements that keep records aside. */
export function keepAside(records: Records, error: { code?: string | undefined; message: string }): Statement[] {
  const rows = KINDS.flatMap((kind) => records[kind].map((one) => ({ kind, record: JSON.stringify(one) })));
  return [
    ...rows.map(({ kind, record }) => ({
      sql: 'INSERT INTO refused_record (kind, sqlstate, reason, record) VALUES ($1, $2, $3, $4)',
      params: [kind, error.code ?? '', error.message.slice(0, 500), record],
    })),
    { sql: 'DELETE FROM refused_record WHERE id <= (SELECT max(id) FROM refused_record) - $1', params: [MOST_KEPT] },
  ];
}

/** The record as it was before it was kept aside; of numbers, what JSON has no form for is NaN. */
export function recordOf({ kind, record }: Pick<RefusedRecord, 'kind' | 'record'>): Records {
  const one = JSON.parse(record) as Record<string, unknown>;
  if ('valueMinor' in one && one.valueMinor === null) one.valueMinor = NaN;
  return { ...noRecords(), [kind]: [one] };
}

export async function listRefused(
  database: Database,
  before: number,
  most: number,
): Promise<{ total: number; records: RefusedRecord[] }> {
  const [{ n } = { n: 0 }] = await database.query<{ n: number }>('SELECT count(*)::int AS n FROM refused_record');
  const records = await database.query<RefusedRecord>(
    `SELECT id::int AS id, ${epochMs('at')} AS "atMs", kind, sqlstate, reason, record FROM refused_record WHERE id < $1 ORDER BY id DESC LIMIT $2`,
    [before, most],
  );
  return { total: n, records };
}

export const dropRefused = async (database: Database, id: number): Promise<boolean> =>
  (await database.query('DELETE FROM refused_record WHERE id = $1 RETURNING id', [id])).length > 0;
