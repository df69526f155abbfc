import { floorTo, HOUR_MS, MINUTE_MS } from '@toplens/core/time';
import type { RemoteShape } from '../../contract/sites';
import { describedAnswer } from '../../fixtures/described-answer';
import { hex, nanos, text } from '../../fixtures/otlp-json';
import { startTestServer, type TestServer } from '../../fixtures/test-server';

// Eight hours of twelve sessions at each of three sites. In the last hour the way takes three times as long from the
// south, and what is done there too; in the east what is done takes twice as long, and the way is as before.
const END = floorTo(Date.now(), HOUR_MS);
const BEGIN = END - 8 * HOUR_MS;
const SITES = ['North', 'South', 'East'] as const;
const SESSIONS = 12;

let server: TestServer;
const isLast = (atMs: number) => atMs >= END - HOUR_MS;
/** A session is one of the hours before, or of the last one. */
const sessionOf = (site: string, number: number, atMs: number) =>
  `${site}-${number}-${isLast(atMs) ? 'now' : 'before'}`;

const roundTrips = () => ({
  resource: { attributes: [text('service.name', 'remote-desktops')] },
  scopeMetrics: [
    {
      metrics: [
        {
          name: 'toplens.remote.round_trip',
          unit: 's',
          gauge: {
            dataPoints: SITES.flatMap((site) =>
              Array.from({ length: SESSIONS }, (_, number) => number).flatMap((number) =>
                Array.from({ length: 8 * 6 }, (_, i) => BEGIN + i * 10 * MINUTE_MS).map((atMs, i) => ({
                  timeUnixNano: nanos(atMs),
                  asDouble:
                    (site === 'South' && isLast(atMs) ? 0.09 : 0.03) * (0.9 + 0.02 * ((7 * i + 3 * number) % 10)),
                  attributes: [
                    text('toplens.remote.session', sessionOf(site, number, atMs)),
                    text('toplens.remote.client', `thin-${site}-${number}`),
                    text('toplens.remote.server', number % 2 === 0 ? 'farm-1' : 'farm-2'),
                    text('toplens.site', site),
                    text('cloud.region', 'Mid hall'),
                  ],
                })),
              ),
            ),
          },
        },
      ],
    },
  ],
});

const workAt = (n: number) => {
  const site = SITES[n % 3] as string;
  const number = Math.floor(n / 3) % SESSIONS;
  const atMs = BEGIN + (n * 8 * HOUR_MS) / 4_000;
  const factor = isLast(atMs) ? (site === 'South' ? 3 : site === 'East' ? 2 : 1) : 1;
  return {
    resource: { attributes: [text('service.name', 'desk'), text('toplens.application', 'Desk')] },
    scopeSpans: [
      {
        spans: [
          {
            traceId: hex(n + 1, 32),
            spanId: hex(n + 1, 16),
            name: 'Sort a parcel',
            kind: 3,
            startTimeUnixNano: nanos(atMs),
            endTimeUnixNano: nanos(atMs + 400 * factor * (0.9 + 0.02 * (n % 10))),
            attributes: [
              text('toplens.flow', 'Sort a parcel'),
              text('user.id', `person-${site}-${number}`),
              text('toplens.site', site),
              text('toplens.remote.session', sessionOf(site, number, atMs)),
            ],
          },
        ],
      },
    ],
  };
};

async function send(path: string, body: object): Promise<object> {
  const response = await fetch(`${server.url}/v1/${path}`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(body),
  });
  return (await response.json()) as object;
}

beforeAll(async () => {
  server = await startTestServer();
  expect(await send('metrics', { resourceMetrics: [roundTrips()] })).toEqual({});
  await send('traces', { resourceSpans: Array.from({ length: 4_000 }, (_, n) => workAt(n)) });
  await server.intake.settled();
  await server.engine.ask('settle', null);
});
afterAll(() => server.remove());

const lastHour = `from=${new Date(END - HOUR_MS).toISOString()}&to=${new Date(END).toISOString()}`;
const ask = (more = '') =>
  describedAnswer<RemoteShape>(server.url, `/api/remote-desktops?${lastHour}${more}`, 'Remote');

test('the way is told from what runs at its end, site by site', async () => {
  const { groups, sessions } = await ask();
  expect(sessions).toBe(36);
  expect(groups.map(({ group, verdict }) => [group, verdict])).toEqual([
    ['South', 'line'],
    ['East', 'application'],
    ['North', 'well'],
  ]);
  const [south, east] = groups;
  expect(south?.factor).toBeCloseTo(3, 0);
  expect(south?.activityFactor).toBeCloseTo(3, 0);
  expect(south?.roundTripMs).toBeCloseTo(90, -1);
  expect(east?.factor).toBeCloseTo(1, 1);
  expect(south?.words).toContain('It is the way to the desktop: from South');
  expect(south?.curve.roundTripMs).toHaveLength(4);
});

test('by server and by data centre nothing stands out alone; by device each session stands for itself', async () => {
  expect((await ask('&by=server')).groups.map(({ group, sessions }) => [group, sessions]).sort()).toEqual([
    ['farm-1', 18],
    ['farm-2', 18],
  ]);
  expect((await ask('&by=centre')).groups.map(({ group, sessions }) => [group, sessions])).toEqual([['Mid hall', 36]]);
  expect((await ask('&by=client')).groups).toHaveLength(36);
});

test('what tells no session, or no time, is refused by name, and the rest is taken', async () => {
  const point = (unit: string, attributes: object[]) => ({
    name: 'toplens.remote.round_trip',
    unit,
    gauge: { dataPoints: [{ timeUnixNano: nanos(END - MINUTE_MS), asDouble: 1, attributes }] },
  });
  const told = (await send('metrics', {
    resourceMetrics: [
      {
        resource: { attributes: [] },
        scopeMetrics: [{ metrics: [point('ms', []), point('kg', [text('toplens.remote.session', 'x')])] }],
      },
    ],
  })) as { partialSuccess: { rejectedDataPoints: string; errorMessage: string } };
  expect(told.partialSuccess.rejectedDataPoints).toBe('2');
  expect(told.partialSuccess.errorMessage).toContain('toplens.remote.session: missing');
  expect(told.partialSuccess.errorMessage).toContain('unit: toplens.remote.round_trip is in s, ms or us');
});
