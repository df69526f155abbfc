import { spawnSync } from 'node:child_process';
import { once } from 'node:events';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { join } from 'node:path';
import type { Browser } from 'puppeteer-core';
import { ask } from './ask';
import { openBrowser, openPage } from './browser';
import { removeFolder, ROOT, startServerProcess, stop, temporaryFolder, until, type ServerProcess } from './processes';

/** The attempt of the server that answered the page, as its `traceparent` says. */
const ANSWER = { traceId: '5'.repeat(32), spanId: '6'.repeat(16) };
/** `traceparent` of what the page asked. */
const asked: string[] = [];
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
    if (request.url?.startsWith('/orders')) {
      asked.push(String(request.headers.traceparent));
      response.setHeader('access-control-allow-origin', '*').end('{}');
      return;
    }
    response.setHeader('content-type', isScript ? 'text/javascript' : 'text/html');
    response.end(
      isScript
        ? script
        : `<!doctype html><meta name="traceparent" content="00-${ANSWER.traceId}-${ANSWER.spanId}-01"><title>waits</title><script src="/sdk.js" data-server="${server.url}" data-key="${request.url === '/wrong' ? 'guessed' : 'page-key'}" data-api=""></script><button>Look</button><img src="/picture.png">`,
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

/** A server's span, as a flow of its own. */
async function serverTells(
  ids: { traceId: string; spanId: string; parentSpanId: string },
  flow: string,
): Promise<void> {
  const nanos = `${Date.now() - 1_000}000000`;
  const text = (key: string, stringValue: string) => ({ key, value: { stringValue } });
  const span = { ...ids, name: flow, kind: 2, startTimeUnixNano: nanos, endTimeUnixNano: nanos };
  await fetch(`${server.url}/v1/traces`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({
      resourceSpans: [
        {
          resource: { attributes: [text('service.name', 'orders')] },
          scopeSpans: [{ spans: [{ ...span, attributes: [text('toplens.flow', flow)] }] }],
        },
      ],
    }),
  });
}

test('the OpenTelemetry SDK in a browser: a document load is a page view, a click and its call stand above the attempt', async () => {
  await serverTells({ ...ANSWER, parentSpanId: '' }, 'Front page');
  const page = await openPage(browser, siteUrl, 'wide');
  await page.waitForFunction(() => document.title.startsWith('sent documentFetch'), { timeout: 20_000 });
  const [group] = await until('the page among those that are loaded', async () => {
    const { groups } = await ask(server.url, '/api/pages', { query: 'last=60' });
    return groups.length > 0 && groups;
  });
  expect(group).toMatchObject({ name: '/', views: 1 });
  const { view } = await ask(server.url, '/api/page-load-of/{trace}', { trace: ANSWER.traceId });
  const load = await ask(server.url, '/api/page-loads/{view}', { view: String(view) });
  expect(load).toMatchObject({ component: 'shop-pages', attempt: ANSWER });
  expect(load.resources.map(({ url }) => new URL(url).pathname)).toEqual(
    expect.arrayContaining(['/sdk.js', '/picture.png']),
  );
  // What the browser itself measured.
  const told = await page.evaluate(() => {
    const [navigation] = performance.getEntriesByType('navigation') as PerformanceNavigationTiming[];
    return (navigation?.loadEventEnd ?? NaN) - (navigation?.fetchStart ?? NaN);
  });
  expect(load.parts?.reduce((sum, ms) => sum + ms, 0)).toBeCloseTo(told, -0.5);

  await page.click('button');
  await page.waitForFunction(() => document.title.includes('click'), { timeout: 20_000 });
  const [, traceId = '', parentSpanId = ''] = asked[0]?.split('-') ?? [];
  await serverTells({ traceId, spanId: '7'.repeat(16), parentSpanId }, 'Look at an order');
  // The call may come a batch after the click.
  const attempt = await until('the attempt with what stands above it', async () => {
    const found = await ask(server.url, '/api/attempts/{traceId}/{spanId}', { traceId, spanId: '7'.repeat(16) }).catch(
      () => undefined,
    );
    return found && found.rows.length > 2 && found;
  });
  expect(attempt.rows.map(({ name, component, peer, depth }) => ({ name, component, peer, depth }))).toEqual([
    { name: 'click', component: 'shop-pages', peer: '', depth: 0 },
    { name: 'GET', component: 'shop-pages', peer: '127.0.0.1', depth: 1 },
    { name: 'Look at an order', component: 'orders', peer: '', depth: 2 },
  ]);
  const sender = await until('the page among those who send', async () =>
    (await ask(server.url, '/api/server-state')).senders.find(({ component }) => component === 'shop-pages'),
  );
  expect(sender).toMatchObject({ refused: 0 });
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
