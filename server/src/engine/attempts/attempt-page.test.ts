import { floorTo, MINUTE_MS } from '@toplens/core/time';
import Ajv2020 from 'ajv/dist/2020';
import { openApi } from '../../contract/open-api';
import type { AttemptPageShape } from '../../contract/attempts';
import type { FlowPageShape } from '../../contract/flows';
import { text } from '../../fixtures/otlp-json';
import { startTestServer, type TestServer } from '../../fixtures/test-server';

const T0 = floorTo(Date.now(), MINUTE_MS) - 30 * MINUTE_MS;
const TRACE = 'ab'.repeat(16);
const id = (n: number) => n.toString(16).padStart(16, '0');

interface Sent {
  n: number;
  parent?: number | string;
  name?: string;
  kind?: number;
  from: number;
  to: number;
  attributes?: object[];
  exception?: Record<string, string>;
  traceId?: string;
}

const spanOf = ({
  n,
  parent,
  name = 'work',
  kind = 1,
  from,
  to,
  attributes = [],
  exception,
  traceId = TRACE,
}: Sent) => ({
  traceId,
  spanId: id(n),
  ...(parent !== undefined && { parentSpanId: typeof parent === 'string' ? parent : id(parent) }),
  name,
  kind,
  startTimeUnixNano: `${(T0 + from) * 1_000_000}`,
  endTimeUnixNano: `${(T0 + to) * 1_000_000}`,
  attributes,
  ...(exception && {
    status: { code: 2 },
    events: [{ name: 'exception', attributes: Object.entries(exception).map(([key, value]) => text(key, value)) }],
  }),
});

const resource = (service: string, host: string, spans: Sent[]) => ({
  resource: { attributes: [text('service.name', service), text('service.namespace', 'Shop'), text('host.name', host)] },
  scopeSpans: [{ spans: spans.map(spanOf) }],
});

const STACK =
  'shop.NoPrice: no price\n\tat java.base/java.util.Optional.get(Optional.java:1)\n\tat shop.prices.Prices.of(Prices.java:88)';
const entry: Sent = {
  n: 1,
  name: 'GET /basket',
  kind: 2,
  from: 0,
  to: 2_000,
  attributes: [text('http.request.method', 'GET'), text('http.route', '/basket'), text('user.id', 'kim-4711')],
};
const select = (n: number, from: number): Sent => ({
  n,
  parent: 3,
  name: 'select',
  kind: 3,
  from,
  to: from + 200,
  attributes: [
    text('db.system.name', 'postgresql'),
    text('db.namespace', 'shop-db'),
    text('db.query.text', `SELECT price FROM item WHERE id = ${n} AND owner = 'kim'`),
  ],
});

let server: TestServer;
const send = async (resourceSpans: object[]) => {
  const answer = await fetch(`${server.url}/v1/traces`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ resourceSpans }),
  });
  expect([answer.status, await answer.json()]).toEqual([200, {}]);
};
const get = async (traceId: string, spanId: string) => {
  const answer = await fetch(`${server.url}/api/attempts/${traceId}/${spanId}`);
  return { status: answer.status, body: (await answer.json()) as AttemptPageShape & { detail?: string } };
};

beforeAll(async () => {
  server = await startTestServer();
  await send([
    resource('web', 'north-1', [entry, { n: 2, parent: 1, name: 'call', kind: 3, from: 100, to: 1_900 }]),
    // The clock of mid-2 goes 5 s ahead.
    resource('prices', 'mid-2', [
      {
        n: 3,
        parent: 2,
        name: 'GET /prices',
        kind: 2,
        from: 5_200,
        to: 6_800,
        exception: {
          'exception.type': 'NoPrice',
          'exception.message': 'no price for kim-4711 <kim@mail.test>',
          'exception.stacktrace': STACK,
        },
      },
      ...[0, 1, 2, 3].map((k) => select(10 + k, 5_300 + 250 * k)),
      { n: 20, parent: id(99), name: 'format', from: 6_400, to: 6_500 },
    ]),
  ]);
  await server.intake.settled();
  await server.engine.ask('settle', null);
});
afterAll(() => server.remove());

