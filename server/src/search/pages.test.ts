import Ajv2020 from 'ajv/dist/2020';
import { openApi } from '../contract/open-api';
import type { PageLoadShape, PageLoadsShape, ScriptErrorsShape } from '../contract/pages';
import { hex, nanos, text } from '../fixtures/otlp-json';
import { startTestServer, type TestServer } from '../fixtures/test-server';
import { pageLoads } from './page-loads';

const ORIGIN = 'https://pages.example';
let server: TestServer;
let nowMs: number;
beforeAll(async () => {
  server = await startTestServer({
    browserKeys: new Map([['page-key', { component: 'shop-pages', origins: [ORIGIN] }]]),
  });
  nowMs = Date.now();
});
afterAll(() => server.remove());

const ajv = new Ajv2020({ strict: false }).addSchema(openApi('/'), 'api');
const checked = <Answer>(schema: string, answer: unknown): Answer => {
  const validate =
    ajv.getSchema(`api#/components/schemas/${schema}`) ?? ajv.compile({ $ref: `api#/components/schemas/${schema}` });
  if (!validate(answer)) throw new Error(`${schema}: ${ajv.errorsText(validate.errors)}`);
  return answer as Answer;
};
const number = (key: string, doubleValue: number) => ({ key, value: { doubleValue } });
const UA = 'Mozilla/5.0 (X11; Linux x86_64; rv:143.0) Gecko/20100101 Firefox/143.0';
const resource = {
  attributes: [
    text('service.name', 'whatever it claims'),
    text('user_agent.original', UA),
    text('service.version', '1.4.0'),
    text('toplens.application', 'Shop'),
  ],
};

interface ViewMore {
  sequence?: number;
  country?: string;
  lcp?: number;
  missing?: boolean;
  page?: string;
  call?: { traceId: string; spanId: string };
}
const view = (
  n: number,
  { sequence = 1, country = 'NL', lcp = 900, missing = false, page = '/book/17', call }: ViewMore = {},
) => ({
  timeUnixNano: nanos(nowMs - 60_000 + n),
  eventName: 'toplens.page_view',
  attributes: [
    text('toplens.view.id', hex(n, 16)),
    number('toplens.view.sequence', sequence),
    text('url.path', page),
    text('geo.country.iso_code', country),
    text('server.address', 'pages.example'),
    text('user.id', `p-${n % 7}`),
    number('toplens.timing.responseStart', 120),
    number('toplens.timing.loadEventEnd', 800),
    number('toplens.vital.lcp', lcp),
    number('toplens.interactions', 2),
    text(
      'toplens.resources',
      JSON.stringify([
        ['https://pages.example/a.js', 'script', 10, 40, 900, 0],
        ['https://tiles.example/1.png', 'img', 20, missing ? 0 : 300, 0, missing ? 1 : 0],
        ...(call ? [['https://pages.example/api/slots/44', 'fetch', 100, 200, 0, 0, call.traceId, call.spanId]] : []),
      ]),
    ),
  ],
});
const error = (n: number, viewNumber: number, message: string, stack: string) => ({
  timeUnixNano: nanos(nowMs - 50_000 + n),
  eventName: 'exception',
  attributes: [
    text('toplens.error.id', hex(n, 16)),
    text('toplens.view.id', hex(viewNumber, 16)),
    text('toplens.page', '/book/{id}'),
    text('exception.type', 'TypeError'),
    text('exception.message', message),
    text('exception.stacktrace', stack),
  ],
});
const send = (body: object | string, { key = 'page-key', origin = ORIGIN }: { key?: string; origin?: string } = {}) =>
  fetch(`${server.url}/v1/browser?key=${key}`, {
    method: 'POST',
    headers: { 'content-type': 'text/plain', origin },
    body: typeof body === 'string' ? body : JSON.stringify(body),
  });
