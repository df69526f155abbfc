import type { ChildProcess } from 'node:child_process';
import type { Browser, Page } from 'puppeteer-core';
import { ask } from './ask';
import { openBrowser, openPage, type Size } from './browser';
import { violations } from './page';
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

/**
 * Round as a visitor of the demo gets it: a page with the package for phones, in a browser. What is pressed there must be
 * seen in Top Lens: launches, screens, requests, and the crash, which takes three seconds on a machine that does nothing
 * else; beside tests that fill disks and kill servers it has to wait for its turn.
 */
const CRASH_WITHIN_MS = 60_000;

let top: ServerProcess;
let round: ChildProcess;
let roundUrl: string;
let dataDir: string;
let browser: Browser;
let closeBrowser: () => Promise<void>;

beforeAll(async () => {
  dataDir = temporaryFolder();
  top = await startServerProcess(dataDir, { TOPLENS_PHONE_KEYS: 'round-app=page-key' });
  const port = await freePort();
  round = start('round-main', [String(port), top.url, 'page-key'], {});
  roundUrl = `http://127.0.0.1:${port}`;
  await until('Round', async () => (await fetch(roundUrl)).ok);
  ({ browser, close: closeBrowser } = await openBrowser(0));
}, 120_000);
afterAll(async () => {
  await closeBrowser?.();
  await Promise.all([stop(round), stop(top.process)]);
  removeFolder(dataDir);
});

const press = (page: Page, words: string) =>
  page.evaluate((text) => {
    const button = [...document.querySelectorAll<HTMLElement>('[role="button"]')].find((one) => one.innerText === text);
    if (!button) throw new Error(`no button ${text}`);
    button.click();
  }, words);
const shows = (page: Page, words: string) =>
  page.waitForFunction((text) => document.body.innerText.includes(text), {}, words);

test.each<Size>(['phone', 'wide'])(
  'a visitor presses Crash, and finds it with its session: %s',
  async (size) => {
    const page = await openPage(browser, roundUrl, size);
    await shows(page, 'Stop');
    expect(await violations(page)).toEqual([]);
    await press(page, 'Go on');
    await shows(page, 'Scan');
    await press(page, 'Go on');
    await shows(page, 'Photo');
    const before = (await ask(top.url, '/api/phone', { query: 'last=60' })).groups[0]?.crashes ?? 0;
    await press(page, 'Crash');
    const group = await until(
      'the crash in Top Lens',
      async () =>
        (await ask(top.url, '/api/phone', { query: 'last=60' })).groups.find(({ crashes }) => crashes > before),
      CRASH_WITHIN_MS,
    );
    expect(group).toMatchObject({ application: 'Round', type: 'TypeError' });
    await shows(page, 'Round crashed.');
    const crash = await ask(top.url, '/api/crashes/{crash}', { crash: group.sample });
    expect(crash).toMatchObject({ screen: 'Photo', version: '7.3.1-page', device: 'Browser' });
    expect(crash.trail.map(({ what }) => what)).toEqual([
      'cold start',
      'screen Stop',
      'tap Go on',
      'screen Scan',
      'tap Go on',
      'screen Photo',
      'tap Crash',
    ]);
    const session = await ask(top.url, '/api/phone-sessions/{session}', { session: crash.sessionId ?? '' });
    const told = session.entries.map(({ kind, what }) => `${kind} ${what}`);
    expect(told).toContain('launch cold start');
    expect(told).toContain('screen Scan');
    expect(told).toContain('request 127.0.0.1/scans');
    expect(told.at(-1)).toBe('crash TypeError on Photo');
    expect(session.shapes[0]?.parts.map(({ kind }) => kind)).toEqual(expect.arrayContaining(['picture', 'button']));
    await press(page, 'Start again');
    await shows(page, 'Stop');
    await page.close();
  },
  120_000,
);
