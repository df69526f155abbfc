import Ajv2020 from 'ajv/dist/2020';
import { DAY_MS, floorTo, HOUR_MS, MINUTE_MS } from '@toplens/core/time';
import { openApi } from '../../contract/open-api';
import type { PromiseAttemptsShape, PromisePageShape, PromisesShape } from '../../contract/promises';
import type { StandingShape } from '../../contract/standing';
import type { TriedSettingShape } from '../../contract/settings';
import { hex, nanos, text } from '../../fixtures/otlp-json';
import { startTestServer, type TestServer } from '../../fixtures/test-server';

// Five days of one flow at two sites, twelve attempts an hour. Each takes 100.0 ms, but in the last two hours: then every
// second one of the South takes 100.6 ms, which is beyond a limit of 100.5 ms and within a step of any histogram.
const END = floorTo(Date.now(), HOUR_MS);
const BEGIN = END - 5 * DAY_MS;
const AN_HOUR = 12;
const settings = {
  flows: [{ technicalName: 'POST /labels', name: 'Print labels', application: 'Shop' }],
  promises: [
    {
      name: 'Labels',
      to: 'Partners',
      application: 'Shop',
      flow: 'Print labels',
      indicator: 'inTime',
      limitMs: 100.5,
      target: 0.995,
      period: { kind: 'rolling', days: 2 },
      penalties: [
        { below: 0.995, amount: 4000 },
        { below: 0.9, amount: 10_000 },
      ],
    },
    { name: 'Answered', indicator: 'answered', target: 0.99, period: { kind: 'rolling', days: 2 } },
    {
      name: 'Seen by probes',
      flow: 'Print labels',
      indicator: 'reachable',
      target: 0.9,
      period: { kind: 'rolling', days: 2 },
    },
    {
      name: 'Nothing yet',
      application: 'Nobody',
      indicator: 'answered',
      target: 0.99,
      period: { kind: 'rolling', days: 2 },
    },
  ],
};

let server: TestServer;
beforeAll(async () => {
  server = await startTestServer({}, settings);
  const spans = Array.from({ length: 5 * 24 * AN_HOUR }, (_, n) => {
    const startMs = BEGIN + n * (HOUR_MS / AN_HOUR) + 1_000;
    const isSouth = n % 2 === 1;
    const isLate = startMs >= END - 2 * HOUR_MS && n % 4 === 1;
    return {
      traceId: hex(n, 32),
      spanId: hex(n, 16),
      kind: 2,
      name: 'POST',
      startTimeUnixNano: nanos(startMs),
      endTimeUnixNano: nanos(startMs + (isLate ? 100.6 : 100)),
      status: {},
      attributes: [
        text('http.request.method', 'POST'),
        text('http.route', '/labels'),
        text('toplens.site', isSouth ? 'South' : 'North'),
      ],
    };
  });
  // Ten runs of a probe, of which two fail.
  const runs = Array.from({ length: 10 }, (_, n) => ({
    traceId: hex(50_000 + n, 32),
    spanId: hex(50_000 + n, 16),
    kind: 2,
    name: 'POST',
    startTimeUnixNano: nanos(END - 50 * MINUTE_MS + n * MINUTE_MS),
    endTimeUnixNano: nanos(END - 50 * MINUTE_MS + n * MINUTE_MS + 90),
    status: n < 2 ? { code: 2 } : {},
    attributes: [
      text('http.request.method', 'POST'),
      text('http.route', '/labels'),
      text('user_agent.synthetic.type', 'test'),
    ],
  }));
  spans.push(...runs);
  await fetch(`${server.url}/v1/traces`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({
      resourceSpans: [
        {
          resource: {
            attributes: [
              text('service.name', 'shop'),
              text('service.namespace', 'Shop'),
              text('service.version', '1.0.0'),
            ],
          },
          scopeSpans: [{ spans }],
        },
      ],
    }),
  });
  await server.intake.settled();
  await server.engine.ask('settle', null);
});
afterAll(() => server.remove());

const at = (fromMs: number, toMs: number) =>
  `from=${new Date(fromMs).toISOString()}&to=${new Date(toMs).toISOString()}`;
const ask = async <Shape>(path: string) => {
  const answer = await fetch(`${server.url}/api${path}`);
  return { status: answer.status, body: (await answer.json()) as Shape & { detail: string } };
};
const levels = async (toMs: number) => (await ask<PromisesShape>(`/promises?${at(toMs - HOUR_MS, toMs)}`)).body;
const level = async (name: string, toMs: number) =>
  (await levels(toMs)).promises.find((one) => one.name === name) as PromisesShape['promises'][number];

