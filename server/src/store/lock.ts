import { spawnSync } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { closeSync, ftruncateSync, mkdirSync, openSync, readFileSync, statSync, utimesSync, writeSync } from 'node:fs';
import { hostname } from 'node:os';
import { join } from 'node:path';
import { writeWhole } from './write-whole';

/** Two processes on one data folder lose acknowledged rows silently: see storage-facts. So only one may hold it. */
export class DataFolderInUse extends Error {
  override name = 'DataFolderInUse';
  constructor(dataDir: string, by: string) {
    super(`${dataDir} is in use by ${by}: stop that server, or give this one another folder with TOPLENS_DATA`);
  }
}

/** Another server took the folder over: nothing may be written any more. */
export class OwnershipLost extends Error {
  override name = 'OwnershipLost';
  constructor(dataDir: string, by: string) {
    super(`${dataDir} was taken over by ${by}: this server stops`);
  }
}

interface Owner {
  /** grows with each taking over */
  epoch: number;
  token: string;
  pid: number;
  /** when the process started, in ticks since boot: tells it from a later one with the same number */
  started: string;
  host: string;
}

export interface Ownership {
  /** number of this taking over, written with everything that goes into the journal */
  epoch: number;
  /** @throws OwnershipLost */
  check: () => void;
  release: () => void;
}

export const BEAT_EVERY_MS = 1_000;
/** Where the lock of the operating system does not reach, an owner that shows no sign of life for so long is dead. */
const DEAD_AFTER_MS = 4 * BEAT_EVERY_MS;

function startOf(pid: number): string {
  try {
    const stat = readFileSync(`/proc/${pid}/stat`, 'utf8');
    // The command name may hold spaces and brackets: fields are counted from its last bracket.
    return stat.slice(stat.lastIndexOf(')') + 2).split(' ')[19] ?? '';
  } catch {
    return '';
  }
}

function isAlive(pid: number, started: string): boolean {
  try {
    process.kill(pid, 0);
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code !== 'EPERM') return false;
  }
  return started === '' || startOf(pid) === started;
}

const wordsOf = ({ pid, host }: Pick<Owner, 'pid' | 'host'>) => `process ${pid} on ${host}`;

function readOwner(file: string): Owner | undefined {
  try {
    return JSON.parse(readFileSync(file, 'utf8')) as Owner;
  } catch {
    return undefined;
  }
}

const writeOwner = (file: string, owner: Owner): void => writeWhole(file, Buffer.from(JSON.stringify(owner)));

/**
 * Locks an open file by flock(2). The lock belongs to the open file, which the helper shares with us: it stays when the
 * helper ends, and goes with our process, however that ends. It holds across containers on one machine, whatever their
 * process numbers, and on network file systems that pass locks on.
 * @returns undefined where there is no helper
 */
function lockByOs(handle: number): boolean | undefined {
  const { status, error } = spawnSync('flock', ['--nonblock', '3'], { stdio: ['ignore', 'ignore', 'ignore', handle] });
  return error || status === null ? undefined : status === 0;
}

/** Looks for a while whether an owner shows signs of life. */
function seesBeat(file: string): boolean {
  const beatOf = () => statSync(file).mtimeMs;
  const first = beatOf();
  const wait = new Int32Array(new SharedArrayBuffer(4));
  for (let waited = 0; waited < DEAD_AFTER_MS; waited += 100) {
    Atomics.wait(wait, 0, 0, 100);
    if (beatOf() !== first) return true;
  }
  return false;
}

export interface LockOptions {
  lock?: typeof lockByOs;
  /** makes room on a disk that is full, once the folder is ours. @returns whether there is some now */
  giveUp?: (error: NodeJS.ErrnoException) => boolean;
}

/**
 * Takes the folder for this process alone: by a lock of the operating system, and, where that does not reach (another
 * host, no flock), by watching for signs of life. Each taking over gets a number; a writer that lost the folder finds
 * out at its next write, before it acknowledges anything.
 *
 * @throws DataFolderInUse while another live process holds it
 */
export function lockDataFolder(
  dataDir: string,
  { lock = lockByOs, giveUp = () => false }: LockOptions = {},
): Ownership {
  mkdirSync(dataDir, { recursive: true, mode: 0o700 });
  const lockFile = join(dataDir, 'lock');
  const ownerFile = join(dataDir, 'owner.json');
  const handle = openSync(lockFile, 'a+', 0o600);
  try {
    const before = readOwner(ownerFile);
    const locked = lock(handle);
    if (locked === false) throw new DataFolderInUse(dataDir, before ? wordsOf(before) : 'another process');
    const [pid, started = ''] = readFileSync(lockFile, 'utf8').split(' ');
    // Versions before 0.2 wrote their process number here and locked nothing.
    const isOlder = pid !== undefined && pid !== '' && before === undefined;
    if (isOlder && Number(pid) !== process.pid && isAlive(Number(pid), started))
      throw new DataFolderInUse(dataDir, wordsOf({ pid: Number(pid), host: hostname() }));
    const reaches = locked === true && before?.host === hostname();
    if (before && before.token !== '' && !reaches && seesBeat(lockFile))
      throw new DataFolderInUse(dataDir, wordsOf(before));
    const own: Owner = {
      epoch: (before?.epoch ?? 0) + 1,
      token: randomUUID(),
      pid: process.pid,
      started: startOf(process.pid),
      host: hostname(),
    };
    try {
      writeOwner(ownerFile, own);
    } catch (error) {
      // The disk is full to the last byte, and the folder is ours.
      if (!giveUp(error as NodeJS.ErrnoException)) throw error;
      writeOwner(ownerFile, own);
    }
    ftruncateSync(handle, 0);
    writeSync(handle, `${own.pid} ${own.started}`);
    const beat = setInterval(() => {
      try {
        utimesSync(lockFile, new Date(), new Date());
      } catch {
        // Who looks for signs of life will look again.
      }
    }, BEAT_EVERY_MS).unref();
    return {
      epoch: own.epoch,
      check: () => {
        const now = readOwner(ownerFile);
        if (now?.token !== own.token) throw new OwnershipLost(dataDir, now ? wordsOf(now) : 'nobody known');
      },
      release: () => {
        clearInterval(beat);
        // The number of this taking over stays, so that the next one is higher.
        if (readOwner(ownerFile)?.token === own.token) {
          writeOwner(ownerFile, { ...own, token: '' });
          ftruncateSync(handle, 0);
        }
        closeSync(handle);
      },
    };
  } catch (error) {
    closeSync(handle);
    throw error;
  }
}
