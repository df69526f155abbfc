import { floorTo, HOUR_MS, MINUTE_MS } from '@toplens/core/time';
import type { PromiseAttemptsShape, PromisePageShape, PromisesShape } from '../../contract/promises';
import { hex, nanos, text } from '../../fixtures/otlp-json';
import { startTestServer, type TestServer } from '../../fixtures/test-server';

// One hour that is over: launches of which some end in a crash, views of a page, and people at work.
const END = floorTo(Date.now(), HOUR_MS) - 12 * HOUR_MS;
const BEGIN = END - HOUR_MS;
const ORIGIN = 'https://pages.example';
const period = { kind: 'rolling', days: 1 } as const;
const LAUNCHES = 40;
const VIEWS = 30;
const PEOPLE = 10;

/** Counts until one attempt of four is bad: half of somebody's is too few, three of four are enough. */
const settings = {
  promises: [
    { name: 'Launches', application: 'Round', indicator: 'crashFree', target: 0.9, period },
    { name: 'Pages', application: 'Shop', indicator: 'views', target: 0.75, period },
    { name: 'People', flow: 'POST /pay', indicator: 'people', limitMs: 500, personShare: 0.75, target: 0.8, period },
    {
      name: 'People until half past',
      flow: 'POST /pay',
      indicator: 'people',
      limitMs: 500,
      personShare: 0.75,
      target: 0.8,
      period,
      excluded: [{ fromMs: BEGIN + 30 * MINUTE_MS, toMs: END, reason: 'moved' }],
    },
  ],
};

let server: TestServer;
const post = async (path: string, body: object, headers: Record<string, string> = {}) => {
  const answer = await fetch(`${server.url}${path}`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', ...headers },
    body: JSON.stringify(body),
  });
  expect(await answer.json()).toEqual({});
};
const number = (key: string, doubleValue: number) => ({ key, value: { doubleValue } });
const session = (n: number) => [text('user.id', `driver-${n}`), text('session.id', `session-${n}`)];
const onPhone = (of: object) => ({
  resource: {
    attributes: [
      text('service.name', 'round'),
      text('service.namespace', 'Round'),
      text('service.version', '7.3.0'),
      text('device.model.name', 'Tessel 5'),
      text('os.name', 'Android'),
    ],
  },
  ...of,
});

const launchMs = (n: number) => BEGIN + n * MINUTE_MS;
const launch = (n: number, of = n, failed = false) => ({
  traceId: hex(n, 32),
  spanId: hex(n, 16),
  name: 'launch',
  kind: 1,
  startTimeUnixNano: nanos(launchMs(n)),
  endTimeUnixNano: nanos(launchMs(n) + 800),
  attributes: [text('toplens.launch', n % 5 === 0 ? 'warm' : 'cold'), ...session(of)],
  status: failed ? { code: 2 } : {},
});
const crash = (n: number, of: number, atMs: number) => ({
  timeUnixNano: nanos(atMs),
  severityNumber: 21,
  eventName: 'app.crash',
  attributes: [
    text('app.crash.id', `crash-${n}`),
    text('exception.type', 'java.lang.IllegalStateException'),
    text('exception.stacktrace', 'X\n\tat app.round.sync.Upload.send(Upload.kt:12)'),
    ...session(of),
  ],
});
/** Session 0 was started twice: it is the second launch that ended in the crash, told twice. */
const launches = Array.from({ length: LAUNCHES }, (_, n) => launch(n, n === 1 ? 0 : n, n === 7));
const crashes = [
  crash(1, 0, launchMs(1) + 10_000),
  crash(2, 0, launchMs(1) + 11_000),
  crash(3, 20, launchMs(20) + 5_000),
  // Noticed when the application was opened again, hours later.
  crash(4, 30, launchMs(30) + 9 * HOUR_MS),
  // Whose launch nobody told.
  crash(5, 900, launchMs(30)),
];

const view = (n: number, vitals: Record<string, number>, sequence = 1) => ({
  timeUnixNano: nanos(BEGIN + n * MINUTE_MS),
  eventName: 'toplens.page_view',
  attributes: [
    text('toplens.view.id', hex(9_000 + n, 16)),
    number('toplens.view.sequence', sequence),
    text('url.path', '/book'),
    text('server.address', 'pages.example'),
    number('toplens.timing.responseStart', 120),
    number('toplens.timing.loadEventEnd', 800),
    ...Object.entries(vitals).map(([vital, value]) => number(`toplens.vital.${vital}`, value)),
  ],
});
/** Six are slow to paint; of five nothing but the first byte was told. */
const views = Array.from({ length: VIEWS }, (_, n) =>
  view(n, n % 5 === 0 ? { lcp: 2501, cls: 0 } : n % 6 === 1 ? { ttfb: 90 } : { lcp: 2500, cls: 0.1 }),
);

const spanOf = ({ attributes }: ReturnType<typeof view>) =>
  (attributes[0] as ReturnType<typeof text>).value.stringValue;

