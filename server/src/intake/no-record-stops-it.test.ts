import { rmSync } from 'node:fs';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import { post, requestOf, send, testSpan } from '../fixtures/traffic';
import { startTestServer, type TestServer } from '../fixtures/test-server';
import { Journal } from './journal';

let server: TestServer;
const ORIGIN = 'https://shop.example';
beforeAll(async () => {
  server = await startTestServer({
    browserKeys: new Map([['page-key', { component: 'shop-pages', origins: [ORIGIN] }]]),
  });
});
afterAll(() => server.remove());

const postTo = (path: string, body: string | Uint8Array<ArrayBuffer>, headers: Record<string, string> = {}) =>
  fetch(`${server.url}${path}`, { method: 'POST', body, headers: { 'content-type': 'application/json', ...headers } });
const text = (key: string, stringValue: string) => ({ key, value: { stringValue } });
const nanos = (ms: number) => `${Math.round(ms)}000000`;
const resource = { attributes: [text('service.name', 'shop')] };
let next = 500_000;

/** What comes after is stored: nothing stands. */
async function expectFlowing(): Promise<void> {
  const route = `/after-${next++}`;
  expect((await send(server.url, [testSpan(next++, Date.now() - 60_000, 10, { route })])).status).toBe(200);
  await server.intake.settled();
  const flows = await server.database.query(
    "SELECT 1 FROM attempt a JOIN name n ON n.id = a.flow WHERE n.value LIKE '%' || $1 || '%'",
    [route],
  );
  expect(flows).toHaveLength(1);
}

interface Refused {
  total: number;
  records: { id: number; kind: string; sqlstate: string; reason: string; record: string }[];
}
const refused = async () => (await (await fetch(`${server.url}/api/refused-records`)).json()) as Refused;

test('a record that the database refuses is found among five hundred and kept aside; all others are stored', async () => {
  // No input is known that gets past the door and is refused behind it: one is made.
  await server.database.exec("ALTER TABLE log_line ADD CONSTRAINT no_poison CHECK (body <> 'poison') NOT VALID");
  const lines = Array.from({ length: 500 }, (_, i) => ({
    timeUnixNano: nanos(Date.now() - 60_000 + i),
    body: { stringValue: i === 217 ? 'poison' : `line ${i}` },
  }));
  const answer = await postTo(
    '/v1/logs',
    JSON.stringify({ resourceLogs: [{ resource, scopeLogs: [{ logRecords: lines }] }] }),
  );
  expect([answer.status, await answer.json()]).toEqual([200, {}]);
  await expectFlowing();
  const [row] = await server.database.query<{ n: number }>('SELECT count(*)::int AS n FROM log_line');
  expect(row?.n).toBe(499);
  const { total, records } = await refused();
  expect([total, records[0]?.kind, records[0]?.sqlstate]).toEqual([1, 'lines', '23514']);
  expect(records[0]?.record).toContain('poison');
  expect(server.health.report.intake).toMatchObject({
    state: 'degraded',
    words: '1 record was refused by the database and kept aside.',
  });
});

test('sent again it is refused again, until its reason is gone; then it is stored, and off the list', async () => {
  const sendAgain = async (id: number | undefined) =>
    (await (await postTo(`/api/refused-records/${id}/send-again`, '{}')).json()) as { taken: boolean };
  const first = (await refused()).records[0]?.id;
  expect(await sendAgain(first)).toEqual({ taken: false });
  const second = (await refused()).records[0]?.id as number;
  expect(second).toBeGreaterThan(first as number);
  await server.database.exec('ALTER TABLE log_line DROP CONSTRAINT no_poison');
  expect(await sendAgain(second)).toEqual({ taken: true });
  expect((await refused()).total).toBe(0);
  expect(await server.database.query("SELECT 1 FROM log_line WHERE body = 'poison'")).toHaveLength(1);
  expect((await postTo(`/api/refused-records/${second}/send-again`, '{}')).status).toBe(404);
});

test('names that came with a refused record come with the next one that uses them', async () => {
  await server.database.exec("ALTER TABLE log_line ADD CONSTRAINT no_poison CHECK (body <> 'poison') NOT VALID");
  const lineOf = (body: string) =>
    JSON.stringify({
      resourceLogs: [
        {
          resource: { attributes: [text('service.name', 'quay')] },
          scopeLogs: [{ logRecords: [{ timeUnixNano: nanos(Date.now()), body: { stringValue: body } }] }],
        },
      ],
    });
  await postTo('/v1/logs', lineOf('poison'));
  await server.intake.settled();
  await postTo('/v1/logs', lineOf('good'));
  await server.intake.settled();
  const rows = await server.database.query<{ value: string }>(
    'SELECT n.value FROM log_line l JOIN name n ON n.id = l.component WHERE l.body = $1',
    ['good'],
  );
  expect(rows).toEqual([{ value: 'quay' }]);
  await server.database.exec('ALTER TABLE log_line DROP CONSTRAINT no_poison');
  const { records } = await refused();
  expect((await fetch(`${server.url}/api/refused-records/${records[0]?.id}`, { method: 'DELETE' })).status).toBe(204);
  expect((await refused()).total).toBe(0);
});

