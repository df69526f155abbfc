import fc from 'fast-check';
import { summariseViews, vitalTrend, vitalsOf, type ViewFigures } from './summarise';

const view = (more: Partial<ViewFigures> = {}): ViewFigures => ({
  group: 1, person: 1, atMs: 0, share: 1, parts: [0, 0, 0, 0, 0, 100, 50, 200, 50, 600, 0], vitals: { lcp: 900 }, interactions: 2, errors: 0, missing: 0, ...more,
}); // prettier-ignore

describe('views by group', () => {
  test('figures of two groups, heaviest first', () => {
    const [heavy, light] = summariseViews([
      view({ group: 2 }),
      view({ person: 2, errors: 3 }),
      view({ parts: undefined, missing: 1 }),
      view({ parts: [0, 0, 0, 0, 0, 0, 0, 0, 0, 2000, 0] }),
    ]);
    expect(heavy).toMatchObject({
      group: 1, views: 3, loads: 2, people: 2, meanMs: 1500, medianMs: 1500, weightMs: 3000, shareOfWeight: 0.75, errors: 3, viewsWithErrors: 1, viewsMissing: 1, interactions: 6,
    }); // prettier-ignore
    expect(heavy?.parts.reduce((sum, ms) => sum + ms, 0)).toBeCloseTo(1500);
    expect(light).toMatchObject({ group: 2, views: 1, shareOfWeight: 0.25 });
  });

  test('a view that stands for four counts four times, and alone for quantiles', () => {
    const [figures] = summariseViews([view({ share: 0.25 }), view({ vitals: { lcp: 1300 } })]);
    expect(figures).toMatchObject({ views: 5, loads: 5, interactions: 10 });
    expect(figures?.vitals.lcp).toEqual({ p75: 1200, rating: 'good', views: 2 });
  });

  test('p75 is that of R, type 7', () => {
    // Hyndman & Fan's type 7 by hand: position 0.75 × 9 = 6.75 → 10 + 0.75 × (13 − 10).
    const views = [3, 6, 7, 8, 8, 10, 13, 15, 16, 20].map((lcp) => ({ vitals: { lcp } }));
    expect(vitalsOf(views).lcp?.p75).toBeCloseTo(14.5, 10);
  });

  test('order does not matter, and splitting changes no sum', () => {
    const some = fc.array(fc.record({ group: fc.integer({ min: 1, max: 3 }), person: fc.nat(5), errors: fc.nat(2), missing: fc.nat(1) }), { minLength: 1 });
    fc.assert(
      fc.property(some, (rows) => {
        const views = rows.map((row) => view(row));
        expect(summariseViews([...views].reverse())).toEqual(summariseViews(views));
        expect(summariseViews(views).reduce((sum, one) => sum + one.views, 0)).toBe(views.length);
        expect(summariseViews(views).reduce((sum, one) => sum + one.shareOfWeight, 0)).toBeCloseTo(1);
      }),
    );
  });

  test('a trend tells nothing of a stretch with fewer than five views', () => {
    const views = [1, 2, 3, 4, 5, 6].map((n) => view({ atMs: n < 6 ? 10 : 60, vitals: { lcp: 100 * n } }));
    expect(vitalTrend(views, 'lcp', 0, 100, 2)).toEqual([400, null]);
  });
});