test('attempts are counted one by one, also where the limit lies inside a step of durations', async () => {
  // Two days of twelve an hour; of the last 24 six are late, all of the South.
  const labels = await level('Labels', END);
  expect([labels.valid, labels.good]).toEqual([48 * AN_HOUR, 48 * AN_HOUR - 6]);
  expect(labels).toMatchObject({ to: 'Partners', isRough: false, state: 'broken' });
  expect(labels.kept?.share).toBeCloseTo(570 / 576, 9);
  expect(labels.budget).toMatchObject({ allowed: expect.closeTo(2.88, 6) as number, spent: 6 });
  expect(await level('Answered', END)).toMatchObject({ valid: 48 * AN_HOUR, good: 48 * AN_HOUR, state: 'kept' });
});

test('as it was two hours before: nothing was late, and the budget was whole', async () => {
  const then = await level('Labels', END - 2 * HOUR_MS);
  expect([then.valid, then.good]).toEqual([48 * AN_HOUR, 48 * AN_HOUR]);
  expect(then).toMatchObject({ state: 'kept', endsMs: null });
  expect(then.line.left.every((left) => left === 1)).toBe(true);
});

test('the pace, by hand: six of 24 in two hours, a quarter bad, is fifty times what may be', async () => {
  const { burn, pace, line } = await level('Labels', END);
  expect(burn.find(({ windowMs }) => windowMs === HOUR_MS)?.rate).toBeCloseTo(0.25 / 0.005, 6);
  expect(pace).toBe('medium');
  expect(line.left.at(-1)).toBeCloseTo(1 - 6 / 2.88, 6);
});

test('without an attempt nothing is known: no share, no state but that', async () => {
  expect(await level('Nothing yet', END)).toMatchObject({ valid: 0, kept: null, state: 'noData', flows: 0 });
});

test('a promise opens to who spent it: sites, hours and versions add up to all that was bad', async () => {
  const { body: page } = await ask<PromisePageShape>(`/promises/Labels?${at(END - HOUR_MS, END)}`);
  const validate = new Ajv2020({ strict: false })
    .addSchema(openApi('/'), 'api')
    .compile({ $ref: 'api#/components/schemas/PromisePage' });
  expect(validate(page) ? true : validate.errors).toBe(true);
  expect(page.sites.map(({ site, valid, bad }) => [site, valid, bad])).toEqual([
    ['South', 288, 6],
    ['North', 288, 0],
  ]);
  expect(page.cells).toEqual([
    { flowId: 1, flow: 'Print labels', application: 'Shop', site: 'North', valid: 288, good: 288 },
    { flowId: 1, flow: 'Print labels', application: 'Shop', site: 'South', valid: 288, good: 282 },
  ]);
  expect(page.hours.map(({ startMs, bad }) => [(END - startMs) / HOUR_MS, bad])).toEqual([
    [2, 3],
    [1, 3],
  ]);
  expect(page.versions).toEqual([{ version: '1.0.0', valid: 576, bad: 6, share: 1 }]);
  const spent = page.incidents.reduce((sum, { bad }) => sum + bad, page.unexplained.bad);
  expect(spent).toBeCloseTo(6, 6);
  // One whole period of two days lies before this one; of the one before that the first day is not known.
  expect(page.periods).toHaveLength(1);
  expect(page.periods[0]).toMatchObject({ valid: 576, good: 576, isKept: true });
});

test('runs of probes count where reachability was promised, and nowhere else', async () => {
  expect(await level('Seen by probes', END)).toMatchObject({
    valid: 10,
    good: 8,
    rule: '90 % of the runs of probes of “Print labels” answered: neither failed nor hung, over 2 days.',
  });
  const { body } = await ask<PromiseAttemptsShape>(`/promises/Seen%20by%20probes/attempts?${at(END - HOUR_MS, END)}`);
  expect(body.attempts.map(({ sample }) => sample.outcome)).toEqual(['failed', 'failed']);
});

