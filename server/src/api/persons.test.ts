import { createHash } from 'node:crypto';
import { floorTo, MINUTE_MS } from '@toplens/core/time';
import type { AttemptPageShape } from '../contract/attempts';
import type { LostByTierShape, WorstFirstShape } from '../contract/incidents';
import type { JourneyShape, JourneysShape } from '../contract/journeys';
import type { HurtShape, PersonShape } from '../contract/persons';
import { hex, nanos, text } from '../fixtures/otlp-json';
import { startTestServer, type TestServer } from '../fixtures/test-server';

// Five hours of a shop: people look, put into the basket, and pay. In the last half hour the basket fails for most of
// those with a promotion.
const END = floorTo(Date.now(), MINUTE_MS) - MINUTE_MS;
const ONSET = END - 30 * MINUTE_MS;
const BEGIN = END - 300 * MINUTE_MS;
const HASHED = createHash('sha256').update('ida@example.org').digest('hex');

let server: TestServer;

beforeAll(async () => {
  server = await startTestServer({ personKeys: new Map([['see', 'first support']]) });
  const spans: object[] = [];
  let n = 0;
  const add = (
    startMs: number,
    route: string,
    session: number,
    { who, failed, promotion, value }: { who: string; failed: boolean; promotion: string; value?: number },
  ) =>
    spans.push({
      traceId: hex(n, 32),
      spanId: hex(n++, 16),
      name: 'x',
      kind: 2,
      startTimeUnixNano: nanos(startMs),
      endTimeUnixNano: nanos(startMs + 200 + (n % 90)),
      status: failed ? { code: 2 } : {},
      attributes: [
        text('http.request.method', 'GET'),
        text('http.route', route),
        text('user.id', who),
        text('session.id', `s${session}`),
        text('toplens.tier', session % 3 === 0 ? 'Silver' : 'Gold'),
        ...(promotion ? [text('toplens.promotion', promotion)] : []),
        text('toplens.item', route === '/basket' && session % 3 === 0 ? 'Lamp' : 'Book'),
        ...(value === undefined
          ? []
          : [{ key: 'toplens.value.amount', value: { doubleValue: value } }, text('toplens.value.currency', 'EUR')]),
      ],
    });
  let session = 0;
  for (let minuteMs = BEGIN; minuteMs < END; minuteMs += MINUTE_MS)
    for (let k = 0; k < 6; k++) {
      const promotion = k < 2 ? 'SPRING' : '';
      const isHit = minuteMs >= ONSET && promotion !== '' && session % 8 !== 0;
      const who =
        isHit && k === 1 && minuteMs === ONSET + 10 * MINUTE_MS
          ? HASHED
          : session % 50 === 7
            ? `=p${session}`
            : `p${session}`;
      const at = minuteMs + k * 4_000;
      add(at, '/look', session, { who, failed: false, promotion });
      add(at + 10_000, '/basket', session, { who, failed: isHit, promotion });
      if (!isHit) add(at + 20_000, '/pay', session, { who, failed: false, promotion, value: 40 });
      session++;
    }
  const answer = await fetch(`${server.url}/v1/traces`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({
      resourceSpans: [
        {
          resource: { attributes: [text('service.name', 'shop-web'), text('service.namespace', 'Shop')] },
          scopeSpans: [{ spans }],
        },
      ],
    }),
  });
  expect(answer.status).toBe(200);
  await server.intake.settled();
  await server.engine.ask('settle', null);
}, 120_000);
afterAll(() => server.remove());

const get = async <Shape>(path: string) => (await (await fetch(`${server.url}/api${path}`)).json()) as Shape;
const post = (path: string, body: object, key?: string) =>
  fetch(`${server.url}/api${path}`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', ...(key && { authorization: `Bearer ${key}` }) },
    body: JSON.stringify(body),
  });
const incidentId = async () => (await get<WorstFirstShape>('/worst-first?last=60')).rows[0]?.id as number;

