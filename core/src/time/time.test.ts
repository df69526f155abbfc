import fc from 'fast-check';
import { ceilTo, DAY_MS, dayKinds, floorTo, HOUR_MS, hoursOf, isWeekend, NO_CALENDAR, overlap, stepsOf } from './index';

const window = fc
  .tuple(fc.integer({ min: 0, max: 1000 }), fc.integer({ min: 1, max: 500 }))
  .map(([fromMs, length]) => ({ fromMs, toMs: fromMs + length }));

describe('windows', () => {
  test('what two share is in both, and is the same whichever is asked first', () => {
    fc.assert(
      fc.property(window, window, (a, b) => {
        const shared = overlap(a, b);
        expect(overlap(b, a)).toEqual(shared);
        const isIn = (t: number, { fromMs, toMs }: { fromMs: number; toMs: number }) => t >= fromMs && t < toMs;
        for (const t of [a.fromMs, b.fromMs, a.toMs - 1, b.toMs - 1])
          expect(shared !== undefined && isIn(t, shared)).toBe(isIn(t, a) && isIn(t, b));
      }),
    );
  });

  test('steps down and up enclose a time', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 1e12 }), fc.constantFrom(1000, HOUR_MS, DAY_MS), (timeMs, stepMs) => {
        expect(floorTo(timeMs, stepMs)).toBeLessThanOrEqual(timeMs);
        expect(ceilTo(timeMs, stepMs)).toBeGreaterThanOrEqual(timeMs);
        expect(ceilTo(timeMs, stepMs) - floorTo(timeMs, stepMs)).toBeLessThanOrEqual(stepMs);
        expect(floorTo(timeMs, stepMs) % stepMs).toBe(0);
      }),
    );
    expect(hoursOf({ fromMs: 0, toMs: 90 * 60_000 })).toBe(1.5);
  });
});

describe('the calendar', () => {
  const saturday = Date.UTC(2026, 2, 14, 23);
  test('weekends are Saturday and Sunday, in UTC', () => {
    expect([0, 1, 2, 3, 4, 5, 6].map((days) => isWeekend(saturday + days * DAY_MS))).toEqual([
      true,
      true,
      false,
      false,
      false,
      false,
      false,
    ]);
    expect(isWeekend(saturday + 25 * HOUR_MS)).toBe(false);
  });

  test('a holiday is off the whole day, and not the next', () => {
    const kinds = dayKinds({ holidays: ['2026-12-25'], excluded: [] });
    const day = Date.UTC(2026, 11, 25);
    expect([day - 1, day, day + DAY_MS - 1, day + DAY_MS].map(kinds.isHoliday)).toEqual([false, true, true, false]);
    expect(kinds.isOff(day)).toBe(true);
    expect(dayKinds(NO_CALENDAR).isOff(day)).toBe(false);
  });

  test('excluded stretches begin and end where they say', () => {
    const kinds = dayKinds({
      holidays: [],
      excluded: [
        { fromMs: 100, toMs: 200, reason: 'migration' },
        { fromMs: 500, toMs: 501, reason: 'test' },
      ],
    });
    expect([99, 100, 199, 200, 500, 501].map(kinds.isExcluded)).toEqual([false, true, true, false, true, false]);
  });

  test.each(['2026-13-01', '1.5.2026', 'Christmas', '2026-2-3'])('%s is no date', (text) => {
    expect(() => dayKinds({ holidays: [text], excluded: [] })).toThrow(text);
  });
});

test('steps cover their window, in whole minutes, and are no more than asked for but for one at an edge', () => {
  for (const [fromMs, toMs, most] of [
    [0, 3_600_000, 48],
    [61_000, 90_000, 16],
    [59_999, 10 * 3_600_000 + 1, 16],
    [0, 60_000, 1],
  ] as const) {
    const { startMs, stepMs, n } = stepsOf({ fromMs, toMs }, most);
    expect(stepMs % 60_000).toBe(0);
    expect(startMs).toBeLessThanOrEqual(fromMs);
    expect(startMs + n * stepMs).toBeGreaterThanOrEqual(toMs);
    expect(startMs + (n - 1) * stepMs).toBeLessThan(toMs);
    expect(n).toBeLessThanOrEqual(most + 1);
  }
});
