import { floorTo, MINUTE_MS } from '@toplens/core/time';
import { seededRandom } from '@toplens/core/stats';
import Ajv2020 from 'ajv/dist/2020';
import { openApi } from '../contract/open-api';
import type { FlowPageShape, FlowTableShape, RegionShape } from '../contract/flows';
import type { IncidentShape, WorstFirstShape } from '../contract/incidents';
import type { MoneyShape } from '../contract/journeys';
import type { SettingsShape } from '../contract/settings';
import { send, steadyTraffic, type TestSpan } from '../fixtures/traffic';
import { startTestServer, type TestServer } from '../fixtures/test-server';

const nowMs = floorTo(Date.now(), MINUTE_MS);
const MINUTES = 180;
const spans = steadyTraffic(nowMs - MINUTES * MINUTE_MS, MINUTES, 20);

async function sendAll(server: TestServer, all: readonly TestSpan[], batch: number): Promise<void> {
  for (let i = 0; i < all.length; i += batch)
    expect((await send(server.url, all.slice(i, i + batch))).status).toBe(200);
  await server.intake.settled();
  await server.engine.ask('settle', null);
}

async function worstFirst(server: TestServer): Promise<WorstFirstShape> {
  const from = new Date(nowMs - 60 * MINUTE_MS).toISOString();
  const to = new Date(nowMs).toISOString();
  return (await (await fetch(`${server.url}/api/worst-first?from=${from}&to=${to}`)).json()) as WorstFirstShape;
}

const shuffled = (all: readonly TestSpan[]) => {
  const random = seededRandom(3);
  return all
    .map((span) => ({ span, key: random() }))
    .sort((a, b) => a.key - b.key)
    .map(({ span }) => span);
};

const getJson = async <T>(path: string): Promise<T> => (await (await fetch(`${server.url}${path}`)).json()) as T;
const postJson = (path: string, body: object) =>
  fetch(`${server.url}${path}`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(body),
  });
const flows = async () => (await getJson<FlowTableShape>('/api/flows')).rows;

const ajv = new Ajv2020({ strict: false });
ajv.addSchema(openApi('/'), 'api');
const isA = (name: string, value: unknown) => {
  const validate = ajv.compile({ $ref: `api#/components/schemas/${name}` });
  return validate(value) ? true : validate.errors;
};

let server: TestServer;
beforeAll(async () => {
  server = await startTestServer(
    {},
    {
      ownership: [{ application: 'Shop', team: 'Shop Team' }],
      flows: [{ technicalName: 'GET /shop', name: 'Open the shop' }],
    },
  );
  await sendAll(server, spans, 500);
});
afterAll(() => server.remove());

test('failures open an incident, dated, ranked and with a team', async () => {
  const answer = await worstFirst(server);
  expect(answer.rows).toHaveLength(1);
  const [row] = answer.rows;
  expect(row).toMatchObject({
    rank: 1,
    application: 'Shop',
    flows: ['Open the shop'],
    signal: 'failing',
    inTroubleNow: true,
    proposedTeam: 'Shop Team',
    handoff: null,
  });
  expect(Math.abs((row?.onsetMs as number) - (nowMs - 20 * MINUTE_MS))).toBeLessThanOrEqual(3 * MINUTE_MS);
  const hurt = new Set(spans.filter((span) => span.status.code === 2).map((span) => JSON.stringify(span.attributes[2])))
    .size;
  expect(Math.abs((row?.people.estimate as number) / hurt - 1)).toBeLessThan(0.1);
});

