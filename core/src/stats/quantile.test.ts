import { NILE } from '../fixtures/nile';
import { median, quantileSorted, sortedCopy } from './index';

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
