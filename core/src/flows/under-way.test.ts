import fc from 'fast-check';
import { addUnderWayInPlace, underWay } from './under-way';

const steps = (n: number, stepMs = 100) => ({ startMs: 1_000, stepMs, spentMs: new Float64Array(n) });
const over = (n: number, attempts: readonly (readonly [beganMs: number, durationMs: number])[]) => {
  const sums = steps(n);
  for (const [beganMs, durationMs] of attempts) addUnderWayInPlace(sums, beganMs, durationMs);
  return underWay(sums);
};

test('by hand: an attempt counts in each step by the part of it in which it runs', () => {
  expect(over(3, [[1_050, 100]])).toEqual([0.5, 0.5, 0]);
  // One that began before the first step and runs beyond the last; one that ends where a step begins.
  expect(
    over(3, [
      [500, 9_000],
      [1_000, 100],
    ]),
  ).toEqual([2, 1, 1]);
  expect(
    over(3, [
      [900, 100],
      [1_300, 50],
    ]),
  ).toEqual([0, 0, 0]);
});

const attempts = fc.array(fc.tuple(fc.integer({ min: 1_000, max: 1_900 }), fc.integer({ min: 0, max: 100 })), {
  minLength: 1,
});

test('Little’s law: the mean over all steps is the rate times the mean duration', () =>
  fc.assert(
    fc.property(attempts, (some) => {
      const counts = over(10, some);
      const rate = some.length / 1_000;
      const meanMs = some.reduce((sum, [, ms]) => sum + ms, 0) / some.length;
      expect(counts.reduce((sum, one) => sum + one, 0) / 10).toBeCloseTo(rate * meanMs, 9);
    }),
  ));

test('against counting at every millisecond', () =>
  fc.assert(
    fc.property(attempts, (some) => {
      const counts = over(10, some);
      for (let step = 0; step < 10; step++) {
        let sum = 0;
        for (let ms = 1_000 + step * 100; ms < 1_100 + step * 100; ms++)
          sum += some.filter(([began, took]) => began <= ms && ms < began + took).length;
        expect(counts[step]).toBeCloseTo(sum / 100, 9);
      }
    }),
    { numRuns: 50 },
  ));