test('answers are what the description says', async () => {
  const answer = await worstFirst(server);
  expect(isA('WorstFirst', answer)).toBe(true);
  const id = answer.rows[0]?.id as number;
  const get = async (path: string): Promise<unknown> => (await fetch(`${server.url}${path}`)).json();
  expect(isA('Incident', await get(`/api/incidents/${id}`))).toBe(true);
  expect(isA('BriefPage', await get(`/api/incidents/${id}/brief`))).toBe(true);
  expect(isA('FlowCounts', await get('/api/flow-counts'))).toBe(true);
  expect(isA('FlowTable', await get('/api/flows?against=before'))).toBe(true);
  expect(isA('FlowPage', await get('/api/flows/' + String((await flows())[0]?.id)))).toBe(true);
  expect(isA('Changes', await get('/api/changes'))).toBe(true);
  expect(isA('Settings', await get('/api/settings'))).toBe(true);
  expect(isA('Freshness', await get('/api/status'))).toBe(true);
  expect(isA('Handoffs', await get('/api/handoffs'))).toBe(true);
  expect(isA('Problem', await get('/api/incidents/99'))).toBe(true);
  expect((await get('/api/openapi.json')) as { openapi: string }).toMatchObject({ openapi: '3.1.0' });
  expect(isA('WorstFirst', { ...answer, rows: 3 })).not.toBe(true);
});

test('orders and money against the same hours of like days: below while payments fail', async () => {
  const own = await startTestServer();
  // Three weeks ago, two and one, and today: an hour each, at this time of the day. Today half of the payments fail.
  const hours = [21, 14, 7, 0].flatMap((daysBack) => {
    const fromMs = nowMs - 70 * MINUTE_MS - daysBack * 24 * 60 * MINUTE_MS;
    return steadyTraffic(fromMs, 65, 20).map((span, i) => ({
      ...span,
      traceId: `${(daysBack + 1).toString(16).padStart(4, '0')}${span.traceId.slice(4)}`,
      status: { code: daysBack === 0 && i % 2 === 0 ? 2 : 1 },
      attributes: [...span.attributes, { key: 'toplens.value.amount', value: { doubleValue: 10 + (i % 5) } }],
    }));
  });
  await sendAll(own, hours, 500);
  const from = new Date(nowMs - 65 * MINUTE_MS).toISOString();
  const money = async (more = '') =>
    (await (
      await fetch(`${own.url}/api/money?from=${from}&to=${new Date(nowMs - 10 * MINUTE_MS).toISOString()}${more}`)
    ).json()) as MoneyShape;
  const answer = await money();
  expect(isA('Money', answer)).toBe(true);
  const [revenue] = answer.flows;
  expect(revenue).toMatchObject({
    days: 3,
    orders: { verdict: 'below' },
    value: { verdict: 'below' },
    size: { verdict: 'usual' },
    start: null,
    conversion: { value: null },
  });
  expect((revenue?.orders.value as number) / (revenue?.orders.expected as number)).toBeCloseTo(0.5, 1);
  expect(revenue?.lost.low).toBeGreaterThan(0);
  expect((revenue?.lost.estimate as number) / (revenue?.value.expected as number)).toBeCloseTo(0.5, 1);
  // What the figures are made of is listed: the orders of the same stretch, those that brought most first.
  const { fromMs, toMs } = answer.window;
  const orders = (await (
    await fetch(
      `${own.url}/api/flows/${revenue?.flow}/region?only=succeeded&from=${new Date(fromMs).toISOString()}&to=${new Date(toMs).toISOString()}`,
    )
  ).json()) as RegionShape;
  expect(isA('Region', orders)).toBe(true);
  expect(orders.attempts).toBe(revenue?.orders.value);
  const values = orders.samples.map(({ value }) => value as number);
  expect(values).toEqual([...values].sort((a, b) => b - a));
  expect(values[0]).toBe(14);
  expect(orders.samples.every(({ outcome }) => outcome !== 'failed')).toBe(true);
  // The sites together are the whole, now and as expected; a filter over more than eight hours tells of everybody.
  const sites = await Promise.all([money('&site=North'), money('&site=South')]);
  expect(sites.map(({ isNarrowed }) => isNarrowed)).toEqual([false, false]);
  const sum = (of: (one: MoneyShape['flows'][number]) => number | null) =>
    sites.reduce((all, { flows }) => all + ((flows[0] && of(flows[0])) ?? NaN), 0);
  expect(sum(({ orders }) => orders.value)).toBe(revenue?.orders.value);
  expect(sum(({ value }) => value.value)).toBeCloseTo(revenue?.value.value as number, 6);
  expect(sum(({ orders }) => orders.expected) / (revenue?.orders.expected as number)).toBeCloseTo(1, 1);
  expect((await money('&site=Atlantis')).flows).toEqual([]);
  const long = await fetch(`${own.url}/api/money?last=1440&site=North`);
  expect(((await long.json()) as MoneyShape).isNarrowed).toBe(true);
  await own.remove();
});