test('who was hurt is told without names, with where they gather and what they would have brought', async () => {
  const hurt = await get<HurtShape>(`/incidents/${await incidentId()}/hurt?last=60`);
  expect(hurt.total).toBeGreaterThan(40);
  expect(hurt.concentration.find(({ dimension }) => dimension === 'promotion')?.values).toEqual([
    { value: 'SPRING', people: hurt.total },
  ]);
  const items = hurt.concentration.find(({ dimension }) => dimension === 'item')?.values ?? [];
  expect(items.map(({ value }) => value)).toEqual(['Book', 'Lamp']);
  expect(items.reduce((sum, { people }) => sum + people, 0)).toBe(hurt.total);
  expect(hurt.people.every(({ person }) => /^person [0-9a-f]{4}-[0-9a-f]{4}$/.test(person))).toBe(true);
  expect(new Set(hurt.people.map(({ person }) => person)).size).toBe(hurt.people.length);
  const gone = hurt.people.filter(({ resolution }) => resolution === 'gone');
  expect(gone.length).toBeGreaterThan(0);
  // Everybody unhurt pays 40.
  expect(gone[0]?.lost).toBeGreaterThan(35);
  expect(JSON.stringify(hurt)).not.toContain(HASHED);
});

test('money lost is told by tier, each by its own bill', async () => {
  const { whole, tiers } = await get<LostByTierShape>(`/incidents/${await incidentId()}/lost-by-tier?last=60`);
  expect(whole.estimate).toBeGreaterThan(100);
  expect(tiers.length).toBeGreaterThan(0);
  const sum = tiers.reduce((total, { money }) => total + money.estimate, 0);
  expect(Math.abs(sum / whole.estimate - 1)).toBeLessThan(0.25);
  for (const { money } of tiers) expect(money.low).toBeLessThanOrEqual(money.estimate);
  const [first] = tiers;
  const narrowed = await get<LostByTierShape>(
    `/incidents/${await incidentId()}/lost-by-tier?last=60&tier=${first?.tier}`,
  );
  expect(narrowed.tiers).toEqual([first]);
  expect((await fetch(`${server.url}/api/incidents/999/lost-by-tier?last=60`)).status).toBe(404);
});

test('names need a right and a reason, both recorded before anything leaves', async () => {
  const path = `/incidents/${await incidentId()}/hurt/export?last=60`;
  expect((await post(path, { why: 'winning them back' })).status).toBe(401);
  expect((await post(path, { why: 'winning them back' }, 'wrong')).status).toBe(401);
  const unreasoned = await post(path, {}, 'see');
  expect([unreasoned.status, ((await unreasoned.json()) as { field: string }).field]).toEqual([400, 'why']);
  expect(await get('/person-looks')).toEqual({ looks: [] });

  const answer = await post(path, { why: 'winning them back' }, 'see');
  expect([answer.status, answer.headers.get('content-type')]).toEqual([200, 'text/csv; charset=utf-8']);
  const lines = (await answer.text()).split('\r\n');
  expect(lines[0]).toBe('person,tier,site,region,promotion,flow,late,hung,failed,waited_s,last_utc,became,lost');
  expect(lines.some((line) => line.startsWith(`${HASHED},Gold,,,SPRING,`))).toBe(true);
  // An id that a spreadsheet would take for a formula is none.
  expect(lines.some((line) => line.startsWith('='))).toBe(false);
  const { looks } = await get<{ looks: object[] }>('/person-looks');
  expect(looks).toEqual([
    expect.objectContaining({ who: 'first support', why: 'winning them back', people: lines.length - 2 }),
  ]);
});

test('an attempt shows its person by name to who may see it; without the right nothing is shown or recorded', async () => {
  const looksNow = async () =>
    ((await (await fetch(`${server.url}/api/person-looks`)).json()) as { looks: { who: string; what: string }[] })
      .looks;
  const path = `/api/attempts/${hex(0, 32)}/${hex(0, 16)}`;
  const asked = (headers: Record<string, string>, why = 'a call of this customer') =>
    fetch(`${server.url}${path}/unmasked`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', ...headers },
      body: JSON.stringify({ why }),
    });
  const before = await looksNow();
  expect((await asked({})).status).toBe(401);
  expect((await asked({ authorization: 'Bearer see' }, '')).status).toBe(400);
  expect(await looksNow()).toEqual(before);
  const masked = (await (await fetch(`${server.url}${path}`)).json()) as AttemptPageShape;
  const shown = (await (await asked({ authorization: 'Bearer see' })).json()) as AttemptPageShape;
  expect([masked.isUnmasked, masked.person]).toEqual([false, expect.stringMatching(/^person [\da-f]{4}-/)]);
  expect(shown.isUnmasked).toBe(true);
  expect(shown.person.length).toBeGreaterThan(0);
  expect(shown.person).not.toMatch(/^person /);
  expect((await looksNow())[0]).toMatchObject({
    who: 'first support',
    what: expect.stringMatching(/^attempt [0-9a-f]{16} of “.*”, by name$/) as string,
    people: 1,
  });
});

