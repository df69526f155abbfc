import { HOUR_MS, MINUTE_MS } from '@toplens/core/time';
import { askWith, signedIn, type SignedIn } from '../fixtures/signed-in';
import { startTestServer, type TestServer } from '../fixtures/test-server';
import type { WatchOrdersShape, WatchPageShape, WatchPointShape, WatchPointsShape } from '../contract/watch';
import { dropOldWatchPoints } from '../store/watch-points';

let server: TestServer;
let kit: SignedIn;
beforeAll(async () => {
  server = await startTestServer({ demo: false, ingestKeys: new Map([['sender', 'shop']]) });
  kit = await signedIn(server, ['watch'], 'Kit Lowe');
});
afterAll(() => server.remove());

const WANTED = {
  component: 'scales',
  file: 'src/weigh.js',
  line: 2,
  variables: ['parcel.weight'],
  why: 'heavy parcels fail',
};
const make = async (change: object = {}) =>
  (await (await kit.ask('POST', '/api/watch-points', { ...WANTED, ...change })).json()) as WatchPointShape;
const pageOf = async (id: number) => (await (await kit.ask('GET', `/api/watch-points/${id}`)).json()) as WatchPageShape;
const tell = (body: object, key = 'sender') =>
  fetch(`${server.url}/v1/watch`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', authorization: `Bearer ${key}` },
    body: JSON.stringify({ component: 'scales', instance: 'scales-1:412', version: '2.4.0', ...body }),
  });
const ordersOf = async (body: object = {}) => (await (await tell(body)).json()) as WatchOrdersShape;
let numbers = 0;
const reading = (point: number, change: object = {}) => ({
  id: `8f14e45f-ceea-4672-a5a6-${String(++numbers).padStart(12, '0')}`,
  point,
  atMs: Date.now(),
  values: ['31.5'],
  ...change,
});

test('a line is ordered of its service alone, read, and seen by whoever may', async () => {
  const point = await make();
  expect(point).toMatchObject({ ...WANTED, madeBy: 'Kit Lowe', isInForce: true, readings: 0, most: 100 });
  expect(point.endsMs - point.madeMs).toBe(30 * MINUTE_MS);
  expect((await ordersOf({ component: 'other' })).points).toEqual([]);
  const [order] = (await ordersOf()).points;
  expect(order).toMatchObject({ id: point.id, file: 'src/weigh.js', line: 2, variables: ['parcel.weight'], most: 100 });
  expect(order?.endsInMs).toBeLessThanOrEqual(30 * MINUTE_MS);

  const one = reading(point.id);
  const places = [{ point: point.id, state: 'set', line: 3 }];
  await tell({ places, readings: [one] });
  // Sent again, it is the same one.
  await tell({ places, readings: [one, reading(point.id, { atMs: Date.now() + HOUR_MS })] });
  const page = await pageOf(point.id);
  expect(page.point.readings).toBe(2);
  expect(page.readings).toHaveLength(2);
  expect(page.readings[0]?.values).toEqual(['31.5']);
  // A clock that goes ahead tells of no future.
  expect(page.readings[0]?.atMs).toBeLessThanOrEqual(Date.now());
  expect(page.places).toMatchObject([
    { instance: 'scales-1:412', state: 'set', words: 'line 2 holds no code: read before line 3' },
  ]);
  const { services } = (await (await kit.ask('GET', '/api/watch-points')).json()) as WatchPointsShape;
  expect(services).toContainEqual({ component: 'scales', version: '2.4.0', instances: 1 });
});

