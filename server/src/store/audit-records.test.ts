import { openTestDatabase, type TestDatabase } from '../fixtures/test-database';
import { AuditRecords, listRecords, verifyRecords } from './audit-records';

let opened: TestDatabase;
beforeEach(async () => {
  opened = await openTestDatabase();
});
afterEach(() => opened.remove());

const one = (who: string, more: object = {}) => ({
  atMs: Date.UTC(2026, 2, 2, 9),
  who,
  address: '10.0.0.7',
  what: 'Change of a setting',
  about: '/api/settings',
  detail: JSON.stringify({ key: 'currency', value: 'EUR', b: 1, a: 2 }),
  ...more,
});
const write = async (...names: string[]) => {
  const records = new AuditRecords(opened.database);
  await Promise.all(names.map((who) => records.append(one(who))));
};
const sql = (text: string) => opened.database.query(text);

test('records written at the same time stand one behind the other, and go on after a start', async () => {
  await write('Dana', 'Noor', 'Kim');
  await write('Ada');
  const records = await listRecords(opened.database, { find: '', before: undefined, most: 10 });
  expect(records.map(({ id, who }) => `${id} ${who}`)).toEqual(['4 Ada', '3 Kim', '2 Noor', '1 Dana']);
  expect(await verifyRecords(opened.database)).toMatchObject({ records: 4, brokenAt: null });
  expect(
    (await listRecords(opened.database, { find: 'NOOR', before: undefined, most: 10 })).map(({ id }) => id),
  ).toEqual([2]);
  expect((await listRecords(opened.database, { find: '', before: 3, most: 1 })).map(({ id }) => id)).toEqual([2]);
});

test.each([
  ['a word of one is changed', `UPDATE audit_record SET who = 'Eve' WHERE id = 2`, 2],
  ['one is taken away', 'DELETE FROM audit_record WHERE id = 2', 2],
  [
    'one is changed together with its own hash',
    `UPDATE audit_record SET detail = '{}', hash = md5('x') WHERE id = 1`,
    1,
  ],
  ['two change places', 'UPDATE audit_record SET id = CASE id WHEN 2 THEN 30 ELSE id END', 2],
])('it shows that %s', async (_what, change, at) => {
  await write('Dana', 'Noor', 'Kim');
  await sql(change);
  expect((await verifyRecords(opened.database)).brokenAt).toBe(at);
});

test('that the newest were taken away shows by the hash that was written down', async () => {
  await write('Dana', 'Noor');
  const { newest } = await verifyRecords(opened.database);
  await sql('DELETE FROM audit_record WHERE id = 2');
  const after = await verifyRecords(opened.database);
  expect(after.brokenAt).toBeNull();
  expect(after.newest).not.toBe(newest);
});

test('what could not be written leaves no gap', async () => {
  const records = new AuditRecords(opened.database);
  await records.append(one('Dana'));
  await expect(records.append(one('Noor', { detail: null }))).rejects.toThrow();
  await records.append(one('Kim'));
  expect(await verifyRecords(opened.database)).toMatchObject({ records: 2, brokenAt: null });
});
