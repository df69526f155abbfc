import { spawnSync } from 'node:child_process';
import { once } from 'node:events';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { join } from 'node:path';
import type { Browser } from 'puppeteer-core';
import { ask } from './ask';
import { openBrowser, openPage } from './browser';
import { removeFolder, ROOT, startServerProcess, stop, temporaryFolder, until, type ServerProcess } from './processes';

let script: string;
let site: Server;
let siteUrl: string;
let server: ServerProcess;
let dataDir: string;
let browser: Browser;
let closeBrowser: () => Promise<void>;

beforeAll(async () => {
  const bundled = spawnSync(
    join(ROOT, 'node_modules/.bin/esbuild'),
    ['e2e/clients/page-with-sdk.mjs', '--bundle', '--platform=browser', '--format=iife'],
    { cwd: ROOT, encoding: 'utf8', maxBuffer: 64 * 1024 * 1024 },
  );
  expect(bundled.stderr).not.toContain('ERROR');
  script = bundled.stdout;
  site = createServer((request, response) => {
    const isScript = request.url === '/sdk.js';
    response.setHeader('content-type', isScript ? 'text/javascript' : 'text/html');
    response.end(
      isScript
        ? script
        : `<!doctype html><title>waits</title><script src="/sdk.js" data-server="${server.url}" data-key="${request.url === '/wrong' ? 'guessed' : 'page-key'}"></script>`,
    );
  }).listen(0, '127.0.0.1');
  await once(site, 'listening');
  siteUrl = `http://127.0.0.1:${(site.address() as AddressInfo).port}`;
  dataDir = temporaryFolder();
  server = await startServerProcess(dataDir, { TOPLENS_BROWSER_KEYS: `shop-pages=page-key@${siteUrl}` });
  ({ browser, close: closeBrowser } = await openBrowser());
}, 120_000);
afterAll(async () => {
  await closeBrowser();
  site.close();
  await stop(server.process);
  removeFolder(dataDir);
});

test('the OpenTelemetry SDK in a browser sends from the page’s own origin, and says so in Data in', async () => {
  const page = await openPage(browser, siteUrl, 'wide');
  await page.waitForFunction(() => document.title !== 'waits', { timeout: 20_000 });
  expect(await page.title()).toMatch(/^sent [0-9a-f]{32}$/);
  const sender = await until('the page among those who send', async () =>
    (await ask(server.url, '/api/server-state')).senders.find(({ component }) => component === 'shop-pages'),
  );
  expect(sender).toMatchObject({ came: 1, refused: 0 });
  await page.close();
}, 60_000);

test('with a key that nobody has nothing is taken, and Data in says why', async () => {
  const page = await openPage(browser, `${siteUrl}/wrong`, 'wide');
  const turnedAway = await until('what was turned away', async () => {
    const state = await ask(server.url, '/api/server-state');
    return state.turnedAway.length > 0 && state.turnedAway;
  });
  expect(turnedAway[0]).toMatchObject({ way: 'POST /v1/traces', requests: 1 });
  await page.close();
}, 60_000);
