import { batchOf } from '../fixtures/batch';
import { openTestDatabase } from '../fixtures/test-database';
import type { Database } from './database';
import { eachSelected, float, integer, text } from './selection';
import { TABLES, TableRows, type TableName } from './tables';

let database: Database;
let remove: () => Promise<void>;
beforeAll(async () => {
  ({ database, remove } = await openTestDatabase());
}, 60_000);
afterAll(() => remove());

const TYPES: Record<string, string> = {
  smallint: 'int2',
  integer: 'int4',
  bigint: 'int8',
  'double precision': 'float8',
  text: 'text',
  uuid: 'uuid',
  jsonb: 'json',
};

test.each(Object.keys(TABLES) as TableName[])(
  '%s is described as the database has it: every column, its type, and whether it may be null',
  async (table) => {
    const found = await database.query<{ column_name: string; data_type: string; is_nullable: 'YES' | 'NO' }>(
      "SELECT column_name, data_type, is_nullable FROM information_schema.columns WHERE table_schema = 'public' AND table_name = $1",
      [table],
    );
    const described = Object.entries(TABLES[table].columns as Record<string, string>);
    expect(described.map(([name]) => name).sort()).toEqual(found.map(({ column_name }) => column_name).sort());
    for (const { column_name, data_type, is_nullable } of found) {
      const type = described.find(([name]) => name === column_name)?.[1] ?? '';
      expect([column_name, type.replace('hex8', 'int8').replace('name', 'int4').replace('?', '')]).toEqual([
        column_name,
        TYPES[data_type],
      ]);
      // A column that is always written may be nullable; one that may be null must be.
      if (type.endsWith('?')) expect([column_name, is_nullable]).toEqual([column_name, 'YES']);
    }
  },
);

test('rows are read as they were written, by name, whatever the order of columns', async () => {
  const rows = new TableRows('metric_point');
  rows.add({ distribution: { count: 3 }, value: -1.5, start_us: 2, at_us: 1_700_000_000_000_000, series: 7 });
  rows.add({ series: 8, at_us: 9, start_us: 0, value: Number.MAX_VALUE, distribution: null });
  await database.ingest(batchOf(1, [{ table: 'metric_point', rows: rows.finish() }]));
  const seen: object[] = [];
  const selection = {
    value: float('value'),
    series: integer('series'),
    atUs: integer('at_us'),
    count: integer("(distribution ->> 'count')::int"),
    words: text("'p' || series"),
  };
  await eachSelected(database, selection, 'FROM metric_point ORDER BY series', (row) => seen.push({ ...row }));
  expect(seen).toEqual([
    { value: -1.5, series: 7, atUs: 1_700_000_000_000_000, count: 3, words: 'p7' },
    { value: Number.MAX_VALUE, series: 8, atUs: 9, count: NaN, words: 'p8' },
  ]);
});
