import { fork, type ChildProcess } from 'node:child_process';
import { once } from 'node:events';
import type { Browser } from 'puppeteer-core';
import { ask } from './ask';
import { openBrowser, openPage, type Size } from './browser';
import { fill, seen, tap, textOf, violations } from './page';
import { removeFolder, ROOT, startServerProcess, stop, temporaryFolder, until, type ServerProcess } from './processes';

/** What variables hold in a service that runs, instrumented by the SDK, while it answers. */
const LINE = 30;
let folder: string;
let server: ServerProcess;
let service: ChildProcess;
let port: number;
let browser: Browser;
let close: () => Promise<void>;
beforeAll(async () => {
  folder = temporaryFolder();
  server = await startServerProcess(folder, {});
  service = fork('e2e/clients/watched-service.cjs', [server.url], {
    cwd: ROOT,
    execArgv: ['--import', `${ROOT}/dist/node/watch.mjs`],
    env: { ...process.env, NODE_OPTIONS: '', OTEL_SERVICE_NAME: 'labels', TOPLENS_WATCH_URL: server.url },
    stdio: ['ignore', 'inherit', 'inherit', 'ipc'],
  });
  [{ port }] = (await once(service, 'message')) as [{ port: number }];
  ({ browser, close } = await openBrowser());
}, 120_000);
afterAll(async () => {
  await close();
  await stop(service);
  await stop(server.process);
  removeFolder(folder);
});
const label = async (weight: number) => (await fetch(`http://127.0.0.1:${port}/labels/${weight}`)).status;

test.each<[Size, 'light' | 'dark']>([
  ['phone', 'light'],
  ['wide', 'dark'],
])('a failing line is watched, and each reading leads to its attempt: %s, %s', async (size, scheme) => {
  await until('the service asks', async () => (await ask(server.url, '/api/watch-points', {})).services[0]);
  const at = encodeURIComponent(`clients/watched-service.cjs:${LINE}`);
  const page = await openPage(browser, `${server.url}/watch/at/labels/${at}`, size, scheme);
  await seen(page, 'Can be watched now: labels, 1 process.');
  await fill(page, 'watch-variables', 'parcel, surcharge.of()');
  await fill(page, 'watch-why', 'labels of heavy parcels fail');
  await tap(page, 'watch-make');
  await seen(page, '“surcharge.of()” is no variable with its properties');
  expect(await violations(page)).toEqual([]);
  await fill(page, 'watch-variables', 'parcel, band, request.params.weight');
  await tap(page, 'watch-make');
  await seen(page, `read before line ${LINE} runs`);
  expect([await label(3), await label(31)]).toEqual([200, 500]);
  await seen(page, '{weight: 31, sender: {password: [secret]}}');
  expect(await textOf(page, 'reading')).toMatch(/band\s*6\s*request\.params\.weight\s*"31"/);
  expect(await violations(page)).toEqual([]);
  expect(await page.evaluate(() => document.documentElement.scrollWidth <= window.innerWidth)).toBe(true);
  // The attempt is known as soon as its span came.
  await page.waitForSelector('[data-testid="reading-attempt"]', { timeout: 30_000 });
  await tap(page, 'reading-attempt');
  await seen(page, 'GET /labels/:weight');
  await page.goBack();
  await page.waitForSelector('[data-testid="watch-stop"]');
  await tap(page, 'watch-stop');
  await seen(page, 'stopped');
  await until('it is let go', async () => {
    const before = (await ask(server.url, '/api/watch-points', {})).points[0]?.readings;
    await label(31);
    await new Promise((resolve) => setTimeout(resolve, 2_500));
    return (await ask(server.url, '/api/watch-points', {})).points[0]?.readings === before;
  });
  expect(await label(31)).toBe(500);
  await page.close();
});