test('wrong questions are answered with the field and the way on', async () => {
  const ask = async (path: string) =>
    (await (await fetch(`${server.url}/api${path}`)).json()) as { status: number; field?: string };
  expect(await ask('/worst-first?last=abc')).toMatchObject({ status: 400, field: 'last' });
  expect(await ask('/worst-first?from=2026-01-01')).toMatchObject({ status: 400, field: 'to' });
  expect(await ask('/worst-first?from=2026-01-02&to=2026-01-01')).toMatchObject({ status: 400, field: 'to' });
  expect(await ask('/worst-first?rankBy=colour')).toMatchObject({ status: 400, field: 'rankBy' });
  expect(await ask('/incidents/abc')).toMatchObject({ status: 404, field: 'id' });
  expect(await ask('/nothing')).toMatchObject({ status: 404 });
});

test('the table of flows says what its attempts came to, in any slice', async () => {
  const from = new Date(nowMs - 60 * MINUTE_MS).toISOString();
  const to = new Date(nowMs).toISOString();
  const table = await getJson<FlowTableShape>(`/api/flows?from=${from}&to=${to}`);
  const inWindow = spans.filter((span) => Number(span.startTimeUnixNano) / 1e6 >= nowMs - 60 * MINUTE_MS);
  const failed = inWindow.filter((span) => span.status.code === 2).length;
  expect(table.rows[0]).toMatchObject({
    name: 'Open the shop',
    attempts: inWindow.length,
    level: 'broken',
    shareOfTime: 1,
  });
  expect(table.rows[0]?.failedShare).toBeCloseTo(failed / inWindow.length, 9);
  expect(table.rows[0]?.people).toBe(new Set(inWindow.map((span) => JSON.stringify(span.attributes[2]))).size);
  const nobody = await getJson<FlowTableShape>(`/api/flows?from=${from}&to=${to}&site=Nowhere`);
  // No traffic is "no data", never 0 ms or 0 %.
  expect(nobody.rows[0]).toMatchObject({
    attempts: 0,
    level: 'noData',
    medianMs: null,
    failedShare: null,
    apdex: null,
  });
  expect(nobody.remaining).toEqual({ sessions: 0, attempts: 0 });
});

test('rates are changed in place, the bill follows, a past window keeps what was set then, and the change is undone', async () => {
  const from = new Date(nowMs - 60 * MINUTE_MS).toISOString();
  const to = new Date(nowMs - MINUTE_MS).toISOString();
  const failedLine = async (query: string) => {
    const id = (await worstFirst(server)).rows[0]?.id;
    const incident = await getJson<IncidentShape>(`/api/incidents/${id}?${query}`);
    return incident.bill.find((line) => line.name === 'failed') as { rate: number; harm: { estimate: number } };
  };
  const before = await failedLine('last=60');
  expect((await postJson('/api/settings', { who: '', key: 'rates', value: { failed: 10 } })).status).toBe(400);
  expect(
    await (await postJson('/api/settings', { who: 'Kim', key: 'rates', value: { failed: -1 } })).json(),
  ).toMatchObject({ status: 400, field: 'failed' });
  expect(await (await postJson('/api/settings', { who: 'Kim', key: 'colour', value: {} })).json()).toMatchObject({
    status: 400,
    field: 'key',
  });
  const changed = (await (
    await postJson('/api/settings', { who: 'Kim', key: 'rates', value: { failed: 10 } })
  ).json()) as SettingsShape;
  expect(changed.changes[0]).toMatchObject({ who: 'Kim', about: 'harm rates', words: 'a failed attempt 10' });
  expect((await failedLine('last=60')).harm.estimate / before.harm.estimate).toBeCloseTo(2, 6);
  expect((await failedLine(`from=${from}&to=${to}`)).rate).toBe(5);
  expect((await failedLine(`from=${from}&to=${to}&rates=today`)).rate).toBe(10);
  const undone = (await (
    await postJson(`/api/settings/changes/${changed.changes[0]?.id}/undo`, { who: 'Kim' })
  ).json()) as SettingsShape;
  expect(undone.rates.failed).toBe(5);
  expect(undone.changes.map(({ isUndone }) => isUndone)).toEqual([false, true]);
  expect((await failedLine('last=60')).rate).toBe(5);
});

