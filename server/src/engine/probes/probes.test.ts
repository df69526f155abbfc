import { floorTo, HOUR_MS, MINUTE_MS } from '@toplens/core/time';
import type { EarlyWarningsShape } from '../../contract/infrastructure';
import type { ProbePageShape, ProbeRunPageShape, ProbeScriptsShape, ProbesShape } from '../../contract/probes';
import type { PromisesShape } from '../../contract/promises';
import { describedAnswer } from '../../fixtures/described-answer';
import { hex, nanos, text } from '../../fixtures/otlp-json';
import { startTestServer, type TestServer } from '../../fixtures/test-server';

// Two hours in which a probe ran every five minutes from three sites. In the last half hour it is slow from the south;
// the clock of the runner in the east is wrong all the while. People do as before at every site.
const END = floorTo(Date.now(), HOUR_MS);
const BEGIN = END - 2 * HOUR_MS;
const SITES = ['North', 'South', 'East'] as const;
const STEPS = [
  { name: 'Open', kind: 'request', url: 'https://desk.example/' },
  { name: 'Sign in', kind: 'request', url: 'https://desk.example/sign-in', status: 200 },
];
const PROBE = {
  name: 'Desk sign-in',
  application: 'Desk',
  sites: [...SITES],
  everyS: 300,
  steps: STEPS,
  limits: [{ step: 'Sign in', slowMs: 1000, brokenMs: 5000 }],
};

let server: TestServer;
const double = (key: string, doubleValue: number) => ({ key, value: { doubleValue } });

function runAt(atMs: number, site: string, number: number) {
  const traceId = hex(70_000 + number, 32);
  const id = hex(70_000 + 4 * number, 16);
  const signInMs = site === 'South' && atMs >= END - 30 * MINUTE_MS ? 1500 : 400;
  const times = (fromMs: number, lengthMs: number) => ({
    startTimeUnixNano: nanos(fromMs),
    endTimeUnixNano: nanos(fromMs + lengthMs),
  });
  const step = (place: number, name: string, fromMs: number, lengthMs: number) => ({
    traceId,
    spanId: hex(70_000 + 4 * number + 1 + place, 16),
    parentSpanId: id,
    name,
    kind: 3,
    ...times(fromMs, lengthMs),
    attributes: [
      { key: 'toplens.probe.step', value: { intValue: String(place) } },
      double('toplens.probe.name_ms', 10),
      double('toplens.probe.connect_ms', 40),
      double('toplens.probe.wait_ms', lengthMs - 100),
      double('toplens.probe.transfer_ms', 40),
    ],
  });
  const probe = {
    resource: {
      attributes: [
        text('service.name', 'probes'),
        text('toplens.application', 'Desk'),
        text('host.name', `probe-${site}`),
      ],
    },
    scopeSpans: [
      {
        spans: [
          {
            traceId,
            spanId: id,
            name: PROBE.name,
            kind: 1,
            ...times(atMs, 200 + signInMs),
            attributes: [
              text('user_agent.synthetic.type', 'test'),
              text('toplens.probe', PROBE.name),
              text('toplens.site', site),
              ...(site === 'East' ? [text('toplens.probe.fault', 'its clock is 4 min ahead')] : []),
            ],
          },
          step(0, 'Open', atMs, 200),
          step(1, 'Sign in', atMs + 200, signInMs),
        ],
      },
    ],
  };
  // The service behind the second step passes the header on: its span is no attempt of a person.
  const behind = {
    resource: { attributes: [text('service.name', 'accounts'), text('service.namespace', 'Desk')] },
    scopeSpans: [
      {
        spans: [
          {
            traceId,
            spanId: hex(170_000 + number, 16),
            parentSpanId: hex(70_000 + 4 * number + 2, 16),
            traceState: 'other=1,toplens=probe',
            name: 'POST /sign-in',
            kind: 2,
            ...times(atMs + 260, 250),
            attributes: [text('http.request.method', 'POST'), text('http.route', '/sign-in')],
          },
        ],
      },
    ],
  };
  return [probe, behind];
}

/** What people do: the same all the time, at every site. */
const workAt = (n: number) => {
  const atMs = BEGIN + (n * 2 * HOUR_MS) / 2_000;
  return {
    resource: { attributes: [text('service.name', 'accounts'), text('service.namespace', 'Desk')] },
    scopeSpans: [
      {
        spans: [
          {
            traceId: hex(n + 1, 32),
            spanId: hex(n + 1, 16),
            name: 'POST /sign-in',
            kind: 2,
            startTimeUnixNano: nanos(atMs),
            endTimeUnixNano: nanos(atMs + 300 + (n % 17) * 5),
            attributes: [
              text('http.request.method', 'POST'),
              text('http.route', '/sign-in'),
              text('toplens.site', SITES[n % 3] as string),
              text('user.id', `person-${n % 60}`),
            ],
          },
        ],
      },
    ],
  };
};

