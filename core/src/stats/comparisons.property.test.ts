import fc from 'fast-check';
import {
  benjaminiHochberg,
  betaI,
  binomialCdf,
  binomialPmf,
  createHistogram,
  gammaQ,
  hodgesLehmann,
  invertIncreasing,
  kendallTauB,
  mannWhitney,
  mantelHaenszel,
  meanRidit,
  normalTail,
  rateRatio,
  recordInPlace,
  smoothedLevel,
} from './index';

const numbers = fc.array(fc.double({ min: -100, max: 100, noNaN: true }), { minLength: 2, maxLength: 40 });
const stratum = fc
  .tuple(
    fc.integer({ min: 1, max: 60 }),
    fc.integer({ min: 1, max: 60 }),
    fc.double({ min: 0, max: 1, noNaN: true }),
    fc.double({ min: 0, max: 1, noNaN: true }),
  )
  .map(([exposed, others, a, c]) => ({
    exposed,
    others,
    exposedEvents: Math.round(a * exposed),
    otherEvents: Math.round(c * others),
  }));

test('distributions grow, add up and turn round', () => {
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 60 }), fc.double({ min: 0.01, max: 0.99, noNaN: true }), (n, p) => {
      let sum = 0;
      for (let k = 0; k <= n; k++) {
        sum += binomialPmf(k, n, p);
        expect(binomialCdf(k, n, p)).toBeCloseTo(Math.min(1, sum), 9);
      }
    }),
  );
  fc.assert(
    fc.property(fc.double({ min: -6, max: 6, noNaN: true }), (z) => {
      expect(normalTail(z) + normalTail(-z)).toBeCloseTo(1, 12);
      expect(normalTail(z)).toBeGreaterThan(normalTail(z + 0.01));
    }),
  );
  fc.assert(
    fc.property(
      fc.double({ min: 0.1, max: 20, noNaN: true }),
      fc.double({ min: 0.1, max: 20, noNaN: true }),
      fc.double({ min: 0.01, max: 0.99, noNaN: true }),
      (a, b, x) => {
        expect(betaI(x, a, b) + betaI(1 - x, b, a)).toBeCloseTo(1, 9);
        expect(gammaQ(a, b)).toBeGreaterThanOrEqual(gammaQ(a, b + 0.1) - 1e-12);
      },
    ),
  );
  expect(invertIncreasing((x) => x * x, 2, 0, 10)).toBeCloseTo(Math.SQRT2, 9);
});

test('a ratio of rates turns over when its sides do, and its range holds it', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 1, max: 80 }),
      fc.integer({ min: 1, max: 80 }),
      fc.integer({ min: 1, max: 500 }),
      fc.integer({ min: 1, max: 500 }),
      (a, b, m, n) => {
        const there = rateRatio(a, m, b, n);
        const back = rateRatio(b, n, a, m);
        expect((there?.ratio ?? NaN) * (back?.ratio ?? NaN)).toBeCloseTo(1, 9);
        expect(there?.low).toBeLessThanOrEqual(there?.ratio as number);
        expect(there?.high).toBeGreaterThanOrEqual(there?.ratio as number);
        expect((there?.low ?? NaN) * (back?.high ?? NaN)).toBeCloseTo(1, 6);
        expect(there?.p).toBeGreaterThan(0);
        expect(there?.p).toBeLessThanOrEqual(1);
        expect(there?.p).toBeCloseTo(back?.p as number, 6);
      },
    ),
  );
});

test('Mantel–Haenszel: order and repetition of strata change no difference; equal risks differ by none', () => {
  fc.assert(
    fc.property(fc.array(stratum, { minLength: 1, maxLength: 8 }), (strata) => {
      const once = mantelHaenszel(strata);
      const back = mantelHaenszel([...strata].reverse());
      const twice = mantelHaenszel([...strata, ...strata]);
      expect(back?.riskDifference.estimate).toBeCloseTo(once?.riskDifference.estimate as number, 9);
      expect(twice?.riskDifference.estimate).toBeCloseTo(once?.riskDifference.estimate as number, 9);
      expect(twice?.standardError).toBeLessThanOrEqual((once?.standardError as number) + 1e-12);
      const equal = strata.map((one) => ({ ...one, others: one.exposed, otherEvents: one.exposedEvents }));
      expect(mantelHaenszel(equal)?.riskDifference.estimate).toBeCloseTo(0, 12);
    }),
  );
});

