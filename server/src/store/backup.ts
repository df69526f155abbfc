import { createHash } from 'node:crypto';
import {
  createReadStream,
  createWriteStream,
  existsSync,
  mkdirSync,
  openSync,
  readdirSync,
  readSync,
  closeSync,
  fsyncSync,
  fstatSync,
  renameSync,
  rmSync,
  statSync,
} from 'node:fs';
import { dirname, join, relative } from 'node:path';
import { PassThrough, type Readable } from 'node:stream';
import { finished, pipeline } from 'node:stream/promises';
import { createGunzip, createGzip } from 'node:zlib';
import { extract, pack, type Pack } from 'tar-stream';
import type { Database } from './database';
import { loadApplied } from './journal-applied';

/** What a backup says of itself; its last entry, so that a backup without it was cut off. */
export interface Manifest {
  layout: 1;
  madeAt: string;
  /** how far the journal is in it; what follows can be applied on top */
  applied: { segment: number; offset: number };
  /** SHA-256 by name */
  files: Record<string, string>;
}

export interface BackupSource {
  database: Pick<Database, 'backupStart' | 'backupStop' | 'query'>;
  dataDir: string;
  /** runs while no checkpoint is made */
  withoutCheckpoints: <Result>(work: () => Promise<Result>) => Promise<Result>;
}

export type Progress = (doneBytes: number, ofBytes: number) => void;

const MANIFEST = 'manifest.json';
const DATABASE = 'database';
/** Files beside the database that a folder is nothing without. */
const BESIDE = ['pseudonyms.secret'];
/** Belong to the process that runs. */
const LEFT_OUT = new Set(['postmaster.pid', 'backup_label', 'tablespace_map']);
const CHUNK = 1024 * 1024;

export class BackupUnusable extends Error {
  override name = 'BackupUnusable';
}

/**
 * A backup of the running server as a packed tar file, streamed. Consistent although the database is written to
 * meanwhile: its log since the beginning of the backup travels along, and is replayed when the copy is opened
 * (PostgreSQL documentation, "Making a Base Backup Using the Low Level API").
 */
export function backupStream(
  source: BackupSource,
  onProgress: Progress = () => undefined,
  onMark: (applied: Manifest['applied']) => void = () => undefined,
): Readable {
  const tar = pack();
  const packed = new PassThrough();
  const done = pipeline(tar, createGzip({ level: 1 }), packed);
  done.catch(() => undefined);
  writeEntries(source, tar, onProgress).then(
    (applied) => {
      onMark(applied);
      tar.finalize();
    },
    (error: Error) => {
      tar.destroy(error);
      packed.destroy(error);
    },
  );
  return packed;
}

async function writeEntries(
  { database, dataDir, withoutCheckpoints }: BackupSource,
  tar: Pack,
  onProgress: Progress,
): Promise<Manifest['applied']> {
  const folder = join(dataDir, DATABASE);
  const files: Record<string, string> = {};
  let done = 0;
  return withoutCheckpoints(async () => {
    await database.backupStart();
    let hasEnded = false;
    try {
      const mark = await loadApplied(database);
      const names = filesBelow(folder).filter((name) => !name.startsWith('pg_wal/') && !LEFT_OUT.has(name));
      const sizes = names.map((name) => statSync(join(folder, name), { throwIfNoEntry: false })?.size ?? 0);
      const all = sizes.reduce((sum, size) => sum + size, 0);
      for (const [i, name] of names.entries()) {
        files[`${DATABASE}/${name}`] = await addFile(tar, `${DATABASE}/${name}`, join(folder, name));
        done += sizes[i] as number;
        onProgress(done, all);
      }
      const { label } = await database.backupStop();
      hasEnded = true;
      files[`${DATABASE}/backup_label`] = await addBytes(tar, `${DATABASE}/backup_label`, Buffer.from(label));
      for (const name of filesBelow(join(folder, 'pg_wal')))
        files[`${DATABASE}/pg_wal/${name}`] = await addFile(
          tar,
          `${DATABASE}/pg_wal/${name}`,
          join(folder, 'pg_wal', name),
        );
      for (const name of BESIDE)
        if (existsSync(join(dataDir, name))) files[name] = await addFile(tar, name, join(dataDir, name));
      const manifest: Manifest = {
        layout: 1,
        madeAt: new Date().toISOString(),
        applied: mark ?? { segment: 0, offset: 0 },
        files,
      };
      await addBytes(tar, MANIFEST, Buffer.from(JSON.stringify(manifest)));
      return manifest.applied;
    } finally {
      if (!hasEnded) await database.backupStop().catch(() => undefined);
    }
  });
}

function filesBelow(folder: string): string[] {
  return readdirSync(folder, { recursive: true, withFileTypes: true })
    .filter((entry) => entry.isFile())
    .map((entry) => relative(folder, join(entry.parentPath, entry.name)))
    .sort();
}

/** A file as long as it is when it is opened: what grows meanwhile is in the log. @returns its SHA-256 */
async function addFile(tar: Pack, name: string, file: string): Promise<string> {
  if (!existsSync(file)) return addBytes(tar, name, Buffer.alloc(0));
  const handle = openSync(file, 'r');
  try {
    const { size } = fstatSync(handle);
    const hash = createHash('sha256');
    const entry = tar.entry({ name, size, mode: 0o600 });
    for (let at = 0; at < size;) {
      const chunk = Buffer.alloc(Math.min(CHUNK, size - at));
      // What was cut off meanwhile reads as zeros.
      readSync(handle, chunk, 0, chunk.length, at);
      hash.update(chunk);
      at += chunk.length;
      if (!entry.write(chunk)) await drained(entry);
      if (tar.destroyed) throw new Error('whoever takes the backup went away');
    }
    entry.end(Buffer.alloc(0));
    return hash.digest('hex');
  } finally {
    closeSync(handle);
  }
}

