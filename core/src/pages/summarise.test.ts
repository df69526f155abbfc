import fc from 'fast-check';
import type { Parts } from './navigation-parts';
import { partTrends, summariseViews, vitalsOf, vitalTrends } from './summarise';
import { emptyViews, rowsBy } from './view-columns';
import { VITALS, type Vital } from './vitals';

interface TestView {
  group: number;
  person: number;
  atMs: number;
  share: number;
  parts: Parts | undefined;
  vitals: Partial<Record<Vital, number>>;
  interactions: number;
  errors: number;
  missing: number;
}
const view = (more: Partial<TestView> = {}): TestView => ({
  group: 1,
  person: 1,
  atMs: 0,
  share: 1,
  parts: [0, 0, 0, 0, 0, 100, 50, 200, 50, 600, 0],
  vitals: { lcp: 900 },
  interactions: 2,
  errors: 0,
  missing: 0,
  ...more,
});

function columnsOf(all: readonly TestView[]) {
  const views = emptyViews(all.length);
  views.n = all.length;
  all.forEach((one, row) => {
    for (const name of ['atMs', 'person', 'share', 'interactions', 'errors', 'missing'] as const)
      views[name][row] = one[name];
    one.parts?.forEach((ms, part) => ((views.parts[part] as Float64Array)[row] = ms));
    for (const vital of VITALS) views.vitals[vital][row] = one.vitals[vital] ?? NaN;
  });
  return { views, groups: Int32Array.from(all, ({ group }) => group), rows: Uint32Array.from(all.keys()) };
}
const summarised = (all: readonly TestView[]) => {
  const { views, groups, rows } = columnsOf(all);
  return summariseViews(views, groups, rows);
};

describe('views by group', () => {
  test('figures of two groups, heaviest first', () => {
    const [heavy, light] = summarised([
      view({ group: 2 }),
      view({ person: 2, errors: 3 }),
      view({ parts: undefined, missing: 1 }),
      view({ parts: [0, 0, 0, 0, 0, 0, 0, 0, 0, 2000, 0] }),
    ]);
    expect(heavy).toMatchObject({
      group: 1,
      views: 3,
      loads: 2,
      people: 2,
      meanMs: 1500,
      medianMs: 1500,
      weightMs: 3000,
      shareOfWeight: 0.75,
      errors: 3,
      viewsWithErrors: 1,
      viewsMissing: 1,
      interactions: 6,
    });
    expect(heavy?.parts.reduce((sum, ms) => sum + ms, 0)).toBeCloseTo(1500);
    expect(light).toMatchObject({ group: 2, views: 1, shareOfWeight: 0.25 });
  });

  test('a view that stands for four counts four times, and alone for quantiles', () => {
    const [figures] = summarised([view({ share: 0.25 }), view({ vitals: { lcp: 1300 } })]);
    expect(figures).toMatchObject({ views: 5, loads: 5, interactions: 10 });
    expect(figures?.vitals.lcp).toEqual({ p75: 1200, rating: 'good', views: 2 });
  });

  test('what was read of more counts for all; what is not asked for does not', () => {
    const { views, groups } = columnsOf([view(), view(), view({ errors: 9 })]);
    expect(summariseViews(views, groups, Uint32Array.of(0, 1), 0.5)[0]).toMatchObject({
      views: 4,
      loads: 4,
      errors: 0,
    });
  });

  test('p75 is that of R, type 7', () => {
    // Hyndman & Fan's type 7 by hand: position 0.75 × 9 = 6.75 → 10 + 0.75 × (13 − 10).
    const { views, rows } = columnsOf([3, 6, 7, 8, 8, 10, 13, 15, 16, 20].map((lcp) => view({ vitals: { lcp } })));
    expect(vitalsOf(views, rows).lcp?.p75).toBeCloseTo(14.5, 10);
  });

  test('order does not matter, and splitting changes no sum', () => {
    const some = fc.array(
      fc.record({ group: fc.integer({ min: 1, max: 3 }), person: fc.nat(5), errors: fc.nat(2), missing: fc.nat(1) }),
      { minLength: 1 },
    );
    fc.assert(
      fc.property(some, (rows) => {
        const all = rows.map((row) => view(row));
        expect(summarised([...all].reverse())).toEqual(summarised(all));
        expect(summarised(all).reduce((sum, one) => sum + one.views, 0)).toBe(all.length);
        expect(summarised(all).reduce((sum, one) => sum + one.shareOfWeight, 0)).toBeCloseTo(1);
      }),
    );
  });

  test('a trend tells nothing of a stretch with fewer than five views', () => {
    const { views, rows } = columnsOf(
      [1, 2, 3, 4, 5, 6].map((n) => view({ atMs: n < 6 ? 10 : 60, vitals: { lcp: 100 * n } })),
    );
    expect(vitalTrends(views, rows, { fromMs: 0, toMs: 100, stretches: 2 })).toMatchObject({
      lcp: [400, null],
      inp: [null, null],
    });
  });

  test('parts over time: means of the loads of each stretch, a load that stands for four counted four times', () => {
    const waiting = (ms: number, more: Partial<TestView>) =>
      view({ parts: [0, 0, 0, 0, 0, ms, 0, 0, 0, 8, 0], ...more });
    const { views, rows } = columnsOf([
      waiting(100, { atMs: 10, share: 0.25 }),
      waiting(600, { atMs: 40 }),
      view({ atMs: 45, parts: undefined }),
      waiting(70, { atMs: 99 }),
    ]);
    const trends = partTrends(views, rows, { fromMs: 0, toMs: 150, stretches: 3 });
    // (4 × 100 + 600) / 5; nothing from 100 to 150.
    expect(trends[5]).toEqual([200, 70, 0]);
    expect(trends[9]).toEqual([8, 8, 0]);
    expect(trends).toHaveLength(11);
  });

  test('rows by a number keep their order, and none is lost', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: -3, max: 3 })), (numbers) => {
        const parted = rowsBy(Int32Array.from(numbers), Uint32Array.from(numbers.keys()));
        expect([...parted.values()].flatMap((rows) => [...rows]).sort((a, b) => a - b)).toEqual([...numbers.keys()]);
        for (const [number, rows] of parted)
          expect([...rows]).toEqual([...numbers.keys()].filter((row) => numbers[row] === number));
      }),
    );
  });
});
