import { readFileSync } from 'node:fs';
import { createServer, type Server, type IncomingMessage, type ServerResponse } from 'node:http';
import type { AddressInfo } from 'node:net';
import { gzipSync } from 'node:zlib';
import type { Browser, Page } from 'puppeteer-core';
import { ask } from './ask';
import { openBrowser, openPage, type Size } from './browser';
import { seen, textOf, violations } from './page';
import {
  removeFolder,
  startServerProcess,
  stop,
  temporaryFolder,
  until,
  freePort,
  type ServerProcess,
  ROOT,
} from './processes';

/**
 * A real page with the real snippet in Chromium: a slow picture, one that never comes, a script error in minified code,
 * a call that fails, one that leads to a server's attempt, and a page drawn without a load. Each must be seen in Top
 * Lens.
 */
const HTML = (snippet: string) => `<!doctype html><html lang="en"><head><title>Parcel</title>
<script src="${snippet}" data-key="page-key" data-version="2.0.0" data-application="Parcel Pages" data-country="NL"></script></head>
<body><h1>Parcel</h1><p id="words">A page long enough to be the largest thing that is shown here.</p>
<img src="/slow.png" alt="slow" width="40" height="40"><img src="/gone.png" alt="gone" width="40" height="40">
<div data-parcel='{"number":"PW1"}'></div><script src="/label.min.js"></script>
<button id="go">On</button><script src="/page.js"></script></body></html>`;
// Behind a content security policy as strict as they come: own scripts and Top Lens alone.
const PAGE_JS = `document.getElementById('go').addEventListener('click', () => history.pushState({}, '', '/parcels/4711/label?secret=1'));
fetch('/api/fails/17').catch(() => 0); fetch('/api/slots/44').then((answer) => answer.text());
const request = new XMLHttpRequest(); request.open('GET', '/api/old'); request.send();`;
// One pixel.
const PNG = Buffer.from(
  'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
  'base64',
);

let top: ServerProcess;
let dataDir: string;
let site: Server;
let siteUrl: string;
let browser: Browser;
let closeBrowser: () => Promise<void>;
let page: Page;
const headers: Record<string, string | string[] | undefined>[] = [];
const sent: string[] = [];

function serve(request: IncomingMessage, response: ServerResponse): void {
  const path = request.url ?? '/';
  const send = (status: number, type: string, body: string | Buffer) => {
    response.writeHead(status, {
      'content-type': type,
      'content-security-policy': `default-src 'self'; script-src 'self' ${top.url}; connect-src 'self' ${top.url}`,
    });
    response.end(body);
  };
  if (path.startsWith('/api/')) headers.push({ path, traceparent: request.headers.traceparent });
  if (path === '/slow.png') setTimeout(() => send(200, 'image/png', PNG), 1_500);
  else if (path === '/label.min.js') send(200, 'text/javascript', readFileSync('scenario/portal/label.min.js', 'utf8'));
  else if (path === '/page.js') send(200, 'text/javascript', PAGE_JS);
  else if (path.startsWith('/api/fails')) send(503, 'text/plain', 'no');
  else if (path.startsWith('/api/')) send(200, 'application/json', '{}');
  else if (path === '/' || path.startsWith('/start')) send(200, 'text/html', HTML(`${top.url}/snippet.js`));
  else send(404, 'text/plain', 'gone');
}

beforeAll(async () => {
  process.chdir(ROOT);
  site = createServer(serve);
  const port = await freePort();
  siteUrl = `http://127.0.0.1:${port}`;
  dataDir = temporaryFolder();
  top = await startServerProcess(dataDir, { TOPLENS_BROWSER_KEYS: `parcel-pages=page-key@${siteUrl}` });
  await new Promise<void>((resolve) => site.listen(port, '127.0.0.1', resolve));
  expect((site.address() as AddressInfo).port).toBe(port);
  const opened = await openBrowser();
  browser = opened.browser;
  closeBrowser = opened.close;
  const map = JSON.parse(readFileSync('scenario/portal/label.min.js.map', 'utf8')) as object;
  await fetch(`${top.url}/api/source-maps`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ component: 'parcel-pages', version: '2.0.0', file: 'label.min.js', map }),
  });
  page = await browser.newPage();
  page.on('request', (request) => {
    if (request.url().includes('/v1/browser')) sent.push(request.postData() ?? '');
  });
  await page.goto(`${siteUrl}/start/17?token=abc`, { waitUntil: 'load' });
}, 90_000);
afterAll(async () => {
  await closeBrowser();
  await new Promise((resolve) => site.close(resolve));
  await stop(top.process);
  removeFolder(dataDir);
});

