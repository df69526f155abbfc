import { join } from 'node:path';
import { readConfig } from '../config';
import { projectRoot } from '../project-root';
import { lockDataFolder } from '../store/lock';
import { checkFolder } from './check-folder';

/**
 * `npm run check`: looks at a data folder that no server uses; `-- --backups` reads every backup as well. Exit code 1
 * when something is wrong.
 */
const { dataDir, backupDir } = readConfig();
try {
  const { release } = lockDataFolder(dataDir);
  const findings = await checkFolder({
    dataDir,
    backupDir,
    templateDir: join(projectRoot(), '.cache', 'toplens'),
    withBackups: process.argv.includes('--backups'),
  });
  for (const { part, isGood, words } of findings) console.log(`${isGood ? 'good ' : 'WRONG'}  ${part}: ${words}`);
  release();
  process.exit(findings.every(({ isGood }) => isGood) ? 0 : 1);
} catch (error) {
  console.error((error as Error).message);
  process.exit(1);
}
