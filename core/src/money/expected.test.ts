import fc from 'fast-check';
import { normalDeviate, poissonDeviate, seededRandom, studentPoint } from '../stats';
import { againstLikeDays, shortfall, type Revenue } from './expected';

describe("points of Student's t distribution", () => {
  // NIST/SEMATECH e-Handbook of Statistical Methods, 1.3.6.7.2, critical values for 0.975 and 0.95 (read from memory of
  // the table).
  test.each([
    [1, 0.95, 12.706],
    [2, 0.95, 4.303],
    [4, 0.95, 2.776],
    [9, 0.95, 2.262],
    [30, 0.95, 2.042],
    [4, 0.9, 2.132],
    [10, 0.9, 1.812],
  ])('%d degrees of freedom at %d', (df, level, point) => {
    expect(studentPoint(df, level)).toBeCloseTo(point, 2);
  });

  test('refuses what has no answer', () => {
    expect(() => studentPoint(0, 0.95)).toThrow(RangeError);
    expect(() => studentPoint(3, 1)).toThrow(RangeError);
  });
});

const day = (orders: number, more: Partial<Revenue> = {}): Revenue => ({
  orders,
  value: orders * 12,
  starts: orders * 3,
  ...more,
});

describe('revenue against like days', () => {
  test('a prediction interval by hand', () => {
    // Logs of 90, 100, 111.11 are 4.4998, 4.6052, 4.7105: mean 4.6052, s 0.10535; t(2) = 4.3027; half = 4.3027 ×
    // 0.10535 × √(4/3) = 0.5234.
    const { value } = againstLikeDays(
      day(100, { value: 40 }),
      [90, 100, 111.111].map((total) => day(10_000, { value: total })),
    );
    expect(value.expected).toBeCloseTo(100, 2);
    expect(value.low).toBeCloseTo(100 * Math.exp(-0.5234), 1);
    expect(value.high).toBeCloseTo(100 * Math.exp(0.5234), 1);
    expect(value.verdict).toBe('below');
    expect(shortfall(value)).toEqual({ estimate: value.expected - 40, low: value.low - 40, high: value.high - 40 });
  });

  test('fewer than three days, no order, no way: not known', () => {
    const figures = againstLikeDays(day(0, { value: 0, starts: NaN }), [day(10), day(11)]);
    expect(figures.orders.verdict).toBe('notKnown');
    expect(figures.size).toMatchObject({ value: NaN, verdict: 'notKnown' });
    expect(againstLikeDays(day(9, { starts: NaN }), [day(10), day(11), day(9)]).conversion.verdict).toBe('notKnown');
    expect(shortfall(figures.orders)).toEqual({ estimate: 0, low: 0, high: 0 });
  });

  test('nothing at all is below, where something is usual', () => {
    expect(againstLikeDays(day(0, { value: 0 }), [day(100), day(104), day(98)]).orders.verdict).toBe('below');
  });

  test('the order of days makes no difference, and another currency no other verdict', () => {
    const days = fc.array(fc.integer({ min: 20, max: 400 }), { minLength: 3, maxLength: 12 });
    fc.assert(
      fc.property(
        days,
        fc.integer({ min: 0, max: 400 }),
        fc.double({ min: 0.01, max: 100, noNaN: true }),
        (orders, now, rate) => {
          const earlier = orders.map((n) => day(n));
          const figures = againstLikeDays(day(now), earlier);
          expect(againstLikeDays(day(now), [...earlier].reverse()).value.low).toBeCloseTo(figures.value.low, 6);
          const changed = againstLikeDays(
            day(now, { value: now * 12 * rate }),
            orders.map((n) => day(n, { value: n * 12 * rate })),
          );
          expect(changed.value.low / rate).toBeCloseTo(figures.value.low, 3);
          expect(changed.value.verdict).toBe(figures.value.verdict);
        },
      ),
    );
  });

  test.each([4, 9])('of usual days about one in twenty lies outside, with %d days known', (n) => {
    const random = seededRandom(5 + n);
    let outside = 0;
    const worlds = 2_000;
    for (let i = 0; i < worlds; i++) {
      const orders = () => poissonDeviate(random, 400 * Math.exp(0.06 * normalDeviate(random)));
      const { verdict } = againstLikeDays(
        day(orders()),
        Array.from({ length: n }, () => day(orders())),
      ).orders;
      if (verdict !== 'usual') outside++;
    }
    // 5 % are meant; the floor for chance makes it fewer, never many more: three standard errors above are 6.5 %.
    expect(outside / worlds).toBeLessThan(0.065);
    expect(outside / worlds).toBeGreaterThan(0.015);
  });
});