/** varint */
const v = (n: number): number[] => (n < 0x80 ? [n] : [(n % 0x80) | 0x80, ...v(Math.floor(n / 0x80))]);
const part = (field: number, bytes: Uint8Array) =>
  Buffer.concat([Buffer.from([...v((field << 3) | 2), ...v(bytes.length)]), bytes]);
const EMPTY_RECORD = Buffer.from([0x12, 0x00]);

test.each<[string, () => Promise<Response>, number, string]>([
  [
    'a statement of 990 signs of three bytes, from a browser',
    () =>
      postTo(
        '/v1/browser?key=page-key',
        JSON.stringify({
          resourceSpans: [
            {
              resource,
              scopeSpans: [
                {
                  spans: [
                    {
                      ...testSpan(next++, Date.now() - 5_000, 10),
                      kind: 3,
                      attributes: [text('db.query.text', '\u4e2d'.repeat(990)), text('db.system.name', 'x')],
                    },
                  ],
                },
              ],
            },
          ],
        }),
        { origin: ORIGIN, 'content-type': 'text/plain' },
      ),
    200,
    '"taken":1',
  ],
  [
    'a change with a title of 7 kB',
    () =>
      postTo(
        '/v1/logs',
        JSON.stringify({
          resourceLogs: [
            {
              resource,
              scopeLogs: [
                {
                  logRecords: [
                    {
                      timeUnixNano: nanos(Date.now()),
                      eventName: 'toplens.change',
                      attributes: [
                        text('toplens.change.kind', 'flag'),
                        text('toplens.change.title', '\u4e2d'.repeat(7_000)),
                      ],
                    },
                  ],
                },
              ],
            },
          ],
        }),
      ),
    200,
    '{}',
  ],
  [
    'a point with 60 long attributes',
    () =>
      postTo(
        '/v1/metrics',
        JSON.stringify({
          resourceMetrics: [
            {
              resource,
              scopeMetrics: [
                {
                  metrics: [
                    {
                      name: 'queue',
                      gauge: {
                        dataPoints: [
                          {
                            timeUnixNano: nanos(Date.now()),
                            asDouble: 1,
                            attributes: Array.from({ length: 60 }, (_, i) => text(`a${i}`, `${i}`.repeat(100))),
                          },
                        ],
                      },
                    },
                  ],
                },
              ],
            },
          ],
        }),
      ),
    200,
    'longer than 4000 bytes',
  ],
  [
    'an exponential histogram of 15 million empty buckets',
    () => {
      const buckets = part(2, Buffer.alloc(15_000_000));
      const point = Buffer.concat([
        Buffer.from([0x19, ...Buffer.from(new BigUint64Array([BigInt(Date.now()) * 1_000_000n]).buffer)]),
        part(8, buckets),
      ]);
      const metric = Buffer.concat([
        part(1, Buffer.from('h')),
        part(10, Buffer.concat([part(1, point), Buffer.from([0x10, 1])])),
      ]);
      return postTo('/v1/metrics', gzipSync(part(1, part(2, part(2, metric)))), {
        'content-type': 'application/x-protobuf',
        'content-encoding': 'gzip',
      });
    },
    413,
    'unpack',
  ],
  [
    'eight million empty log records in 15 kB',
    () =>
      postTo('/v1/logs', gzipSync(part(1, part(2, Buffer.alloc(15_000_000, EMPTY_RECORD)))), {
        'content-type': 'application/x-protobuf',
        'content-encoding': 'gzip',
      }),
    413,
    'unpack',
  ],
  [
    'the same unpacked',
    () =>
      postTo('/v1/logs', part(1, part(2, Buffer.alloc(1_000_000, EMPTY_RECORD))), {
        'content-type': 'application/x-protobuf',
      }),
    413,
    'more than 50000 records',
  ],
  [
    'a view of the year 1',
    () =>
      postTo(
        '/v1/browser?key=page-key',
        JSON.stringify({
          resourceLogs: [
            {
              resource,
              scopeLogs: [
                {
                  logRecords: [
                    {
                      timeUnixNano: '1',
                      eventName: 'toplens.page_view',
                      attributes: [text('toplens.view.id', '00000000000000aa'), text('url.path', '/a')],
                    },
                  ],
                },
              ],
            },
          ],
        }),
        { origin: ORIGIN, 'content-type': 'text/plain' },
      ),
    400,
    'timeUnixNano',
  ],
  [
    'a span of five years ago',
    () => send(server.url, [testSpan(next++, Date.now() - 5 * 365 * 86_400_000, 10)]),
    200,
    'older than what is kept',
  ],
  [
    'spans in 20,000 hours',
    () =>
      send(
        server.url,
        Array.from({ length: 800 }, (_, i) => testSpan(next++, Date.now() - 60_000 - i * 3_600_000, 10)),
      ),
    200,
    'tells of 400 hours at most',
  ],
  [
    'a trace of 12,000 spans',
    () =>
      post(
        server.url,
        JSON.stringify(
          requestOf(
            Array.from({ length: 12_000 }, () => ({
              ...testSpan(next++, Date.now() - 60_000, 1),
              traceId: 'ab'.repeat(16),
            })),
          ),
        ),
      ),
    200,
    '10000 spans',
  ],
  [
    'JSON that is nested 200,000 deep',
    () =>
      postTo(
        '/v1/logs',
        `{"resourceLogs":[{"scopeLogs":[{"logRecords":[{"timeUnixNano":"${nanos(Date.now())}","body":${'{"arrayValue":{"values":['.repeat(60_000)}1${']}}'.repeat(60_000)}}]}]}]}`,
      ),
    200,
    '',
  ],
])('%s: answered politely, and what comes after is stored', async (_what, ask, status, said) => {
  const begun = performance.now();
  const answer = await ask();
  const body = await answer.text();
  expect({ status: answer.status, body: body.slice(0, 300) }).toEqual({
    status,
    body: expect.stringContaining(said) as string,
  });
  expect(performance.now() - begun).toBeLessThan(20_000);
  await expectFlowing();
  expect((await refused()).total).toBe(0);
});

