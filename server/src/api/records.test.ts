import { openApi } from '../contract/open-api';
import type { RecordChainShape, RecordsShape } from '../contract/records';
import type { SharedLinkShape } from '../contract/handoffs';
import { describedAnswer } from '../fixtures/described-answer';
import { startTestServer, type TestServer } from '../fixtures/test-server';

let server: TestServer;
beforeAll(async () => {
  server = await startTestServer({ personKeys: new Map([['secret-key', 'first support']]) });
});
afterAll(() => server.remove());

const ask = (path: string, method: string, body?: object, headers: Record<string, string> = {}) =>
  fetch(`${server.url}${path}`, {
    method,
    headers: { 'content-type': 'application/json', ...headers },
    ...(body && { body: JSON.stringify(body) }),
  });
const records = (query = '') => describedAnswer<RecordsShape>(server.url, `/api/records${query}`, 'Records');
const newest = async () => (await records()).records[0];

test('a change of a setting: who, from where, what was given and what stood there before', async () => {
  const value = [{ team: 'Shop Team' }];
  expect((await ask('/api/settings', 'POST', { who: 'Dana', key: 'ownership', value })).status).toBe(201);
  const one = await newest();
  expect(one).toMatchObject({ who: 'Dana', about: '/api/settings' });
  expect(one?.address).toContain('127.0.0.1');
  expect(JSON.parse(one?.detail ?? '')).toEqual({ who: 'Dana', key: 'ownership', value, before: [] });
});

test('what was refused, only looked at or only tried is no record', async () => {
  const before = (await newest())?.id;
  expect((await ask('/api/settings', 'POST', { who: 'Dana', key: 'colour', value: 1 })).status).toBe(400);
  expect((await ask('/api/settings/try', 'POST', { key: 'ownership', value: [{ team: 'B' }] })).status).toBe(200);
  await ask('/api/worst-first', 'GET');
  expect((await newest())?.id).toBe(before);
});

test('a look at a person keeps who had the key and why, and not whom they looked for', async () => {
  const look = () =>
    ask(
      '/api/people/find',
      'POST',
      { find: 'customer-4711', why: 'ticket 12' },
      { authorization: 'Bearer secret-key' },
    );
  // Nobody is known under that id: what found nothing told nothing, and the look itself is kept where looks are.
  expect((await look()).status).toBe(404);
  expect(JSON.stringify(await records())).not.toContain('customer-4711');
});

test('links: made, opened and revoked, without their secret', async () => {
  const link = (await (await ask('/api/boards/Duty%20desk/links', 'POST', { days: 1 })).json()) as SharedLinkShape;
  const token = link.url?.split('/').at(-1) ?? '';
  await fetch(`${server.url}/shared/${token}`);
  expect((await ask(`/api/boards/Duty%20desk/links/${link.id}`, 'DELETE')).status).toBe(204);
  const { records: three } = await records();
  expect(three.slice(0, 3).map(({ what }) => what)).toEqual([
    'Revokes a link: it opens nothing any more',
    'A link was opened without a login',
    'A page of a board, or of one of its tiles, that opens without a login, read-only, until it ends',
  ]);
  expect(JSON.stringify(three)).not.toContain(token);
});

test('they are found, go out as a table, and are whole until somebody changes one', async () => {
  expect((await records('?find=dana')).records.every(({ who }) => who === 'Dana')).toBe(true);
  const csv = await (await ask('/api/records.csv', 'GET')).text();
  expect(csv.split('\r\n')[0]).toBe('number,time_utc,who,address,what,path,detail');
  const chain = () => describedAnswer<RecordChainShape>(server.url, '/api/records/chain', 'RecordChain');
  const whole = await chain();
  expect([whole.brokenAt, whole.records]).toEqual([null, (await newest())?.id]);
  await server.database.query(`UPDATE audit_record SET who = 'Eve' WHERE id = 1`);
  expect((await chain()).brokenAt).toBe(1);
});

test('pages of records follow each other without a gap', async () => {
  for (let n = 0; n < 60; n += 1)
    await server.database.query(
      `INSERT INTO audit_record SELECT max(id) + 1, 0, 'Kim', '', 'x', '', '{}', '' FROM audit_record`,
    );
  const first = await records('?find=kim');
  expect([first.records.length, first.next]).toEqual([50, first.records.at(-1)?.id]);
  const second = await records(`?find=kim&before=${first.next}`);
  expect([second.records.length, second.next]).toEqual([10, null]);
});

test('every operation that changes something is described, so that its record says what it was', () => {
  const { paths } = openApi('') as { paths: Record<string, Record<string, { summary?: string }>> };
  for (const [path, methods] of Object.entries(paths))
    for (const [method, { summary }] of Object.entries(methods))
      expect([path, method, summary !== undefined && summary !== '']).toEqual([path, method, true]);
});
