import { createHash } from 'node:crypto';
import { cpSync, existsSync, mkdirSync, mkdtempSync, renameSync, rmdirSync, rmSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { PGlite } from '@electric-sql/pglite';
import { migrate, readMigrations } from './migrate';

/**
 * Makes the folder of a database with all tables and no rows. initdb and the migrations take 6 to 12 s, so that an
 * empty database is made once per machine and copied. The folder has its name only when it is whole.
 *
 * @param dataDir must not be there, or be empty
 * @param templateDir where empty databases are kept, one for each state of the migrations
 */
export async function makeEmptyDatabase(dataDir: string, templateDir: string): Promise<void> {
  const template = join(templateDir, `empty-database-${migrationsHash()}`);
  if (!existsSync(template)) await makeTemplate(template);
  mkdirSync(dirname(dataDir), { recursive: true });
  // With files in it this fails: what they are is for those to say who set damaged databases aside.
  if (existsSync(dataDir)) rmdirSync(dataDir);
  const unfinished = mkdtempSync(`${dataDir}.unfinished-`);
  cpSync(template, unfinished, { recursive: true });
  renameSync(unfinished, dataDir);
}

const migrationsHash = () => createHash('sha256').update(JSON.stringify(readMigrations())).digest('hex').slice(0, 16);

async function makeTemplate(template: string): Promise<void> {
  mkdirSync(dirname(template), { recursive: true });
  const unfinished = mkdtempSync(`${template}.unfinished-`);
  const database = await PGlite.create({ dataDir: unfinished });
  await migrate(database);
  await database.close();
  try {
    renameSync(unfinished, template);
  } catch (error) {
    rmSync(unfinished, { recursive: true, force: true });
    // Another thread or process has made it meanwhile.
    if (!existsSync(template)) throw error;
  }
}
