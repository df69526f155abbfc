import { NILE } from '../fixtures/nile';
import {
  bestStretch,
  binomialZ,
  normalInterval,
  poissonDeviate,
  poissonZ,
  seededRandom,
  sumInterval,
  wilson,
} from './index';

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

describe('interval of a sum', () => {
  test('variances of independent normal parts add up: 3 and 4 are 5', () => {
    const summed = sumInterval([normalInterval(100, 3), normalInterval(200, 4)]);
    const whole = normalInterval(300, 5);
    expect(summed.estimate).toBe(300);
    expect(summed.low).toBeCloseTo(whole.low, 9);
    expect(summed.high).toBeCloseTo(whole.high, 9);
  });

  test('each side by itself; parts that overlap give the sum; nothing is nothing', () => {
    const one = { estimate: 10, low: 4, high: 11 };
    expect(sumInterval([one, one], 15)).toEqual({
      estimate: 15,
      low: 15 - Math.hypot(6, 6),
      high: 15 + Math.hypot(1, 1),
    });
    expect(sumInterval([])).toEqual({ estimate: 0, low: 0, high: 0 });
  });
});
