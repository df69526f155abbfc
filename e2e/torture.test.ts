import { removeFolder, startServerProcess, stop, temporaryFolder } from './processes';
import { byteFlips } from './torture/byte-flips';
import { clockJump } from './torture/clocks';
import { fullDisk } from './torture/full-disk';
import { fuzz } from './torture/fuzz';
import { guided } from './torture/guided';
import { killRounds, terminateIn } from './torture/kill';
import { connections, overload } from './torture/load';
import { secondServer } from './torture/two-owners';

/** The short form of `npm run torture`; docs/reliability.md has the figures of the long one. */
jest.setTimeout(300_000);

test('kill -9 in the middle of taking data, 5 rounds: nothing acknowledged is lost, nothing is counted twice', async () => {
  const { acknowledged, lost, doubled } = await killRounds(5);
  expect(acknowledged).toBeGreaterThan(1_000);
  expect({ lost, doubled }).toEqual({ lost: 0, doubled: 0 });
});

test.each([
  ['kill', 2_500, 0],
  ['terminate', 1_500, 0],
  ['goOn', 1_000, 20 * 1024 * 1024],
] as const)(
  'a disk that was full, then %s: it says so, goes on by itself, and what it acknowledged afterwards is there after a kill',
  async (after, momentMs, leaveBytes) => {
    const { acknowledged, lost, doubled, said } = await fullDisk(after, momentMs, leaveBytes);
    expect(said).toMatch(/disk (?:is full|are free)/);
    expect(acknowledged).toBeGreaterThan(3_000);
    expect({ lost, doubled }).toEqual({ lost: 0, doubled: 0 });
  },
);

test.each(['replaying', 'taking'] as const)(
  'SIGTERM while %s: it ends within ten seconds, and nothing is lost',
  async (state) => {
    const { seconds, code, lost, doubled } = await terminateIn(state);
    expect(seconds).toBeLessThan(10);
    expect({ code, lost, doubled }).toEqual({ code: 0, lost: 0, doubled: 0 });
  },
);

test('a byte flipped in a data folder, four places: the server starts with all of it, or says what is missing', async () => {
  const { flips, whole, lessAndTold, refused, wrong } = await byteFlips(4, 4);
  expect(wrong).toEqual([]);
  expect(whole + lessAndTold + refused).toBe(flips);
});

test('a second server on the folder, as from another container: it is refused, and the first goes on', async () => {
  const { code, said, lost, doubled, acknowledged } = await secondServer();
  expect(code).toBe(1);
  expect(said).toContain('is in use by process');
  expect(acknowledged).toBeGreaterThan(0);
  expect({ lost, doubled }).toEqual({ lost: 0, doubled: 0 });
});

test.each([['six hours ahead, then a restart', 6 * 3_600_000, true]] as const)(
  'a clock that was %s for a moment: what fails afterwards is in the list within a minute',
  async (_what, jumpMs, restart) => {
    const { seenAfterS, headline } = await clockJump(jumpMs, restart);
    expect(seenAfterS).toBeLessThan(60);
    expect(headline).not.toContain('Nobody');
  },
);

test('three thousand mutated requests over every route: no 5xx, no death', async () => {
  const dataDir = temporaryFolder();
  const server = await startServerProcess(dataDir, { TOPLENS_PERSON_KEYS: 'first support=demo' });
  try {
    const { wrong, requests } = await fuzz(server.url, 3_000, 11);
    expect(wrong).toEqual([]);
    expect(requests).toBeGreaterThanOrEqual(3_000);
    expect(server.process.exitCode).toBeNull();
  } finally {
    await stop(server.process, 'SIGKILL');
    removeFolder(dataDir);
  }
});

test('telemetry mutated towards code that none before reached: read or refused, and never slowly', () => {
  const { wrong, kept, reached, slowestMs } = guided(400, 5);
  expect(wrong).toEqual([]);
  // What V8 compiled for another test file already it counts by function, not by branch: then fewer are new.
  expect(kept).toBeGreaterThan(0);
  expect(reached.all).toBeGreaterThan(reached.first);
  expect(slowestMs).toBeLessThan(2_000);
});

test('more than it can take: refusals are polite and soon forgotten, nothing acknowledged is lost', async () => {
  const { refused, recoveryS, lost, doubled } = await overload(8);
  expect(refused).toBeGreaterThan(0);
  expect(recoveryS).toBeLessThan(10);
  expect({ lost, doubled }).toEqual({ lost: 0, doubled: 0 });
});

test('connections that say nothing, or half of something: others are answered meanwhile', async () => {
  const { slowestMs } = await connections(300, 40, 20, 5);
  expect(slowestMs).toBeLessThan(2_000);
});
