import type { Browser, Page } from 'puppeteer-core';
import { ask } from './ask';
import { openBrowser, openPage } from './browser';
import { seen, violations } from './page';
import { removeFolder, startServerProcess, stop, temporaryFolder, until, type ServerProcess } from './processes';

/** A fresh installation, from nothing to the first incident: what it says in between must be true. */
const MINUTE_MS = 60_000;
const A_MINUTE = 24;
/** The first attempt began so long ago: all of it lies in one hour. */
const MINUTES = 12;
const BROKEN_AFTER = 8;

let server: ServerProcess;
let dataDir: string;
let browser: Browser;
let closeBrowser: () => Promise<void>;
let page: Page;

beforeAll(async () => {
  dataDir = temporaryFolder();
  server = await startServerProcess(dataDir);
  ({ browser, close: closeBrowser } = await openBrowser());
}, 120_000);
afterAll(async () => {
  await closeBrowser();
  await stop(server.process);
  removeFolder(dataDir);
});

const BEGIN = Math.floor(Date.now() / MINUTE_MS) * MINUTE_MS - MINUTES * MINUTE_MS;
const hex = (n: number, length: number) => n.toString(16).padStart(length, '0');
const text = (key: string, stringValue: string) => ({ key, value: { stringValue } });

/** Attempts of some minutes at two routes, sent as a service sends them; nobody is named. */
async function send(fromMinute: number, toMinute: number): Promise<void> {
  const spans = [];
  for (let minute = fromMinute; minute < toMinute; minute++)
    for (const [r, route] of ['/checkout', '/products'].entries())
      for (let i = 0; i < A_MINUTE; i++) {
        const isBroken = minute >= BROKEN_AFTER;
        const startMs = BEGIN + (minute + i / A_MINUTE) * MINUTE_MS;
        const tookMs = (150 + 7 * (i % 10)) * (isBroken && route === '/products' ? 60 : 1);
        const id = 1 + r + 2 * (i + A_MINUTE * minute);
        spans.push({
          traceId: hex(0xabc000 + id, 32),
          spanId: hex(id, 16),
          name: 'GET',
          kind: 2,
          startTimeUnixNano: `${Math.round(startMs * 1000)}000`,
          endTimeUnixNano: `${Math.round((startMs + tookMs) * 1000)}000`,
          attributes: [text('http.request.method', 'GET'), text('http.route', route)],
          status: isBroken && route === '/checkout' && i % 5 < 2 ? { code: 2 } : {},
        });
      }
  const resource = { attributes: [text('service.name', 'shop')] };
  const response = await fetch(`${server.url}/v1/traces`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ resourceSpans: [{ resource, scopeSpans: [{ spans }] }] }),
  });
  expect(response.status).toBe(200);
}

test('before anything comes it says so, and where telemetry is taken', async () => {
  page = await openPage(browser, server.url, 'phone');
  await seen(page, 'No data has come in yet.');
  await seen(page, 'Settings › Data in');
  const refused = await fetch(`${server.url}/v1/traces`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', 'toplens-key': 'nobodys' },
    body: '{}',
  });
  expect(refused.status).toBe(401);
  const settings = await openPage(browser, `${server.url}/settings`, 'wide');
  await seen(settings, `OTEL_EXPORTER_OTLP_ENDPOINT=${server.url}`);
  await seen(settings, 'POST /v1/traces: 1 request');
  expect(await violations(settings)).toEqual([]);
  await settings.close();
}, 120_000);

test('in its first minutes it is learning, and calls nobody unhurt', async () => {
  await send(0, BROKEN_AFTER);
  // Nothing has come for some minutes: it is told up to then.
  await page.waitForFunction(
    () => /Learning what is usual|Up to \d\d:\d\d nothing stood out/.test(document.body.innerText),
    { timeout: 30_000 },
  );
  await seen(page, '2 flows are judged by their first minutes');
  expect(await page.evaluate(() => document.body.innerText)).not.toMatch(/nobody (is|was) being hurt|calm/i);
}, 120_000);

test('four minutes of trouble are two incidents, told by what was first, of people who are not named', async () => {
  await send(BROKEN_AFTER, MINUTES);
  // All of it is judged.
  const { rows } = await until('both incidents', async () => {
    const list = await ask(server.url, '/api/worst-first', { query: 'last=60' });
    return list.rows.length === 2 && (list.freshness.judgedMs ?? 0) >= BEGIN + (MINUTES - 1) * MINUTE_MS && list;
  });
  expect(rows.map(({ title }) => title)).toEqual([
    expect.stringMatching(/^Fails for 4\d %, at first .* %: GET \/checkout$/),
    expect.stringMatching(/^Takes [56]\d× as long as at first: GET \/products$/),
  ]);
  for (const { onsetMs } of rows)
    expect(Math.abs(onsetMs - (BEGIN + BROKEN_AFTER * MINUTE_MS))).toBeLessThanOrEqual(MINUTE_MS);
  await seen(page, 'about ');
  await page.goto(`${server.url}/incident/${rows[0]?.id}`, { waitUntil: 'networkidle2' });
  await seen(page, 'Send user.id with them');
  await seen(page, 'its own first minutes, with wide doubt');
  expect(await violations(page)).toEqual([]);
}, 120_000);

test('on paper an incident is whole', async () => {
  const pdf = Buffer.from(await page.pdf({ format: 'A4' })).toString('latin1');
  expect(pdf.match(/\/Type\s*\/Page[^s]/g)?.length).toBeGreaterThan(1);
}, 60_000);

test('a screen that cannot be loaded says so, and the way on', async () => {
  await page.goto(server.url, { waitUntil: 'networkidle2' });
  await page.setOfflineMode(true);
  await page.evaluate(() =>
    [...document.querySelectorAll<HTMLElement>('[role="navigation"] *')]
      .find(({ innerText }) => innerText === 'Promises')
      ?.click(),
  );
  await seen(page, 'This screen cannot be shown.');
  await page.setOfflineMode(false);
  await page.click('[data-testid="load-again"]');
  await seen(page, 'Promises');
}, 60_000);

test('it can be installed: manifest and icons', async () => {
  const manifest = (await (await fetch(`${server.url}/manifest.webmanifest`)).json()) as { icons: { src: string }[] };
  for (const { src } of manifest.icons) expect((await fetch(`${server.url}${src}`)).status).toBe(200);
});
