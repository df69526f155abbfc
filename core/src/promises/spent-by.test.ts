import fc from 'fast-check';
import { spentBy, usualBadShare, type Spender } from './spent-by';
import { StepTable } from './step-table';
import { ruleWords, penaltyWords } from './words';
import type { ServicePromise } from './service-promise';

type Step = [flow: number, startMs: number, valid: number, bad: number];
function stepsOf(steps: readonly Step[]): StepTable {
  const table = new StepTable();
  for (const [flow, startMs, valid, bad] of steps) table.push(flow, startMs, valid, valid - bad);
  return table;
}
const incident = (id: number, flow: number, fromMs: number, toMs: number): Spender => ({
  id,
  fromMs,
  toMs,
  flows: new Set([flow]),
});

test('by hand: what is bad beyond the usual is the incident’s, in equal parts where two went on', () => {
  const steps = stepsOf([
    [1, 0, 100, 1],
    [1, 5, 100, 21],
    [1, 10, 100, 41],
    [2, 5, 100, 9],
  ]);
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
        const steps = rows.map(([flow, at, good, bad]): Step => [flow, at, good + bad, bad]);
        const on = troubles.map(([flow, from, length], i) => incident(i, flow, from, from + length));
        const { byIncident, unexplained } = spentBy(stepsOf(steps), on, usual);
        const bad = rows.reduce((sum, [, , , one]) => sum + one, 0);
        expect([...byIncident.values()].reduce((sum, one) => sum + one, unexplained)).toBeCloseTo(bad, 6);
        expect(spentBy(stepsOf([...steps].reverse()), on, usual).unexplained).toBeCloseTo(unexplained, 6);
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
  [
    { indicator: 'people', personShare: 0.9 },
    '99.5 % of the person-hours of “Labels for partners” (Shipper Link) (people, each counted once an hour and flow) with at least 90 % of their attempts in time: within 1.2 s, over a calendar month (Europe/Dublin).',
  ],
  [
    { indicator: 'views', flow: undefined, limitMs: undefined },
    '99.5 % of the page views of Shipper Link good by every vital told: LCP within 2.5 s, INP within 200 ms, CLS up to 0.1, over a calendar month (Europe/Dublin).',
  ],
  [
    { indicator: 'crashFree', flow: undefined, limitMs: undefined, period: { kind: 'rolling', days: 7 } },
    '99.5 % of the launches of Shipper Link that neither fail nor end in a crash, over 7 days.',
  ],
])('the rule in a sentence, with %j', (more, words) => expect(ruleWords({ ...promise, ...more })).toBe(words));

test('steps of a penalty in words', () => {
  expect(penaltyWords(promise.penalties, 'EUR')).toBe('below 99.5 %: €4,000; below 99 %: €10,000');
  expect(penaltyWords([], 'EUR')).toBe('');
});

test('a table of steps keeps all that was put into it, however many, and those since a moment', () => {
  const steps = stepsOf(Array.from({ length: 1000 }, (_, i): Step => [i % 7, i * 10, i, i % 3]));
  expect(steps.n).toBe(1000);
  expect([steps.flow[999], steps.startMs[999], steps.valid[999], steps.good[999]]).toEqual([999 % 7, 9990, 999, 999]);
  const since = steps.since(5000);
  expect([since.n, since.startMs[0], since.valid[0]]).toEqual([500, 5000, 500]);
  expect(steps.since(Infinity).n).toBe(0);
});
