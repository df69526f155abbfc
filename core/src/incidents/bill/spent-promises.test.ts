import fc from 'fast-check';
import { at, context, deviation, WINDOW } from '../../fixtures/bill';
import { promised } from '../../fixtures/promise';
import { FAILED } from '../../telemetry';
import { harmBill, rankWorstFirst, spentPromises, spentWords } from '../index';

const parts = [deviation(1, 'failing', { from: 0, to: 60 })];
/** Twenty attempts of flow 1, every other one failed. */
const rows = Array.from({ length: 20 }, (_, i) => ({ startMs: at(3 * i), flags: i % 2 ? FAILED : 0, person: i + 1 }));
const spent = (more: Parameters<typeof promised>[0], window = WINDOW, own = parts) =>
  spentPromises(own, window, context(rows, { promises: [promised(more)] }));

describe('what an incident takes of promises', () => {
  test('bad attempts beyond the usual share, their part of the budget, and what they add to the penalty', () => {
    const [taken] = spent({ usualShare: 0.1, allowed: 80, price: 3 });
    expect(taken?.bad).toBeCloseTo(8, 9);
    expect(taken?.budgetShare).toBeCloseTo(0.1, 9);
    expect(taken?.penalty).toBeCloseTo(24, 9);
  });

  test('by the limit of the promise, not by the one that judges', () => {
    const late = [{ startMs: at(1), durationMs: 900, person: 1 }];
    const found = (limitMs: number) =>
      spentPromises(parts, WINDOW, context(late, { promises: [promised({ indicator: 'inTime', limitMs })] }));
    expect(found(1000)).toEqual([]);
    expect(found(800)[0]?.bad).toBe(1);
  });

  test('nothing outside its hours, of other flows, or outside the incident', () => {
    expect(spent({ isCounted: (timeMs) => timeMs >= at(30) })[0]?.bad).toBe(5);
    expect(spent({ flows: new Set([2]) })).toEqual([]);
    expect(spent({}, WINDOW, [deviation(1, 'failing', { from: 30, to: 60 })])[0]?.bad).toBe(5);
  });

  test('what two incidents share is charged once', () => {
    expect(spent({ sharers: () => 2, price: 1 })[0]?.penalty).toBe(5);
  });

  test('no promise, no price, no attempts: nothing, and no NaN', () => {
    expect(spent({ allowed: 0 })[0]).toMatchObject({ budgetShare: 0, penalty: 0 });
    expect(spentPromises(parts, WINDOW, context([], { promises: [promised()] }))).toEqual([]);
  });

  test('a window cut in two adds up', () => {
    fc.assert(
      fc.property(fc.integer({ min: 6, max: 54 }), (cut) => {
        const of = (from: number, to: number) =>
          spent({ price: 2 }, { fromMs: at(from), toMs: at(to) })[0]?.penalty ?? 0;
        expect(of(0, cut) + of(cut, 60)).toBeCloseTo(of(0, 60), 9);
      }),
    );
  });

  test('in words, without a penalty that is not worth one', () => {
    const taken = { name: 'Labels', indicator: 'inTime' as const, bad: 41.6, budgetShare: 0.12, penalty: 120.2 };
    expect(spentWords(taken, 'EUR')).toBe(
      '“Labels”: 42 attempts outside it, 12 % of all that may be; adds €120 to the penalty expected',
    );
    expect(spentWords({ ...taken, bad: 0.4, budgetShare: 0, penalty: 0.2 }, 'EUR')).toBe(
      '“Labels”: less than one attempt outside it',
    );
    expect(spentWords({ ...taken, indicator: 'people', bad: 1, budgetShare: 0, penalty: 0 }, 'EUR')).toBe(
      '“Labels”: 1 person-hour outside it',
    );
  });

  test('ranked by promises: by the penalty, then by the share of the budget', () => {
    const bill = (price: number, allowed: number) =>
      harmBill(parts, WINDOW, context(rows, { promises: [promised({ price, allowed })] }));
    const ranked = rankWorstFirst(
      [
        { id: 1, bill: bill(0, 1000) },
        { id: 2, bill: bill(0, 50) },
        { id: 3, bill: bill(1, 1000) },
        { id: 4, bill: harmBill(parts, WINDOW, context(rows)) },
      ],
      'promises',
    );
    expect(ranked.map(({ id }) => id)).toEqual([3, 2, 1, 4]);
  });
});
