import { HOUR_MS, MINUTE_MS } from '@toplens/core/time';
import type { ServerStateShape } from '../contract/server';
import type { MoneyShape } from '../contract/journeys';
import { startTestServer, type TestServer } from '../fixtures/test-server';
import { eventsOfCsv } from './events-csv';

const settings = {
  exchangeRates: [{ currency: 'JPY', rate: 0.006, asOf: '2026-03-02' }],
  businessEvents: [{ name: 'Order placed', component: 'ledger', pattern: 'order * booked, total {amount} EUR' }],
};
let server: TestServer;
const nowMs = Date.now();
const at = (minutesAgo: number) => new Date(nowMs - minutesAgo * MINUTE_MS).toISOString();
beforeAll(async () => {
  server = await startTestServer({}, settings);
});
afterAll(() => server.remove());

const send = (type: string, body: string, path = '/v1/business-events') =>
  fetch(`${server.url}${path}`, { method: 'POST', headers: { 'content-type': type }, body });
const csv = (...rows: string[]) => ['time,name,amount,currency,application,person', ...rows].join('\r\n');
const counted = async (name: string) => {
  await server.intake.settled();
  const rows = await server.database.query<{ n: number; value: number | null }>(
    `SELECT count(*)::int AS n, sum(value_minor)::float8 AS value FROM attempt a JOIN name f ON f.id = a.flow WHERE split_part(f.value, chr(31), 2) = $1`,
    [name],
  );
  return rows[0];
};

test('a CSV file is taken whole, and counts once however often it is sent; rows alike are as many as stand in it', async () => {
  const file = csv(
    `${at(50)},Sold,12.50,EUR,Shop,c-1`,
    `${at(50)},Sold,12.50,EUR,Shop,c-1`,
    `${at(40)},"Sold",7.5,EUR,Shop,"c-2"`,
  );
  for (let i = 0; i < 3; i++) expect(await (await send('text/csv', file)).json()).toEqual({ taken: 3, rejected: 0 });
  expect(await counted('Sold')).toEqual({ n: 3, value: 3250 });
});

test('other currencies are converted by their rate; without one they are left out of money, and that is told', async () => {
  const file = csv(
    `${at(50)},Sold abroad,1500,JPY,Shop,c-1`,
    `${at(49)},Sold abroad,3.00,EUR,Shop,c-2`,
    `${at(48)},Sold abroad,10,USD,Shop,c-3`,
  );
  await send('text/csv', file);
  // 1,500 yen at 0.006 are 9 euros; nobody said what a dollar is.
  expect(await counted('Sold abroad')).toEqual({ n: 3, value: 1200 });
  const { currencies } = (await (await fetch(`${server.url}/api/server-state`)).json()) as ServerStateShape;
  expect(currencies).toEqual([{ currency: 'USD', values: 1, sinceMs: expect.any(Number) as number }]);
});

test('CloudEvents are taken one by one or in a batch, those that cannot be are named', async () => {
  const event = (id: string, more: object = {}) => ({
    specversion: '1.0',
    id,
    source: '/till',
    type: 'example.paid',
    time: at(30),
    data: { name: 'Paid', amount: 2 },
    ...more,
  });
  expect(await (await send('application/cloudevents+json', JSON.stringify(event('1')))).json()).toEqual({
    taken: 1,
    rejected: 0,
  });
  const answer = await send(
    'application/cloudevents-batch+json',
    JSON.stringify([event('1'), event('2'), event('3', { time: 'soon' })]),
  );
  expect(await answer.json()).toEqual({
    taken: 2,
    rejected: 1,
    errorMessage: '1 × time: expected a time as RFC 3339 writes it',
  });
  expect(await counted('Paid')).toEqual({ n: 2, value: 400 });
});

test('a line of a log that fits a named pattern counts, and stays a line', async () => {
  const line = (body: string) => ({ timeUnixNano: `${nowMs - 20 * MINUTE_MS}000000`, body: { stringValue: body } });
  const resource = { attributes: [{ key: 'service.name', value: { stringValue: 'ledger' } }] };
  const body = JSON.stringify({
    resourceLogs: [
      {
        resource,
        scopeLogs: [{ logRecords: [line('order 4711 booked, total 19.90 EUR'), line('order 4711 packed')] }],
      },
    ],
  });
  for (let i = 0; i < 2; i++) expect((await send('application/json', body, '/v1/logs')).status).toBe(200);
  expect(await counted('Order placed')).toEqual({ n: 1, value: 1990 });
  expect((await server.database.query<{ n: number }>('SELECT count(*)::int AS n FROM log_line'))[0]?.n).toBe(2);
});

test('they stand with the money, not among the flows', async () => {
  // Up to five whole minutes before the newest that came: of the last ones not all may be there.
  await send('text/csv', csv(`${at(1)},Later,1,EUR,Shop,c-1`));
  const window = `from=${new Date(nowMs - HOUR_MS).toISOString()}&to=${at(10)}`;
  for (;;) {
    const { flows } = (await (await fetch(`${server.url}/api/money?${window}`)).json()) as MoneyShape;
    const sold = flows.find(({ name }) => name === 'Sold');
    if (flows.length < 3 || !sold?.orders.value) {
      await new Promise((resolve) => setTimeout(resolve, 100));
      continue;
    }
    expect(sold).toMatchObject({
      kind: 'businessEvent',
      application: 'Shop',
      orders: { value: 3, verdict: 'notKnown' },
      value: { value: 32.5 },
    });
    break;
  }
  const table = (await (await fetch(`${server.url}/api/flows?${window}`)).json()) as { rows: unknown[] };
  expect(table.rows).toEqual([]);
});

describe('what is wrong in a file is named with its row and column, and nothing of it is taken', () => {
  const good = `${at(5)},Sold,1,EUR,Shop,c-1`;
  test.each([
    ['time,name,price\r\n', 'row 1, column price: not known'],
    ['time,amount\r\n', 'row 1, column name: missing'],
    ['time,name,name\r\n', 'row 1, column name: is there twice'],
    [csv(good, `yesterday,Sold,1,EUR,Shop,c-1`), 'row 3, column time: expected a time with its zone'],
    [csv(good, `2026-03-04T10:00:00,Sold,1,EUR,Shop,c-1`), 'row 3, column time: expected a time with its zone'],
    [csv(`${at(5)},Sold,"1,50",EUR,Shop,c-1`), 'row 2, column amount: expected a decimal number, as 12.50, got: 1,50'],
    [csv(`${at(5)},,1,EUR,Shop,c-1`), 'row 2, column name: missing'],
    [csv(good, `${at(5)},Sold,1`), 'file: Invalid Record Length'],
    [csv(`${at(5)},"Sold`), 'file: Quote Not Closed'],
  ])('%j', async (file, reason) => {
    const answer = await send('text/csv', file);
    expect(answer.status).toBe(400);
    expect(((await answer.json()) as { detail: string }).detail).toContain(reason);
  });

  test('an empty file is no events; a byte order mark and blank lines are none', () => {
    expect(JSON.parse(eventsOfCsv(Buffer.from('\ufefftime,name\r\n\r\n')).toString())).toEqual([]);
  });

  test('another type is refused', async () => {
    const answer = await send('application/xml', '<a/>');
    expect(answer.status).toBe(415);
    expect(((await answer.json()) as { detail: string }).detail).toContain('text/csv');
  });
});
