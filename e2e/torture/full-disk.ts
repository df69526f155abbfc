import { spawnSync } from 'node:child_process';
import { mkdirSync, rmSync, statfsSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { health as healthOf } from '../health';
import { startServerProcess, stop, temporaryFolder, until, type ServerProcess } from '../processes';
import { balanceOf, type Balance } from './counted';
import { CountingSender } from './sender';

/** What happens to the server while, or after, the disk is full. */
export type AfterFull = 'kill' | 'terminate' | 'goOn';

const DISK_MB = 400;

function asRoot(command: string, ...args: string[]): void {
  const isRoot = process.getuid?.() === 0;
  const { status, stderr } = spawnSync(isRoot ? command : 'sudo', isRoot ? args : ['-n', command, ...args], {
    encoding: 'utf8',
  });
  if (status !== 0)
    throw new Error(
      `${command} ${args.join(' ')}: ${stderr || 'not allowed'}: the tests of a full disk need the right to mount a small one`,
    );
}

/** A small disk of its own, in memory. */
export function smallDisk(megabytes = DISK_MB): { dir: string; remove: () => void } {
  const dir = temporaryFolder();
  asRoot('mount', '-t', 'tmpfs', '-o', `size=${megabytes}m,mode=0777`, 'tmpfs', dir);
  return {
    dir,
    remove: () => {
      asRoot('umount', '-l', dir);
      rmSync(dir, { recursive: true, force: true });
    },
  };
}

/** Fills a disk to the last byte but so many, as a log that nobody rotates does. */
export function fill(dir: string, leaveBytes: number): () => void {
  const { bavail, bsize } = statfsSync(dir);
  const file = join(dir, 'filler');
  try {
    writeFileSync(file, Buffer.alloc(Math.max(0, bavail * bsize - leaveBytes)));
  } catch {
    // Something else took the rest: it is full.
  }
  return () => rmSync(file, { force: true });
}

const LIMITS = { TOPLENS_DISK_RESERVE_MB: '16', TOPLENS_LEAST_FREE_DISK_MB: '40', TOPLENS_BACKUPS: '0' };

export interface FullDiskResult extends Balance {
  /** what health said while the disk was full */
  said: string;
}

/**
 * Sends, fills the disk at some moment, lets it be full for a while, then does something to the server, frees the disk,
 * and sends on. At the end the server is killed once more: what it acknowledged after all this must be on the disk.
 *
 * @param leaveBytes how much is left: above the server's limit of 40 MB nothing needs to stop, at 0 every write fails
 */
export async function fullDisk(after: AfterFull, momentMs: number, leaveBytes: number): Promise<FullDiskResult> {
  const disk = smallDisk();
  const dataDir = join(disk.dir, 'data');
  mkdirSync(dataDir);
  const sender = new CountingSender(60, 4);
  let server: ServerProcess | undefined;
  const start = async () => (server = await startServerProcess(dataDir, LIMITS, 60_000, 'any answer'));
  const health = () => healthOf(server?.url ?? '');
  try {
    await start();
    sender.start(() => server?.url ?? '');
    await new Promise((resolve) => setTimeout(resolve, momentMs));
    const free = fill(disk.dir, leaveBytes);
    const said = await until(
      'health to say that the disk is full',
      async () => {
        const { parts } = await health();
        return parts.disk?.state === 'down' && parts.disk.words;
      },
      20_000,
    );
    await new Promise((resolve) => setTimeout(resolve, 1_500));
    if (after !== 'goOn' && server) {
      await stop(server.process, after === 'kill' ? 'SIGKILL' : 'SIGTERM');
      await start();
    }
    free();
    const before = sender.acknowledged;
    await until('telemetry to be taken again', () => Promise.resolve(sender.acknowledged > before + 3_000), 60_000);
    await sender.stop();
    if (server) await stop(server.process, 'SIGKILL');
    await start();
    await until('health', async () => (await health()).status !== 'down', 60_000);
    return { ...(await balanceOf(server?.url ?? '', sender)), said };
  } finally {
    await sender.stop();
    if (server) await stop(server.process, 'SIGKILL');
    disk.remove();
  }
}