test('it is over when it is stopped, full, or its time has come', async () => {
  const stopped = await make();
  expect(await (await kit.ask('POST', `/api/watch-points/${stopped.id}/stop`)).json()).toMatchObject({
    isInForce: false,
    stoppedBy: 'Kit Lowe',
  });
  await tell({ places: [{ point: stopped.id, state: 'set', line: 2 }] });
  // It is read no more.
  expect((await pageOf(stopped.id)).places.map(({ words }) => words)).toEqual(['was read before line 2 ran']);
  const full = await make({ most: 2 });
  await tell({ readings: [1, 2, 3, 4].map(() => reading(full.id)) });
  expect((await pageOf(full.id)).readings).toHaveLength(2);
  expect((await pageOf(full.id)).point.isInForce).toBe(false);
  const late = await make();
  await server.database.query('UPDATE watch_point SET ends_ms = $2 WHERE id = $1', [late.id, Date.now() - 1]);
  const inForce = (await ordersOf()).points.map(({ id }) => id);
  for (const { id } of [stopped, full, late]) expect(inForce).not.toContain(id);
  // What was read is dropped with it.
  await dropOldWatchPoints(server.database, Date.now());
  expect((await kit.ask('GET', `/api/watch-points/${late.id}`)).status).toBe(404);
});

test('nobody tells of a line of another service, and what is told is stored without secrets', async () => {
  const point = await make();
  await tell({
    component: 'other',
    readings: [reading(point.id)],
    places: [{ point: point.id, state: 'set', line: 2 }],
  });
  expect(await pageOf(point.id)).toMatchObject({ readings: [], places: [] });
  await tell({ readings: [reading(point.id, { values: ['{password: "hunter22"}'] })] });
  const rows = await server.database.query('SELECT held::text FROM watch_reading');
  expect(JSON.stringify(rows)).not.toContain('hunter22');
  expect((await tell({}, 'wrong')).status).toBe(401);
});

test.each([
  [{ component: '' }, 'component: say which service'],
  [{ file: 'src/' }, 'file: ends with a name, as src/surcharge.js'],
  [{ line: 0 }, 'line: the first is 1'],
  [{ line: 2.5 }, 'line: expected a whole number'],
  [{ variables: [] }, 'variables: say what to read'],
  [
    { variables: ['weight', 'pay()'] },
    'variables[1]: expected a variable with its properties, as order.items[0].price, at most 120 characters; nothing is called or computed. Got: pay()',
  ],
  [{ why: ' ' }, 'why: say why; it stands in the records'],
  [{ minutes: 121 }, 'minutes: at most 120'],
  [{ most: 501 }, 'most: at most 500 readings'],
])('%j is refused: %s', async (change, detail) => {
  const answer = await kit.ask('POST', '/api/watch-points', { ...WANTED, ...change });
  expect([answer.status, ((await answer.json()) as { detail: string }).detail]).toEqual([400, detail]);
});

test('what no service tells is refused with the place of it, and stops nothing', async () => {
  const point = await make();
  for (const body of [
    { readings: [reading(point.id, { id: 'x' })] },
    { readings: [reading(point.id, { values: 'x' })] },
    { readings: [reading(point.id, { traceId: 'x' })] },
    { readings: [reading(2 ** 31)] },
    { readings: [reading(point.id, { values: ['a\u0000'] })] },
    { places: [{ point: point.id, state: 'gone', line: 1 }] },
    { instance: '' },
  ])
    expect((await tell(body)).status).toBe(400);
  expect((await tell({ readings: [reading(point.id)] })).status).toBe(200);
});

test('it is in the records, and of one service at ten lines at most', async () => {
  await make({ why: 'seen in the records' });
  const admin = await signedIn(server, ['administrator'], 'Ines Moor');
  const { records } = (await (await admin.ask('GET', '/api/records')).json()) as {
    records: { what: string; who: string; detail: string }[];
  };
  const record = records.find(({ detail }) => detail.includes('seen in the records'));
  expect(record).toMatchObject({ what: 'Watches a line of running code', who: 'Kit Lowe' });
  for (let i = 0; i < 10; i++) await make({ component: 'busy' });
  const answer = await kit.ask('POST', '/api/watch-points', { ...WANTED, component: 'busy' });
  expect(answer.status).toBe(409);
  // An administrator has not the right by that.
  expect((await admin.ask('GET', '/api/watch-points')).status).toBe(403);
  expect((await askWith(server, '')('GET', '/api/watch-points')).status).toBe(401);
});