test('an attempt is shown from its entry to the stores, on one clock, with what failed and where', async () => {
  const { status, body } = await get(TRACE, id(1));
  expect(status).toBe(200);
  const validate = new Ajv2020({ strict: false })
    .addSchema(openApi('/'), 'api')
    .compile({ $ref: 'api#/components/schemas/AttemptPage' });
  expect(validate(body) ? true : validate.errors).toBe(true);
  expect(body).toMatchObject({
    flow: { technicalName: 'GET /basket', application: 'Shop' },
    durationMs: 2_000,
    outcome: 'onTime',
    person: expect.stringMatching(/^person [\da-f]{4}-[\da-f]{4}$/) as string,
    missing: 1,
    usual: null,
  });
  expect(body.clocks).toEqual([{ host: 'mid-2', offsetUs: -5_000_000 }]);
  expect(
    body.rows.map((row) => `${row.depth} ${row.component} ${row.name} ×${row.calls}${row.foldedInto ? ' folded' : ''}`),
  ).toEqual([
    '0 web GET /basket ×1',
    '1 web call ×1',
    '2 prices GET /prices ×1',
    '3 shop-db select ×4',
    '3 shop-db select ×1 folded',
    '3 shop-db select ×1 folded',
    '3 shop-db select ×1 folded',
    '1 missing span missing span ×1',
    '2 prices format ×1',
  ]);
  expect(body.failures[0]).toEqual({
    spanId: id(3),
    component: 'prices',
    type: 'NoPrice',
    message: expect.stringMatching(/^no price for person [\da-f-]{9} <\[mail \d{1,5}\]>$/) as string,
    className: 'Prices',
    method: 'of',
    file: 'Prices.java',
    line: 88,
    stack: STACK.replaceAll('\t', ' '),
  });
  expect(body.components.reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(1, 9);
  expect(body.components.find(({ component }) => component === 'shop-db')?.shareUs).toBeCloseTo(800_000, 0);
});

test('values of a statement are not stored', async () => {
  const { body } = await get(TRACE, id(1));
  expect(new Set(body.rows.map((row) => row.statement))).toEqual(
    new Set(['', 'SELECT price FROM item WHERE id = ? AND owner = ?']),
  );
  const rows = await server.database.query<{ value: string }>(`SELECT value FROM name WHERE kind = 'statement'`);
  expect(rows.map((row) => row.value)).toEqual(['SELECT price FROM item WHERE id = ? AND owner = ?']);
});

test('the flow tells its statements: how often, how long, which share of the time', async () => {
  const { rows } = (await (await fetch(`${server.url}/api/flows`)).json()) as { rows: { id: number }[] };
  const window = `from=${new Date(T0 - MINUTE_MS).toISOString()}&to=${new Date(T0 + MINUTE_MS).toISOString()}`;
  const page = (await (await fetch(`${server.url}/api/flows/${rows[0]?.id}?${window}`)).json()) as FlowPageShape;
  expect(page.statements).toEqual({
    attempts: 1,
    statements: [
      {
        statement: 'SELECT price FROM item WHERE id = ? AND owner = ?',
        component: 'shop-db',
        calls: 4,
        callsAnAttempt: 4,
        shareOfAttempts: 1,
        shareOfTime: 0.4,
        totalMs: 800,
        longestMs: 200,
        failed: 0,
      },
    ],
  });
});

test('spans sent again change nothing', async () => {
  const before = await get(TRACE, id(1));
  await send([
    resource('prices', 'mid-2', [
      select(10, 5_300),
      {
        n: 3,
        parent: 2,
        name: 'GET /prices',
        kind: 2,
        from: 5_200,
        to: 6_800,
        exception: { 'exception.type': 'NoPrice', 'exception.message': 'another' },
      },
    ]),
  ]);
  await server.intake.settled();
  expect(await get(TRACE, id(1))).toEqual(before);
});

test.each([
  [TRACE, id(2), 404, /there is no attempt/],
  ['c'.repeat(32), id(1), 404, /there is no attempt/],
  ['nonsense', id(1), 400, /traceId: expected 32/],
  [TRACE, 'NOPE', 400, /spanId: expected 16/],
])('%s/%s is refused in words', async (traceId, spanId, status, words) => {
  const answer = await get(traceId, spanId);
  expect(answer.status).toBe(status);
  expect(answer.body.detail).toMatch(words);
});

test('how much the person of an attempt matters: since when known, what they did and completed in the day before', async () => {
  const value = [text('toplens.value.amount', '12.50'), text('toplens.value.currency', 'EUR')];
  const made = (n: number, fromMin: number, attributes: object[] = [], exception?: Record<string, string>): Sent => ({
    ...entry,
    n: 400 + n,
    traceId: `${n}`.repeat(32),
    from: fromMin * MINUTE_MS,
    to: fromMin * MINUTE_MS + 50,
    attributes: [...(entry.attributes as object[]), ...attributes],
    ...(exception && { exception }),
  });
  await send([
    resource('web', 'north-1', [
      made(1, -120, value),
      made(2, -60, value, { 'exception.type': 'NoPrice' }),
      made(3, -30),
      // More than a day before, after it, and somebody else's.
      made(4, -25 * 60, value),
      made(5, 5, value),
      { ...made(6, -20), attributes: [text('http.route', '/basket'), text('user.id', 'sam-1')] },
    ]),
  ]);
  await server.intake.settled();
  await server.engine.ask('settle', null);
  const asked = async (traceId: string, spanId: string) =>
    (await fetch(`${server.url}/api/attempts/${traceId}/${spanId}/person`)).json();
  expect(await asked(TRACE, id(1))).toMatchObject({
    attempts: 3,
    wentWrong: 1,
    value: 12.5,
    valued: 1,
    currency: 'EUR',
    window: { toMs: T0 },
  });
  expect(await asked(TRACE, id(2))).toMatchObject({ detail: expect.stringMatching(/nobody is named/) as string });
});