async function send(resourceSpans: readonly object[]): Promise<void> {
  const response = await fetch(`${server.url}/v1/traces`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ resourceSpans }),
  });
  expect(await response.json()).toEqual({});
}

const lastHour = `from=${new Date(END - HOUR_MS).toISOString()}&to=${new Date(END).toISOString()}`;
const post = (path: string, body: object) =>
  fetch(`${server.url}/api${path}`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(body),
  });

beforeAll(async () => {
  server = await startTestServer(
    { ingestKeys: new Map([['secret', 'probes']]) },
    {
      entryServices: ['accounts'],
      probes: [PROBE],
      ownership: [
        { component: 'line of *', team: 'Sites & Network' },
        { application: 'Desk', team: 'Desk Team' },
      ],
      promises: [
        {
          name: 'Desk reachable',
          application: 'Desk',
          indicator: 'reachable',
          target: 0.9,
          period: { kind: 'rolling', days: 1 },
        },
      ],
    },
  );
  const runs = SITES.flatMap((site, place) =>
    Array.from({ length: 24 }, (_, i) => runAt(BEGIN + (5 * i + place) * MINUTE_MS, site, 3 * i + place)),
  );
  await send(runs.flat());
  // The same once more adds nothing.
  await send(runs.slice(0, 5).flat());
  await send(Array.from({ length: 2_000 }, (_, n) => workAt(n)));
  await server.intake.settled();
  await server.engine.ask('settle', null);
});
afterAll(() => server.remove());

const probes = () => describedAnswer<ProbesShape>(server.url, `/api/probes?${lastHour}`, 'Probes');
const page = (query = lastHour) =>
  describedAnswer<ProbePageShape>(server.url, `/api/probes/Desk%20sign-in?${query}`, 'ProbePage');

test('the slow site is told with its team, the wrong clock as trouble of the probe, and the others are well', async () => {
  const { sentence, lines } = await probes();
  expect(lines.map(({ site, standing, team }) => ({ site, standing, team }))).toEqual([
    { site: 'South', standing: 'slow', team: 'Sites & Network' },
    { site: 'East', standing: 'probeTrouble', team: null },
    { site: 'North', standing: 'good', team: null },
  ]);
  expect(sentence).toBe(
    'Of 3 probes at their sites: 1 slow, Desk sign-in from South; 1 in trouble itself, Desk sign-in from East.',
  );
  const [south, east] = lines;
  expect(south).toMatchObject({
    runs: 12,
    good: 6,
    slow: 6,
    missed: 0,
    sinceMs: END - 29 * MINUTE_MS,
    words: 'slow: Sign in took longer than 1.0 s',
    agreement: 'probesAlone',
    agreementWords: 'People at South fare as before: the probe alone sees it.',
  });
  expect(east).toMatchObject({
    runs: 12,
    probeTrouble: 12,
    reachable: null,
    words: 'trouble of the probe: its clock is 4 min ahead',
    agreement: 'noProbe',
  });
});

test('nobody counts them as people, and no flow is made of them', async () => {
  const { rows } = (await (await fetch(`${server.url}/api/flows?${lastHour}`)).json()) as {
    rows: { technicalName: string; attempts: number; people: number }[];
  };
  expect(rows.map(({ technicalName, attempts, people }) => [technicalName, attempts, people])).toEqual([
    ['POST /sign-in', 1000, 60],
  ]);
});

test('what the probe alone sees is an early warning for the team of the site', async () => {
  const { warnings } = await describedAnswer<EarlyWarningsShape>(
    server.url,
    `/api/early-warnings?${lastHour}`,
    'EarlyWarnings',
  );
  expect(warnings.filter(({ kind }) => kind === 'probe')).toEqual([
    expect.objectContaining({
      probe: { name: 'Desk sign-in', site: 'South' },
      team: 'Sites & Network',
      title: 'Probe Desk sign-in, from South: slow: Sign in took longer than 1.0 s',
    }),
  ]);
});

test('a promise about being reached counts runs of well probes alone', async () => {
  const { promises } = (await (await fetch(`${server.url}/api/promises?${lastHour}`)).json()) as PromisesShape;
  expect(promises.find(({ name }) => name === 'Desk reachable')).toMatchObject({ valid: 48, good: 48 });
});

test('a run opens step by step, with where the time went and who took part', async () => {
  const { runs } = await page(`${lastHour}&site=South`);
  expect(new Set(runs.map(({ site }) => site))).toEqual(new Set(['South']));
  const run = await describedAnswer<ProbeRunPageShape>(server.url, `/api/probe-runs/${runs[0]?.id}`, 'ProbeRunPage');
  expect(run).toMatchObject({ site: 'South', verdict: 'slow', host: 'probe-South', hasTrace: true });
  expect(run.steps.map(({ name, durationMs, slowMs }) => [name, durationMs, slowMs])).toEqual([
    ['Open', 200, null],
    ['Sign in', 1500, 1000],
  ]);
  expect(run.steps[1]).toMatchObject({
    layers: { device: 10, line: 1240, server: 250, store: 0 },
    services: ['accounts'],
  });
  const missing = await fetch(`${server.url}/api/probe-runs/${'0'.repeat(16)}`);
  expect(missing.status).toBe(404);
});

