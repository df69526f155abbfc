import { floorTo, MINUTE_MS } from '@toplens/core/time';
import { hex, nanos, text } from '../fixtures/otlp-json';
import { startTestServer, type TestServer } from '../fixtures/test-server';
import { Pseudonyms } from '../names/pseudonyms';
import { logPatterns } from './log-patterns';

// Two flows through one service, a call a minute each, and a line for each call; lines without a trace beside them.
const END = floorTo(Date.now(), MINUTE_MS);
const MINUTES = 30;
const now = { fromMs: END - MINUTES * MINUTE_MS, toMs: END };
const before = { fromMs: now.fromMs - MINUTE_MS, toMs: now.fromMs };
const ROUTES = ['/basket', '/search'];

let server: TestServer;
let flows: number[];

beforeAll(async () => {
  server = await startTestServer({});
  const calls = ROUTES.flatMap((route, r) =>
    Array.from({ length: MINUTES }, (_, i) => ({ route, n: 1 + r * MINUTES + i, atMs: now.fromMs + i * MINUTE_MS })),
  );
  const post = (path: string, body: object) =>
    fetch(`${server.url}${path}`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
    });
  const resource = { attributes: [text('service.name', 'shop-web'), text('service.namespace', 'Shop')] };
  const spans = calls.map(({ route, n, atMs }) => ({
    traceId: hex(n, 32),
    spanId: hex(n, 16),
    name: 'GET',
    kind: 2,
    startTimeUnixNano: nanos(atMs),
    endTimeUnixNano: nanos(atMs + 100),
    attributes: [text('http.request.method', 'GET'), text('http.route', route)],
  }));
  const line = (atMs: number, body: string, traceId?: string) => ({
    timeUnixNano: nanos(atMs),
    severityNumber: 17,
    body: { stringValue: body },
    ...(traceId && { traceId }),
  });
  const lines = calls.flatMap(({ route, n, atMs }) => [
    line(atMs + 10, `${route === '/basket' ? 'basket is locked' : 'index is rebuilt'} by job ${n}`, hex(n, 32)),
    line(atMs + 20, `disk is slow: ${n} ms`),
  ]);
  await post('/v1/traces', { resourceSpans: [{ resource, scopeSpans: [{ spans }] }] });
  await post('/v1/logs', { resourceLogs: [{ resource, scopeLogs: [{ logRecords: lines }] }] });
  await server.intake.settled();
  const rows = await server.database.query<{ id: number; value: string }>(
    "SELECT id, value FROM name WHERE kind = 'flow' ORDER BY value",
  );
  flows = ROUTES.map((route) => rows.find(({ value }) => value.includes(route))?.id ?? NaN);
});
afterAll(() => server.remove());

const told = async (of: readonly number[] | null, withTraceOnly: readonly string[] = []) => {
  const found = await logPatterns(server.database, new Pseudonyms(Buffer.alloc(32)), {
    components: ['shop-web'],
    now,
    before,
    flows: of,
    withTraceOnly,
    leftOut: [],
  });
  return [...found.surging, ...found.rare, ...found.usual].map(({ text: words }) => words.split(' ')[0]).sort();
};

test('lines in traces of other flows are not this one’s; those without a trace are anybody’s', async () => {
  expect(await told([flows[0] as number])).toEqual(['basket', 'disk']);
  expect(await told([flows[1] as number])).toEqual(['disk', 'index']);
  expect(await told(flows)).toEqual(['basket', 'disk', 'index']);
  expect(await told(null)).toEqual(['basket', 'disk', 'index']);
});

test('where another incident begins in a component, its lines without a trace are that one’s', async () => {
  expect(await told([flows[0] as number], ['shop-web'])).toEqual(['basket']);
  expect(await told(null, ['shop-web'])).toEqual(['basket', 'index']);
});
