import { existsSync, mkdtempSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { Segments } from '../engine/state/segments';
import { Journal, START, type Damage } from '../intake/journal';
import { verifyRecords, type Chain } from '../store/audit-records';
import { Database } from '../store/database';
import { loadApplied } from '../store/journal-applied';
import { listBackups, unpackBackup } from '../store/backup';

export interface Finding {
  part: 'journal' | 'database' | 'records' | 'hours' | 'backups';
  isGood: boolean;
  /** for people: what was found, and what can be made anew from what */
  words: string;
}

export interface CheckOptions {
  dataDir: string;
  backupDir: string;
  templateDir: string;
  /** reads every backup whole, too */
  withBackups: boolean;
}

/**
 * Looks at everything in a data folder that no server uses. Nothing is changed, except that the database closes in good
 * order.
 */
export async function checkFolder({ dataDir, backupDir, templateDir, withBackups }: CheckOptions): Promise<Finding[]> {
  const findings: Finding[] = [];
  const add = (part: Finding['part'], isGood: boolean, words: string) => void findings.push({ part, isGood, words });
  const journal = Journal.open(join(dataDir, 'journal'));
  const damages: Damage[] = [];
  let entries = 0;
  for (const _ of journal.replay(START, { onDamage: (damage) => damages.push(damage) })) entries++;
  add(
    'journal',
    damages.length === 0,
    `${entries} entries in ${journal.segments.length} segments${journal.isComplete ? ', complete from the beginning' : ''}`,
  );
  for (const { segment, fromByte, toByte } of damages)
    add(
      'journal',
      false,
      `segment ${segment}: bytes ${fromByte} to ${toByte} cannot be read. They are passed over and kept in journal/damaged; all behind them is read.`,
    );

  const folder = join(dataDir, 'database');
  if (!existsSync(join(folder, 'PG_VERSION'))) add('database', false, `it is gone. ${howToMend(backupDir, journal)}`);
  else await checkDatabase();

  const segments = new Segments(join(dataDir, 'segments'));
  const bad = segments.hours.filter((hourMs) => !segments.read(hourMs));
  add(
    'hours',
    bad.length === 0,
    bad.length === 0
      ? `${segments.hours.length} files of hours`
      : `${bad.length} files of hours could not be read and were dropped: they are made anew from the database.`,
  );

  for (const { file } of listBackups(backupDir)) {
    if (!withBackups) {
      add('backups', true, file);
      continue;
    }
    const dir = mkdtempSync(join(dataDir, 'checking-'));
    try {
      const { madeAt } = await unpackBackup(file, dir);
      add('backups', true, `${file}: whole, of ${madeAt}`);
    } catch (error) {
      add('backups', false, `${(error as Error).message}. Delete it and make another: npm run backup -- FILE.`);
    } finally {
      rmSync(dir, { recursive: true, force: true });
    }
  }
  return findings;

  function addRecords({ records, brokenAt, newest }: Chain): void {
    if (brokenAt === null)
      add('records', true, `${records}, each following from the one before it; newest ${newest || 'none'}`);
    else
      add(
        'records',
        false,
        `record ${brokenAt} does not follow from the one before it: it was changed, or one is missing. A backup of before holds what was there.`,
      );
  }

  async function checkDatabase(): Promise<void> {
    let database: Database | undefined;
    try {
      database = await Database.open(folder, { templateDir });
      const tables = await database.query<{ name: string }>(
        "SELECT relname AS name FROM pg_class WHERE relkind = 'r' AND relnamespace = 'public'::regnamespace ORDER BY 1",
      );
      const mark = await loadApplied(database);
      const unreadable: string[] = [];
      for (const { name } of tables)
        // Every page is read, and its sum compared.
        await database
          .query(`SELECT count(t.*) FROM "${name}" t`)
          .catch((error: Error) => unreadable.push(`${name} (${error.message})`));
      if (unreadable.length > 0)
        add(
          'database',
          false,
          `these tables cannot be read whole: ${unreadable.join('; ')}. ${howToMend(backupDir, journal)}`,
        );
      else
        add(
          'database',
          true,
          `${tables.length} tables read whole; the journal is applied up to ${mark ? `segment ${mark.segment}, byte ${mark.offset}` : 'nowhere yet'}`,
        );
      if (unreadable.length === 0) addRecords(await verifyRecords(database));
    } catch (error) {
      add(
        'database',
        false,
        `it does not open (${(error as Error).message.slice(0, 200)}). ${howToMend(backupDir, journal)}`,
      );
    } finally {
      await database?.close();
    }
  }
}

function howToMend(backupDir: string, journal: Journal): string {
  const [newest] = listBackups(backupDir);
  if (newest) return `The next start makes it anew from ${newest.file} and the journal.`;
  if (journal.isComplete) return 'The next start makes it anew from the journal, which is complete.';
  return 'There is no backup, and the journal is not complete: with TOPLENS_ACCEPT_LOSS=1 the next start goes on with what the journal has.';
}