test('adjusted p-values keep the order, are no smaller than they were, and at most 1', () => {
  fc.assert(
    fc.property(fc.array(fc.double({ min: 0, max: 1, noNaN: true }), { maxLength: 60 }), (p) => {
      const adjusted = benjaminiHochberg(p);
      expect(adjusted).toHaveLength(p.length);
      p.forEach((one, i) => {
        expect(adjusted[i]).toBeGreaterThanOrEqual(one - 1e-12);
        expect(adjusted[i]).toBeLessThanOrEqual(1);
        p.forEach(
          (other, j) => one < other && expect(adjusted[i]).toBeLessThanOrEqual((adjusted[j] as number) + 1e-12),
        );
      });
    }),
  );
});

test('rank tests: both sides share all pairs, a shift is found again, and any growing scale changes nothing', () => {
  fc.assert(
    fc.property(numbers, numbers, fc.double({ min: -50, max: 50, noNaN: true }), (a, b, shift) => {
      const there = mannWhitney(a, b);
      const back = mannWhitney(b, a);
      expect((there?.u ?? NaN) + (back?.u ?? NaN)).toBeCloseTo(a.length * b.length, 6);
      expect(there?.p).toBeCloseTo(back?.p as number, 9);
      expect(
        hodgesLehmann(
          a.map((x) => x + shift),
          a,
        ),
      ).toBeCloseTo(shift, 6);
    }),
  );
  fc.assert(
    fc.property(fc.uniqueArray(fc.integer({ min: -100, max: 100 }), { minLength: 2, maxLength: 20 }), (x) => {
      expect(
        kendallTauB(
          x,
          x.map((value) => value ** 3),
        ),
      ).toBe(1);
      expect(
        kendallTauB(
          x,
          x.map((value) => -value),
        ),
      ).toBe(-1);
    }),
  );
});

test('the ridit of everybody is one half; of two groups that make everybody, weighed, too', () => {
  fc.assert(
    fc.property(
      fc.array(fc.integer({ min: 1, max: 5_000 }), { minLength: 1, maxLength: 30 }),
      fc.array(fc.integer({ min: 1, max: 5_000 }), { minLength: 1, maxLength: 30 }),
      (a, b) => {
        const [all, one, two] = [createHistogram(), createHistogram(), createHistogram()];
        for (const value of a) [all, one].forEach((histogram) => recordInPlace(histogram, value));
        for (const value of b) [all, two].forEach((histogram) => recordInPlace(histogram, value));
        const weighed =
          (meanRidit(all, one)?.mean as number) * a.length + (meanRidit(all, two)?.mean as number) * b.length;
        expect(weighed / (a.length + b.length)).toBeCloseTo(0.5, 9);
      },
    ),
  );
});

test('a smoothed level lies within its values; α 1 is the last of them, α 0 the first', () => {
  fc.assert(
    fc.property(numbers, fc.double({ min: 0, max: 1, noNaN: true }), (values, alpha) => {
      const level = smoothedLevel(values, alpha)?.level as number;
      expect(level).toBeGreaterThanOrEqual(Math.min(...values) - 1e-9);
      expect(level).toBeLessThanOrEqual(Math.max(...values) + 1e-9);
      expect(smoothedLevel(values, 1)?.level).toBeCloseTo(values.at(-1) as number, 9);
      expect(smoothedLevel(values, 0)?.level).toBeCloseTo(values[0] as number, 9);
    }),
  );
  expect(() => smoothedLevel([1], 2)).toThrow('2');
});