test('what is taken for answered at once is a setting: from then on nothing sooner is late', async () => {
  const [flow] = await flows();
  const normal = async () => (await getJson<FlowPageShape>(`/api/flows/${flow?.id}`)).normal;
  const before = await normal();
  expect(before.limitMs).toBeLessThan(5_000);
  const changed = (await (
    await postJson('/api/settings', { who: 'Kim', key: 'atOnceMs', value: 5_000, fromMs: nowMs - 60 * MINUTE_MS })
  ).json()) as SettingsShape;
  expect(changed.changes[0]).toMatchObject({ about: 'what is answered at once', words: '5.0 s' });
  expect(await normal()).toMatchObject({ limitMs: 5_000, limitBy: 'learned' });
  await postJson(`/api/settings/changes/${changed.changes[0]?.id}/undo`, { who: 'Kim' });
  expect((await normal()).limitMs).toBe(before.limitMs);
});

test('a limit by hand judges from when it is in force, beside what was learned, and both are shown', async () => {
  const [flow] = await flows();
  const page = await getJson<FlowPageShape>(`/api/flows/${flow?.id}`);
  expect(page.normal).toMatchObject({ limitBy: 'learned', ownersLimitMs: null });
  await postJson('/api/settings', {
    who: 'Kim',
    key: page.key,
    value: { limitMs: 90, name: 'Browse' },
    fromMs: nowMs - 60 * MINUTE_MS,
  });
  const judged = await getJson<FlowPageShape>(`/api/flows/${flow?.id}`);
  expect(judged.normal).toMatchObject({
    limitBy: 'owner',
    limitMs: 90,
    ownersLimitMs: 90,
    learnedLimitMs: page.normal.learnedLimitMs,
  });
  expect(judged.row.name).toBe('Browse');
  const late = (one: FlowPageShape) => one.outcomes.late.reduce((sum, n) => sum + n, 0);
  expect(late(judged)).toBeGreaterThan(late(page) + 50);
  await postJson(`/api/settings/changes/${judged.changes.at(-1)?.id}/undo`, { who: 'Kim' });
  const site = judged.sites[0] as string;
  const refused = await postJson('/api/settings', {
    who: 'Kim',
    key: page.key,
    value: { siteLimitsMs: { [site]: 0 } },
  });
  expect([refused.status, ((await refused.json()) as { detail: string }).detail]).toEqual([
    400,
    expect.stringContaining('siteLimitsMs: expected more than 0'),
  ]);
  await postJson('/api/settings', {
    who: 'Kim',
    key: page.key,
    value: { siteLimitsMs: { [site]: 50, Nowhere: 70 } },
    fromMs: nowMs - 60 * MINUTE_MS,
  });
  const atSite = await getJson<FlowPageShape>(`/api/flows/${flow?.id}`);
  expect(atSite.normal).toMatchObject({ limitBy: 'learned', sites: [{ site, limitMs: 50 }] });
  // A limit of a site that has not come yet judges nothing, but the form must give it back when it saves.
  expect(atSite).toMatchObject({
    ownersSiteLimits: [
      { site, limitMs: 50 },
      { site: 'Nowhere', limitMs: 70 },
    ],
  });
  expect(atSite.sites).toContain('Nowhere');
  const ofSite = (one: FlowPageShape) => one.sides.find(({ dimension }) => dimension === 'site')?.sides ?? [];
  expect(ofSite(atSite).length).toBeGreaterThan(1);
  for (const side of ofSite(atSite)) {
    const before = ofSite(page).find(({ value }) => value === side.value)?.badShare ?? NaN;
    if (side.value === site) expect(side.badShare).toBeGreaterThan(Math.max(0.5, before));
    else expect(side.badShare).toBe(before);
  }
  await postJson(`/api/settings/changes/${atSite.changes.at(-1)?.id}/undo`, { who: 'Kim' });
  expect((await getJson<FlowPageShape>(`/api/flows/${flow?.id}`)).normal).toMatchObject({
    limitBy: 'learned',
    ownersLimitMs: null,
  });
});

