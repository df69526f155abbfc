import { createHash } from 'node:crypto';
import type { Database } from './database';

export interface AuditRecord {
  id: number;
  atMs: number;
  /** as the person said; '' where nobody was asked */
  who: string;
  address: string;
  what: string;
  about: string;
  /** JSON */
  detail: string;
}

interface StoredRecord extends AuditRecord {
  hash: string;
}

const COLUMNS = 'id::float8 AS id, at_ms::float8 AS "atMs", who, address, what, about, detail, hash';
/** What the first record is chained to. */
const BEGIN = '';

/** The hash of a record behind another: SHA-256 over the hash before it and all that it says, hexadecimal. */
export const hashBehind = (before: string, { id, atMs, who, address, what, about, detail }: AuditRecord): string =>
  createHash('sha256')
    .update(JSON.stringify([before, id, atMs, who, address, what, about, detail]))
    .digest('hex');

/** The records of an installation: written one after the other, never changed. */
export class AuditRecords {
  #last: Pick<StoredRecord, 'id' | 'hash'> | undefined;
  #writing: Promise<unknown> = Promise.resolve();

  constructor(private readonly database: Database) {}

  /** Resolves when the record stands in the database. */
  append(one: Omit<AuditRecord, 'id'>): Promise<void> {
    const written = this.#writing.then(() => this.#write(one));
    this.#writing = written.catch(() => undefined);
    return written;
  }

  async #write(one: Omit<AuditRecord, 'id'>): Promise<void> {
    const last = this.#last ?? (await newest(this.database));
    // Until it is written nobody knows what stands last.
    this.#last = undefined;
    const record = { ...one, id: (last?.id ?? 0) + 1 };
    const hash = hashBehind(last?.hash ?? BEGIN, record);
    await this.database.query(
      `INSERT INTO audit_record (id, at_ms, who, address, what, about, detail, hash)
       VALUES ($1, $2, $3, $4, $5, $6, $7, $8)`,
      [record.id, record.atMs, record.who, record.address, record.what, record.about, record.detail, hash],
    );
    this.#last = { id: record.id, hash };
  }
}

async function newest(database: Database): Promise<Pick<StoredRecord, 'id' | 'hash'> | undefined> {
  const [last] = await database.query<Pick<StoredRecord, 'id' | 'hash'>>(
    'SELECT id::float8 AS id, hash FROM audit_record ORDER BY id DESC LIMIT 1',
  );
  return last;
}

/** Newest first. @param find text that a record holds; '' for all @param before only older ones than this */
export const listRecords = (
  database: Database,
  { find, before, most }: { find: string; before: number | undefined; most: number },
): Promise<AuditRecord[]> =>
  database.query<AuditRecord>(
    `SELECT ${COLUMNS.replace(', hash', '')} FROM audit_record
      WHERE id < $1 AND ($2 = '' OR position(lower($2) IN lower(who || ' ' || address || ' ' || what || ' ' || about || ' ' || detail)) > 0)
      ORDER BY id DESC LIMIT $3`,
    [before ?? Number.MAX_SAFE_INTEGER, find, most],
  );

export interface Chain {
  records: number;
  /** the first record that does not fit the one before it; null when all do */
  brokenAt: number | null;
  /** hash of the newest one: written down elsewhere, it shows whether the newest are still there; '' without any */
  newest: string;
}

const AT_ONCE = 5_000;

/** Reads every record, and says whether each follows from the one before it. */
export async function verifyRecords(database: Database): Promise<Chain> {
  let [id, hash, records] = [0, BEGIN, 0];
  for (;;) {
    const rows = await database.query<StoredRecord>(
      `SELECT ${COLUMNS} FROM audit_record WHERE id > $1 ORDER BY id LIMIT ${AT_ONCE}`,
      [id],
    );
    for (const row of rows) {
      if (row.id !== id + 1 || row.hash !== hashBehind(hash, row))
        return { records: records + rows.length, brokenAt: id + 1, newest: hash };
      [id, hash, records] = [row.id, row.hash, records + 1];
    }
    if (rows.length < AT_ONCE) return { records, brokenAt: null, newest: hash };
  }
}
