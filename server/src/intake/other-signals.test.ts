import { gzipSync } from 'node:zlib';
import { parseSeriesText } from '@toplens/core/metrics';
import { startTestServer, type TestServer } from '../fixtures/test-server';

let server: TestServer;
let nowMs: number;
beforeAll(async () => {
  server = await startTestServer();
  nowMs = Date.now();
});
afterAll(() => server.remove());

const text = (key: string, stringValue: string) => ({ key, value: { stringValue } });
const resource = { attributes: [text('service.name', 'slots'), text('host.name', 'coast-3')] };
const nanos = (ms: number) => `${Math.round(ms)}000000`;
const post = (path: string, body: object, headers: Record<string, string> = { 'content-type': 'application/json' }) =>
  fetch(`${server.url}${path}`, { method: 'POST', headers, body: JSON.stringify(body) });

const line = (secondsAgo: number, body: string, more: object = {}) => ({
  timeUnixNano: nanos(nowMs - secondsAgo * 1000),
  severityNumber: 9,
  body: { stringValue: body },
  ...more,
});
const logs = (...logRecords: object[]) => ({ resourceLogs: [{ resource, scopeLogs: [{ logRecords }] }] });
const lines = async () => {
  await server.intake.settled();
  return server.database.query<{
    body: string;
    component: string;
    host: string;
    severity: number;
    trace: string | null;
  }>(
    `SELECT l.body, c.value AS component, h.value AS host, l.severity, replace(l.trace_id::text, '-', '') AS trace
       FROM log_line l JOIN name c ON c.id = l.component JOIN name h ON h.id = l.host ORDER BY l.at_us, l.body`,
  );
};

describe('lines of logs', () => {
  test('are stored once, however often they are sent; lines alike in one request are two', async () => {
    const body = logs(
      line(9, 'ready'),
      line(9, 'ready'),
      line(8, 'slot gone', { severityNumber: 17, traceId: 'ab'.repeat(16), spanId: 'cd'.repeat(8) }),
    );
    for (let i = 0; i < 3; i++) expect(await (await post('/v1/logs', body)).json()).toEqual({});
    const packed = await fetch(`${server.url}/v1/logs`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', 'content-encoding': 'gzip' },
      body: gzipSync(JSON.stringify(body)),
    });
    expect(packed.status).toBe(200);
    expect(await lines()).toEqual([
      { body: 'ready', component: 'slots', host: 'coast-3', severity: 9, trace: null },
      { body: 'ready', component: 'slots', host: 'coast-3', severity: 9, trace: null },
      { body: 'slot gone', component: 'slots', host: 'coast-3', severity: 17, trace: 'ab'.repeat(16) },
    ]);
  });

  test('what cannot be taken is named and counted; the rest is taken', async () => {
    const before = (await lines()).length;
    const answer = await post(
      '/v1/logs',
      logs(line(-3600, 'tomorrow'), line(7, ''), line(7, 'fine'), { body: { stringValue: 'when?' } }),
    );
    expect(answer.status).toBe(200);
    const { partialSuccess } = (await answer.json()) as {
      partialSuccess: { rejectedLogRecords: string; errorMessage: string };
    };
    expect(partialSuccess.rejectedLogRecords).toBe('3');
    expect(partialSuccess.errorMessage).toContain('body: empty');
    expect(partialSuccess.errorMessage).toContain("lies ahead of this server's clock");
    expect(await lines()).toHaveLength(before + 1);
  });

  test('long texts, foreign scripts and characters that cannot be stored are kept or cleaned', async () => {
    const odd = `${'…語 '.repeat(50)}\u0000end\n\tat line 2`;
    expect((await post('/v1/logs', logs(line(6, odd), line(5, 'x'.repeat(100_000))))).status).toBe(200);
    const stored = (await lines()).map(({ body }) => body);
    expect(stored).toContain(odd.replace('\u0000', ' ').replace('\t', ' '));
    expect(stored.map((body) => body.length)).toContain(8_000);
  });

  test('a malformed request is refused as a whole, and the field is named', async () => {
    const answer = await post('/v1/logs', { resourceLogs: [{ scopeLogs: 1 }] });
    expect([answer.status, await answer.json()]).toEqual([
      400,
      { code: 3, message: 'resourceLogs[0].scopeLogs: expected a list' },
    ]);
  });
});

