import { CopiedRows } from './copied-rows';
import { CopyRows } from './copy-rows';
import { openTestDatabase } from '../fixtures/test-database';

test('rows read back as they were written: signs, large numbers, nothing', () => {
  const rows = new CopyRows(4);
  const values = [
    [-7, 70_000, -1_700_000_000_000_000],
    [32_767, -2_147_483_648, 9_007_199_254_740_991],
    [0, 0, 0],
  ] as const;
  for (const [small, middle, large] of values) {
    rows.startRow();
    rows.int2(small);
    rows.int4(middle);
    rows.int8(large);
    rows.null();
  }
  const read = new CopiedRows(rows.finish());
  for (const expected of values) {
    expect(read.next()).toBe(true);
    expect([read.integer(), read.integer(), read.integer()]).toEqual(expected);
    expect(read.integer()).toBeNaN();
  }
  expect(read.next()).toBe(false);
});

test('the database itself writes what is read', async () => {
  const { database, remove } = await openTestDatabase();
  const read = new CopiedRows(
    await database.copyOut(`SELECT 5::int2, -6::int4, 1795593600000123::int8, decode('00ff10', 'hex'), NULL::int4`),
  );
  expect(read.next()).toBe(true);
  expect([read.integer(), read.integer(), read.integer()]).toEqual([5, -6, 1_795_593_600_000_123]);
  expect([...read.binary()]).toEqual([0, 255, 16]);
  expect(read.integer()).toBeNaN();
  expect(read.next()).toBe(false);
  await remove();
});