const logs = (...logRecords: object[]) => ({ resourceLogs: [{ resource, scopeLogs: [{ logRecords }] }] });
const ask = async (path: string) => {
  await server.intake.settled();
  return await (await fetch(`${server.url}/api/${path}`)).json();
};
let asked = 0;
/** Answers are kept for some seconds: windows that differ by a millisecond are different questions. */
const freshWindow = () =>
  `from=${new Date(nowMs - 120_000 - ++asked).toISOString()}&to=${new Date(nowMs).toISOString()}`;
const pages = async (more = '') => checked<PageLoadsShape>('PageLoads', await ask(`pages?${freshWindow()}${more}`));

describe('what pages tell', () => {
  test('views are told of again and again: the highest sequence stays, in whatever order they come', async () => {
    expect(await (await send(logs(view(1, { sequence: 2, lcp: 1500 }), view(1, { sequence: 1 })))).json()).toEqual({
      taken: 2,
      rejected: 0,
    });
    await send(logs(view(1, { sequence: 1, lcp: 100 })));
    await send(logs(view(1, { sequence: 3, lcp: 1700 })));
    await send(logs(view(1, { sequence: 3, lcp: 9 })));
    const { all, groups } = await pages();
    expect(all).toMatchObject({
      views: 1,
      loads: 1,
      meanMs: 800,
      vitals: { lcp: { p75: 1700, rating: 'good', views: 1 } },
    });
    expect(groups.map(({ name }) => name)).toEqual(['/book/{id}']);
  });

  test('the component is that of the key, browser and system are read from the user agent', async () => {
    const load = checked<PageLoadShape>('PageLoad', await ask(`page-loads/${hex(1, 16)}`));
    expect(load).toMatchObject({
      component: 'shop-pages',
      application: 'Shop',
      version: '1.4.0',
      browser: 'Firefox 143',
      system: 'Linux desktop',
      country: 'NL',
      path: '/book/17',
    });
    expect(load.resources.map(({ host, isThirdParty }) => [host, isThirdParty])).toEqual([
      ['pages.example', false],
      ['tiles.example', true],
    ]);
    expect(load.parts?.reduce((sum, ms) => sum + ms, 0)).toBe(800);
  });

  test('pictures that do not come in one country: only there, with the host that owes them', async () => {
    const many = [...Array(160).keys()].map((i) =>
      // Odd ids alone, as of a sender that keeps its ids from being 0.
      view(101 + 2 * i, { country: i % 4 === 0 ? 'IE' : 'NL', missing: i % 4 === 0 && i % 8 !== 0 }),
    );
    await send(logs(...many.slice(0, 80)));
    await send(logs(...many.slice(80)));
    const { where, hosts } = await pages();
    expect(where.filter(({ dimension }) => dimension === 'country')).toMatchObject([
      { what: 'missing', verdict: 'here', hit: [{ name: 'IE', here: 0.5, elsewhere: 0 }] },
    ]);
    expect(hosts[0]).toMatchObject({ host: 'tiles.example', isThirdParty: true, missing: 20 });
    expect((await pages('&country=IE')).all?.shareMissing).toBeCloseTo(0.5);
    expect((await pages('&country=ZZ')).all).toBeNull();
    expect((await pages('&by=country')).groups.map(({ name }) => name).sort()).toEqual(['IE', 'NL']);
  });

  test('where too many are to be read, a fair part stands for all; people are told of all, not of the part', async () => {
    await server.intake.settled();
    const question = { window: { fromMs: nowMs - 120_000, toMs: nowMs }, focus: {}, by: 'country' as const };
    const whole = await pageLoads(server.database, question);
    const part = await pageLoads(server.database, question, 41);
    const people = ({ all, groups }: PageLoadsShape) => [
      all?.people,
      ...groups.map(({ name, people: n }) => [name, n]).sort(),
    ];
    expect([whole.kept, whole.all?.views]).toEqual([1, 161]);
    expect(part.kept).toBe(1 / 4);
    // Of 161 drawn by one in four, within three standard deviations.
    expect(Math.abs((part.all?.views ?? 0) - 161)).toBeLessThanOrEqual(3 * 4 * Math.sqrt((161 * 3) / 16));
    expect(people(part)).toEqual(people(whole));
    expect(part.all?.shareMissing).toBeGreaterThan(0);
  });

  test('a page leads to how it is judged, and a frame stands apart', async () => {
    const frame = view(450);
    frame.attributes.push(text('toplens.view.kind', 'frame'));
    await send(logs(frame));
    const { flow, frames, all } = await pages('&page=/book/%7Bid%7D');
    expect(all?.views).toBe(161);
    expect(frames).toMatchObject([{ name: '/book/{id}', views: 1 }]);
    // A flow is known once a cycle has seen its name: on an idle machine that is later than this line.
    await server.engine.ask('settle', null);
    const shown = (await ask(`flows/${flow}?last=60`)) as { row: { name: string; kind: string; importance: number } };
    expect(shown.row).toMatchObject({ name: 'Page /book/{id}', kind: 'page', importance: 0.5 });
    expect((await pages()).flow).toBeNull();
  });

  test('views of which a share is sent stand for all, told and counted', async () => {
    const sampled = [...Array(8).keys()].map((i) => {
      const one = view(470 + i, { page: '/sampled' });
      one.attributes.push(number('toplens.share', 0.25));
      return one;
    });
    expect(await (await send(logs(...sampled))).json()).toEqual({ taken: 8, rejected: 0 });
    const { all, kinds } = await pages('&page=/sampled');
    expect(all).toMatchObject({ views: 32, loads: 32, people: 7, interactions: 64 });
    expect(kinds.load).toBe(32);
    expect(
      await (
        await send(logs({ ...view(480), attributes: [...view(480).attributes, number('toplens.share', 0)] }))
      ).json(),
    ).toMatchObject({
      field: 'toplens.share',
    });
  });

  test('a call leads to the attempt on the server, and back', async () => {
    const call = { traceId: hex(7, 32), spanId: hex(8, 16) };
    const entry = {
      traceId: call.traceId,
      spanId: hex(9, 16),
      parentSpanId: call.spanId,
      name: 'GET',
      kind: 2,
      startTimeUnixNano: nanos(nowMs - 59_000),
      endTimeUnixNano: nanos(nowMs - 58_800),
      attributes: [text('toplens.flow', 'slots')],
    };
    await fetch(`${server.url}/v1/traces`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ resourceSpans: [{ resource, scopeSpans: [{ spans: [entry] }] }] }),
    });
    await send(logs(view(400, { call })));
    const load = checked<PageLoadShape>('PageLoad', await ask(`page-loads/${hex(400, 16)}`));
    expect(load.resources.find(({ type }) => type === 'fetch')?.attempt).toEqual({
      traceId: call.traceId,
      spanId: entry.spanId,
    });
    expect(checked('PageLoadOf', await ask(`page-load-of/${call.traceId}`))).toEqual({ view: hex(400, 16) });
    expect((await pages()).calls).toMatchObject([
      { call: 'pages.example/api/slots/{id}', calls: 1, failed: 0, medianMs: 200 },
    ]);
  });

  test('errors of one place are one group, readable once its source map is there', async () => {
    // The example of the source-map package's README (BSD-3): in min.js 2:28 is two.js 2:10, named n.
    const map = {
      version: 3,
      file: 'min.js',
      names: ['bar', 'baz', 'n'],
      sources: ['one.js', 'two.js'],
      sourceRoot: 'http://example.com/www/js/',
      mappings: 'CAAC,IAAI,IAAM,SAAUA,GAClB,OAAOC,IAAID;CCDb,IAAI,IAAM,SAAUE,GAClB,OAAOA',
    };
    const stack = 'TypeError: n\n    at b (https://pages.example/js/min.js:2:29)';
    await send(
      logs(
        error(1, 101, 'n of 7 is undefined', stack),
        error(2, 103, 'n of 8 is undefined', stack),
        error(2, 103, 'sent twice', stack),
      ),
    );
    const before = checked<ScriptErrorsShape>('ScriptErrors', await ask(`script-errors?${freshWindow()}`));
    const narrowed = async (more: string) =>
      checked<ScriptErrorsShape>('ScriptErrors', await ask(`script-errors?${freshWindow()}${more}`));
    // View 101 is from Ireland, 103 from elsewhere.
    expect((await narrowed('&country=IE')).groups).toMatchObject([{ errors: 1, views: 1 }]);
    expect((await narrowed('&country=ZZ')).groups).toEqual([]);
    expect((await narrowed('&page=/nowhere')).groups).toEqual([]);
    expect((await narrowed('&page=/book/%7Bid%7D&country=NL')).groups).toMatchObject([{ errors: 1 }]);
    expect(before.groups).toMatchObject([
      {
        errors: 2,
        views: 2,
        isMapped: false,
        frames: [{ file: 'https://pages.example/js/min.js', line: 2, column: 29 }],
      },
    ]);
    const kept = await fetch(`${server.url}/api/source-maps`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ component: 'shop-pages', version: '1.4.0', file: 'min.js', map }),
    });
    expect(kept.status).toBe(201);
    const { groups } = checked<ScriptErrorsShape>('ScriptErrors', await ask(`script-errors?${freshWindow()}`));
    // The published example counts columns from 0, people from 1.
    expect(groups).toMatchObject([
      { isMapped: true, frames: [{ file: 'http://example.com/www/js/two.js', line: 2, column: 11 }] },
    ]);
    checked('SourceMaps', await ask('source-maps'));
  });

  test('a source map that is none is refused by name', async () => {
    const answer = await fetch(`${server.url}/api/source-maps`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ component: 'a', file: 'a.js', map: { version: 2 } }),
    });
    expect(answer.status).toBe(400);
    expect(await answer.json()).toMatchObject({ field: 'map' });
  });
});

