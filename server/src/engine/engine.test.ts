import { floorTo, MINUTE_MS } from '@toplens/core/time';
import { seededRandom } from '@toplens/core/stats';
import Ajv2020 from 'ajv/dist/2020';
import { openApi } from '../api/open-api';
import type { WorstFirstShape } from '../api/shapes';
import { send, steadyTraffic, type TestSpan } from '../fixtures/traffic';
import { startTestServer, type TestServer } from '../fixtures/test-server';

const nowMs = floorTo(Date.now(), MINUTE_MS);
const MINUTES = 180;
const spans = steadyTraffic(nowMs - MINUTES * MINUTE_MS, MINUTES, 20);

async function sendAll(server: TestServer, all: readonly TestSpan[], batch: number): Promise<void> {
  for (let i = 0; i < all.length; i += batch) expect((await send(server.url, all.slice(i, i + batch))).status).toBe(200);
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
  return all.map((span) => ({ span, key: random() })).sort((a, b) => a.key - b.key).map(({ span }) => span); // prettier-ignore
};

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
    { ownership: [{ application: 'Shop', team: 'Shop Team' }], flows: [{ technicalName: 'GET /shop', name: 'Open the shop' }] },
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
  const hurt = new Set(spans.filter((span) => span.status.code === 2).map((span) => JSON.stringify(span.attributes[2]))).size;
  expect(Math.abs((row?.people.estimate as number) / hurt - 1)).toBeLessThan(0.1);
});

test('answers are what the description says', async () => {
  const answer = await worstFirst(server);
  expect(isA('WorstFirst', answer)).toBe(true);
  const id = answer.rows[0]?.id as number;
  const get = async (path: string): Promise<unknown> => (await fetch(`${server.url}${path}`)).json();
  expect(isA('Incident', await get(`/api/incidents/${id}`))).toBe(true);
  expect(isA('BriefPage', await get(`/api/incidents/${id}/brief`))).toBe(true);
  expect(isA('FlowCounts', await get('/api/flows'))).toBe(true);
  expect(isA('Freshness', await get('/api/status'))).toBe(true);
  expect(isA('Handoffs', await get('/api/handoffs'))).toBe(true);
  expect(isA('Problem', await get('/api/incidents/99'))).toBe(true);
  expect((await get('/api/openapi.json')) as { openapi: string }).toMatchObject({ openapi: '3.1.0' });
  expect(isA('WorstFirst', { ...answer, rows: 3 })).not.toBe(true);
});

test('wrong questions are answered with the field and the way on', async () => {
  const ask = async (path: string) => (await (await fetch(`${server.url}/api${path}`)).json()) as { status: number; field?: string };
  expect(await ask('/worst-first?last=abc')).toMatchObject({ status: 400, field: 'last' });
  expect(await ask('/worst-first?from=2026-01-01')).toMatchObject({ status: 400, field: 'to' });
  expect(await ask('/worst-first?from=2026-01-02&to=2026-01-01')).toMatchObject({ status: 400, field: 'to' });
  expect(await ask('/worst-first?rankBy=colour')).toMatchObject({ status: 400, field: 'rankBy' });
  expect(await ask('/incidents/abc')).toMatchObject({ status: 404, field: 'id' });
  expect(await ask('/nothing')).toMatchObject({ status: 404 });
});

test('health, and figures in the OpenMetrics format', async () => {
  expect(await (await fetch(`${server.url}/healthz`)).json()).toMatchObject({ status: 'ok', backlogSpans: 0 });
  const text = await (await fetch(`${server.url}/metrics`)).text();
  expect(text).toContain(`toplens_intake_spans_total ${spans.length}\n`);
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
      Number(span.startTimeUnixNano) / 1e6 > nowMs - 50 * MINUTE_MS && Number(span.startTimeUnixNano) / 1e6 < nowMs - 35 * MINUTE_MS;
    await sendAll(late, spans.filter((span) => !inGap(span)), 500); // prettier-ignore
    expect((await worstFirst(late)).rows.map((row) => row.signal).sort()).toEqual(['failing', 'missing']);
    await sendAll(late, spans.filter(inGap), 500); // prettier-ignore
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
