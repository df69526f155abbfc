import { readdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import type { ChildProcess } from 'node:child_process';
import { ask, type AnswerTo } from './ask';
import {
  freePort,
  removeFolder,
  start,
  startServerProcess,
  stop,
  temporaryFolder,
  until,
  type ServerProcess,
} from './processes';

/** The runner as people start it, against real pages: the demo's Round, a browser included. */
const SITE = 'Head office';
let folder: string;
let top: ServerProcess;
let round: ChildProcess;
let roundHost: string;
let settingsFile: string;
let port: number;
const runners: ChildProcess[] = [];

/** Always on the same port: runners look for it there. */
const startTop = () =>
  startServerProcess(join(folder, 'data'), {
    TOPLENS_PORT: String(port),
    TOPLENS_SETTINGS: settingsFile,
    TOPLENS_INGEST_KEYS: 'probes=a-secret',
    TOPLENS_PHONE_KEYS: 'round-app=page-key',
    TOPLENS_DEMO: '1',
  });

beforeAll(async () => {
  folder = temporaryFolder();
  settingsFile = join(folder, 'settings.json');
  writeFileSync(
    settingsFile,
    JSON.stringify({
      probes: [
        {
          name: 'Round in a browser',
          application: 'Round',
          sites: [SITE],
          everyS: 5,
          steps: [
            { name: 'Ask for a stop', kind: 'request', url: '{{round}}/stops/1', status: 200 },
            { name: 'Open Round', kind: 'open', url: '{{round}}/' },
            { name: 'See the stop', kind: 'see', text: 'An invented stop' },
            { name: 'Go on', kind: 'tap', selector: '[role="button"]' },
            { name: 'See the scan', kind: 'see', text: 'Scan' },
          ],
        },
      ],
    }),
  );
  port = await freePort();
  top = await startTop();
  const roundPort = await freePort();
  roundHost = `127.0.0.1:${roundPort}`;
  round = start('round-main', [String(roundPort), top.url, 'page-key'], {});
  await until('Round', async () => (await fetch(`http://${roundHost}`)).ok);
}, 120_000);
afterAll(async () => {
  await Promise.all([...runners, round, top.process].map((child) => stop(child)));
  removeFolder(folder);
});

function startRunner(spool: string, more: readonly string[] = [], env: Record<string, string> = {}): ChildProcess {
  const runner = start(
    'probe-main',
    [
      ...['--site', SITE, '--server', top.url, '--host', 'probe-1', '--spool', join(folder, spool)],
      ...['--set', `round=http://${roundHost}`, ...more],
    ],
    { TOPLENS_PROBE_KEY: 'a-secret', ...env },
  );
  runners.push(runner);
  return runner;
}

type Page = AnswerTo<'/api/probes/{name}'>;
const window = () =>
  `from=${new Date(Date.now() - 600_000).toISOString()}&to=${new Date(Date.now() + 60_000).toISOString()}`;
const page = (): Promise<Page> => ask(top.url, '/api/probes/{name}', { name: 'Round in a browser', query: window() });
const newest = (what: string, holds: (run: Page['runs'][number]) => boolean, count = 1) =>
  until(
    what,
    async () => {
      const { runs } = await page();
      return runs.length >= count && runs[0] && holds(runs[0]) ? runs[0] : undefined;
    },
    90_000,
  );

test('runs requests and a browser, step by step, and nobody of it counts as a person', async () => {
  const runner = startRunner('first', ['--allow', roundHost]);
  const { id } = await newest('a run that went well', ({ verdict }) => verdict === 'good');
  const run = await ask(top.url, '/api/probe-runs/{id}', { id });
  expect(run.steps.map(({ name, failed }) => [name, failed])).toEqual([
    ['Ask for a stop', false],
    ['Open Round', false],
    ['See the stop', false],
    ['Go on', false],
    ['See the scan', false],
  ]);
  expect(run.steps[1]?.layers?.device).toBeGreaterThan(0);
  await stop(runner);
  // The page that it opened told Top Lens of its launch and screens, as it does in anybody's hand.
  const phones = await ask(top.url, '/api/phone', { query: window() });
  expect(phones.applications.map(({ launches }) => launches)).toEqual([]);
}, 180_000);

test('killed in the middle it loses no run that had ended: the next one sends it', async () => {
  const before = (await page()).all;
  await stop(top.process);
  const runner = startRunner('second', ['--allow', roundHost]);
  // Without the server there are no scripts: nothing is made up.
  await new Promise((resolve) => setTimeout(resolve, 1_500));
  expect(runner.exitCode).toBeNull();
  await stop(runner, 'SIGKILL');
  top = await startTop();
  const running = startRunner('second', ['--allow', roundHost]);
  await newest('runs again', ({ verdict }) => verdict === 'good', before + 1);
  // Cut off from the server, its runs wait on the disk.
  await stop(top.process);
  const waiting = () => readdirSync(join(folder, 'second')).filter((name) => name.endsWith('.json')).length;
  await until('a run on the disk', () => Promise.resolve(waiting() > 0), 60_000);
  await stop(running, 'SIGKILL');
  const kept = waiting();
  top = await startTop();
  const stored = (await page()).all;
  const last = startRunner('second', ['--allow', roundHost]);
  await until('the runs that waited', async () => (await page()).all >= stored + kept && waiting() === 0, 60_000);
  await stop(last);
}, 300_000);

test('a wrong clock, and an inner address that nobody allowed, it says itself', async () => {
  const ahead = startRunner('ahead', ['--allow', roundHost], { TOPLENS_TEST_CLOCK_OFFSET_MS: '240000' });
  // A machine that is busy itself says that, of an earlier run.
  const wrong = await newest('trouble of the clock', ({ words }) => /its clock is .* ahead/.test(words));
  expect(wrong.verdict).toBe('probeTrouble');
  expect(wrong.words).toMatch(/its clock is 4 min ahead/);
  await stop(ahead);
  const shut = startRunner('shut');
  const refused = await newest('the refusal', ({ words }) => words.includes(`${roundHost} is an inner address`));
  expect(['broken', 'probeTrouble']).toContain(refused.verdict);
  await stop(shut);
}, 180_000);