describe('HAR files', () => {
  const timings = { send: 1, wait: 80, receive: 20 };
  const har = (url: string) => ({
    log: {
      version: '1.2',
      creator: { name: 'made up', version: '1' },
      pages: [
        {
          id: 'p',
          title: 'Orders',
          startedDateTime: new Date(nowMs - 30_000).toISOString(),
          pageTimings: { onLoad: 640 },
        },
      ],
      entries: [
        {
          pageref: 'p',
          startedDateTime: new Date(nowMs - 30_000).toISOString(),
          time: 101,
          request: { url },
          response: { status: 200, bodySize: 9 },
          timings,
        },
      ],
    },
  });
  const load = (file: object | string, query: string) =>
    fetch(`${server.url}/v1/har${query}`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: typeof file === 'string' ? file : JSON.stringify(file),
    });

  test('become page loads, once however often they are sent', async () => {
    for (let i = 0; i < 2; i++)
      expect(await (await load(har('https://har.example/orders/17'), '?component=har-pages&version=7')).json()).toEqual(
        { taken: 1, rejected: 0 },
      );
    const { all } = await pages('&page=/orders/%7Bid%7D');
    expect(all).toMatchObject({ views: 1, meanMs: 640 });
  });

  test.each([
    ['without a component', '{}', '', 'component'],
    ['that are no JSON', '{', '?component=a', 'request body'],
    ['without a log', '{}', '?component=a', 'log'],
    [
      'with an address that is none',
      JSON.stringify({ log: { entries: [{ request: { url: 'no' }, response: {}, timings }] } }),
      '?component=a',
      'log.entries[0].request.url',
    ],
  ])('%s are refused by name', async (_what, file, query, field) => {
    const answer = await load(file, query);
    expect(answer.status).toBe(400);
    expect(await answer.json()).toMatchObject({ field });
  });
});

