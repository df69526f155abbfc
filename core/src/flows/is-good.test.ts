import fc from 'fast-check';
import { FAILED, PROBE } from '../telemetry';
import { dependsOnJudge, INDICATORS, isCountedRow, isGoodAttempt } from './is-good';

const took = (durationMs: number, isFailed = false) => ({ durationMs, isFailed });

test('in time: within its own limit, else within the one that judged; what failed never is', () => {
  expect(isGoodAttempt({ indicator: 'inTime', limitMs: 1200 }, took(1200), 500)).toBe(true);
  expect(isGoodAttempt({ indicator: 'inTime', limitMs: 1200 }, took(1201), 5000)).toBe(false);
  expect(isGoodAttempt({ indicator: 'inTime' }, took(600), 500)).toBe(false);
  expect(isGoodAttempt({ indicator: 'inTime' }, took(600), undefined)).toBe(true);
  expect(isGoodAttempt({ indicator: 'inTime', limitMs: 1200 }, took(1, true), 500)).toBe(false);
});

test('people: their attempts are judged by time, as those in time', () => {
  expect(isGoodAttempt({ indicator: 'people', limitMs: 1200 }, took(1201), 5000)).toBe(false);
  expect(isGoodAttempt({ indicator: 'people' }, took(600), 500)).toBe(false);
  expect(isGoodAttempt({ indicator: 'people', limitMs: 1200 }, took(1200), 500)).toBe(true);
});

test('answered: neither failed nor hung, however late', () => {
  expect(isGoodAttempt({ indicator: 'answered', limitMs: 100 }, took(29_000), 500)).toBe(true);
  expect(isGoodAttempt({ indicator: 'answered' }, took(31_000), 500)).toBe(false);
  expect(isGoodAttempt({ indicator: 'answered' }, took(31_000), undefined)).toBe(true);
  expect(isGoodAttempt({ indicator: 'answered' }, took(1, true), 500)).toBe(false);
});

test('reachable: answered, of probes alone; probes count in nothing else', () => {
  expect(isGoodAttempt({ indicator: 'reachable', limitMs: 100 }, took(29_000), 500)).toBe(true);
  expect(isGoodAttempt({ indicator: 'reachable' }, took(1, true), 500)).toBe(false);
  expect(INDICATORS.filter((indicator) => isCountedRow(indicator, PROBE))).toEqual(['reachable']);
  expect(INDICATORS.filter((indicator) => !isCountedRow(indicator, FAILED))).toEqual(['reachable']);
});

test('where it does not depend on the limit that judged, any limit gives the same', () => {
  fc.assert(
    fc.property(
      fc.constantFrom(...INDICATORS),
      fc.option(fc.double({ min: 1, max: 1e5, noNaN: true }), { nil: undefined }),
      fc.double({ min: 0, max: 1e6, noNaN: true }),
      fc.boolean(),
      fc.double({ min: 1, max: 1e5, noNaN: true }),
      (indicator, limitMs, durationMs, isFailed, judgedMs) => {
        const promise = { indicator, limitMs };
        if (dependsOnJudge(promise, durationMs)) return;
        expect(isGoodAttempt(promise, took(durationMs, isFailed), judgedMs)).toBe(
          isGoodAttempt(promise, took(durationMs, isFailed), undefined),
        );
      },
    ),
  );
});
