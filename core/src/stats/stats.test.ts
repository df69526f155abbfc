import { NILE } from '../fixtures/nile';
import {
  bestStretch,
  binomialZ,
  median,
  poissonDeviate,
  poissonZ,
  quantileSorted,
  robustCentre,
  seededRandom,
  sortedCopy,
  wilson,
} from './index';

const X10 = [3, 6, 7, 8, 8, 10, 13, 15, 16, 20];

describe('quantile', () => {
  // Type 7 of Hyndman & Fan 1996; values by R 4.2 `quantile(x, p)`, also given by PostgreSQL's percentile_cont.
  test.each([
    [0.25, 7.25],
    [0.5, 9],
    [0.75, 14.5],
    [0.9, 16.4],
    [0.95, 18.2],
    [0.99, 19.64],
  ])('of ten values at %d is %d', (p, expected) => expect(quantileSorted(X10, p)).toBeCloseTo(expected, 9));

  test('of the Nile agrees with R', () => {
    const sorted = sortedCopy(NILE);
    [697.8, 798.5, 1032.5, 1210.5].forEach((expected, i) =>
      expect(quantileSorted(sorted, [0.05, 0.25, 0.75, 0.95][i] as number)).toBeCloseTo(expected, 9),
    );
    expect(median(NILE)).toBe(893.5);
  });

  test('of nothing cannot be known, and a probability outside 0 to 1 is refused', () => {
    expect(quantileSorted([], 0.5)).toBeUndefined();
    expect(() => quantileSorted(X10, 1.1)).toThrow('1.1');
  });
});

describe('robust centre', () => {
  test('median and MAD of the textbook sample', () => {
    expect(robustCentre([1, 1, 2, 2, 4, 6, 9])).toEqual({ centre: 2, spread: 1.4826, n: 7 });
  });
  test('of the Nile agrees with R `mad`', () => {
    expect(robustCentre(NILE)?.spread).toBeCloseTo(179.3946, 9);
  });
});

describe('Wilson interval', () => {
  // Newcombe 1998 I, method 3; R `prop.test(x, n, correct = FALSE)$conf.int`.
  test.each([
    [81, 263, 0.255288519878, 0.366209576983],
    [15, 148, 0.062386399531, 0.160487241723],
    [0, 20, 0, 0.161125158053],
    [1, 29, 0.006113214293, 0.171755218793],
  ])('of %d in %d', (x, n, low, high) => {
    const interval = wilson(x, n);
    expect(interval?.low).toBeCloseTo(low, 9);
    expect(interval?.high).toBeCloseTo(high, 9);
  });
  test('of no trial is unknown', () => expect(wilson(0, 0)).toBeUndefined());
});

describe('evidence in spreads', () => {
  test('of a Poisson count lies near its exact tail: P(Poisson(8) > 15) = 0.008231 is 2.40 spreads (R ppois, qnorm)', () => {
    expect(poissonZ(16, 8)).toBeGreaterThan(2.3);
    expect(poissonZ(16, 8)).toBeLessThan(2.45);
  });
  test('of a binomial count lies near its exact tail: P(Bin(10, .1) > 2) = 0.0702 is 1.47 spreads (R pbinom, qnorm)', () => {
    expect(binomialZ(3, 10, 0.1)).toBeGreaterThan(1.3);
    expect(binomialZ(3, 10, 0.1)).toBeLessThan(1.6);
  });
  test('false alarms stay rare: beyond 3 spreads in fewer than 0.3 % of quiet draws', () => {
    const random = seededRandom(7);
    const draws = Array.from({ length: 20_000 }, () => poissonZ(poissonDeviate(random, 12), 12));
    expect(draws.filter((z) => Math.abs(z) > 3).length / draws.length).toBeLessThan(0.003);
  });
  test('weakens when days differ or arrivals come in groups', () => {
    expect(poissonZ(30, 100, 0.2)).toBeGreaterThan(poissonZ(30, 100));
    expect(poissonZ(30, 100, 0, 2)).toBeCloseTo(poissonZ(30, 100) / Math.SQRT2, 9);
    expect(binomialZ(30, 100, 0.1, 0.05)).toBeLessThan(binomialZ(30, 100, 0.1));
  });
});

describe('best stretch', () => {
  test('finds the change of the Nile after 1898 (Cobb 1978)', () => {
    // Log-likelihood ratio of the new mean 849.97 against the old one 1097.75, common standard deviation 127 (R).
    const scores = NILE.map((x) => ((x - 1097.75) ** 2 - (x - 849.97) ** 2) / (2 * 127 ** 2));
    expect(bestStretch(scores)).toMatchObject({ start: 28, end: 100 });
  });
  test('finds nothing where nothing speaks for a change', () => expect(bestStretch([-1, -2, 0])).toBeUndefined());
});
