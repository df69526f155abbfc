import fc from 'fast-check';
import { seededRandom } from '../stats';
import { errorsWithSlow, type MetErrors } from './slow-errors';

const some = (n: number, durationMs: number, isSlow: boolean, ...errors: string[]): MetErrors[] =>
  Array.from({ length: n }, () => ({ durationMs, isSlow, errors: new Set(errors) }));

test('an error that comes with the slow ones is told with how much of the slowness it carries', () => {
  const found = errorsWithSlow([
    ...some(30, 1_100, true, 'payments: CardTimeout'),
    ...some(10, 600, true),
    ...some(4, 100, false, 'payments: CardTimeout'),
    ...some(156, 100, false),
  ]);
  expect(found).toEqual([
    expect.objectContaining({ error: 'payments: CardTimeout', slow: 30, ofSlow: 40, others: 4, ofOthers: 160 }),
  ]);
  // 30 × 1,000 ms of 30 × 1,000 + 10 × 500 ms.
  expect(found[0]?.carried).toBeCloseTo(30_000 / 35_000, 9);
  expect(found[0]?.ratio.ratio).toBeCloseTo(30 / 40 / (4 / 160), 9);
});

test('one that comes with all of them alike, or too seldom to tell, is not told', () => {
  const everywhere = [...some(40, 900, true, 'cache: Miss'), ...some(160, 100, false, 'cache: Miss')];
  expect(errorsWithSlow(everywhere)).toEqual([]);
  expect(errorsWithSlow([...some(2, 900, true, 'x: Y'), ...some(38, 900, true), ...some(160, 100, false)])).toEqual([]);
  expect(errorsWithSlow(some(40, 900, true, 'x: Y'))).toEqual([]);
  expect(errorsWithSlow([])).toEqual([]);
});

test('chance seldom tells one: in fewer than one of twenty worlds of thirty errors that mean nothing', () => {
  const random = seededRandom(5);
  const worlds = Array.from({ length: 20 }, () =>
    errorsWithSlow(
      Array.from({ length: 200 }, (_, i) => ({
        durationMs: 100,
        isSlow: i < 40,
        errors: new Set(Array.from({ length: 30 }, (__, e) => `e${e}`).filter(() => random() < 0.1)),
      })),
    ),
  );
  expect(worlds.filter((found) => found.length > 0).length).toBeLessThanOrEqual(1);
});

test('the order of the attempts makes no difference', () => {
  const all = [...some(12, 900, true, 'a: B', 'c: D'), ...some(8, 700, true, 'c: D'), ...some(90, 100, false, 'q: R')];
  fc.assert(
    fc.property(fc.shuffledSubarray(all, { minLength: all.length }), (shuffled) =>
      expect(errorsWithSlow(shuffled).map(({ error, slow }) => [error, slow])).toEqual(
        errorsWithSlow(all).map(({ error, slow }) => [error, slow]),
      ),
    ),
  );
});
