import fc from 'fast-check';
import { MINUTE_MS } from '../time';
import { countInPlace, emptyField } from './index';

const WINDOW = { fromMs: 60 * MINUTE_MS, toMs: 120 * MINUTE_MS };

test('every attempt of the window is counted once, in the row and step that hold it', () => {
  fc.assert(
    fc.property(
      fc.array(
        fc.record({
          minute: fc.integer({ min: 0, max: 59 }),
          ms: fc.double({ min: 1, max: 60_000, noNaN: true }),
          isBad: fc.boolean(),
        }),
        {
          maxLength: 60,
        },
      ),
      (attempts) => {
        const field = emptyField(
          WINDOW,
          Math.min(100, ...attempts.map(({ ms }) => ms)),
          Math.max(100, ...attempts.map(({ ms }) => ms)),
        );
        for (const { minute, ms, isBad } of attempts)
          countInPlace(field, WINDOW.fromMs + minute * MINUTE_MS, ms, isBad);
        const sum = (grid: number[][]) => grid.flat().reduce((all, n) => all + n, 0);
        expect(sum(field.counts)).toBe(attempts.length);
        expect(sum(field.bad)).toBe(attempts.filter(({ isBad }) => isBad).length);
        field.counts.forEach((column, c) =>
          column.forEach((n, r) => {
            const [from, to] = [field.floorsMs[r] as number, field.floorsMs[r + 1] ?? Infinity];
            const inside = attempts.filter(({ minute, ms }) => {
              const step = Math.floor((WINDOW.fromMs + minute * MINUTE_MS - field.startMs) / field.stepMs);
              return step === c && (ms >= from * (1 - 1e-9) || r === 0) && ms < to * (1 + 1e-9);
            });
            expect(n).toBeLessThanOrEqual(inside.length);
          }),
        );
      },
    ),
  );
});

test('what lies outside of the window, or is shorter than the lowest row, is no error', () => {
  const field = emptyField(WINDOW, 100, 1_000);
  countInPlace(field, 0, 5, false);
  countInPlace(field, WINDOW.toMs + MINUTE_MS, 5, false);
  countInPlace(field, WINDOW.fromMs, 0, true);
  expect(field.counts.flat().reduce((all, n) => all + n, 0)).toBe(1);
  expect(field.bad[0]?.[0]).toBe(1);
});

test('rows span what is asked for, shortest first, and never too many', () => {
  const field = emptyField(WINDOW, 0.5, 3_600_000);
  expect(field.floorsMs.length).toBeLessThanOrEqual(22);
  expect([...field.floorsMs].sort((a, b) => a - b)).toEqual(field.floorsMs);
  expect(field.columns * field.stepMs).toBeGreaterThanOrEqual(WINDOW.toMs - WINDOW.fromMs);
});
