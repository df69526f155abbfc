import fc from 'fast-check';
import { spentBy, usualBadShare, type BadStep, type Spender } from './spent-by';
import { ruleWords, penaltyWords } from './words';
import type { ServicePromise } from './service-promise';

const step = (flow: number, startMs: number, valid: number, bad: number): BadStep => ({
  flow,
  startMs,
  tally: { valid, good: valid - bad },
});
const incident = (id: number, flow: number, fromMs: number, toMs: number): Spender => ({
  id,
  fromMs,
  toMs,
  flows: new Set([flow]),
});

test('by hand: what is bad beyond the usual is the incident’s, in equal parts where two went on', () => {
  const steps = [step(1, 0, 100, 1), step(1, 5, 100, 21), step(1, 10, 100, 41), step(2, 5, 100, 9)];
  const on = [incident(7, 1, 5, 15), incident(8, 1, 10, 15)];
  // 10 of 200 are bad where no incident went on.
  expect(usualBadShare(steps, on)).toBeCloseTo(0.05);
  const { byIncident, unexplained } = spentBy(steps, on, 0.01);
  expect([...byIncident]).toEqual([
    [7, 20 + 20],
    [8, 20],
  ]);
  expect(unexplained).toBe(1 + 1 + 1 + 9);
});

test('nothing is lost and nothing counted twice, in any order', () =>
  fc.assert(
    fc.property(
      fc.array(fc.tuple(fc.nat(2), fc.nat(20), fc.nat(50), fc.nat(50))),
      fc.array(fc.tuple(fc.nat(2), fc.nat(20), fc.nat(10)), { maxLength: 4 }),
      fc.double({ min: 0, max: 0.3, noNaN: true }),
      (rows, troubles, usual) => {
        const steps = rows.map(([flow, at, good, bad]) => step(flow, at, good + bad, bad));
        const on = troubles.map(([flow, from, length], i) => incident(i, flow, from, from + length));
        const { byIncident, unexplained } = spentBy(steps, on, usual);
        const bad = rows.reduce((sum, [, , , one]) => sum + one, 0);
        expect([...byIncident.values()].reduce((sum, one) => sum + one, unexplained)).toBeCloseTo(bad, 6);
        expect(spentBy([...steps].reverse(), on, usual).unexplained).toBeCloseTo(unexplained, 6);
      },
    ),
  ));

const promise: ServicePromise = {
  name: 'Labels',
  to: 'partners',
  application: 'Shipper Link',
  flow: 'Labels for partners',
  indicator: 'inTime',
  limitMs: 1200,
  target: 0.995,
  period: { kind: 'month', zone: 'Europe/Dublin' },
  excluded: [],
  penalties: [
    { below: 0.995, amount: 4000 },
    { below: 0.99, amount: 10_000 },
  ],
};

test.each<[Partial<ServicePromise>, string]>([
  [
    {},
    '99.5 % of the attempts of “Labels for partners” (Shipper Link) in time: within 1.2 s, over a calendar month (Europe/Dublin).',
  ],
  [
    { flow: undefined, limitMs: undefined, period: { kind: 'rolling', days: 1 }, target: 0.9995 },
    '99.95 % of the attempts of Shipper Link in time, by the limit that judges each, over 1 day.',
  ],
  [
    {
      application: undefined,
      flow: undefined,
      indicator: 'answered',
      hours: { zone: 'UTC', days: [5, 1, 2, 3, 4], fromMinute: 480, toMinute: 1080 },
    },
    '99.5 % of the attempts of everything answered: neither failed nor hung, over a calendar month (Europe/Dublin), Mon to Fri 08:00 to 18:00 (UTC).',
  ],
])('the rule in a sentence, with %j', (more, words) => expect(ruleWords({ ...promise, ...more })).toBe(words));

test('steps of a penalty in words', () => {
  expect(penaltyWords(promise.penalties, 'EUR')).toBe('below 99.5 %: €4,000; below 99 %: €10,000');
  expect(penaltyWords([], 'EUR')).toBe('');
});
