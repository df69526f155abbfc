import { floorTo, HOUR_MS, MINUTE_MS } from '@toplens/core/time';
import type { SiteChangeShape, SitesShape, WorkPersonShape } from '../../contract/sites';
import { describedAnswer } from '../../fixtures/described-answer';
import { hex, nanos, text } from '../../fixtures/otlp-json';
import { startTestServer, type TestServer } from '../../fixtures/test-server';

// Six hours of one activity at three sites with two servers, twelve people each. In the last hour everything takes three
// times as long at the site in the south; one person of the east has an old device all the while.
const END = floorTo(Date.now(), HOUR_MS);
const BEGIN = END - 6 * HOUR_MS;
const SITES = ['North', 'South', 'East'];
const PEOPLE_AT_SITE = 12;
const OLD = 'person-east-3';

let server: TestServer;

const spanAt = (atMs: number, n: number) => {
  const site = SITES[n % SITES.length] as string;
  const number = Math.floor(n / SITES.length) % PEOPLE_AT_SITE;
  const person = `person-${site.toLowerCase()}-${number}`;
  const isSlow = site === 'South' && atMs >= END - HOUR_MS;
  const durationMs = 400 * (0.8 + 0.4 * ((n * 7919) % 101) * 0.01) * (isSlow ? 3 : 1) * (person === OLD ? 2.5 : 1);
  return {
    resource: {
      attributes: [
        text('service.name', 'desk'),
        text('toplens.application', 'Desk'),
        text('host.name', `pc-${site.toLowerCase()}-${number}`),
        text('toplens.station', 'desktop'),
        text('device.model.name', 'Counter 3'),
      ],
    },
    scopeSpans: [
      {
        spans: [
          {
            traceId: hex(n + 1, 32),
            spanId: hex(n + 1, 16),
            name: 'Receive parcels',
            kind: 3,
            startTimeUnixNano: nanos(atMs),
            endTimeUnixNano: nanos(atMs + durationMs),
            attributes: [
              text('toplens.flow', 'Receive parcels'),
              text('user.id', person),
              text('toplens.site', site),
              text('toplens.department', number < 6 ? 'Sorting' : 'Office'),
              text('toplens.role', 'clerk'),
              text('server.address', number % 2 === 0 ? 'desk-1' : 'desk-2'),
            ],
          },
        ],
      },
    ],
  };
};

/** Memory that a device uses, by the minute of the last hour. */
const memoryOf = (host: string, used: number) => ({
  resource: { attributes: [text('service.name', 'desk'), text('host.name', host)] },
  scopeMetrics: [
    {
      metrics: [
        {
          name: 'system.memory.utilization',
          unit: '1',
          gauge: {
            dataPoints: Array.from({ length: 60 }, (_, i) => ({
              timeUnixNano: nanos(END - HOUR_MS + i * MINUTE_MS),
              asDouble: used,
              attributes: [text('system.memory.state', 'used')],
            })),
          },
        },
      ],
    },
  ],
});

const get = async <T>(path: string): Promise<T> => {
  const response = await fetch(`${server.url}/api${path}`);
  if (!response.ok) throw new Error(`${response.status}: ${await response.text()}`);
  return (await response.json()) as T;
};

beforeAll(async () => {
  server = await startTestServer(
    {},
    {
      ownership: [
        { component: 'line of *', team: 'Sites & Network' },
        { component: 'device of *', team: 'Help Desk' },
      ],
    },
  );
  const all = Array.from({ length: 6 * 60 * 6 }, (_, n) => spanAt(BEGIN + (n / 6) * MINUTE_MS, n));
  for (let i = 0; i < all.length; i += 500)
    await fetch(`${server.url}/v1/traces`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ resourceSpans: all.slice(i, i + 500) }),
    });
  await fetch(`${server.url}/v1/metrics`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ resourceMetrics: [memoryOf('pc-east-3', 0.97)] }),
  });
  await server.intake.settled();
  await server.engine.ask('settle', null);
}, 120_000);
afterAll(() => server.close());

const lastHour = `from=${new Date(END - HOUR_MS).toISOString()}&to=${new Date(END).toISOString()}`;

test('the line of a site and one old device are told, with the teams that own them, and nobody else', async () => {
  const { off, people, compared } = await get<SitesShape>(`/sites?${lastHour}`);
  expect(off.map(({ layer, name, team }) => ({ layer, name, team }))).toEqual([
    { layer: 'line', name: 'South', team: 'Sites & Network' },
    { layer: 'device', name: expect.stringMatching(/^person [\da-f-]{9} on pc-east-3$/) as string, team: 'Help Desk' },
  ]);
  expect(off[0]?.words).toContain('It is the line of South');
  expect(off[1]?.words).toMatch(/The device agrees: its memory is at 97 %\.$/);
  expect(off[0]?.factor).toBeCloseTo(3, 0);
  expect([people, compared]).toEqual([36, 36]);
});

