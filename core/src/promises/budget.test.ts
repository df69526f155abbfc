import fc from 'fast-check';
import { HOUR_MS } from '../time';
import { alertingPace, alertRate, BURN_ALERTS, budgetOf, burnRate, keptShare } from './budget';
import { addTally, NOTHING, type Tally } from './service-promise';

test('the published table of burn rates: 14.4, 6 and 1, with short windows of a twelfth', () => {
  // "The Site Reliability Workbook", O'Reilly 2018, ch. 5, from memory: 2 % in 1 h, 5 % in 6 h, 10 % in 3 days.
  expect(BURN_ALERTS.map(alertRate)).toEqual([14.4, 6, 1].map((rate) => expect.closeTo(rate, 12) as number));
  for (const { longMs, shortMs } of BURN_ALERTS) expect(longMs / shortMs).toBe(12);
  // At a target of 99.9 % these are 1.44 %, 0.6 % and 0.1 % bad attempts.
  for (const [share, rate] of [
    [0.0144, 14.4],
    [0.006, 6],
    [0.001, 1],
  ] as const)
    expect(burnRate({ valid: 1e6, good: 1e6 * (1 - share) }, 0.999)).toBeCloseTo(rate, 9);
});

test('how long a total outage takes to alert at 99.9 %: 51.84 s, 129.6 s, 259.2 s', () => {
  const rate = burnRate({ valid: 100, good: 0 }, 0.999) as number;
  expect(rate).toBeCloseTo(1000, 9);
  expect(BURN_ALERTS.map((alert) => ((alertRate(alert) / rate) * alert.longMs) / 1000)).toEqual(
    [51.84, 129.6, 259.2].map((s) => expect.closeTo(s, 9) as number),
  );
});

test('allowed downtime in tables of availability: 43.2 min and 4.32 min of 30 days', () => {
  const minutes = 30 * 24 * 60;
  expect(budgetOf(NOTHING, minutes, 0.999).allowed).toBeCloseTo(43.2, 9);
  expect(budgetOf(NOTHING, minutes, 0.9999).allowed).toBeCloseTo(4.32, 9);
});

test('without an attempt nothing is known: no share, no rate', () => {
  expect(keptShare(NOTHING)).toBeUndefined();
  expect(burnRate(NOTHING, 0.99)).toBeUndefined();
  expect(budgetOf(NOTHING, 0, 0.99).leftShare).toBeUndefined();
});

test('a pace alerts when both its windows are above it, the fastest first, and not of a few attempts', () => {
  const of =
    (longShare: number, shortShare: number, valid = 1000) =>
    (ms: number): Tally => {
      const share = ms >= HOUR_MS ? longShare : shortShare;
      return { valid, good: valid * (1 - share) };
    };
  expect(alertingPace(of(0.02, 0.02), 0.999)).toBe('fast');
  // It was so, and is over: the short window says no.
  expect(alertingPace(of(0.02, 0), 0.999)).toBe('slow');
  expect(alertingPace(of(0.0005, 0.9), 0.999)).toBeUndefined();
  expect(alertingPace(of(0.5, 0.5, 19), 0.999)).toBeUndefined();
});

const tally = fc.nat(1000).chain((valid) => fc.nat(valid).map((good): Tally => ({ valid, good })));

test('a period cut in two adds up, in any order', () =>
  fc.assert(
    fc.property(tally, tally, fc.double({ min: 0.5, max: 0.999, noNaN: true }), (a, b, target) => {
      const whole = budgetOf(addTally(a, b), a.valid + b.valid, target);
      const [first, second] = [budgetOf(a, a.valid, target), budgetOf(b, b.valid, target)];
      expect(whole.spent).toBe(first.spent + second.spent);
      expect(whole.allowed).toBeCloseTo(first.allowed + second.allowed, 6);
      expect(whole.left).toBeCloseTo(first.left + second.left, 6);
      expect(addTally(a, b)).toEqual(addTally(b, a));
    }),
  ));
