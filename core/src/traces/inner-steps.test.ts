import fc from 'fast-check';
import { innerSteps, stepName, type StepSpan } from './index';

let number = 0;
const span = (
  traceId: string,
  parentSpanId: string,
  operation: string,
  durationMs: number,
  more: Partial<StepSpan> = {},
): StepSpan => ({
  traceId,
  spanId: `s${number++}`,
  parentSpanId,
  component: 'payments',
  operation,
  durationMs,
  failed: false,
  ...more,
});
/** Attempts `t0`, `t1` … whose entry is `e`, each with one call of these lengths. */
function attempts(lengths: readonly number[], operation = 'POST /authorise') {
  const entries = new Map(lengths.map((_, i) => [`t${i}`, 'e']));
  return { entries, spans: lengths.map((ms, i) => span(`t${i}`, 'e', operation, ms)) };
}
const NOBODY = { entries: new Map<string, string>(), spans: [] };
const NAME = 'payments POST /authorise';

test('an attempt counts the time of all its calls of a step together, and only what hangs on its entry', () => {
  const call = span('t', 'e', 'POST /authorise', 100);
  const spans = [
    call,
    span('t', call.spanId, 'select', 30, { component: 'ledger-db' }),
    span('t', call.spanId, 'select', 20, { component: 'ledger-db', failed: true }),
    span('t', 'another entry', 'select', 5_000, { component: 'ledger-db' }),
  ];
  expect(innerSteps({ entries: new Map([['t', 'e']]), spans }, NOBODY, {})).toMatchObject([
    { operation: 'POST /authorise', attempts: 1, callsAnAttempt: 1, medianMs: 100, failed: 0, over: 0 },
    { component: 'ledger-db', operation: 'select', attempts: 1, callsAnAttempt: 2, medianMs: 50, failed: 1 },
  ]);
});

test('the owner’s limit judges before the learned one, and says of how many', () => {
  const now = attempts([100, 200, 300, 400]);
  const usual = attempts(Array.from({ length: 40 }, (_, i) => 90 + (i % 20)));
  const [learned] = innerSteps(now, usual, {});
  expect(learned?.usualMs).toBeCloseTo(99.5, 6);
  // Median of the logarithms ± 3 × 1.4826 × their median distance: exp(ln 99.5 + 3 × 1.4826 × 0.0503) = 124.4.
  expect(learned?.learnedLimitMs).toBeCloseTo(124.5, 0);
  expect(learned).toMatchObject({ over: 3, ownersLimitMs: undefined });
  const [owners] = innerSteps(now, usual, { [NAME]: 300 });
  expect(owners).toMatchObject({ over: 1, ownersLimitMs: 300 });
  expect(owners?.overShare?.estimate).toBe(0.25);
});

test('with fewer than twenty to compare with, nothing is learned and nothing is over', () => {
  const [step] = innerSteps(attempts([100]), attempts(new Array<number>(19).fill(1)), {});
  expect(step).toMatchObject({ usualMs: undefined, learnedLimitMs: undefined, over: 0, overShare: undefined });
});

test('a circle of parents ends', () => {
  const one = span('t', 'e', 'a', 1);
  const two = span('t', one.spanId, 'b', 1);
  const back = { ...one, parentSpanId: two.spanId };
  expect(innerSteps({ entries: new Map([['t', 'e']]), spans: [one, two, back] }, NOBODY, {})).toHaveLength(2);
});

test('the order of spans and attempts makes no difference', () => {
  const now = attempts([5, 80, 300, 12, 7]);
  const more = now.spans.flatMap((one) => [one, span(one.traceId, one.spanId, 'select', 3)]);
  const expected = innerSteps({ entries: now.entries, spans: more }, NOBODY, { [NAME]: 50 });
  fc.assert(
    fc.property(fc.shuffledSubarray(more, { minLength: more.length }), (spans) => {
      const entries = new Map([...now.entries].reverse());
      expect(innerSteps({ entries, spans }, NOBODY, { [NAME]: 50 })).toEqual(expected);
    }),
  );
  expect(expected.map(stepName)).toEqual([NAME, 'payments select']);
});
