import { createWriteStream, existsSync } from 'node:fs';
import { request, type IncomingMessage } from 'node:http';
import { join, resolve } from 'node:path';
import { pipeline } from 'node:stream/promises';
import { readConfig } from '../config';
import { projectRoot } from '../project-root';
import { Database } from '../store/database';
import { DataFolderInUse, lockDataFolder } from '../store/lock';
import { adminSocketPath } from './admin-socket';
import { finishFile, writeBackup } from '../store/backup';

/** `npm run backup -- FILE`: of the running server through its socket; when none runs, of its folder. */
const [file] = process.argv.slice(2);
if (file === undefined) fail('say where to: npm run backup -- FILE.tar.gz');
const target = resolve(file);
const { dataDir } = readConfig();

function fail(words: string): never {
  console.error(words);
  process.exit(1);
}

function tell(bytes: number): void {
  if (process.stdout.isTTY) process.stdout.write(`\r${Math.round(bytes / 1024 / 1024)} MB written `);
}

async function fromRunning(): Promise<void> {
  const answer = await new Promise<IncomingMessage>((done, failed) => {
    request({ socketPath: adminSocketPath(dataDir), path: '/backup' }, done)
      .on('error', failed)
      .end();
  });
  let bytes = 0;
  answer.on('data', (chunk: Buffer) => tell((bytes += chunk.length)));
  await pipeline(answer, createWriteStream(`${target}.part`, { mode: 0o600 }));
  finishFile(`${target}.part`, target);
}

async function fromFolder(release: () => void): Promise<void> {
  const database = await Database.open(join(dataDir, 'database'), {
    templateDir: join(projectRoot(), '.cache', 'toplens'),
  });
  try {
    await writeBackup({ database, dataDir, withoutCheckpoints: (work) => work() }, target, tell);
  } finally {
    await database.close();
    release();
  }
}

try {
  if (!existsSync(join(dataDir, 'database', 'PG_VERSION')))
    fail(`there is no database in ${dataDir}: set TOPLENS_DATA`);
  let release: (() => void) | undefined;
  try {
    ({ release } = lockDataFolder(dataDir));
  } catch (error) {
    if (!(error instanceof DataFolderInUse)) throw error;
  }
  await (release ? fromFolder(release) : fromRunning());
  console.log(`\nwritten: ${target}`);
  process.exit(0);
} catch (error) {
  fail(`the backup could not be made: ${(error as Error).message}`);
}