describe('points of metrics', () => {
  const sum = (value: number, secondsAgo: number) => ({
    resourceMetrics: [
      {
        resource,
        scopeMetrics: [
          {
            metrics: [
              {
                name: 'system.network.io',
                unit: 'By',
                sum: {
                  aggregationTemporality: 2,
                  isMonotonic: true,
                  dataPoints: [
                    {
                      startTimeUnixNano: nanos(nowMs - 1e6),
                      timeUnixNano: nanos(nowMs - secondsAgo * 1000),
                      asInt: String(value),
                      attributes: [text('b', '2'), text('a', '1')],
                    },
                  ],
                },
              },
              {
                name: 'took',
                histogram: {
                  aggregationTemporality: 1,
                  dataPoints: [
                    {
                      timeUnixNano: nanos(nowMs - secondsAgo * 1000),
                      count: '3',
                      sum: 7,
                      bucketCounts: ['1', '2'],
                      explicitBounds: [2],
                    },
                  ],
                },
              },
            ],
          },
        ],
      },
    ],
  });

  test('are stored once by series and moment; a series is the same whatever the order of its attributes', async () => {
    for (const seconds of [120, 60, 60])
      expect(await (await post('/v1/metrics', sum(seconds * 10, seconds))).json()).toEqual({});
    await server.intake.settled();
    const rows = await server.database.query<{
      series: string;
      value: number;
      distribution: { counts: number[] } | null;
    }>(
      'SELECT n.value AS series, p.value, p.distribution FROM metric_point p JOIN name n ON n.id = p.series ORDER BY n.value, p.at_us',
    );
    expect(rows.map(({ series, value }) => [parseSeriesText(series).metric, value])).toEqual([
      ['system.network.io', 1200],
      ['system.network.io', 600],
      ['took', 7],
      ['took', 7],
    ]);
    expect(parseSeriesText(rows[0]?.series as string)).toMatchObject({
      component: 'slots',
      host: 'coast-3',
      kind: 'counter',
      temporality: 'cumulative',
      attributes: { a: '1', b: '2' },
    });
    expect(rows[2]?.distribution).toMatchObject({ count: 3, bounds: [2], counts: [1, 2] });
  });
});

describe('changes', () => {
  const event = (change: object = {}) => ({
    specversion: '1.0',
    id: '7',
    source: '/delivery',
    type: 'toplens.change.release',
    subject: 'slots',
    time: new Date(nowMs - 60_000).toISOString(),
    data: { title: '4.18.0', by: 'line 2' },
    ...change,
  });
  const CLOUD = { 'content-type': 'application/cloudevents+json' };
  const stored = async () => {
    await server.intake.settled();
    return server.database.query('SELECT kind, component, title, by FROM change_event ORDER BY at_us, id');
  };

  test('as CloudEvents, one or a batch, are kept once', async () => {
    expect(await (await post('/v1/changes', event(), CLOUD)).json()).toEqual({ taken: 1, rejected: 0 });
    const batch = [
      event(),
      event({
        id: '8',
        type: 'toplens.change.flag',
        time: new Date(nowMs - 50_000).toISOString(),
        data: { title: 'bands on' },
      }),
    ];
    expect(
      await (await post('/v1/changes', batch, { 'content-type': 'application/cloudevents-batch+json' })).json(),
    ).toEqual({ taken: 2, rejected: 0 });
    expect(await stored()).toEqual([
      { kind: 'release', component: 'slots', title: '4.18.0', by: 'line 2' },
      { kind: 'flag', component: 'slots', title: 'bands on', by: '' },
    ]);
  });

  test('as an event of OTLP logs is the same kind of record', async () => {
    const attributes = [text('toplens.change.kind', 'setting'), text('toplens.change.title', 'radius 5 to 50 km')];
    await post('/v1/logs', logs(line(3, '', { eventName: 'toplens.change', attributes })));
    expect(await stored()).toContainEqual({ kind: 'setting', component: 'slots', title: 'radius 5 to 50 km', by: '' });
  });

  test.each([
    [{ specversion: '0.3' }, 'specversion'],
    [{ id: '' }, 'id'],
    [{ type: 'something.else' }, 'type'],
    [{ time: 'yesterday' }, 'time'],
    [{ subject: undefined }, 'subject'],
  ])('%j is refused, and the attribute is named', async (change, field) => {
    const answer = await post('/v1/changes', event(change), CLOUD);
    expect(answer.status).toBe(400);
    expect(await answer.json()).toMatchObject({ field, detail: expect.stringContaining(`${field}:`) as unknown });
  });

  test('of a batch the rest is taken, and what was not is told', async () => {
    const answer = await post('/v1/changes', [event({ id: '9' }), event({ type: 'x' })], CLOUD);
    expect(await answer.json()).toMatchObject({
      taken: 1,
      rejected: 1,
      errorMessage: expect.stringContaining('type:') as unknown,
    });
  });

  test('another content type is refused', async () => {
    expect((await post('/v1/changes', event(), { 'content-type': 'text/plain' })).status).toBe(415);
  });
});