test('one person is found by id or by the hash of an address, with everything in order, and the look is recorded', async () => {
  const found = (await (
    await post('/people/find?last=120', { find: 'Ida@Example.org', why: 'she called' }, 'see')
  ).json()) as PersonShape;
  expect(found.attempts.map(({ name, outcome }) => [name, outcome])).toEqual([
    ['GET /look', 'onTime'],
    ['GET /basket', 'failed'],
  ]);
  expect(found.attempts.every(({ traceId, session }) => traceId.length === 32 && session !== 0)).toBe(true);
  const { people } = await get<HurtShape>(`/incidents/${await incidentId()}/hurt?last=60`);
  expect(people.map(({ person }) => person)).toContain(found.person);
  const byId = (await (
    await post('/people/find?last=300', { find: 'p13', why: 'he called' }, 'see')
  ).json()) as PersonShape;
  expect(byId.attempts.map(({ name }) => name)).toEqual(['GET /look', 'GET /basket', 'GET /pay']);
  const nobody = await post('/people/find', { find: 'nobody', why: 'a typing error' }, 'see');
  expect([nobody.status, ((await nobody.json()) as { field: string }).field]).toEqual([404, 'find']);
  expect((await post('/people/find', { find: 'p13', why: 'curious' })).status).toBe(401);
  const { looks } = await get<{ looks: { why: string; what: string }[] }>('/person-looks');
  expect(looks.map(({ why }) => why)).toEqual([
    'a typing error',
    'he called',
    'she called',
    'a call of this customer',
    'winning them back',
  ]);
  // What was looked for is not written down in clear.
  expect(JSON.stringify(looks)).not.toMatch(/p13|example/i);
});

test('what counts stands in its session, told by its trace, and is no attempt that could go wrong', async () => {
  const find = async () =>
    (await (await post('/people/find?last=300', { find: 'p13', why: 'what she bought' }, 'see')).json()) as PersonShape;
  const pay = (await find()).attempts.at(-1);
  const event = {
    timeUnixNano: nanos((pay?.atMs ?? 0) + 500),
    eventName: 'toplens.business_event',
    traceId: pay?.traceId,
    attributes: [
      text('toplens.event.name', 'Insured'),
      { key: 'toplens.value.amount', value: { doubleValue: 2.5 } },
      text('user.id', 'p13'),
    ],
  };
  const resource = { attributes: [text('service.name', 'ledger'), text('service.namespace', 'Shop')] };
  const body = JSON.stringify({ resourceLogs: [{ resource, scopeLogs: [{ logRecords: [event] }] }] });
  await fetch(`${server.url}/v1/logs`, { method: 'POST', headers: { 'content-type': 'application/json' }, body });
  await server.intake.settled();
  await server.engine.ask('settle', null);
  expect((await find()).attempts.at(-1)).toMatchObject({
    kind: 'businessEvent',
    name: 'Insured',
    value: 2.5,
    session: pay?.session,
    outcome: 'onTime',
  });
});

test('the journey is found, tells where people leave because of it, is named in place and kept', async () => {
  const { journeys } = await get<JourneysShape>('/journeys?last=60');
  expect(journeys).toHaveLength(1);
  const found = journeys[0] as JourneyShape;
  expect(found.name).toBe('From GET /look to GET /pay');
  expect(found.steps.map(({ name, isBad }) => [name, isBad])).toEqual([
    ['GET /look', false],
    ['GET /basket', true],
    ['GET /pay', false],
  ]);
  expect(found.repairs).toHaveLength(1);
  expect(found.repairs[0]?.value).toBeGreaterThan(35 * 40);
  expect(found.steps[1]?.incidents).toEqual([await incidentId()]);
  expect((await post('/settings', { who: 'me', key: found.key, value: { name: 'Buy something' } })).status).toBe(201);
  const named = await get<JourneyShape>(`/journeys/${found.id}?last=60`);
  expect([named.name, named.isNamed]).toEqual(['Buy something', true]);
  const wrong = await fetch(`${server.url}/api/journeys/1-x`);
  expect([wrong.status, ((await wrong.json()) as { field: string }).field]).toEqual([400, 'id']);
  expect((await fetch(`${server.url}/api/journeys/1-9999`)).status).toBe(404);
});
