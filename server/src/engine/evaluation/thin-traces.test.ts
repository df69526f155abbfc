import { floorTo, HOUR_MS, MINUTE_MS } from '@toplens/core/time';
import type { FlowTableShape, PathShape } from '../../contract/flows';
import type { ComponentShape, EstateShape } from '../../contract/infrastructure';
import { hex, nanos, text } from '../../fixtures/otlp-json';
import { startTestServer, type TestServer } from '../../fixtures/test-server';

// Seven hours of one flow through a service: 20 attempts a minute, of which 3 fail. Four usual traces a minute are
// kept.
const END = floorTo(Date.now(), MINUTE_MS) - MINUTE_MS;
const BEGIN = floorTo(END - 7 * HOUR_MS, HOUR_MS);
const A_MINUTE = 20;
const FAILING = 3;
const KEPT = 4;

let server: TestServer;
const sent = { attempts: 0, failed: 0 };

async function send(fromMs: number, toMs: number): Promise<void> {
  const [entries, inner]: [object[], object[]] = [[], []];
  for (let minuteMs = fromMs; minuteMs < toMs; minuteMs += MINUTE_MS)
    for (let k = 0; k < A_MINUTE; k++) {
      const n = sent.attempts++;
      const failed = k < FAILING;
      if (failed) sent.failed++;
      const startMs = minuteMs + k * 1_000;
      const span = (id: number, more: object) => ({
        traceId: hex(n, 32),
        spanId: hex(2 * n + id, 16),
        kind: 2,
        name: 'GET',
        startTimeUnixNano: nanos(startMs + id),
        endTimeUnixNano: nanos(startMs + 200 + (n % 40) - id),
        status: failed ? { code: 2 } : {},
        ...more,
      });
      entries.push(span(0, { attributes: [text('http.request.method', 'GET'), text('http.route', '/basket')] }));
      inner.push(span(1, { parentSpanId: hex(2 * n, 16) }));
    }
  const resource = (service: string, host: string) => ({
    attributes: [
      text('service.name', service),
      text('service.namespace', 'Shop'),
      text('host.name', host),
      text('cloud.availability_zone', 'north'),
      text('service.version', '2.1'),
    ],
  });
  const answer = await fetch(`${server.url}/v1/traces`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({
      resourceSpans: [
        { resource: resource('shop-web', 'north-1'), scopeSpans: [{ spans: entries }] },
        { resource: resource('prices', 'north-2'), scopeSpans: [{ spans: inner }] },
      ],
    }),
  });
  expect(answer.status).toBe(200);
}

const settle = async () => {
  await server.intake.settled();
  await server.engine.ask('settle', null);
};
const ask = async <Shape>(path: string) => (await (await fetch(`${server.url}/api${path}`)).json()) as Shape;
const windowOf = (fromMs: number, toMs: number) =>
  `from=${new Date(fromMs).toISOString()}&to=${new Date(toMs).toISOString()}`;
const spansIn = async (where: string) =>
  (await server.database.query<{ n: number }>(`SELECT count(*)::int AS n FROM span s WHERE ${where}`))[0]?.n ?? NaN;

async function thinned(): Promise<{ fromMs: number; toMs: number; share: number; usual: number; bad: number }[]> {
  // The last minute is not complete: nothing newer tells that it is over.
  const due = Math.floor((END - MINUTE_MS - 4 * HOUR_MS - BEGIN) / (10 * MINUTE_MS));
  for (let tries = 0; tries < 200; tries++) {
    const shares = await server.database.query<{
      fromMs: number;
      toMs: number;
      share: number;
      usual: number;
      bad: number;
    }>(
      'SELECT from_ms::float8 AS "fromMs", to_ms::float8 AS "toMs", share, usual, bad FROM trace_share ORDER BY from_ms',
    );
    if (shares.length >= due) return shares;
    await server.engine.ask('settle', null);
    await new Promise((resolve) => setTimeout(resolve, 50));
  }
  throw new Error('traces were not thinned out');
}

