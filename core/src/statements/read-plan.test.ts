import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { PGlite } from '@electric-sql/pglite';
import { readPlan, UnreadablePlan } from './index';

/** Plans as PostgreSQL itself makes them, from the embedded one. */
let db: PGlite;
beforeAll(async () => {
  db = await PGlite.create();
  await db.exec(`
    CREATE TABLE parcel (id int PRIMARY KEY, depot int, weight int);
    CREATE TABLE event (parcel int, at int, note text);
    INSERT INTO parcel SELECT i, i % 7, i % 40 FROM generate_series(1, 400) i;
    INSERT INTO event SELECT i % 400, i, repeat('x', 60) FROM generate_series(1, 20000) i;
    ANALYZE;
    CREATE TABLE fresh (a int, b int);
    INSERT INTO fresh SELECT i, i FROM generate_series(1, 20000) i;
    SET enable_mergejoin = on;
  `);
});
afterAll(() => db.close());

const plan = async (sql: string, options = 'ANALYZE, FORMAT JSON') => {
  const { rows } = await db.query<{ 'QUERY PLAN': unknown }>(`EXPLAIN (${options}) ${sql}`);
  return JSON.stringify(rows[0]?.['QUERY PLAN']);
};
const kinds = (text: string) => readPlan(text).findings.map(({ kind }) => kind);

test('a join without a condition is named with its tables and what it makes', async () => {
  const read = readPlan(await plan('SELECT count(*) FROM parcel p, event e WHERE p.depot = 3 AND e.at > 0'));
  const [finding] = read.findings.filter(({ kind }) => kind === 'noJoinCondition');
  expect(finding?.words).toMatch(
    /^(event and parcel|parcel and event) are joined without a condition: .*, 1,140,000 rows\.$/,
  );
  expect(read.nodes[finding?.node ?? -1]?.type).toBe('Nested Loop');
});

test('joins with a condition are none of that, by whatever method', async () => {
  for (const method of ['hashjoin', 'mergejoin', 'nestloop']) {
    await db.exec(
      ['hashjoin', 'mergejoin', 'nestloop']
        .map((other) => `SET enable_${other} = ${other === method ? 'on' : 'off'};`)
        .join(''),
    );
    expect(kinds(await plan('SELECT count(*) FROM event e JOIN parcel p ON p.id = e.parcel'))).not.toContain(
      'noJoinCondition',
    );
    expect(
      kinds(await plan('SELECT count(*) FROM event e JOIN parcel p ON p.depot < e.parcel AND e.at < 200')),
    ).not.toContain('noJoinCondition');
  }
  await db.exec('RESET enable_hashjoin; RESET enable_mergejoin; RESET enable_nestloop;');
});

test('a scan that throws nearly all away says which condition no index serves', async () => {
  const { findings } = readPlan(await plan('SELECT * FROM event WHERE at = 77'));
  expect(findings.find(({ kind }) => kind === 'readsAll')?.words).toBe(
    'event is read from end to end: 19,999 rows are thrown away to keep 1. No index serves (at = 77).',
  );
  expect(kinds(await plan('SELECT * FROM parcel WHERE id = 7'))).toEqual([]);
});

test('estimates that are more than ten times off are told with both numbers', async () => {
  const { findings } = readPlan(await plan('SELECT * FROM fresh WHERE a % 7 = 3'));
  expect(findings.find(({ kind }) => kind === 'wrongEstimate')?.words).toMatch(
    /^Seq Scan on fresh was expected to give .* rows and gave 2,857: \d+ times off/,
  );
});

test('a sort that goes through files is told', async () => {
  await db.exec(`SET work_mem = '64kB'`);
  expect(kinds(await plan('SELECT * FROM event ORDER BY note, at DESC'))).toContain('spills');
  await db.exec('RESET work_mem');
});

test('own times add up to the whole, and the costliest node is the one with most of it', async () => {
  const read = readPlan(
    await plan('SELECT p.depot, count(*) FROM event e JOIN parcel p ON p.id = e.parcel GROUP BY p.depot ORDER BY 2'),
  );
  expect(read.wasRun).toBe(true);
  const sum = read.nodes.reduce((total, { share }) => total + share, 0);
  expect(sum).toBeGreaterThan(0.99);
  expect(sum).toBeLessThan(1.05);
  expect(Math.max(...read.nodes.map(({ own }) => own))).toBe(read.nodes[read.costliest]?.own);
});

test('without ANALYZE costs are read, and nothing is said of rows that nobody counted', async () => {
  const read = readPlan(await plan('SELECT * FROM event WHERE at = 77', 'FORMAT JSON'));
  expect([read.wasRun, read.nodes[0]?.rows, read.findings]).toEqual([false, null, []]);
  expect(read.total).toBeGreaterThan(0);
  expect(
    readPlan(await plan('SELECT count(*) FROM parcel p, event e', 'FORMAT JSON')).findings.map(({ kind }) => kind),
  ).toEqual(['noJoinCondition']);
});

test('as psql prints it, with a heading and plus signs', async () => {
  const printed = JSON.stringify(JSON.parse(await plan('SELECT 1')), null, 2)
    .split('\n')
    .map((line) => ` ${line.padEnd(40)}+`)
    .join('\n');
  expect(readPlan(`          QUERY PLAN\n------------\n${printed}\n(1 row)`).nodes[0]?.type).toBe('Result');
});

test.each([
  ['', 'plan'],
  ['Seq Scan on event  (cost=0.00..1.00)', 'plan'],
  ['[{"Plan": {', 'plan'],
  ['[{"Query": {}}]', 'Plan'],
  ['[{"Plan": {"Plans": []}}]', 'Node Type'],
])('%j is refused, naming %s', (text, field) => {
  expect(() => readPlan(text)).toThrow(UnreadablePlan);
  try {
    readPlan(text);
  } catch (error) {
    expect((error as UnreadablePlan).field).toBe(field);
  }
});

describe("plans of Debian's PostgreSQL 15 (fixtures/README.md says how they were made)", () => {
  const stored = (name: string) => readFileSync(join(__dirname, 'fixtures', `postgresql-15-${name}.json`), 'utf8');

  test('a real cartesian join is named', () => {
    const { findings } = readPlan(stored('cartesian'));
    expect(findings.find(({ kind }) => kind === 'noJoinCondition')?.words).toMatch(
      /^(band and parcel|parcel and band) are joined without a condition/,
    );
  });

  test('a join with a condition is none; own times add up to the whole', () => {
    const read = readPlan(stored('join'));
    expect(read.findings.map(({ kind }) => kind)).not.toContain('noJoinCondition');
    const whole = (JSON.parse(stored('join')) as [{ Plan: { 'Actual Total Time': number } }])[0].Plan[
      'Actual Total Time'
    ];
    expect(read.nodes.reduce((sum, { own }) => sum + own, 0)).toBeCloseTo(whole, 1);
  });
});
