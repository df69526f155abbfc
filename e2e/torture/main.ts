import { byteFlips } from './byte-flips';
import { clockJump } from './clocks';
import { fullDisk, type AfterFull } from './full-disk';
import { fuzz } from './fuzz';
import { guided } from './guided';
import { killRounds, terminateIn } from './kill';
import { connections, overload, soak } from './load';
import { secondServer } from './two-owners';
import { startServerProcess, stop, temporaryFolder, removeFolder } from '../processes';

const HOUR_MS = 3_600_000;
const AFTER: readonly AfterFull[] = ['kill', 'terminate', 'goOn'];

/** Each part in its long form: what was done, and what came of it. Bounded in time, on ports and folders of its own. */
const PARTS: Record<string, () => Promise<unknown>> = {
  kill: () => killRounds(100),
  terminate: async () =>
    Object.fromEntries(
      await inTurn(
        ['starting', 'replaying', 'taking', 'idle'] as const,
        async (state) => [state, await terminateIn(state)] as const,
      ),
    ),
  disk: () =>
    inTurn(
      Array.from({ length: 20 }, (_, i) => i),
      (i) => fullDisk(AFTER[i % 3] as AfterFull, 700 + 300 * i, i % 4 === 3 ? 20 * 1024 * 1024 : 0),
    ),
  flips: () => byteFlips(200),
  owners: () => secondServer(),
  clocks: async () => ({
    sixHoursAhead: await clockJump(6 * HOUR_MS),
    sixHoursAheadThenRestarted: await clockJump(6 * HOUR_MS, true),
    behind: await clockJump(-2 * HOUR_MS),
  }),
  fuzz: async () => {
    const dataDir = temporaryFolder();
    const server = await startServerProcess(dataDir, { TOPLENS_PERSON_KEYS: 'first support=demo' });
    try {
      const rssOf = async () =>
        Number(
          /process_resident_memory_bytes (\d+)/.exec(await (await fetch(`${server.url}/metrics`)).text())?.[1] ?? 0,
        ) /
        1024 /
        1024;
      const parts: unknown[] = [];
      for (let seed = 1; seed <= 10; seed++) {
        const { requests, byStatus, wrong } = await fuzz(server.url, 100_000, seed);
        parts.push({
          seed,
          requests,
          byStatus,
          wrong,
          rssMb: Math.round(await rssOf()),
          isAlive: server.process.exitCode === null,
        });
        console.error(JSON.stringify(parts.at(-1)));
      }
      return parts;
    } finally {
      await stop(server.process, 'SIGKILL');
      removeFolder(dataDir);
    }
  },
  guided: () => Promise.resolve(guided(50_000, 1)),
  overload: () => overload(300),
  connections: () => connections(2_000, 200, 100, 90),
  soak: () => soak(30, 60_000),
};

async function inTurn<In, Out>(list: readonly In[], work: (one: In) => Promise<Out>): Promise<Out[]> {
  const done: Out[] = [];
  for (const one of list) done.push(await work(one));
  return done;
}

const asked = process.argv.slice(2);
const unknown = asked.filter((name) => !(name in PARTS));
if (unknown.length > 0) {
  console.error(`no such part: ${unknown.join(', ')}; there are ${Object.keys(PARTS).join(', ')}`);
  process.exit(1);
}
for (const name of asked.length > 0 ? asked : Object.keys(PARTS)) {
  const begun = performance.now();
  console.log(`== ${name}`);
  console.log(JSON.stringify(await (PARTS[name] as () => Promise<unknown>)(), undefined, 1));
  console.log(`== ${name}: ${((performance.now() - begun) / 1000).toFixed(0)} s\n`);
}
process.exit(0);
