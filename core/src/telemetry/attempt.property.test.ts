import fc from 'fast-check';
import { columnsOf } from '../fixtures/attempts';
import {
  appendRowsInPlace,
  COLUMN_NAMES,
  emptyColumns,
  rowsByFlow,
  sortedByFlow,
  withCapacity,
  type AttemptColumns,
} from './index';

const attempt = fc.record({
  startMs: fc.integer({ min: 0, max: 500 }),
  durationMs: fc.integer({ min: 0, max: 60_000 }),
  flow: fc.integer({ min: 1, max: 5 }),
  flags: fc.integer({ min: 0, max: 7 }),
  person: fc.integer({ min: 0, max: 2 ** 32 - 1 }),
  session: fc.integer({ min: 0, max: 2 ** 32 - 1 }),
  site: fc.integer({ min: 0, max: 65_535 }),
  host: fc.integer({ min: 0, max: 65_535 }),
  valueMinor: fc.option(fc.integer({ min: 0, max: 100_000 }), { nil: NaN }),
});
const many = fc.array(attempt, { maxLength: 80 });

/** Each row as a text that tells it from any other. */
const rowsOf = (columns: AttemptColumns): string[] =>
  Array.from({ length: columns.n }, (_, i) => COLUMN_NAMES.map((name) => String(columns[name][i])).join());

test('sorted by flow they are the same rows, in order of time within a flow, whatever order they came in', () => {
  fc.assert(
    fc.property(many, fc.infiniteStream(fc.nat()), (attempts, keys) => {
      const sorted = sortedByFlow(columnsOf(attempts));
      expect(rowsOf(sorted.columns).sort()).toEqual(rowsOf(columnsOf(attempts)).sort());
      const starts = (columns: AttemptColumns) =>
        Array.from({ length: columns.n }, (_, i) => [columns.flow[i], columns.startMs[i]]);
      expect(starts(sorted.columns)).toEqual(
        starts(sorted.columns).sort(([a, b], [c, d]) => (a as number) - (c as number) || (b as number) - (d as number)),
      );
      const shuffled = attempts
        .map((one) => ({ one, key: keys.next().value as number }))
        .sort((a, b) => a.key - b.key)
        .map(({ one }) => one);
      expect(starts(sortedByFlow(columnsOf(shuffled)).columns)).toEqual(starts(sorted.columns));
    }),
  );
});

test('each flow’s rows by themselves are its rows, in the order in which they came, and no others', () => {
  fc.assert(
    fc.property(many, fc.uniqueArray(fc.integer({ min: 1, max: 6 })), (attempts, flows) => {
      const byFlow = rowsByFlow(columnsOf(attempts), new Set(flows));
      for (const flow of [1, 2, 3, 4, 5, 6]) {
        const own = attempts.filter((one) => one.flow === flow);
        const found = byFlow.get(flow);
        if (own.length === 0 || !flows.includes(flow)) expect(found).toBeUndefined();
        else expect(rowsOf(found as AttemptColumns)).toEqual(rowsOf(columnsOf(own)));
      }
    }),
  );
});

test('room for more rows loses none; runs of any length are copied as they are', () => {
  fc.assert(
    fc.property(many, fc.nat(80), fc.nat(80), (attempts, a, b) => {
      const rows = columnsOf(attempts);
      const [from, to] = [Math.min(a, b, rows.n), Math.min(Math.max(a, b), rows.n)];
      const target = emptyColumns(2 * rows.n);
      appendRowsInPlace(target, rows, 0, from);
      appendRowsInPlace(target, rows, from, to);
      appendRowsInPlace(target, rows, to, rows.n);
      expect(rowsOf(target)).toEqual(rowsOf(rows));
      expect(rowsOf(withCapacity(rows, rows.n + 7))).toEqual(rowsOf(rows));
    }),
  );
});
