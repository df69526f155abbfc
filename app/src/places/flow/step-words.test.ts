import { stepName } from '@toplens/core/traces';
import { isNotable, overWords, timeWords, type Step } from './step-words';

const step = (more: Partial<Step> = {}): Step => ({
  component: 'payments',
  operation: 'POST /authorise',
  attempts: 200,
  callsAnAttempt: 1,
  medianMs: 420,
  p95Ms: 900,
  failed: 0,
  usualMs: 400,
  learnedLimitMs: 800,
  ownersLimitMs: null,
  over: 24,
  overShare: { estimate: 0.12, low: 0.082, high: 0.172 },
  ...more,
});

test('a step is told by its time, what is usual, and its calls where there are several', () => {
  expect(stepName(step())).toBe('payments POST /authorise');
  expect(timeWords(step())).toBe('420 ms, 95 of 100 below 900 ms; usually 400 ms');
  expect(timeWords(step({ attempts: 19 }))).toBe('420 ms; usually 400 ms');
  expect(timeWords(step({ usualMs: null, callsAnAttempt: 5.04 }))).toBe(
    '420 ms, 95 of 100 below 900 ms · 5.0 calls an attempt',
  );
});

test('which limit judges is said, and of how many', () => {
  expect(overWords(step())).toBe('24 of 200 over the learned 800 ms: 12 %, between 8.2 % and 17 %.');
  expect(overWords(step({ ownersLimitMs: 600, over: 0 }))).toBe('None of 200 over the owner’s 600 ms.');
  expect(overWords(step({ learnedLimitMs: null, overShare: null }))).toBe(
    'No limit: too few the day before to learn one.',
  );
});

test.each([
  [0.06, true],
  [0.05, false],
])('toned when surely more than one in twenty are over: from %s', (low, isToned) => {
  expect(isNotable(step({ overShare: { estimate: 0.1, low, high: 0.2 } }))).toBe(isToned);
  expect(isNotable(step({ overShare: null }))).toBe(false);
});