test('the longest names of the widest signs fit what the database can index', async () => {
  const wide = '\u4e2d'.repeat(2_000);
  const names = [
    'toplens.flow',
    'user.id',
    'session.id',
    'toplens.site',
    'toplens.tier',
    'toplens.promotion',
    'toplens.region',
    'toplens.item',
    'exception.type',
    'server.address',
    'db.namespace',
    'db.query.text',
  ];
  const wideResource = {
    attributes: ['service.name', 'service.namespace', 'service.version', 'host.name', 'cloud.region'].map((key) =>
      text(key, wide),
    ),
  };
  const spanOf = (kind: number) => ({
    ...testSpan(next++, Date.now() - 5_000, 10),
    name: wide,
    kind,
    status: { code: 2 },
    attributes: names.map((key) => text(key, wide)),
  });
  const body = JSON.stringify({
    resourceSpans: [{ resource: wideResource, scopeSpans: [{ spans: [spanOf(2), spanOf(3)] }] }],
  });
  expect((await postTo('/v1/traces', body)).status).toBe(200);
  const event = {
    specversion: '1.0',
    id: wide,
    source: wide,
    type: 'toplens.change.release',
    subject: wide,
    time: new Date().toISOString(),
    data: { title: wide },
  };
  expect((await postTo('/v1/changes', JSON.stringify(event))).status).toBe(200);
  const map = {
    component: wide.slice(0, 200),
    version: wide.slice(0, 200),
    file: wide.slice(0, 200),
    map: { version: 3, sources: [], names: [], mappings: '' },
  };
  expect((await postTo('/api/source-maps', JSON.stringify(map))).status).toBe(201);
  await expectFlowing();
  expect((await refused()).total).toBe(0);
});

test('a sender whose clock is hours ahead is told, also on the screen', async () => {
  const span = testSpan(next++, Date.now() + 6 * 3_600_000, 10);
  const answer = (await (await send(server.url, [span, span])).json()) as { partialSuccess: { errorMessage: string } };
  expect(answer.partialSuccess.errorMessage).toContain("ahead of this server's clock");
  const { clocks } = (await (await fetch(`${server.url}/api/server-state`)).json()) as {
    clocks: { component: string; aheadMs: number; refused: number }[];
  };
  expect(clocks).toEqual([expect.objectContaining({ component: expect.any(String) as string, refused: 2 })]);
  expect(Math.round((clocks[0]?.aheadMs ?? 0) / 3_600_000)).toBe(6);
});

test('a record that the database refuses does not stop a start either: it is kept aside, and what is behind it is read', async () => {
  const one = await startTestServer();
  await one.database.exec("ALTER TABLE log_line ADD CONSTRAINT no_poison CHECK (body <> 'poison')");
  await one.close();
  const lineOf = (body: string) =>
    Buffer.from(
      JSON.stringify({
        resourceLogs: [
          { resource, scopeLogs: [{ logRecords: [{ timeUnixNano: nanos(Date.now()), body: { stringValue: body } }] }] },
        ],
      }),
    );
  // As if the process had died between the journal and the database.
  const journal = Journal.open(join(one.dataDir, 'journal'), { above: 40 });
  await journal.append(
    ['before', 'poison', 'behind'].map((body) => ({
      signal: 'logs',
      encoding: 'json',
      body: lineOf(body),
      receivedMs: Date.now(),
    })),
  );
  await journal.append([
    { signal: 'logs', encoding: 'json', body: Buffer.from('no JSON at all'), receivedMs: Date.now() },
  ]);
  await journal.append([{ signal: 'logs', encoding: 'json', body: lineOf('last'), receivedMs: Date.now() }]);
  await journal.close();
  const again = await startTestServer({ dataDir: one.dataDir });
  try {
    const lines = await again.database.query<{ body: string }>('SELECT body FROM log_line ORDER BY body');
    expect(lines.map(({ body }) => body)).toEqual(['before', 'behind', 'last']);
    expect(await again.database.query('SELECT 1 FROM refused_record')).toHaveLength(1);
  } finally {
    await again.remove();
    rmSync(one.dataDir, { recursive: true, force: true });
  }
});
