import { readdirSync } from 'node:fs';
import { join } from 'node:path';
import { KEPT_KINDS } from '@toplens/core/telemetry';
import { DAY_MS, HOUR_MS } from '@toplens/core/time';
import { hex, nanos, text } from '../fixtures/otlp-json';
import { startTestServer, type TestServer } from '../fixtures/test-server';
import { AS_INSTALLED, keptDays, keptFrom } from '../settings/retention';

let server: TestServer;
const now = Date.now();
let copiesAtFirst: number[];
/** Hours older than four of which the engine keeps a copy. */
const oldCopies = (): number[] =>
  readdirSync(join(server.dataDir, 'segments'))
    .map((file) => Number.parseInt(file, 10))
    .filter((hourMs) => hourMs < now - 4 * HOUR_MS);
beforeAll(async () => {
  server = await startTestServer();
  const resource = { attributes: [text('service.name', 'till')] };
  const phone = {
    attributes: [text('service.name', 'round'), text('os.name', 'Android'), text('device.model.name', 'Quill')],
  };
  // One of each kind, five hours ago and an hour ago.
  for (const [n, hours] of [
    [1, 5],
    [2, 1],
  ] as const) {
    const atMs = now - hours * HOUR_MS;
    const times = { startTimeUnixNano: nanos(atMs), endTimeUnixNano: nanos(atMs + 90) };
    const event = (eventName: string, attributes: object[]) => ({
      timeUnixNano: nanos(atMs),
      severityNumber: 17,
      eventName,
      attributes,
    });
    await post('/v1/traces', {
      resourceSpans: [
        {
          resource,
          scopeSpans: [
            {
              spans: [
                { traceId: hex(n, 32), spanId: hex(n, 16), name: 'POST /pay', kind: 2, ...times },
                {
                  traceId: hex(n, 32),
                  spanId: hex(n + 9, 16),
                  parentSpanId: hex(n, 16),
                  name: 'call',
                  kind: 3,
                  ...times,
                },
              ],
            },
          ],
        },
      ],
    });
    await post('/v1/logs', {
      resourceLogs: [
        {
          resource,
          scopeLogs: [
            {
              logRecords: [
                { ...event('', []), body: { stringValue: 'paid' } },
                event('toplens.page_view', [text('toplens.view.id', hex(n, 16)), text('url.path', '/pay')]),
              ],
            },
          ],
        },
        {
          resource: phone,
          scopeLogs: [
            {
              logRecords: [
                event('app.crash', [text('app.crash.id', `c${n}`), text('exception.type', 'Refused')]),
                event('app.widget.click', [text('session.id', 's'), text('app.widget.name', 'Pay')]),
              ],
            },
          ],
        },
      ],
    });
    await post('/v1/metrics', {
      resourceMetrics: [
        {
          resource,
          scopeMetrics: [
            { metrics: [{ name: 'till.size', gauge: { dataPoints: [{ timeUnixNano: nanos(atMs), asDouble: n }] } }] },
          ],
        },
      ],
    });
  }
  await server.intake.settled();
  await server.engine.ask('settle', null);
  copiesAtFirst = oldCopies();
});
afterAll(() => server.remove());

async function post(path: string, body: object): Promise<void> {
  const answer = await fetch(`${server.url}${path}`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(body),
  });
  expect([path, answer.status]).toEqual([path, answer.status < 300 ? answer.status : 200]);
}

/** Of which table a kind is counted here. */
const TABLE = {
  // The crash is an attempt as well.
  attempts: 'attempt',
  traces: 'span',
  logs: 'log_line',
  metrics: 'metric_point',
  pageLoads: 'page_view',
  crashes: 'phone_crash',
  phoneSessions: 'phone_moment',
} as const;
async function counts(): Promise<Record<string, number>> {
  const found: Record<string, number> = {};
  for (const kind of KEPT_KINDS)
    found[kind] =
      (await server.database.query<{ n: number }>(`SELECT count(*)::int AS n FROM ${TABLE[kind]}`))[0]?.n ?? 0;
  return found;
}

test.each(KEPT_KINDS)('%s that are older than settings say are dropped at once, and nothing else is', async (kind) => {
  const before = await counts();
  const oldOnes = { ...before };
  const answer = await fetch(`${server.url}/api/settings`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ who: 'Ada', key: 'retention', value: { [kind]: 0.1 } }),
  });
  expect(answer.status).toBe(201);
  const end = Date.now() + 20_000;
  while ((await counts())[kind] === before[kind] && Date.now() < end)
    await new Promise((resolve) => setTimeout(resolve, 50));
  expect(await counts()).toEqual({ ...oldOnes, [kind]: (before[kind] as number) / 2 });
});

const change = async (key: string, value: unknown, fromMs = Date.now()) => {
  const answer = await fetch(`${server.url}/api/settings`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ who: 'Ada', key, value, fromMs }),
  });
  expect(answer.status).toBe(201);
};

test('attempts that are gone leave no copy; what was counted of them stays, and older ones are taken no more', async () => {
  const counted = () =>
    server.database.query(
      'SELECT hour_ms::float8 AS hour, flow, encode(buckets, $1) AS n FROM roll_up_hour ORDER BY 1, 2',
      ['hex'],
    );
  const before = await counted();
  expect(before.length).toBeGreaterThan(1);
  await change('retention', { attempts: 0.1 });
  // A limit from then on: hours are counted anew by it, as far as their attempts are kept.
  await change('atOnceMs', 50, now - 6 * HOUR_MS);
  await server.engine.ask('settle', null);
  expect((await counted())[0]).toEqual(before[0]);
  expect([copiesAtFirst.length, oldCopies()]).toEqual([1, []]);

  const late = await fetch(`${server.url}/v1/traces`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({
      resourceSpans: [
        {
          resource: { attributes: [text('service.name', 'till')] },
          scopeSpans: [
            {
              spans: [
                {
                  traceId: hex(99, 32),
                  spanId: hex(99, 16),
                  name: 'POST /pay',
                  kind: 2,
                  startTimeUnixNano: nanos(now - 5 * HOUR_MS),
                  endTimeUnixNano: nanos(now - 5 * HOUR_MS + 90),
                },
              ],
            },
          ],
        },
      ],
    }),
  });
  expect(await late.json()).toMatchObject({ partialSuccess: { rejectedSpans: '1' } });
});

test('where settings say nothing it is as the installation says; each kind by itself', () => {
  const usual = { keepAttemptsDays: 35, keepSpansHours: 36 };
  expect(keptDays(AS_INSTALLED, usual)).toEqual({
    attempts: 35,
    traces: 1.5,
    logs: 1.5,
    metrics: 35,
    pageLoads: 35,
    crashes: 35,
    phoneSessions: 1.5,
  });
  const days = keptDays({ ...AS_INSTALLED, logs: 7 }, usual);
  expect(days).toMatchObject({ logs: 7, traces: 1.5 });
  expect(keptFrom(days, 10 * DAY_MS)).toMatchObject({ logs: 3 * DAY_MS, traces: 8.5 * DAY_MS });
});