const attempt = (n: number, person: number | undefined, atMs: number, durationMs: number) => ({
  traceId: hex(20_000 + n, 32),
  spanId: hex(20_000 + n, 16),
  kind: 2,
  name: 'POST',
  startTimeUnixNano: nanos(atMs),
  endTimeUnixNano: nanos(atMs + durationMs),
  status: {},
  attributes: [
    text('http.request.method', 'POST'),
    text('http.route', '/pay'),
    text('toplens.site', 'North'),
    ...(person === undefined ? [] : [text('user.id', `clerk-${person}`)]),
  ],
});
/** Four a person, the later ones of the second half hour slow: one of person 0's, two of person 1's. */
const attempts = Array.from({ length: 4 * PEOPLE }, (_, n) => {
  const person = n % PEOPLE;
  const nth = Math.floor(n / PEOPLE);
  const isSlow = (person === 0 && nth === 3) || (person === 1 && nth >= 2);
  return attempt(n, person, BEGIN + (5 + nth * 14 + person / 10) * MINUTE_MS, isSlow ? 501 : 500);
});

beforeAll(async () => {
  server = await startTestServer(
    { browserKeys: new Map([['page-key', { component: 'shop-pages', origins: [ORIGIN] }]]) },
    settings,
  );
  await post('/v1/traces', { resourceSpans: [onPhone({ scopeSpans: [{ spans: launches }] })] });
  await post('/v1/logs', { resourceLogs: [onPhone({ scopeLogs: [{ logRecords: crashes }] })] });
  const resource = { attributes: [text('service.name', 'shop'), text('toplens.application', 'Shop')] };
  const asBrowser = { origin: ORIGIN };
  // Of one view it is told later that using it was slow.
  const logRecords = [...views, view(2, { lcp: 2500, inp: 201 }, 2)];
  await post('/v1/logs?key=page-key', { resourceLogs: [{ resource, scopeLogs: [{ logRecords }] }] }, asBrowser);
  await post('/v1/traces', {
    resourceSpans: [
      {
        resource: { attributes: [text('service.name', 'pay'), text('service.namespace', 'Pay')] },
        scopeSpans: [{ spans: [...attempts, attempt(999, undefined, BEGIN + 50 * MINUTE_MS, 900)] }],
      },
    ],
  });
  await server.intake.settled();
  await server.engine.ask('settle', null);
});
afterAll(() => server.remove());

const window = `from=${new Date(BEGIN).toISOString()}&to=${new Date(END).toISOString()}`;
const ask = async <Shape>(path: string) => (await (await fetch(`${server.url}/api${path}`)).json()) as Shape;
const level = async (name: string) =>
  (await ask<PromisesShape>(`/promises?${window}`)).promises.find((one) => one.name === name);
const page = (name: string) => ask<PromisePageShape>(`/promises/${encodeURIComponent(name)}?${window}`);
const outside = (name: string) => ask<PromiseAttemptsShape>(`/promises/${encodeURIComponent(name)}/attempts?${window}`);

test('launches: those that failed or ended in a crash are bad, each once, however late the crash is told', async () => {
  expect(await level('Launches')).toMatchObject({ valid: LAUNCHES, good: LAUNCHES - 4, units: 'launches', flows: 2 });
  const { all, attempts: listed } = await outside('Launches');
  expect(all).toBe(4);
  expect(listed.map(({ sample }) => sample.spanId)).toEqual([30, 20, 7, 1].map((n) => launch(n).spanId));
  expect((await page('Launches')).versions).toEqual([
    expect.objectContaining({ version: '7.3.0', valid: LAUNCHES, bad: 4 }),
  ]);
});

test('page views: good by every vital that was told, and none without one counts', async () => {
  const told = VIEWS - 5 + 1;
  expect(await level('Pages')).toMatchObject({ valid: told, good: told - 7, unit: 'page view' });
  const { all, attempts: listed } = await outside('Pages');
  expect([all, listed[0]?.sample.spanId]).toEqual([7, spanOf(view(25, {}))]);
});

test('people: each once an hour, well served when enough of their attempts were in time; nobody’s attempts count for none', async () => {
  expect(await level('People')).toMatchObject({ valid: PEOPLE, good: PEOPLE - 1, units: 'person-hours' });
  expect((await page('People')).cells).toEqual([
    expect.objectContaining({ site: 'North', valid: PEOPLE, good: PEOPLE - 1 }),
  ]);
});

test('people: what is excluded is not held against anybody', async () => {
  expect(await level('People until half past')).toMatchObject({ valid: PEOPLE, good: PEOPLE });
});

test('each is told by its own rule', async () => {
  const rule = async (name: string) => (await level(name))?.rule;
  expect(await rule('Launches')).toBe(
    '90 % of the launches of Round that neither fail nor end in a crash, over 1 day.',
  );
  expect(await rule('Pages')).toBe(
    '75 % of the page views of Shop good by every vital told: LCP within 2.5 s, INP within 200 ms, CLS up to 0.1, over 1 day.',
  );
  expect(await rule('People')).toBe(
    '80 % of the person-hours of “POST /pay” (people, each counted once an hour and flow) with at least 75 % of their attempts in time: within 500 ms, over 1 day.',
  );
});
