import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { PGlite } from '@electric-sql/pglite';
import { projectRoot } from '../config';

/** Runs the numbered SQL files that this database has not seen, each in a transaction. Forward only. */
export async function migrate(db: PGlite): Promise<void> {
  await db.exec('CREATE TABLE IF NOT EXISTS migration (file text PRIMARY KEY, at timestamptz NOT NULL DEFAULT now())');
  const done = new Set((await db.query<{ file: string }>('SELECT file FROM migration')).rows.map((row) => row.file));
  const dir = join(projectRoot(), 'server', 'src', 'store', 'migrations');
  const files = readdirSync(dir)
    .filter((file) => file.endsWith('.sql'))
    .sort();
  for (const file of files) {
    if (done.has(file)) continue;
    await db.transaction(async (tx) => {
      await tx.exec(readFileSync(join(dir, file), 'utf8'));
      await tx.query('INSERT INTO migration (file) VALUES ($1)', [file]);
    });
  }
}
