import { existsSync, renameSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { readConfig } from '../config';
import { lockDataFolder } from '../store/lock';
import { placeBackup } from './open-database';

/**
 * `npm run restore -- FILE`: puts a backup in place; the journal behind it is applied at the next start. What is there
 * is set aside.
 */
const [file] = process.argv.slice(2);
const { dataDir } = readConfig();
try {
  if (file === undefined || !existsSync(file))
    throw new Error(
      `say which backup: npm run restore -- FILE.tar.gz${file === undefined ? '' : ` (there is no ${resolve(file)})`}`,
    );
  const { release } = lockDataFolder(dataDir);
  const folder = join(dataDir, 'database');
  const aside = `${folder}.before-restore-${new Date().toISOString().replaceAll(':', '-').slice(0, 19)}`;
  const hasOne = existsSync(folder);
  if (hasOne) renameSync(folder, aside);
  try {
    await placeBackup(resolve(file), dataDir);
  } catch (error) {
    if (hasOne) renameSync(aside, folder);
    throw error;
  }
  release();
  console.log(`restored to ${dataDir}${hasOne ? `; what was there is in ${aside}` : ''}`);
  console.log('start the server: it applies what its journal has beyond the backup');
  process.exit(0);
} catch (error) {
  console.error(`nothing was changed: ${(error as Error).message}`);
  process.exit(1);
}
