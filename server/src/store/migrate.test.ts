import { PGlite } from '@electric-sql/pglite';
import { migrate, NewerFolder, readMigrations, UpgradeFailed } from './migrate';

let db: PGlite;
beforeAll(async () => {
  db = await PGlite.create();
}, 60_000);
afterAll(() => db.close());
beforeEach(() => db.exec('DROP SCHEMA public CASCADE; CREATE SCHEMA public'));

const first = { file: '001_a.sql', sql: 'CREATE TABLE a (x int)' };
const second = { file: '002_b.sql', sql: 'CREATE TABLE b (x int)' };

test('what is new is run once, in order; before that, what is in use is backed up', async () => {
  let backups = 0;
  const backUp = () => Promise.resolve(void backups++);
  await migrate(db, [first], backUp);
  expect(backups).toBe(0);
  await migrate(db, [first, second], backUp);
  await migrate(db, [first, second], backUp);
  expect(backups).toBe(1);
  expect((await db.query('SELECT * FROM b')).rows).toEqual([]);
});

test('a folder that a newer version used is refused, by name', async () => {
  await migrate(db, [first, second]);
  await expect(migrate(db, [first])).rejects.toThrow(NewerFolder);
  await expect(migrate(db, [first])).rejects.toThrow('002_b.sql');
});

test('a migration that was edited after it had been run is refused', async () => {
  await migrate(db, [first]);
  await expect(migrate(db, [{ ...first, sql: 'CREATE TABLE a (x int8)' }])).rejects.toThrow('001_a.sql was edited');
});

test('one that fails leaves nothing of itself, and is run again', async () => {
  const broken = { file: '002_b.sql', sql: 'CREATE TABLE b (x int); SELECT nonsense' };
  await expect(migrate(db, [first, broken])).rejects.toThrow(UpgradeFailed);
  await expect(migrate(db, [first, broken])).rejects.toThrow(/002_b\.sql does not work .*nonsense/);
  await migrate(db, [first, second]);
  expect((await db.query('SELECT * FROM b')).rows).toEqual([]);
});

test("the project's own migrations are as they were when they were released", () => {
  const released = Object.fromEntries(readMigrations().map(({ file, sql }) => [file, sql.length]));
  // A change to one of these is a new file. Lengths, so that a reader sees which one.
  expect(released).toMatchSnapshot();
});