beforeAll(async () => {
  server = await startTestServer({ usualTracesAMinute: KEPT });
  // Bit by bit, as time goes on: a pass follows each, and after it some stretches are thinned out.
  for (let fromMs = BEGIN; fromMs < END; fromMs += 30 * MINUTE_MS) {
    await send(fromMs, Math.min(END, fromMs + 30 * MINUTE_MS));
    await settle();
  }
}, 120_000);
afterAll(() => server.remove());

test('all that failed stays, and of the usual traces the share that is written down', async () => {
  const shares = await thinned();
  const last = shares.at(-1) as (typeof shares)[number];
  expect(shares[0]).toMatchObject({ usual: 10 * (A_MINUTE - FAILING), bad: 10 * FAILING });
  expect(shares[0]?.share).toBeCloseTo(KEPT / (A_MINUTE - FAILING));
  const inside = `s.started_us >= ${BEGIN * 1000} AND s.started_us < ${last.toMs * 1000}`;
  const minutes = (last.toMs - BEGIN) / MINUTE_MS;
  expect(await spansIn(`${inside} AND s.flags & 1 = 1`)).toBe(minutes * FAILING);
  const usual = await spansIn(`${inside} AND s.flags & 1 = 0`);
  const expected = minutes * KEPT;
  // Kept by chance: within five standard deviations of the binomial spread.
  const spread = Math.sqrt(expected * (1 - KEPT / (A_MINUTE - FAILING)));
  expect(Math.abs(usual - expected)).toBeLessThan(5 * spread);
  // What is newer is whole.
  expect(await spansIn(`s.started_us >= ${last.toMs * 1000} AND s.flags & 1 = 0`)).toBe(
    ((END - last.toMs) / MINUTE_MS) * (A_MINUTE - FAILING),
  );
}, 60_000);

test('counts stay right: attempts are counted of all, and samples are of the fair share', async () => {
  const shares = await thinned();
  const toMs = (shares.at(-1) as { toMs: number }).toMs;
  const old = windowOf(toMs - HOUR_MS, toMs);
  const { rows } = await ask<FlowTableShape>(`/flows?${old}`);
  expect(rows[0]).toMatchObject({ attempts: 60 * A_MINUTE });
  expect(rows[0]?.failedShare).toBeCloseTo(FAILING / A_MINUTE);
  const path = await ask<PathShape>(`/flows/${rows[0]?.id}/path?${old}`);
  const hop = path.hops.find(({ to }) => to === 'prices');
  expect(path.traces).toBeGreaterThan(100);
  // Were the kept failing ones counted beside the thinned out usual ones, it would be nearly a half.
  expect((hop?.failed ?? NaN) / (hop?.calls ?? NaN)).toBeLessThan(0.28);
  const component = await ask<ComponentShape>(`/components/prices?${old}`);
  expect(component.attempts / (60 * A_MINUTE)).toBeGreaterThan(0.8);
  expect(component.attempts / (60 * A_MINUTE)).toBeLessThan(1.2);
}, 60_000);

test('everything that runs is told with where it stands and what it does, now and then', async () => {
  const now = await ask<EstateShape>('/estate?last=60');
  expect(
    now.parts.map(({ component, host, region, application, version, kind }) => [
      component,
      host,
      region,
      application,
      version,
      kind,
    ]),
  ).toEqual([
    ['prices', 'north-2', 'north', 'Shop', '2.1', 'service'],
    ['shop-web', 'north-1', 'north', 'Shop', '2.1', 'service'],
  ]);
  expect(now.parts[0]).toMatchObject({
    level: 'calm',
    attemptsPerMinute: A_MINUTE,
    beforePerMinute: A_MINUTE,
    usualPerMinute: null,
    changes: [],
    figures: [],
  });
  expect(now.parts[0]?.failing).toBeCloseTo(FAILING / A_MINUTE);
  const then = await ask<EstateShape>(`/estate?${windowOf(BEGIN + HOUR_MS, BEGIN + 2 * HOUR_MS)}`);
  expect(then.parts[0]?.beforePerMinute).toBeGreaterThan(0.7 * A_MINUTE);
  expect(then.parts[0]?.beforePerMinute).toBeLessThan(1.3 * A_MINUTE);
});
