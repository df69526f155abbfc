import { JOURNEY_WINDOW, planJourney, playJourney, type JourneyPlan } from './journeys';

const SEEDS = Array.from({ length: 40 }, (_, i) => 1 + i);
const sum = (values: readonly number[]) => values.reduce((total, value) => total + value, 0);

test('a seed alone decides a world', () => {
  expect(planJourney(5)).toEqual(planJourney(5));
  expect(playJourney(planJourney(5))).toEqual(playJourney(planJourney(5)));
  expect(planJourney(6)).not.toEqual(planJourney(5));
});

test('forty seeds make none, one and two troubles, some that make nobody leave, and tiers that are hit alike or not', () => {
  const plans = SEEDS.map(planJourney);
  expect(new Set(plans.map(({ troubles }) => troubles.length))).toEqual(new Set([0, 1, 2]));
  expect(plans.some(({ troubles }) => troubles.some(({ leave }) => leave === 0))).toBe(true);
  expect(new Set(plans.map(({ isMixed }) => isMixed)).size).toBe(2);
  for (const { troubles, steps, usualLeave, tiers } of plans) {
    expect(usualLeave).toHaveLength(tiers);
    // Nobody leaves a journey at its last step: they have come to the end.
    for (const { step, share } of troubles) {
      expect(step).toBeLessThan(steps - 1);
      expect(share.every((one) => one > 0 && one <= 0.9)).toBe(true);
    }
  }
});

test('nobody leaves because of what is not there, or harms nobody', () => {
  const harmless = SEEDS.map(planJourney).filter(({ troubles }) => troubles.every(({ leave }) => leave === 0));
  expect(harmless.length).toBeGreaterThan(3);
  for (const plan of harmless) {
    const { truth } = playJourney(plan);
    expect([sum(truth.left), sum(truth.lost)]).toEqual([0, 0]);
  }
});

test('who leaves because of trouble would have stayed without it: the same sessions, fewer attempts, and less money', () => {
  const plan = planJourney(6) satisfies JourneyPlan;
  const [played, calm] = [playJourney(plan), playJourney({ ...plan, troubles: [] })];
  // Draws for a trouble are made only where one is: so sessions are alike until the first that meets it, and sums are
  // compared.
  const earned = ({ attempts }: ReturnType<typeof playJourney>) =>
    sum(attempts.map(({ valueMinor }) => (Number.isNaN(valueMinor) ? 0 : valueMinor)));
  expect(plan.troubles.length).toBeGreaterThan(0);
  expect(sum(played.truth.left)).toBeGreaterThan(0);
  expect(played.attempts.length).toBeLessThan(calm.attempts.length);
  expect(earned(played)).toBeLessThan(earned(calm));
});

test('sessions of the hours before meet no trouble, and are as dense', () => {
  const plan = planJourney(6);
  const { attempts } = playJourney(plan);
  const firsts = attempts.filter(({ flow }) => flow === 1);
  const before = firsts.filter(({ startMs }) => startMs < JOURNEY_WINDOW.fromMs).length;
  const length = (JOURNEY_WINDOW.toMs - JOURNEY_WINDOW.fromMs) / 3_600_000;
  expect(before / 3).toBeCloseTo((firsts.length - before) / length, -2);
});