test('an application in three words, and its activity at each site', async () => {
  const { body } = await ask<StandingShape>(`/standing?${at(END - HOUR_MS, END)}`);
  const validate = new Ajv2020({ strict: false })
    .addSchema(openApi('/'), 'api')
    .compile({ $ref: 'api#/components/schemas/Standing' });
  expect(validate(body) ? true : validate.errors).toBe(true);
  // Twelve attempts are too few for a word about speed; how many come is known to the day.
  expect(body.applications).toMatchObject([
    { application: 'Shop', flows: 1, speed: { word: 'unknown' }, use: { word: 'asUsual', attempts: AN_HOUR } },
  ]);
  expect(body.applications[0]?.answers.good?.estimate).toBe(1);
  const [activity] = body.activities;
  expect(activity).toMatchObject({ name: 'Print labels', attempts: AN_HOUR, agreedLimitMs: null });
  expect(activity?.sites.map(({ site, valid }) => [site, valid])).toEqual([
    ['North', 6],
    ['South', 6],
  ]);
  const outside = activity?.sites.reduce((sum, { valid, good }) => sum + valid - good, 0);
  expect(activity?.outside).toBe(outside);
});

test('a promise opens to the attempts outside it, of all or of one flow at one site', async () => {
  const outside = async (query = '') =>
    (await ask<PromiseAttemptsShape>(`/promises/Labels/attempts?${at(END - HOUR_MS, END)}${query}`)).body;
  const all = await outside();
  expect(all.all).toBe(6);
  expect(all.attempts.map(({ flow, sample }) => [flow, sample.durationMs])).toEqual(
    Array.from({ length: 6 }, () => ['Print labels', 100.6]),
  );
  const times = all.attempts.map(({ sample }) => sample.atMs);
  expect(times).toEqual([...times].sort((a, b) => b - a));
  expect((await outside('&site=North')).attempts).toEqual([]);
  expect((await outside('&site=South&flow=1')).attempts).toHaveLength(6);
  expect((await outside('&site=Atlantis')).attempts).toEqual([]);
  expect((await ask<object>('/promises/Elsewhere/attempts')).status).toBe(404);
  expect((await ask<object>('/promises/Labels/attempts?flow=x')).status).toBe(400);
});

test('a report for paper, as text and as figures; of one promise or of all', async () => {
  const report = async (query: string) => {
    const answer = await fetch(`${server.url}/api/promise-report?${at(END - HOUR_MS, END)}${query}`);
    return { status: answer.status, type: answer.headers.get('content-type') ?? '', text: await answer.text() };
  };
  const page = await report('&name=Labels');
  expect([page.status, page.type]).toEqual([200, 'text/html; charset=utf-8']);
  expect(page.text).toMatch(
    /<dt>So far<\/dt><dd>broken: 98\.958 % of 99\.5 %<\/dd>|<dt>Result<\/dt><dd>broken: 98\.958 % of 99\.5 %/,
  );
  expect(page.text).not.toContain('Nothing yet');
  const text = await report('&format=markdown');
  expect(text.text.match(/^## .*$/gm)).toEqual(['## Labels', '## Answered', '## Seen by probes', '## Nothing yet']);
  expect(text.text).toContain('| South | 288 | 6 | 97.916 % |');
  expect((await report('&format=csv')).type).toBe('text/csv; charset=utf-8');
  expect((await report('&name=Elsewhere')).status).toBe(404);
  expect((await report('&format=pdf')).status).toBe(400);
});

test('what comes late is counted, once', async () => {
  const before = await level('Labels', END);
  const late = {
    traceId: hex(90_000, 32),
    spanId: hex(90_000, 16),
    kind: 2,
    name: 'POST',
    startTimeUnixNano: nanos(END - 30 * HOUR_MS),
    endTimeUnixNano: nanos(END - 30 * HOUR_MS + 500),
    status: {},
    attributes: [text('http.request.method', 'POST'), text('http.route', '/labels')],
  };
  for (let i = 0; i < 2; i++)
    await fetch(`${server.url}/v1/traces`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({
        resourceSpans: [
          {
            resource: { attributes: [text('service.name', 'shop'), text('service.namespace', 'Shop')] },
            scopeSpans: [{ spans: [late] }],
          },
        ],
      }),
    });
  await server.intake.settled();
  await server.engine.ask('settle', null);
  const after = await level('Labels', END);
  expect([after.valid - before.valid, after.good - before.good]).toEqual([1, 0]);
});

test('tried before it is saved; a changed target counts, and is undone', async () => {
  const labels = settings.promises[0] as object;
  const post = async (path: string, body: object) => {
    const answer = await fetch(`${server.url}/api${path}`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
    });
    return { status: answer.status, body: (await answer.json()) as TriedSettingShape & { detail: string } };
  };
  const value = [{ ...labels, target: 0.999 }];
  const tried = await post('/settings/try', { key: 'promises', value });
  expect([tried.status, tried.body.detail]).toEqual([200, undefined]);
  expect(tried.body.lines[0]).toMatchObject({
    of: 'Labels',
    words: expect.stringMatching(/^now 98\.\d+ % of 99.9 %; before: kept/) as string,
  });
  expect((await post('/settings', { who: 'Kim', key: 'promises', value })).status).toBe(201);
  expect((await ask<PromisesShape>('/promises')).body.promises).toMatchObject([{ name: 'Labels', target: 0.999 }]);
  // At the end of a past window it was as it was then.
  expect((await levels(END - 3 * HOUR_MS)).promises).toHaveLength(4);
});