describe('what is nobody’s business', () => {
  const entry = (id: number, path: string, more: { route?: boolean; status?: number } = {}) => {
    const atNs = BigInt(Date.now() - 1_000) * 1_000_000n;
    return {
      traceId: (0xfeed00 + id).toString(16).padStart(32, '0'),
      spanId: (0xfeed00 + id).toString(16).padStart(16, '0'),
      name: 'GET',
      kind: 2,
      startTimeUnixNano: String(atNs),
      endTimeUnixNano: String(atNs + 5_000_000n),
      attributes: [
        { key: 'http.request.method', value: { stringValue: 'GET' } },
        { key: more.route === false ? 'url.path' : 'http.route', value: { stringValue: path } },
        { key: 'http.response.status_code', value: { intValue: String(more.status ?? 200) } },
      ],
      status: {},
    };
  };

  test('is ignored and counted, and what scanners ask for is one flow', async () => {
    const resource = { attributes: [{ key: 'service.name', value: { stringValue: 'kiosk' } }] };
    const spans = [
      entry(1, '/health'),
      entry(2, '/assets/app.js', { route: false }),
      entry(3, '/.env', { route: false, status: 404 }),
      entry(4, '/wp-login.php', { route: false, status: 404 }),
      entry(5, '/tickets'),
    ];
    const response = await fetch(`${server.url}/v1/traces`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ resourceSpans: [{ resource, scopeSpans: [{ spans }] }] }),
    });
    expect([response.status, await response.json()]).toEqual([200, {}]);
    await server.intake.settled();
    const flows = await server.database.query<{ value: string }>("SELECT value FROM name WHERE value LIKE '%GET %'");
    const own = flows.map(({ value }) => value).filter((value) => value.includes('kiosk'));
    expect(own.map((value) => /GET ([\w/ ]+)/.exec(value)?.[1]).sort()).toEqual(['/tickets', 'unknown addresses']);
    expect(server.intake.senders.list.find(({ component }) => component === 'kiosk')).toMatchObject({
      came: 5,
      ignored: 2,
      refused: 0,
    });
  });
});

test('of what a sender sent and was refused, the newest is told in a few words, without secrets', async () => {
  const long = { timeUnixNano: '1000000000', severityNumber: 9, body: { stringValue: 'paid by ann@mail.test' } };
  const answer = await post('/v1/logs', logs(long));
  expect(await answer.json()).toMatchObject({ partialSuccess: { rejectedLogRecords: '1' } });
  const sampleOf = () => server.intake.senders.list.find(({ component }) => component === 'slots')?.sample;
  expect(sampleOf()).toMatch(/^log record “paid by \[mail \d{1,5}\]” of 1970-01-01T00:00:01\.000Z$/);
  await post('/v1/traces', {
    resourceSpans: [
      {
        resource,
        scopeSpans: [{ spans: [{ traceId: 'ab'.repeat(16), spanId: 'cd'.repeat(8), name: 'POST /pay', kind: 2 }] }],
      },
    ],
  });
  expect(sampleOf()).toBe('span “POST /pay”');
});