/** Until a stream takes more, or takes nothing any more. */
function drained(stream: NodeJS.EventEmitter): Promise<void> {
  return new Promise((resolve, reject) => {
    const go = () => {
      stream.removeListener('drain', go).removeListener('close', go).removeListener('error', reject);
      resolve();
    };
    stream.once('drain', go).once('close', go).once('error', reject);
  });
}

async function addBytes(tar: Pack, name: string, bytes: Buffer): Promise<string> {
  await new Promise<void>((resolve, reject) =>
    tar.entry({ name, mode: 0o600 }, bytes, (error) => (error ? reject(error) : resolve())),
  );
  return createHash('sha256').update(bytes).digest('hex');
}

/** Writes a backup to a file, which is there only when it is whole. @returns how far the journal is in it */
export async function writeBackup(
  source: BackupSource,
  file: string,
  onProgress?: Progress,
): Promise<Manifest['applied']> {
  mkdirSync(dirname(file), { recursive: true, mode: 0o700 });
  const half = `${file}.part`;
  try {
    let applied: Manifest['applied'] = { segment: 0, offset: 0 };
    await pipeline(
      backupStream(source, onProgress, (mark) => (applied = mark)),
      createWriteStream(half, { mode: 0o600 }),
    );
    finishFile(half, file);
    return applied;
  } catch (error) {
    rmSync(half, { force: true });
    throw error;
  }
}

/** Makes a written file durable under its final name. */
export function finishFile(half: string, file: string): void {
  const handle = openSync(half, 'r');
  fsyncSync(handle);
  closeSync(handle);
  renameSync(half, file);
}

/**
 * Unpacks a backup into a new folder and checks every byte against its sums.
 * @throws BackupUnusable when it was cut off, or a byte is not what it was
 */
export async function unpackBackup(file: string, intoDir: string): Promise<Manifest> {
  const tar = extract();
  const sums = new Map<string, string>();
  let manifest: Manifest | undefined;
  const reading = pipeline(createReadStream(file), createGunzip(), tar);
  reading.catch(() => undefined);
  try {
    for await (const entry of tar) {
      const { name } = entry.header;
      const target = join(intoDir, name);
      if (relative(intoDir, target).startsWith('..'))
        throw new BackupUnusable(`${file}: a name in it leads out of its folder`);
      if (name === MANIFEST) {
        const chunks: Buffer[] = [];
        for await (const chunk of entry) chunks.push(chunk as Buffer);
        manifest = JSON.parse(Buffer.concat(chunks).toString('utf8')) as Manifest;
        continue;
      }
      mkdirSync(dirname(target), { recursive: true, mode: 0o700 });
      const hash = createHash('sha256');
      const out = createWriteStream(target, { mode: 0o600 });
      for await (const chunk of entry) {
        hash.update(chunk as Buffer);
        if (!out.write(chunk)) await drained(out);
      }
      out.end();
      await finished(out);
      sums.set(name, hash.digest('hex'));
    }
    await reading;
  } catch (error) {
    throw error instanceof BackupUnusable
      ? error
      : new BackupUnusable(`${file} cannot be read: ${(error as Error).message}`);
  }
  if (!manifest) throw new BackupUnusable(`${file} was cut off: its end is missing`);
  for (const [name, sum] of Object.entries(manifest.files))
    if (sums.get(name) !== sum) throw new BackupUnusable(`${file}: ${name} is not what it was`);
  // Folders that hold nothing are not in the tar file, and the database does not open without them.
  for (const name of EMPTY_FOLDERS) mkdirSync(join(intoDir, DATABASE, name), { recursive: true, mode: 0o700 });
  return manifest;
}

const EMPTY_FOLDERS = [
  'pg_commit_ts',
  'pg_dynshmem',
  'pg_logical/mappings',
  'pg_logical/snapshots',
  'pg_multixact/members',
  'pg_multixact/offsets',
  'pg_notify',
  'pg_replslot',
  'pg_serial',
  'pg_snapshots',
  'pg_stat',
  'pg_stat_tmp',
  'pg_subtrans',
  'pg_tblspc',
  'pg_twophase',
  'pg_wal/archive_status',
  'pg_wal/summaries',
  'pg_xact',
];

const NAME = /^toplens-(\d{4}-\d{2}-\d{2}T\d{2}-\d{2}-\d{2})Z\.tar\.gz$/;
export const backupName = (atMs: number): string =>
  `toplens-${new Date(atMs).toISOString().slice(0, 19).replaceAll(':', '-')}Z.tar.gz`;

/** Backups that the server made by itself, newest first. */
export function listBackups(dir: string): { file: string; madeMs: number; bytes: number }[] {
  if (!existsSync(dir)) return [];
  return readdirSync(dir)
    .flatMap((name) => {
      const time = NAME.exec(name)?.[1];
      if (time === undefined) return [];
      const file = join(dir, name);
      return [
        {
          file,
          madeMs: Date.parse(`${time.slice(0, 10)}T${time.slice(11).replaceAll('-', ':')}Z`),
          bytes: statSync(file).size,
        },
      ];
    })
    .sort((a, b) => b.madeMs - a.madeMs);
}
