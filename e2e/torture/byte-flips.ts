import { cpSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { join, relative } from 'node:path';
import { seededRandom } from '@toplens/core/stats';
import { health } from '../health';
import { removeFolder, startServerProcess, stop, temporaryFolder, until } from '../processes';
import { storedAt } from './counted';
import { CountingSender } from './sender';

export interface FlipResult {
  flips: number;
  /** the server started and had all that was acknowledged */
  whole: number;
  /** it started with less, and said so in its health */
  lessAndTold: number;
  /** it refused to start, with a sentence */
  refused: number;
  /** it started with less and said nothing, or did not start and said nothing */
  wrong: { file: string; byte: number; what: string }[];
}

const filesBelow = (dir: string): string[] =>
  readdirSync(dir, { recursive: true, withFileTypes: true })
    .filter((entry) => entry.isFile())
    .map((entry) => relative(dir, join(entry.parentPath, entry.name)));

/**
 * Flips a byte in a data folder, one place at a time, and starts the server on it. Journal, hours, the database's own
 * log, control file and tables all get their turn.
 */
export async function byteFlips(flips: number, seed = 1): Promise<FlipResult> {
  const sound = temporaryFolder();
  const sender = new CountingSender(40, 2);
  // Ended by kill -9 after a while, so that journal and log both hold what the tables do not.
  const first = await startServerProcess(sound);
  sender.start(() => first.url);
  await new Promise((resolve) => setTimeout(resolve, 4_000));
  await sender.stop();
  await new Promise((resolve) => setTimeout(resolve, 2_000));
  await stop(first.process, 'SIGKILL');
  const random = seededRandom(seed);
  const all = filesBelow(sound).filter(
    (name) =>
      !['reserve', 'lock', 'admin.sock'].includes(name) &&
      !name.endsWith('.damaged') &&
      statSync(join(sound, name)).size > 0,
  );
  const kinds = [
    all.filter((name) => name.startsWith('journal/')),
    all.filter((name) => name.startsWith('database/pg_wal/')),
    all.filter((name) => name.startsWith('database/global/')),
    all.filter((name) => name.startsWith('database/base/')),
    all.filter((name) => name.startsWith('segments/') || !name.includes('/')),
  ].filter((names) => names.length > 0);
  const result: FlipResult = { flips, whole: 0, lessAndTold: 0, refused: 0, wrong: [] };
  try {
    for (let n = 0; n < flips; n++) {
      const names = kinds[n % kinds.length] as string[];
      // Large files hold what counts.
      const sizes = names.map((name) => statSync(join(sound, name)).size);
      let at = Math.floor(random() * sizes.reduce((a, b) => a + b, 0));
      const chosen = sizes.findIndex((size) => (at -= size) < 0);
      const file = names[chosen] as string;
      const byte = at + (sizes[chosen] as number);
      const dir = temporaryFolder();
      try {
        // A socket is nothing to copy, and the reserve says nothing.
        cpSync(sound, dir, {
          recursive: true,
          filter: (from) => !from.endsWith('.sock') && !from.endsWith('/reserve'),
        });
        const bytes = readFileSync(join(dir, file));
        bytes[byte] = (bytes[byte] as number) ^ (1 << Math.floor(random() * 8));
        writeFileSync(join(dir, file), bytes);
        const what = await tryStart(dir, sender.acknowledged);
        if (what === 'whole') result.whole++;
        else if (what === 'told') result.lessAndTold++;
        else if (what === 'refused') result.refused++;
        else result.wrong.push({ file, byte, what });
      } finally {
        removeFolder(dir);
      }
    }
    return result;
  } finally {
    removeFolder(sound);
  }
}

async function tryStart(dataDir: string, acknowledged: number): Promise<string> {
  let server: Awaited<ReturnType<typeof startServerProcess>>;
  try {
    server = await startServerProcess(dataDir, { TOPLENS_BACKUPS: '0' }, 45_000, 'telemetry taken');
  } catch (error) {
    return `did not start: ${(error as Error).message}`;
  }
  try {
    if (server.process.exitCode !== null) return 'refused';
    const stored = await until(
      'what is stored',
      async () => {
        const n = await storedAt(server.url);
        return n >= acknowledged && { n };
      },
      20_000,
    ).then(
      ({ n }) => n,
      () => storedAt(server.url).catch((error: Error) => error),
    );
    const { parts } = await health(server.url);
    const isTold = parts.journal.state !== 'ok' || parts.database.state !== 'ok';
    if (typeof stored === 'number' && stored >= acknowledged) return 'whole';
    return isTold ? 'told' : `${String(stored)} of ${acknowledged}, and nothing said`;
  } finally {
    await stop(server.process, 'SIGKILL');
  }
}
