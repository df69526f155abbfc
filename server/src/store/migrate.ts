import { createHash } from 'node:crypto';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { PGlite } from '@electric-sql/pglite';
import { projectRoot } from '../project-root';

/** The database is sound, but this version cannot bring it up to date: nothing about it may be made anew. */
export class UpgradeFailed extends Error {
  override name = 'UpgradeFailed';
}

/** A newer version has used this database: this one does not know what stands where. */
export class NewerFolder extends UpgradeFailed {
  override name = 'NewerFolder';
}

export interface Migration {
  file: string;
  sql: string;
}

/** Migrations in order. Once released they are never edited: a change is a new file. */
export function readMigrations(dir = join(projectRoot(), 'server', 'src', 'store', 'migrations')): Migration[] {
  return readdirSync(dir)
    .filter((file) => file.endsWith('.sql'))
    .sort()
    .map((file) => ({ file, sql: readFileSync(join(dir, file), 'utf8') }));
}

const checksum = (sql: string) => createHash('sha256').update(sql).digest('hex');

/**
 * Runs the numbered SQL files that this database has not seen, each in a transaction. Forward only.
 *
 * @param beforeUpgrade called once before the first of them is run on a database that is in use
 * @throws NewerFolder when it has seen one that is not here
 * @throws UpgradeFailed naming the file, when one was edited after it had been run, or does not work
 */
export async function migrate(
  db: PGlite,
  migrations: readonly Migration[] = readMigrations(),
  beforeUpgrade: () => Promise<void> = () => Promise.resolve(),
): Promise<void> {
  await db.exec(`CREATE TABLE IF NOT EXISTS migration (file text PRIMARY KEY, at timestamptz NOT NULL DEFAULT now());
    ALTER TABLE migration ADD COLUMN IF NOT EXISTS checksum text`);
  const done = new Map(
    (await db.query<{ file: string; checksum: string | null }>('SELECT file, checksum FROM migration')).rows.map(
      (row) => [row.file, row.checksum],
    ),
  );
  const known = new Map(migrations.map(({ file, sql }) => [file, checksum(sql)]));
  for (const [file, sum] of done) {
    if (!known.has(file))
      throw new NewerFolder(
        `the data folder was used by a newer version (it has ${file}): start that version, or restore a backup made before the upgrade`,
      );
    // Versions before 0.2 kept no sums, and edited two files: 012 makes up for that.
    if (sum !== null && sum !== known.get(file))
      throw new UpgradeFailed(`migration ${file} was edited after it had been run: a change must be a new file`);
  }
  const pending = migrations.filter(({ file }) => !done.has(file));
  if (pending.length > 0 && done.size > 0) await beforeUpgrade();
  for (const { file, sql } of pending) {
    try {
      await db.transaction(async (tx) => {
        await tx.exec(sql);
        await tx.query('INSERT INTO migration (file, checksum) VALUES ($1, $2)', [file, checksum(sql)]);
      });
    } catch (error) {
      // Damaged files and a full disk are another matter: classes XX, 53 and 58 of SQLSTATE.
      if (/^(?:XX|53|58)/.test((error as { code?: string }).code ?? 'XX')) throw error;
      throw new UpgradeFailed(
        `migration ${file} does not work on this data folder (${(error as Error).message}): use the version that it was used by, and tell who makes this one`,
      );
    }
  }
  for (const [file, sum] of known)
    if (done.has(file) && done.get(file) === null)
      await db.query('UPDATE migration SET checksum = $2 WHERE file = $1', [file, sum]);
}
