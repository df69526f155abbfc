import { closeSync, mkdirSync, openSync, readFileSync, renameSync, rmSync, writeSync } from 'node:fs';
import { join } from 'node:path';

/** Two processes on one data folder lose acknowledged rows silently: see storage-facts. So only one may hold it. */
export class DataFolderInUse extends Error {
  override name = 'DataFolderInUse';
  constructor(dataDir: string, pid: number) {
    super(`${dataDir} is in use by process ${pid}: stop that server, or give this one another folder with TOPLENS_DATA`);
  }
}

/** When a process started, in ticks since boot: tells a process from a later one with the same number. */
function startOf(pid: number): string | undefined {
  try {
    const stat = readFileSync(`/proc/${pid}/stat`, 'utf8');
    // The command name may hold spaces and brackets: fields are counted from its last bracket.
    return stat.slice(stat.lastIndexOf(')') + 2).split(' ')[19];
  } catch {
    return undefined;
  }
}

function isAlive(pid: number): boolean {
  try {
    process.kill(pid, 0);
    return true;
  } catch (error) {
    return (error as NodeJS.ErrnoException).code === 'EPERM';
  }
}

/**
 * Takes the folder for this process alone. A lock whose owner has died is taken over.
 * @returns gives the folder back
 * @throws DataFolderInUse while another live process holds it
 */
export function lockDataFolder(dataDir: string): () => void {
  mkdirSync(dataDir, { recursive: true });
  const file = join(dataDir, 'lock');
  const own = `${process.pid} ${startOf(process.pid) ?? ''}`;
  for (let round = 0; round < 3; round++) {
    try {
      const handle = openSync(file, 'wx');
      writeSync(handle, own);
      closeSync(handle);
      return () => {
        if (readFileSync(file, 'utf8') === own) rmSync(file);
      };
    } catch (error) {
      if ((error as NodeJS.ErrnoException).code !== 'EEXIST') throw error;
    }
    const [pidText, start] = readFileSync(file, 'utf8').split(' ');
    const pid = Number(pidText);
    const sameProcess = Number.isInteger(pid) && pid > 0 && isAlive(pid) && (!start || startOf(pid) === start);
    if (sameProcess) throw new DataFolderInUse(dataDir, pid);
    // Renaming is atomic: of two that find a dead owner, one gets the old lock out of the way, the other tries again.
    try {
      renameSync(file, `${file}.stale-${process.pid}`);
      rmSync(`${file}.stale-${process.pid}`);
    } catch (error) {
      if ((error as NodeJS.ErrnoException).code !== 'ENOENT') throw error;
    }
  }
  throw new DataFolderInUse(dataDir, 0);
}
