import fc from 'fast-check';
import { appendRowInPlace, BACKGROUND, eachRow, emptyColumns, PROBE, type AttemptColumns } from './index';

function rowsOf(
  list: readonly { flow: number; startMs: number; flags: number; site: number; tier: number }[],
): AttemptColumns {
  const rows = emptyColumns(list.length);
  const one = emptyColumns(1);
  one.n = 1;
  for (const { flow, startMs, flags, site, tier } of list) {
    [one.flow[0], one.startMs[0], one.flags[0], one.site[0], one.tier[0]] = [flow, startMs, flags, site, tier];
    appendRowInPlace(rows, one, 0);
  }
  return rows;
}
const seen = (rows: AttemptColumns, question: Parameters<typeof eachRow>[1]) => {
  const found: number[] = [];
  eachRow(rows, question, (row) => found.push(row));
  return found;
};

test('probes are passed over unless said otherwise; the end of a window does not belong to it', () => {
  const rows = rowsOf([
    { flow: 1, startMs: 10, flags: 0, site: 5, tier: 0 },
    { flow: 1, startMs: 20, flags: PROBE, site: 5, tier: 0 },
    { flow: 2, startMs: 20, flags: BACKGROUND, site: 6, tier: 9 },
    { flow: 1, startMs: 30, flags: 0, site: 6, tier: 9 },
  ]);
  expect(seen(rows, {})).toEqual([0, 2, 3]);
  expect(seen(rows, { without: 0 })).toEqual([0, 1, 2, 3]);
  expect(seen(rows, { without: PROBE | BACKGROUND })).toEqual([0, 3]);
  expect(seen(rows, { window: { fromMs: 10, toMs: 30 } })).toEqual([0, 2]);
  expect(seen(rows, { flows: 1 })).toEqual([0, 3]);
  expect(seen(rows, { flows: new Set([2, 7]) })).toEqual([2]);
  expect(
    seen(rows, {
      conditions: [
        ['site', 6],
        ['tier', 9],
      ],
      flows: 1,
    }),
  ).toEqual([3]);
  expect(seen(rows, { from: 1, to: 3, without: 0 })).toEqual([1, 2]);
});

test('whatever is asked, the same rows are found as by looking at each', () => {
  const row = fc.record({
    flow: fc.nat(3),
    startMs: fc.nat(50),
    flags: fc.constantFrom(0, PROBE, BACKGROUND),
    site: fc.nat(2),
    tier: fc.nat(2),
  });
  fc.assert(
    fc.property(
      fc.array(row, { maxLength: 30 }),
      fc.nat(50),
      fc.nat(50),
      fc.nat(3),
      fc.nat(2),
      fc.nat(2),
      (list, a, b, flow, site, tier) => {
        const window = { fromMs: Math.min(a, b), toMs: Math.max(a, b) };
        const expected = list.flatMap((one, i) =>
          one.flow === flow &&
          one.startMs >= window.fromMs &&
          one.startMs < window.toMs &&
          !(one.flags & PROBE) &&
          one.site === site &&
          one.tier === tier
            ? [i]
            : [],
        );
        const conditions = [
          ['site', site],
          ['tier', tier],
        ] as const;
        expect(seen(rowsOf(list), { flows: flow, window, conditions })).toEqual(expected);
        expect(seen(rowsOf(list), { flows: new Set([flow]), window, conditions })).toEqual(expected);
      },
    ),
  );
});
