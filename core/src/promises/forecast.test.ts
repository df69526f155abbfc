import { DAY_MS, HOUR_MS, isWeekend } from '../time';
import { forecast, type ForecastQuestion } from './forecast';
import { addTally, NOTHING, type Tally } from './service-promise';
import { simulatedMonth } from '../fixtures/simulated-month';

const MONDAY = Date.UTC(2026, 0, 5);
const NOW = MONDAY + 20 * DAY_MS;

/** Twenty days alike: a hundred attempts an hour, so many of them bad. */
const steady = (bad: number): Map<number, Tally> =>
  new Map(Array.from({ length: 20 * 24 }, (_, i) => [MONDAY + i * HOUR_MS, { valid: 100, good: 100 - bad }]));
const asked = (bad: number, more: Partial<ForecastQuestion> = {}) => {
  const past = steady(bad);
  const question: ForecastQuestion = {
    target: 0.995,
    penalties: [],
    endMs: NOW + 10 * DAY_MS,
    nowMs: NOW,
    soFar: [...past.values()].reduce(addTally, NOTHING),
    past,
    isCounted: () => true,
    isOff: isWeekend,
    ...more,
  };
  return forecast(question);
};

test('what goes on as it did is kept, or broken, for sure', () => {
  // No bad one in 48,000, and 99.5 % promised: even bad days that were never seen hardly matter.
  const kept = asked(0);
  expect(kept?.chanceOfBreaking).toBeLessThan(0.05);
  expect(kept?.expectedValid).toBeCloseTo(72_000, -3);
  const broken = asked(1);
  expect(broken?.chanceOfBreaking).toBe(1);
  expect(broken?.share[2]).toBeCloseTo(0.99, 3);
});

test('the fan begins where the budget stands, falls, and grows wider', () => {
  const fan = asked(0, { soFar: { valid: 48_000, good: 47_900 } })?.left ?? [];
  expect(fan).toHaveLength(10);
  const widths = fan.map(({ fan: [low, , , , high] }) => high - low);
  expect(widths[9]).toBeGreaterThan(widths[0] as number);
  for (let day = 1; day < fan.length; day++)
    for (let q = 0; q < 5; q++) expect(fan[day]?.fan[q]).toBeLessThanOrEqual((fan[day - 1]?.fan[q] as number) + 1e-9);
  // 100 of 360 allowed are spent.
  expect(fan[0]?.fan[4]).toBeCloseTo(1 - 100 / 360, 1);
});

test('steps of a penalty: each adds what it costs beyond the one before', () => {
  const penalties = [
    { below: 0.98, amount: 10_000 },
    { below: 0.995, amount: 4_000 },
  ];
  // 99 % for sure: below 99.5 %, not below 98 %.
  expect(asked(1, { penalties })).toMatchObject({ chances: [0, 1], expectedPenalty: 4_000 });
  expect(asked(3, { penalties })).toMatchObject({ chances: [1, 1], expectedPenalty: 10_000 });
});

test('trouble that goes on adds to it as long as such lasted', () => {
  const ongoing = { addedShare: 0.5, sinceMs: NOW - HOUR_MS, tookMs: [4 * HOUR_MS, 6 * HOUR_MS] };
  const [calm, hit] = [asked(0), asked(0, { ongoing })];
  // Three or five hours more, half of a hundred attempts an hour: 150 or 250 of 72,000.
  const added = ((calm?.share[2] ?? 0) - (hit?.share[2] ?? 0)) * 72_000;
  expect(added).toBeGreaterThan(120);
  expect(added).toBeLessThan(280);
});

test('hours that do not count bring nothing, and too few days say nothing', () => {
  const soFar = { valid: 10, good: 10 };
  expect(asked(1, { isCounted: () => false, soFar })).toMatchObject({ expectedValid: 10, chanceOfBreaking: 0 });
  const twoDays = new Map([...steady(0)].slice(-48));
  expect(asked(0, { past: twoDays })).toBeUndefined();
});

test('the same seed gives the same forecast, another another', () => {
  expect(asked(0, { seed: 7 })).toEqual(asked(0, { seed: 7 }));
  const month = simulatedMonth(3);
  expect(forecast({ ...month.question, seed: 7 })).not.toEqual(forecast({ ...month.question, seed: 8 }));
});

test('simulated months with growth, a weekly rhythm and incidents: ranges hold what they say, chances come true', () => {
  const months = Array.from({ length: 60 }, (_, i) => simulatedMonth(i + 1));
  const told = months.map(({ question, share }) => ({ answer: forecast(question), share, target: question.target }));
  const covered = told.filter(
    ({ answer, share }) => answer && share >= answer.share[0] && share <= answer.share[4],
  ).length;
  expect(covered / told.length).toBeGreaterThanOrEqual(0.86);
  // Brier's score against that of "as it stood before, it goes on".
  const score = (chance: (one: (typeof told)[number], i: number) => number) =>
    told.reduce((sum, one, i) => sum + (chance(one, i) - (one.share < one.target ? 1 : 0)) ** 2, 0) / told.length;
  const ours = score(({ answer }) => answer?.chanceOfBreaking ?? 0.5);
  const before = score((_one, i) =>
    (months[i]?.shareBefore as number) < (months[i]?.question.target as number) ? 1 : 0,
  );
  expect(ours).toBeLessThan(before / 2);
});
