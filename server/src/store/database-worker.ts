import { closeSync, existsSync, fsyncSync, openSync, readdirSync, statSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { parentPort, workerData, type MessagePort } from 'node:worker_threads';
import { PGlite, type Transaction } from '@electric-sql/pglite';
import { writeBackup } from './backup';
import { appliedUpTo } from './journal-applied';
import { threadMemory } from '../threads/thread-memory';
import { makeEmptyDatabase } from './empty-database';
import { migrate, UpgradeFailed } from './migrate';
import { columnsOf, TABLES, type TableName } from './tables';
import type { BackupEnd, DatabaseNotice, DatabaseQuestions, IngestBatch, IngestResult } from './protocol';
import { isDamage, serve, type Handlers } from '../threads/ask-and-serve';

const { dataDir, templateDir, backupDir } = workerData as {
  dataDir: string;
  templateDir: string;
  backupDir: string | undefined;
};

async function openDatabase(): Promise<PGlite> {
  if (!existsSync(join(dataDir, 'PG_VERSION'))) await makeEmptyDatabase(dataDir, templateDir);
  const startParams = [...PGlite.defaultStartParams, '-c', 'work_mem=64MB', '-c', 'synchronous_commit=off'];
  return PGlite.create({ dataDir, startParams });
}

const opened = openDatabase().then(async (db) => {
  await migrate(db, undefined, () => backUpBeforeUpgrade(db));
  for (const table of Object.keys(TABLES))
    await db.exec(
      `CREATE TEMP TABLE ${table}_in (LIKE ${table}); ALTER TABLE ${table}_in ADD COLUMN ord int GENERATED ALWAYS AS IDENTITY (MINVALUE 0 START 0)`,
    );
  return db;
});

/** Nobody else asks yet, so the files stand still once they are written out. */
async function backUpBeforeUpgrade(db: PGlite): Promise<void> {
  if (backupDir === undefined) return;
  const source = {
    backupStart: () => backupStart(db),
    backupStop: () => backupStop(db),
    // Of an older layout nothing is known of the journal: all of it is applied again.
    query: () => Promise.resolve([]),
  };
  const file = join(backupDir, `before-upgrade-${new Date().toISOString().slice(0, 19).replaceAll(':', '-')}Z.tar.gz`);
  await writeBackup({ database: source, dataDir: dirname(dataDir), withoutCheckpoints: (work) => work() }, file);
}

const UNIQUE_VIOLATION = '23505';

/**
 * Copies rows straight into their table. When one of them is there already the copy fails as a whole; then, and only
 * then, they go through a staging table that leaves out what is known. Re-sent rows are rare, so this nearly halves the
 * work.
 *
 * @returns ordinals of the rows that were there
 */
async function copyNewRows(tx: Transaction, table: TableName, rows: Uint8Array): Promise<number[]> {
  const { identity, newest }: { identity: readonly string[]; newest?: string } = TABLES[table];
  const columns = columnsOf(table);
  const blob = new Blob([rows]);
  // What is told again and again is hardly ever all new: the first try would be in vain.
  if (newest === undefined) {
    await tx.exec('SAVEPOINT before_copy');
    try {
      await tx.query(`COPY ${table} (${columns}) FROM '/dev/blob' (FORMAT binary)`, [], { blob });
      return [];
    } catch (error) {
      if ((error as { code?: string }).code !== UNIQUE_VIOLATION) throw error;
    }
    await tx.exec('ROLLBACK TO SAVEPOINT before_copy');
  }
  await tx.query(`COPY ${table}_in (${columns}) FROM '/dev/blob' (FORMAT binary)`, [], { blob });
  const isSame = identity.map((column) => `t.${column} = i.${column}`).join(' AND ');
  const known = await tx.query<{ ord: number }>(
    `SELECT ord FROM ${table}_in i WHERE EXISTS (SELECT 1 FROM ${table} t WHERE ${isSame})`,
  );
  await tx.query(
    newest === undefined
      ? `INSERT INTO ${table} (${columns}) SELECT ${columns} FROM ${table}_in ON CONFLICT DO NOTHING`
      : `INSERT INTO ${table} (${columns}) SELECT DISTINCT ON (${identity.join()}) ${columns} FROM ${table}_in ORDER BY ${identity.join()}, ${newest} DESC
           ON CONFLICT (${identity.join()}) DO UPDATE SET (${columns}) = ROW (${columns
             .split(', ')
             .map((column) => `excluded.${column}`)
             .join()})
           WHERE excluded.${newest} > ${table}.${newest}`,
  );
  await tx.exec(`TRUNCATE ${table}_in RESTART IDENTITY`);
  return known.rows.map((row) => row.ord);
}

async function ingest(db: PGlite, batch: IngestBatch): Promise<IngestResult> {
  return db.transaction(async (tx) => {
    const known = batch.attemptCount > 0 ? await copyNewRows(tx, 'attempt', batch.attempts) : [];
    for (const { table, rows } of batch.copies) await copyNewRows(tx, table, rows);
    if (batch.changes.length > 0)
      await tx.query(
        `INSERT INTO change_event SELECT id, at_us, kind, component, title, by
           FROM jsonb_to_recordset($1::jsonb) AS c (id text, at_us int8, kind text, component text, title text, by text) ON CONFLICT DO NOTHING`,
        [batch.changes],
      );
    if (batch.details.length > 0)
      await tx.query(
        `INSERT INTO failure_detail
           SELECT trace_id::uuid, ('x' || span_id)::bit(64)::int8, started_us, message, class_name, method, file, line, stack
             FROM jsonb_to_recordset($1::jsonb) AS d (trace_id text, span_id text, started_us int8, message text, class_name text, method text, file text, line int, stack text)
           ON CONFLICT DO NOTHING`,
        [batch.details],
      );
    if (batch.versions.length > 0)
      await tx.query(
        `INSERT INTO component_version SELECT component, version, first_us FROM jsonb_to_recordset($1::jsonb) AS v (component text, version text, first_us int8)
           ON CONFLICT (component, version) DO UPDATE SET first_us = least(component_version.first_us, excluded.first_us)`,
        [batch.versions],
      );
    if (batch.parts.length > 0)
      await tx.query(
        `INSERT INTO component_part
           SELECT component, host, application, region, version, last_us, first_us
             FROM jsonb_to_recordset($1::jsonb) AS p (component text, host text, application text, region text, version text, last_us int8, first_us int8)
           ON CONFLICT (component, host, application, region, version) DO UPDATE
             SET first_us = least(component_part.first_us, excluded.first_us), last_us = greatest(component_part.last_us, excluded.last_us)`,
        [batch.parts],
      );
    if (batch.mark) {
      const { sql, params } = appliedUpTo(batch.mark);
      await tx.query(sql, params);
    }
    if (batch.hours.length > 0)
      await tx.query(
        `INSERT INTO stale_hour (hour_ms, batch) SELECT h, $2 FROM unnest($1::int8[]) h ON CONFLICT (hour_ms) DO UPDATE SET batch = excluded.batch`,
        [batch.hours, batch.batch],
      );
    return { known };
  });
}

/**
 * Writes to the database's log alone: a database that broke inside fails at this, one that refused a statement does
 * not.
 */
const PROBE = "SELECT pg_logical_emit_message(false, 'toplens', '')";
/** internal_error and data_corrupted: PostgreSQL documentation, appendix A. */
const SUSPICIOUS = new Set(['XX000', 'XX001', 'XX002']);

/** Why the database cannot be asked any more; `undefined` when the error concerns the statement alone. */
async function whyBroken(db: PGlite, error: Error & { code?: string }): Promise<string | undefined> {
  const isStatement = error.code !== undefined && !SUSPICIOUS.has(error.code);
  if (isStatement) return undefined;
  try {
    await db.query(PROBE);
    return undefined;
  } catch (second) {
    return `${error.message}; ${(second as Error).message}`;
  }
}

/** PGlite never calls fsync: files below a folder that were written since a moment are synced here. */
function syncBelow(dir: string, sinceMs: number): void {
  for (const entry of readdirSync(dir, { withFileTypes: true })) {
    const path = join(dir, entry.name);
    if (entry.isDirectory()) syncBelow(path, sinceMs);
    else if (entry.isFile() && (statSync(path, { throwIfNoEntry: false })?.mtimeMs ?? 0) >= sinceMs) {
      const handle = openSync(path, 'r');
      try {
        fsyncSync(handle);
      } finally {
        closeSync(handle);
      }
    }
  }
}

let lastSyncMs = 0;

async function checkpoint(db: PGlite): Promise<void> {
  await db.exec('CHECKPOINT');
  if (dataDir === '') return;
  const since = lastSyncMs;
  const begun = Date.now() - 1000;
  syncBelow(dataDir, since);
  lastSyncMs = begun;
}

async function flush(db: PGlite): Promise<void> {
  await db.exec('SET synchronous_commit = on');
  // A commit that waits for the log writes it out, with all that was committed before.
  await db.query("SELECT pg_logical_emit_message(true, 'toplens', '')");
  await db.exec('SET synchronous_commit = off');
  if (dataDir !== '') syncBelow(join(dataDir, 'pg_wal'), Date.now() - 60_000);
}

async function backupStart(db: PGlite): Promise<void> {
  await checkpoint(db);
  await db.query("SELECT pg_backup_start('toplens', true)");
}

async function backupStop(db: PGlite): Promise<BackupEnd> {
  const { rows } = await db.query<{ labelfile: string }>('SELECT labelfile FROM pg_backup_stop(false)');
  await flush(db);
  return { label: rows[0]?.labelfile ?? '' };
}

const handlersFor = (db: PGlite): Handlers<DatabaseQuestions> => ({
  query: async ({ sql, params }) => (await db.query<Record<string, unknown>>(sql, params)).rows,
  copyOut: async ({ sql }) => {
    const { blob } = await db.query(`COPY (${sql}) TO '/dev/blob' (FORMAT binary)`);
    return new Uint8Array(await (blob as Blob).arrayBuffer());
  },
  exec: async ({ sql }) => {
    await db.exec(sql);
  },
  transaction: async (statements) => {
    await db.transaction(async (tx) => {
      for (const { sql, params } of statements) await tx.query(sql, params);
    });
  },
  ingest: (batch) => ingest(db, batch),
  checkpoint: () => checkpoint(db),
  flush: () => flush(db),
  backupStart: () => backupStart(db),
  backupStop: () => backupStop(db),
  connect: ({ port }) => listen(port),
  memory: () => threadMemory(),
  close: () => db.close(),
});

const notify = (notice: DatabaseNotice) => parentPort?.postMessage(notice);

let isBroken = false;

/** @returns whether whoever asked gets the error: nobody is answered by a database that broke */
async function lookAtError(db: PGlite, error: Error & { code?: string }): Promise<boolean> {
  if (isBroken) return false;
  const why = await whyBroken(db, error);
  if (why !== undefined) {
    isBroken = true;
    notify({ broken: why });
    return false;
  }
  if (isDamage(error)) notify({ damaged: error.message });
  return true;
}

function listen(port: MessagePort): void {
  const served = opened.then((db) =>
    serve<DatabaseQuestions>(port, handlersFor(db), {
      transfer: (answer) => (answer instanceof Uint8Array ? [answer.buffer as ArrayBuffer] : []),
      onError: (error) => lookAtError(db, error),
    }),
  );
  served.catch(() => undefined);
  port.on('message', (message: object) => {
    served.then(
      (take) => !isBroken && take(message),
      // It could not be opened.
      (error: Error) => notify({ broken: error.message, cannotUpgrade: error instanceof UpgradeFailed }),
    );
  });
}

if (parentPort) listen(parentPort);