test('maintenance counts for no promise: who agreed it and why is said, and it is undone', async () => {
  const post = (path: string, body: object) =>
    fetch(`${server.url}/api${path}`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
    });
  const before = await level('Labels', END);
  const maintenance = [{ fromMs: END - 2 * HOUR_MS, toMs: END - HOUR_MS, reason: 'new disks' }];
  const value = { holidays: [], excluded: [], maintenance };
  const fromMs = END - 4 * HOUR_MS;
  expect((await post('/settings', { who: 'Kim', key: 'calendar', value, fromMs })).status).toBe(201);
  const after = await level('Labels', END);
  expect([before.valid - after.valid, before.good - after.good]).toEqual([AN_HOUR, AN_HOUR - 3]);
  const { body: page } = await ask<PromisePageShape>(`/promises/Labels?${at(END - HOUR_MS, END)}`);
  expect(page.excluded).toEqual([{ ...maintenance[0], isMaintenance: true, by: 'Kim' }]);
  const { body: report } = await ask<{ changes: { id: number }[] }>('/settings');
  expect((await post(`/settings/changes/${report.changes[0]?.id}/undo`, { who: 'Kim' })).status).toBe(201);
  expect((await level('Labels', END)).valid).toBe(before.valid);
});

test.each([
  [{ indicator: 'people' }, /personShare: say which share of somebody's attempts must be in time/],
  [{ personShare: 0.9 }, /personShare: only promises about people have one/],
  [{ indicator: 'people', personShare: 0.3 }, /personShare/],
  [{ target: 1 }, /at most 99\.999 %: with 100 % there is no budget/],
  [{ period: { kind: 'month' } }, /period\.zone: say in which time zone/],
  [{ period: { kind: 'month', zone: 'Atlantis/Harbour' } }, /no such time zone/],
  [
    {
      penalties: [
        { below: 0.9, amount: 10 },
        { below: 0.99, amount: 20 },
      ],
    },
    /penalties: begin with the highest share/,
  ],
  [{ hours: { zone: 'UTC', days: [1], from: '18:00', to: '08:00' } }, /hours: they end before they begin/],
  [{ hours: { zone: 'UTC', days: [1], from: '08:01', to: '18:00' } }, /steps of five minutes/],
  [{ excluded: [{ fromMs: 2, toMs: 1, reason: 'x' }] }, /excluded: a stretch ends before it begins/],
  [{ name: '' }, /name/],
])('%j is refused in words, and nothing is lost', async (wrong, words) => {
  const before = await ask<PromisesShape>('/promises');
  const answer = await fetch(`${server.url}/api/settings`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ who: 'Kim', key: 'promises', value: [{ ...settings.promises[0], ...wrong }] }),
  });
  expect([answer.status, ((await answer.json()) as { detail: string }).detail]).toEqual([
    400,
    expect.stringMatching(words) as string,
  ]);
  expect((await ask<PromisesShape>('/promises')).body.promises.map(({ name }) => name)).toEqual(
    before.body.promises.map(({ name }) => name),
  );
});

test('promises of an incident that never was are not found', async () => {
  for (const id of ['999', 'x']) {
    const { status, body } = await ask<object>(`/incidents/${id}/promises`);
    expect([status, body.detail]).toEqual([404, expect.stringMatching(`there is no incident ${id}`) as string]);
  }
});

test('a promise that nobody made is not found', async () => {
  const { status, body } = await ask<object>('/promises/Elsewhere');
  expect([status, body.detail]).toEqual([404, 'nothing that was promised is called “Elsewhere”']);
});
