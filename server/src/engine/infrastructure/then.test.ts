import { floorTo, HOUR_MS, MINUTE_MS } from '@toplens/core/time';
import type { EstateShape } from '../../contract/infrastructure';
import { text } from '../../fixtures/otlp-json';
import { startTestServer, type TestServer } from '../../fixtures/test-server';
import { requestOf, steadyTraffic, post } from '../../fixtures/traffic';

// One host for four hours: of version 1 in one zone, then of version 2 in another and another application's.
const END = floorTo(Date.now(), MINUTE_MS);
const MOVED = END - 2 * HOUR_MS;

let server: TestServer;

/** Attempts of a stretch, as one version in one zone tells of them. */
async function sendAs(fromMs: number, [application, version, zone]: readonly [string, string, string]): Promise<void> {
  const { resourceSpans } = requestOf(steadyTraffic(fromMs, 120, 0)) as {
    resourceSpans: [{ scopeSpans: [{ spans: { traceId: string; spanId: string }[] }] }];
  };
  const { spans } = resourceSpans[0].scopeSpans[0];
  const own = spans.map((span) => ({ ...span, traceId: version + span.traceId.slice(1) }));
  const attributes = [
    text('service.name', 'shop-web'),
    text('service.namespace', application),
    text('service.version', version),
    text('host.name', 'h-1'),
    text('cloud.availability_zone', zone),
  ];
  const body = { resourceSpans: [{ resource: { attributes }, scopeSpans: [{ spans: own }] }] };
  expect((await post(server.url, JSON.stringify(body))).status).toBe(200);
}

beforeEach(async () => {
  server = await startTestServer({});
}, 60_000);
afterEach(() => server.remove());

async function partsThen(toMs: number): Promise<string[][]> {
  const window = `from=${new Date(toMs - HOUR_MS).toISOString()}&to=${new Date(toMs).toISOString()}`;
  const { parts } = (await (await fetch(`${server.url}/api/estate?${window}`)).json()) as EstateShape;
  return parts.map(({ host, application, version, region }) => [host, application, version, region]);
}

test.each([
  ['in order', false],
  ['the later part first', true],
])(
  'a past window shows place, version and application as they were then: %s',
  async (_, isTurned) => {
    const sends = [
      () => sendAs(END - 4 * HOUR_MS, ['Shop', '1', 'north']),
      () => sendAs(MOVED, ['Shop two', '2', 'south']),
    ];
    for (const one of isTurned ? sends.reverse() : sends) await one();
    await server.intake.settled();
    await server.engine.ask('settle', null);
    expect(await partsThen(MOVED - 5 * MINUTE_MS)).toEqual([['h-1', 'Shop', '1', 'north']]);
    expect(await partsThen(END - MINUTE_MS)).toEqual([['h-1', 'Shop two', '2', 'south']]);
  },
  60_000,
);