test('on one scale the slow site is the furthest off the norm; every attempt is counted once', async () => {
  const { groups, activities, cells, servers } = await get<SitesShape>(`/sites?${lastHour}`);
  expect(groups[0]).toMatchObject({ group: 'South', people: 12 });
  expect(groups[0]?.score).toBeGreaterThan(0.75);
  const all = (list: readonly { attempts: number }[]) => list.reduce((sum, { attempts }) => sum + attempts, 0);
  expect([all(groups), all(activities), all(cells), all(servers)]).toEqual([360, 360, 360, 360]);
  expect(servers.map(({ server: name }) => name).sort()).toEqual(['desk-1', 'desk-2']);
});

test('turned to departments, and narrowed to a site or to one device', async () => {
  const turned = await get<SitesShape>(`/sites?${lastHour}&by=department`);
  expect(turned.groups.map(({ group }) => group).sort()).toEqual(['Office', 'Sorting']);
  const narrowed = await get<SitesShape>(`/sites?${lastHour}&site=East`);
  expect(narrowed.groups.map(({ group }) => group)).toEqual(['East']);
  const one = await get<SitesShape>(`/sites?${lastHour}&host=pc-east-3`);
  expect(one).toMatchObject({ people: 1, off: [] });
  await expect(get('/sites?by=colour')).rejects.toThrow('by');
});

test('of a time without such attempts it says that nothing is known', async () => {
  const empty = await get<SitesShape>(
    `/sites?from=${new Date(BEGIN - 3 * HOUR_MS).toISOString()}&to=${new Date(BEGIN - 2 * HOUR_MS).toISOString()}`,
  );
  expect(empty).toMatchObject({ groups: [], off: [], persons: [], people: 0 });
});

test('one person over time: against like people, with all that they did, and how much of it is judged', async () => {
  const told = await describedAnswer<WorkPersonShape>(
    server.url,
    `/api/sites/person?host=pc-east-3&from=${new Date(END - 4 * HOUR_MS).toISOString()}&to=${new Date(END).toISOString()}`,
    'WorkPerson',
  );
  expect(told).toMatchObject({ host: 'pc-east-3', site: 'East', station: 'desktop', failed: 0 });
  expect(told.compared).toMatchObject({ isOff: true });
  expect(told.compared?.factor).toBeCloseTo(2.5, 0);
  expect(told.volume.reduce((sum, n) => sum + n, 0)).toBe(told.attempts);
  expect(told.judged).toBe(told.attempts);
  expect(told.own).toHaveLength(8);
  for (const [i, own] of told.own.entries())
    if (own !== null) expect(own / (told.like[i] as number)).toBeGreaterThan(1.8);
  await expect(get('/sites/person?host=nowhere')).rejects.toThrow('nobody at work did anything on nowhere');
  await expect(get('/sites/person')).rejects.toThrow('host: say which device');
});

describe('was it the change?', () => {
  const at = new Date(END - HOUR_MS).toISOString();

  test('each site against itself; one changed site alone proves nothing', async () => {
    const told = await get<SiteChangeShape>(`/sites/change?at=${at}&changed=South`);
    expect(told).toMatchObject({ verdict: 'tooLittle', factor: null, before: { toMs: END - HOUR_MS } });
    expect(told.groups.map(({ group, isChanged }) => [group, isChanged])).toEqual([
      ['South', true],
      ['East', false],
      ['North', false],
    ]);
    expect(told.groups[0]?.factor).toBeCloseTo(3, 0);
    expect(told.groups[2]?.factor).toBeCloseTo(1, 1);
    expect(told.groups[0]?.before).toBe(told.groups[0]?.after);
    const two = await get<SiteChangeShape>(`/sites/change?at=${at}&changed=South&changed=East`);
    expect(two.groups.filter(({ isChanged }) => isChanged)).toHaveLength(2);
  });

  test('without a moment, or with one that is none, it says what is missing', async () => {
    await expect(get('/sites/change?changed=South')).rejects.toThrow('at: say when it was changed');
    await expect(get('/sites/change?at=soon')).rejects.toThrow('at');
    await expect(get(`/sites/change?at=${at}&days=90`)).rejects.toThrow('days');
    await expect(get(`/sites/change?at=${at}&by=site&by=role`)).rejects.toThrow('by: is there more than once');
  });
});