test('an incident is set aside with a reason and an end, leaves the rank, and comes back; nonsense is refused', async () => {
  const id = (await worstFirst(server)).rows[0]?.id as number;
  const decide = (body: object) => postJson(`/api/incidents/${id}/decisions`, { who: 'Kim', ...body });
  expect(await (await decide({ what: 'setAside', untilMs: nowMs })).json()).toMatchObject({
    status: 400,
    field: 'reason',
  });
  expect((await decide({ what: 'split', flows: [1] })).status).toBe(409);
  expect((await decide({ what: 'join', into: id })).status).toBe(409);
  expect((await decide({ what: 'setAside', reason: 'a rehearsal', untilMs: nowMs + 60 * MINUTE_MS })).status).toBe(200);
  const without = await worstFirst(server);
  expect(without.rows).toEqual([]);
  expect(without.setAside).toMatchObject([{ id, reason: 'a rehearsal', by: 'Kim' }]);
  await decide({ what: 'takeBack' });
  expect((await worstFirst(server)).rows).toHaveLength(1);
  const { decisions } = await getJson<IncidentShape>(`/api/incidents/${id}`);
  expect(decisions.map(({ what, who }) => `${who} ${what}`)).toEqual(['Kim setAside', 'Kim takeBack']);
});

test('health, and figures in the OpenMetrics format', async () => {
  expect(await (await fetch(`${server.url}/healthz`)).json()).toMatchObject({ status: 'ok', backlogRecords: 0 });
  const text = await (await fetch(`${server.url}/metrics`)).text();
  expect(text).toContain(`toplens_intake_records_total ${spans.length}\n`);
  expect(text.endsWith('# EOF\n')).toBe(true);
});

const comparable = ({ rows }: WorstFirstShape) =>
  rows.map(({ title, onsetMs, endMs, harm, people, outcomes, level }) => ({
    title,
    onsetMs,
    endMs,
    level,
    outcomes,
    harm: harm.estimate.toFixed(6),
    people: people.estimate.toFixed(6),
  }));

test('the same attempts in another order and other batches, partly sent twice, give the same rank', async () => {
  const other = await startTestServer({}, { flows: [{ technicalName: 'GET /shop', name: 'Open the shop' }] });
  try {
    const mixed = shuffled(spans);
    await sendAll(other, mixed.slice(0, 900), 77);
    await sendAll(other, mixed, 333);
    expect(comparable(await worstFirst(other))).toEqual(comparable(await worstFirst(server)));
  } finally {
    await other.remove();
  }
});

test('late data re-opens its minutes; a restart changes nothing', async () => {
  const late = await startTestServer();
  let dataDir = '';
  try {
    const inGap = (span: TestSpan) =>
      Number(span.startTimeUnixNano) / 1e6 > nowMs - 50 * MINUTE_MS &&
      Number(span.startTimeUnixNano) / 1e6 < nowMs - 35 * MINUTE_MS;
    await sendAll(
      late,
      spans.filter((span) => !inGap(span)),
      500,
    );
    expect((await worstFirst(late)).rows.map((row) => row.signal).sort()).toEqual(['failing', 'missing']);
    await sendAll(late, spans.filter(inGap), 500);
    const after = await worstFirst(late);
    expect(after.rows.map((row) => row.signal)).toEqual(['failing']);
    dataDir = late.dataDir;
    await late.close();
    const again = await startTestServer({ dataDir });
    await again.engine.ask('settle', null);
    expect(comparable(await worstFirst(again))).toEqual(comparable(after));
    await again.close();
  } finally {
    if (dataDir === '') await late.remove();
  }
});