describe('what pages may not', () => {
  test('no key, a wrong key, a page of elsewhere', async () => {
    expect((await send(logs(view(500)), { key: '' })).status).toBe(401);
    expect((await send(logs(view(500)), { key: 'other' })).status).toBe(401);
    const elsewhere = await send(logs(view(500)), { origin: 'https://copied.example' });
    expect(elsewhere.status).toBe(403);
    expect(await elsewhere.json()).toMatchObject({
      field: 'origin',
      detail: expect.stringContaining('https://copied.example') as string,
    });
    expect((await ask(`page-loads/${hex(500, 16)}`)) as object).toMatchObject({ status: 404 });
  });

  test('a page tells of no crash of a phone', async () => {
    const crash = {
      timeUnixNano: nanos(nowMs),
      eventName: 'app.crash',
      attributes: [text('app.crash.id', 'c-1'), text('exception.type', 'Lost')],
    };
    const answer = await send(logs(crash));
    expect([answer.status, await answer.text()]).toEqual([400, expect.stringContaining('a browser tells of')]);
    await server.intake.settled();
    expect(await server.database.query('SELECT 1 FROM phone_crash')).toEqual([]);
  });

  test('a browser adds no lines, no attempts and nothing under another name', async () => {
    const plain = { timeUnixNano: nanos(nowMs - 1000), body: { stringValue: 'a line' } };
    expect(await (await send(logs(plain, view(501)))).json()).toMatchObject({
      taken: 1,
      rejected: 1,
      errorMessage: expect.stringMatching(/^1 × eventName/) as string,
    });
    const span = {
      traceId: hex(70, 32),
      spanId: hex(71, 16),
      name: 'pay',
      kind: 2,
      startTimeUnixNano: nanos(nowMs - 2000),
      endTimeUnixNano: nanos(nowMs - 1000),
      attributes: [text('toplens.flow', 'pay')],
    };
    await send({ resourceSpans: [{ resource, scopeSpans: [{ spans: [span] }] }] });
    await server.intake.settled();
    const [attempts] = await server.database.query<{ n: number }>(
      "SELECT count(*)::int AS n FROM attempt WHERE replace(trace_id::text, '-', '') = $1",
      [span.traceId],
    );
    const [kept] = await server.database.query<{ kind: number; component: string }>(
      "SELECT s.kind, n.value AS component FROM span s JOIN name n ON n.id = s.component WHERE replace(s.trace_id::text, '-', '') = $1",
      [span.traceId],
    );
    expect(attempts?.n).toBe(0);
    expect(kept).toEqual({ kind: 1, component: 'shop-pages' });
    // Members that come twice: the key's component is the last one.
    await send(`${JSON.stringify(logs(view(502)))},"component":"payments"`);
    expect((await ask(`page-loads/${hex(502, 16)}`)) as object).toMatchObject({ component: 'shop-pages' });
  });

  test.each([
    ['no JSON', '{"resourceLogs":', 400],
    ['no list', '{"resourceLogs":7}', 400],
    ['a view without an id', JSON.stringify(logs({ ...view(503), attributes: [] })), 400],
    ['too much', 'x'.repeat(600_000), 413],
  ])('%s is refused, and the server goes on', async (_what, body, status) => {
    const answer = await send(body);
    expect(answer.status).toBe(status);
    expect((await answer.json()) as object).toHaveProperty('field');
    expect((await send(logs(view(504)))).status).toBe(200);
  });

  test('beside the loads of pages the world of attempts is untouched by all that', async () => {
    const { flows } = (await (await fetch(`${server.url}/api/flow-counts`)).json()) as {
      flows: { technicalName: string; attempts: number }[];
    };
    const [loads, others] = [true, false].map((isPage) =>
      flows.filter(({ technicalName }) => technicalName.startsWith('Page ') === isPage),
    );
    expect(others?.reduce((sum, { attempts }) => sum + attempts, 0)).toBe(1);
    const [{ n } = { n: 0 }] = await server.database.query<{ n: number }>(
      `SELECT count(*)::int AS n FROM page_view WHERE kind = 0 AND dom_us IS NOT NULL`,
    );
    expect(n).toBeGreaterThan(100);
    expect(loads?.reduce((sum, { attempts }) => sum + attempts, 0)).toBe(n);
  });
});