const pages = () => ask(top.url, '/api/pages', { query: 'last=60' });
const WITHIN_MS = 20_000;

test('the snippet is small, and one plain script', async () => {
  const script = await (await fetch(`${top.url}/snippet.js`)).text();
  expect(gzipSync(script).length).toBeLessThan(12 * 1024);
  expect(script).not.toMatch(/\beval\(|new Function\(|document\.cookie/);
});

test('within 20 s: the load with its parts, the slow picture, the one that never comes, the error in the source', async () => {
  const view = await until(
    'the view with its missing picture',
    async () =>
      (await pages()).worst.find(
        ({ page: name, missing, errors }) => name === '/start/{id}' && missing > 0 && errors > 0,
      )?.view,
    WITHIN_MS,
  );
  const load = await until(
    'the slow picture and the error',
    async () => {
      const found = await ask(top.url, '/api/page-loads/{view}', { view });
      return found.scriptErrors.length > 0 &&
        found.parts !== null &&
        found.resources.some(({ url }) => url.endsWith('/slow.png'))
        ? found
        : undefined;
    },
    WITHIN_MS,
  );
  const resource = (name: string) => load.resources.find(({ url }) => url === `${siteUrl}/${name}`);
  expect(resource('slow.png')?.durationMs).toBeGreaterThan(1_400);
  expect(resource('slow.png')?.missing).toBe(false);
  expect(resource('gone.png')?.missing).toBe(true);
  expect(resource('api/fails/17')).toMatchObject({ missing: true });
  expect(load).toMatchObject({
    country: 'NL',
    path: '/start/17',
    browser: expect.stringMatching(/^(Chrome|Chromium)( Headless)? \d+$/) as string,
  });
  expect((load.parts ?? []).reduce((sum, ms) => sum + ms, 0)).toBeGreaterThan(1_500);
  expect(load.vitals.lcp).toBeGreaterThan(0);
  expect(load.vitals.ttfb).toBeGreaterThan(0);
  expect(load.scriptErrors[0]?.isMapped).toBe(true);
  expect(load.scriptErrors[0]?.frames[0]).toMatchObject({ file: 'parcel-label.ts', line: 8, method: 'weightText' });
});

test('calls carry a trace to the page’s own server, and the failing one is seen', async () => {
  await until('the calls', async () => (await pages()).calls.length >= 3, WITHIN_MS);
  for (const { traceparent } of headers) expect(traceparent).toMatch(/^00-[0-9a-f]{32}-[0-9a-f]{16}-01$/);
  expect(headers.map(({ path }) => path).sort()).toEqual(['/api/fails/17', '/api/old', '/api/slots/44']);
  const { calls } = await pages();
  const host = new URL(siteUrl).host;
  expect(calls.map(({ call, failed }) => [call, failed]).sort()).toEqual([
    [`${host}/api/fails/{id}`, 1],
    [`${host}/api/old`, 0],
    [`${host}/api/slots/{id}`, 0],
  ]);
});

test('a page drawn without a load is a view of its own, without the query', async () => {
  await page.click('#go');
  await until(
    'the route',
    async () => (await pages()).groups.some(({ name, meanMs }) => name === '/parcels/{id}/label' && meanMs === null),
    WITHIN_MS,
  );
  expect((await pages()).kinds.route).toBe(1);
});

test('what counts is told by one call, with its worth', async () => {
  await page.evaluate(() => {
    const { toplens } = window as unknown as {
      toplens: { event: (name: string, amount?: number, currency?: string) => void };
    };
    toplens.event('Order placed', 12.5, 'EUR');
    toplens.event('Order placed', 7.5, 'EUR');
  });
  const counted = await until(
    'the events',
    async () => {
      const { flows } = await ask(top.url, '/api/flow-counts');
      return flows.find(({ name, attempts }) => name === 'Order placed' && attempts === 2);
    },
    WITHIN_MS,
  );
  expect(counted.failed).toBe(0);
});

test('nothing personal is sent: these attributes, and no others', async () => {
  await page.evaluate(() => dispatchEvent(new Event('visibilitychange')));
  const names = new Set<string>();
  for (const body of sent) for (const [, name = ''] of body.matchAll(/"key":"([^"]+)"/g)) names.add(name);
  expect([...names].sort()).toEqual(
    [
      'exception.message',
      'exception.stacktrace',
      'exception.type',
      'geo.country.iso_code',
      'http.request.method',
      'http.response.status_code',
      'server.address',
      'service.version',
      'session.id',
      'telemetry.sdk.language',
      'toplens.application',
      'toplens.connection',
      'toplens.error.id',
      'toplens.errors',
      'toplens.event.id',
      'toplens.event.name',
      'toplens.interactions',
      'toplens.more_resources',
      'toplens.page',
      'toplens.resources',
      'toplens.share',
      'toplens.time_zone',
      'toplens.timing.connectEnd',
      'toplens.timing.connectStart',
      'toplens.timing.domComplete',
      'toplens.timing.domContentLoadedEventEnd',
      'toplens.timing.domInteractive',
      'toplens.timing.domainLookupEnd',
      'toplens.timing.domainLookupStart',
      'toplens.timing.loadEventEnd',
      'toplens.timing.redirectEnd',
      'toplens.timing.requestStart',
      'toplens.timing.responseEnd',
      'toplens.timing.responseStart',
      'toplens.timing.secureConnectionStart',
      'toplens.value.amount',
      'toplens.value.currency',
      'toplens.view.id',
      'toplens.view.kind',
      'toplens.view.sequence',
      'toplens.vital.cls',
      'toplens.vital.fcp',
      'toplens.vital.inp',
      'toplens.vital.lcp',
      'toplens.vital.ttfb',
      'url.path',
      'user_agent.original',
    ].filter((name) => names.has(name) || !['toplens.vital.inp', 'toplens.connection'].includes(name)),
  );
  expect(sent.join()).not.toMatch(/token=abc|secret=1/);
  expect(await page.cookies()).toEqual([]);
});

test('who asks for privacy is left alone, and the page works as before', async () => {
  const quiet = await browser.newPage();
  const before = sent.length;
  const asked: string[] = [];
  quiet.on('request', (request) => void asked.push(request.url()));
  await quiet.evaluateOnNewDocument(() => Object.defineProperty(navigator, 'globalPrivacyControl', { value: true }));
  await quiet.goto(`${siteUrl}/start/18`, { waitUntil: 'load' });
  await new Promise((resolve) => setTimeout(resolve, 4_000));
  expect(asked.filter((url) => url.includes('/v1/browser'))).toEqual([]);
  expect(sent.length).toBe(before);
  await quiet.close();
});

describe.each<Size>(['phone', 'wide'])('page loads on the %s size', (size) => {
  test('from the list to the page, to one load, to its errors', async () => {
    const lens = await openPage(browser, `${top.url}/people`, size);
    await lens.waitForSelector('[data-testid="pages-sentence"]');
    await seen(lens, 'Something does not come on');
    expect(await violations(lens)).toEqual([]);
    expect(await lens.evaluate(() => document.documentElement.scrollWidth - window.innerWidth)).toBeLessThanOrEqual(0);
    await lens.$eval('[data-testid="pages-/start/{id}"] [role="link"]', (link) => (link as HTMLElement).click());
    await lens.waitForFunction(() => location.search.includes('page=%2Fstart'));
    await seen(lens, 'Circle: views.');
    expect(await violations(lens)).toEqual([]);
    await lens.$eval('[data-testid="worst-loads"] a', (door) => (door as HTMLElement).click());
    await lens.waitForFunction(() => location.pathname.startsWith('/page-load/'));
    await lens.waitForSelector('[data-testid="load-errors"]');
    expect(await textOf(lens, 'resources')).toMatch(/\/gone\.png\n127\.0\.0\.1:\d+ · img · did not come/);
    expect(await textOf(lens, 'load-errors')).toContain('weightText, parcel-label.ts:8:26');
    expect(await violations(lens)).toEqual([]);
    await lens.goto(`${top.url}/people/errors`, { waitUntil: 'networkidle2' });
    await lens.waitForSelector('[data-testid="error-group"]');
    expect(await violations(lens)).toEqual([]);
    await lens.goto(`${top.url}/settings`, { waitUntil: 'networkidle2' });
    await lens.waitForSelector('[data-testid="source-maps"]');
    expect(await textOf(lens, 'source-maps')).toContain('label.min.js · parcel-pages · version 2.0.0');
    expect(await violations(lens)).toEqual([]);
    await lens.close();
  });
});