test('limits are changed in place, tried before, told with who and when, and judge from then on', async () => {
  const limits = [...PROBE.limits, { step: 'Sign in', site: 'South', slowMs: 2000, brokenMs: 8000 }];
  const value = [{ ...PROBE, limits }];
  const tried = (await (await post('/settings/try', { key: 'probes', value })).json()) as { lines: object[] };
  expect(tried.lines).toEqual([{ of: 'Desk sign-in', words: 'of 72 runs of the last day 0 would be slow, 0 broken' }]);
  const fromMs = END - 10 * MINUTE_MS;
  expect((await post('/settings', { who: 'Dana', key: 'probes', value, fromMs })).status).toBe(201);
  const told = await page();
  expect(told.changes[0]).toMatchObject({ who: 'Dana', words: 'Sign in slow from 2.0 s, broken from 8.0 s at South' });
  const south = told.sites.find(({ site }) => site === 'South');
  // Runs before it were judged by what was in force then.
  expect(south).toMatchObject({ slow: 4, good: 8, standing: 'good' });
  expect(told.steps.find(({ site, step }) => site === 'South' && step === 'Sign in')).toMatchObject({
    slowMs: 2000,
    isOwnLimit: true,
    overSlow: 0,
  });
});

test('runs during maintenance are kept, and judged by no more', async () => {
  const stretch = { fromMs: END - 20 * MINUTE_MS, toMs: END, reason: 'migration' };
  const value = { holidays: [], excluded: [], maintenance: [stretch] };
  expect((await post('/settings', { who: 'Dana', key: 'calendar', value, fromMs: BEGIN })).status).toBe(201);
  const north = (await page()).sites.find(({ site }) => site === 'North');
  expect(north).toMatchObject({ runs: 8, inMaintenance: 4, missed: 0, standing: 'good' });
  const { id } = (await page()).runs[0] as { id: string };
  expect(await describedAnswer<ProbeRunPageShape>(server.url, `/api/probe-runs/${id}`, 'ProbeRunPage')).toMatchObject({
    maintenance: '',
  });
  const none = { holidays: [], excluded: [], maintenance: [] };
  await post('/settings', { who: 'Dana', key: 'calendar', value: none, fromMs: BEGIN });
});

test('a runner is told what is to be run at its site, and the time; nobody else is', async () => {
  const ask = (query: string, key = 'secret') =>
    fetch(`${server.url}/v1/probes${query}`, { headers: { authorization: `Bearer ${key}` } });
  const told = (await (await ask('?site=North')).json()) as ProbeScriptsShape;
  expect(told.scripts).toEqual([{ name: 'Desk sign-in', application: 'Desk', everyS: 300, steps: STEPS }]);
  expect(Math.abs(told.nowMs - Date.now())).toBeLessThan(5_000);
  expect(((await (await ask('?site=Elsewhere')).json()) as ProbeScriptsShape).scripts).toEqual([]);
  expect((await ask('?site=North', 'wrong')).status).toBe(401);
  expect(await (await ask('')).json()).toMatchObject({ status: 400, detail: 'site: say where the runner stands' });
});

test.each([
  ['no list', { steps: 'none' }, 'steps: expected a list'],
  ['an unknown kind', { steps: [{ ...STEPS[0], kind: 'loop' }] }, 'steps[0].kind: expected one of request, open'],
  ['an unknown field', { steps: [{ ...STEPS[0], again: 5 }] }, 'steps[0]: these fields are not known: again'],
  [
    'an inner address',
    { steps: [{ ...STEPS[0], url: 'http://169.254.169.254/keys' }] },
    'step “Open”: url asks an inner address',
  ],
  ['no address', { steps: [{ ...STEPS[0], url: undefined }] }, 'step “Open”: url is missing'],
  ['too often', { everyS: 4 }, 'everyS: a probe runs every 5 seconds at most'],
  ['a limit of no step', { limits: [{ step: 'Nowhere', slowMs: 1, brokenMs: 2 }] }, 'limit of “Nowhere”: step'],
  ['broken before slow', { limits: [{ step: 'Open', slowMs: 2, brokenMs: 2 }] }, 'brokenMs: broken is later'],
])('a script with %s is refused by step and field, and the old one stays', async (_words, change, why) => {
  const before = (await page()).script;
  const answer = await post('/settings', { who: 'Dana', key: 'probes', value: [{ ...PROBE, limits: [], ...change }] });
  const { detail } = (await answer.json()) as { detail: string };
  expect([answer.status, detail]).toEqual([400, expect.stringContaining(why)]);
  expect((await page()).script).toEqual(before);
});
