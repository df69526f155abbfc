import { existsSync, mkdirSync, readdirSync, renameSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import type { Logger } from 'pino';
import { Database } from '../store/database';
import { UpgradeFailed } from '../store/migrate';
import { listBackups, unpackBackup } from '../store/backup';

export interface OpenOptions {
  dataDir: string;
  templateDir: string;
  backupDir: string;
  log: Logger;
  /** every record ever taken is still in the journal */
  isJournalComplete: () => boolean;
  /** there is no room on the disk: nothing is wrong with the files */
  isDiskFull: () => boolean;
  /** starts with what there is, although it is known that something is missing */
  acceptLoss: boolean;
}

export interface Opened {
  database: Database;
  /** what had to be done, for people; `undefined` when nothing was wrong */
  mended: string | undefined;
}

export class CannotRebuild extends Error {
  override name = 'CannotRebuild';
}

const TRIES = 2;

/**
 * Opens the database. One that does not open, or is gone, is set aside and made anew: from the newest backup that is
 * whole, or from nothing, when the journal still has all that was ever taken. The journal behind it is applied
 * afterwards.
 *
 * @throws CannotRebuild when something would be missing: then a person decides
 * @throws UpgradeFailed when the files are sound, and of a version that this one cannot use
 */
export async function openDatabase(options: OpenOptions): Promise<Opened> {
  const folder = join(options.dataDir, 'database');
  const isThere = existsSync(join(folder, 'PG_VERSION'));
  const isNew = !isThere && options.isJournalComplete() && listBackups(options.backupDir).length === 0;
  if (!isThere && !isNew) return rebuild(options, 'The database is gone.');
  for (let tries = 1; ; tries++) {
    try {
      return { database: await Database.open(folder, options), mended: undefined };
    } catch (error) {
      if (error instanceof UpgradeFailed) throw error;
      options.log.error({ err: error, tries }, 'the database does not open');
      if (options.isDiskFull()) {
        await new Promise((resolve) => setTimeout(resolve, 2_000));
        tries = 0;
      } else if (tries >= TRIES)
        return rebuild(options, `The database did not open (${(error as Error).message.slice(0, 200)}).`);
    }
  }
}

async function rebuild(options: OpenOptions, why: string): Promise<Opened> {
  const mended = await placeAnew(options, why);
  return { database: await Database.open(join(options.dataDir, 'database'), options), mended };
}

/**
 * Puts the files in place from which a database can be opened, or none for an empty one; what is there is set aside.
 * @returns what was done, for people
 * @throws CannotRebuild
 */
export async function placeAnew(
  { dataDir, backupDir, log, isJournalComplete, acceptLoss }: OpenOptions,
  why: string,
): Promise<string> {
  const folder = join(dataDir, 'database');
  const aside = setAside(folder);
  const wasSetAside = aside ? ` It was set aside as ${aside}.` : '';
  const fromBackup = await restoreNewest(dataDir, backupDir, log);
  if (!fromBackup && !isJournalComplete() && !acceptLoss) {
    if (aside) renameSync(aside, folder);
    throw new CannotRebuild(
      `${why} There is no backup in ${backupDir} that is whole, and the journal no longer has all that was taken. ` +
        'Give a backup to "npm run restore -- FILE", or start with TOPLENS_ACCEPT_LOSS=1 to go on with what the journal has.',
    );
  }
  const mended = `${why}${wasSetAside} It was made anew from ${fromBackup ?? 'the journal'}${fromBackup ? ' and the journal' : ''}.`;
  log.error({ aside, fromBackup }, mended);
  return mended;
}

function setAside(folder: string): string | undefined {
  if (!existsSync(folder) || readdirSync(folder).length === 0) return undefined;
  const aside = `${folder}.damaged-${new Date().toISOString().replaceAll(':', '-').slice(0, 19)}`;
  renameSync(folder, aside);
  return aside;
}

/** @returns the backup's file; `undefined` when there is none that is whole */
async function restoreNewest(dataDir: string, backupDir: string, log: Logger): Promise<string | undefined> {
  for (const { file } of listBackups(backupDir)) {
    try {
      await placeBackup(file, dataDir);
      return file;
    } catch (error) {
      log.error({ err: error, file }, 'a backup cannot be used');
    }
  }
  return undefined;
}

/** Unpacks a backup beside the folder and puts its database in place. The folder must have no database. */
export async function placeBackup(file: string, dataDir: string): Promise<void> {
  const temporary = join(dataDir, 'restoring');
  rmSync(temporary, { recursive: true, force: true });
  mkdirSync(temporary, { recursive: true, mode: 0o700 });
  try {
    await unpackBackup(file, temporary);
    for (const name of readdirSync(temporary))
      if (!existsSync(join(dataDir, name))) renameSync(join(temporary, name), join(dataDir, name));
  } finally {
    rmSync(temporary, { recursive: true, force: true });
  }
}
