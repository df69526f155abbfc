import ICAL from 'ical.js';
import { HOUR_MS, MINUTE_MS } from '@toplens/core/time';
import type { HappenedShape } from '../../contract/happened';
import { startTestServer, type TestServer } from '../../fixtures/test-server';
import { send, testSpan } from '../../fixtures/traffic';

// Three hours of one flow; in the last twenty minutes everything fails. Before that a release was told.
const NOW = Math.floor(Date.now() / MINUTE_MS) * MINUTE_MS - MINUTE_MS;
let server: TestServer;
const get = async (path: string) => {
  const response = await fetch(`${server.url}/api${path}`);
  if (!response.ok) throw new Error(`${response.status}: ${await response.text()}`);
  return response;
};
const happened = async (query: string) => (await (await get(`/happened?${query}`)).json()) as HappenedShape;

beforeAll(async () => {
  server = await startTestServer();
  let n = 0;
  for (let minute = 180; minute > 0; minute--)
    await send(
      server.url,
      Array.from({ length: 12 }, (_, i) =>
        testSpan(++n, NOW - minute * MINUTE_MS + i * 4_000, 80, {
          route: '/pay',
          person: `p-${n % 90}`,
          ...(minute <= 20 && { failed: true }),
        }),
      ),
    );
  await fetch(`${server.url}/v1/changes`, {
    method: 'POST',
    headers: { 'content-type': 'application/cloudevents+json' },
    body: JSON.stringify({
      specversion: '1.0',
      id: 'r1',
      source: '/line',
      type: 'toplens.change.release',
      subject: 'shop-web',
      time: new Date(NOW - 25 * MINUTE_MS).toISOString(),
      data: { title: '4.18.0', by: 'delivery line' },
    }),
  });
  await server.intake.settled();
  await server.engine.ask('settle', null);
}, 120_000);
afterAll(() => server.close());

test('an incident opened after a release: newest first, each a door, by kind and application', async () => {
  const { happenings, isCut } = await happened('last=60');
  expect(isCut).toBe(false);
  const [opened, release] = happenings;
  expect(opened).toMatchObject({ kind: 'opened', path: expect.stringMatching(/^\/incident\/\d+$/) as string });
  expect(Math.abs((opened?.atMs ?? 0) - (NOW - 20 * MINUTE_MS))).toBeLessThan(3 * MINUTE_MS);
  expect(release).toMatchObject({
    kind: 'release',
    title: 'shop-web released: 4.18.0, by delivery line',
    path: '/component/shop-web',
  });
  expect((await happened('last=60&kind=release')).happenings).toEqual([release]);
  expect((await happened(`last=60&application=${encodeURIComponent(opened?.application ?? '')}`)).happenings).toEqual([
    opened,
  ]);
  const before = `from=${new Date(NOW - 2 * HOUR_MS).toISOString()}&to=${new Date(NOW - HOUR_MS).toISOString()}`;
  expect((await happened(before)).happenings).toEqual([]);
});

test('as JSON Feed and as calendar, with addresses of this server', async () => {
  const feed = await get('/happened.json?last=60');
  expect(feed.headers.get('content-type')).toContain('application/feed+json');
  const { version, items } = (await feed.json()) as { version: string; items: { url: string }[] };
  expect(version).toBe('https://jsonfeed.org/version/1.1');
  expect(items[0]?.url).toMatch(new RegExp(`^${server.url}/incident/\\d+$`));
  const calendar = await get('/happened.ics?last=60');
  expect(calendar.headers.get('content-type')).toContain('text/calendar');
  const read = new ICAL.Component(ICAL.parse(await calendar.text()) as [string, [], []]);
  expect(read.getAllSubcomponents('vevent')).toHaveLength(items.length);
});

test('a kind that is none is refused by its name', async () => {
  await expect(get('/happened?kind=gossip')).rejects.toThrow('kind');
});
