import { PROBE, type AttemptColumns } from '@toplens/core/telemetry';
import { DAY_MS, HOUR_MS } from '@toplens/core/time';
import { planWorld, type WorldPlan } from './plan';
import { trueLimitMs, WorldPlayer } from './play';

const plain = ({ n, startMs, durationMs, flow, person, flags }: AttemptColumns) => ({
  n,
  start: [...startMs.subarray(0, n)],
  duration: [...durationMs.subarray(0, n)],
  flow: [...flow.subarray(0, n)],
  person: [...person.subarray(0, n)],
  flags: [...flags.subarray(0, n)],
});

/** A tiny world's day of trouble. */
function playDay(plan: WorldPlan) {
  const player = new WorldPlayer(plan);
  const hours = Array.from({ length: 24 }, (_, k) => player.hour(plan.dayMs + k * HOUR_MS));
  player.finish();
  return { hours, truth: [...player.truth.values()] };
}

test('a seed alone decides a world: the same plan, attempts and truth', () => {
  const [one, two] = [planWorld(12), planWorld(12)];
  expect(two).toEqual(one);
  expect(planWorld(17)).not.toEqual(one);
  const [first, second] = [playDay(one), playDay(two)];
  expect(second.hours.map(plain)).toEqual(first.hours.map(plain));
  expect(second.truth).toEqual(first.truth);
});

test('forty seeds make all shapes, all kinds of trouble, slices and harmless oddities', () => {
  const plans = Array.from({ length: 40 }, (_, i) => planWorld(101 + i));
  expect(new Set(plans.map(({ shape }) => shape)).size).toBe(5);
  const troubles = plans.flatMap((plan) => plan.troubles);
  expect(new Set(troubles.map(({ kind }) => kind))).toEqual(new Set(['slow', 'failing', 'hanging', 'outage']));
  expect(new Set(troubles.map(({ slice }) => slice?.dimension))).toEqual(
    new Set([undefined, 'site', 'promotion', 'host']),
  );
  expect(new Set(plans.flatMap(({ harmless }) => harmless.map(({ kind }) => kind))).size).toBe(5);
  expect(
    plans.some(({ troubles: own }) =>
      own.some((a) => own.some((b) => a !== b && a.fromMs < b.toMs && b.fromMs < a.toMs)),
    ),
  ).toBe(true);
  for (const plan of plans)
    for (const trouble of plan.troubles) {
      expect(trouble.fromMs).toBeGreaterThanOrEqual(plan.dayMs);
      expect(trouble.toMs).toBeLessThan(plan.dayMs + DAY_MS);
    }
});

test('trouble changes only its own time, flows and people; probes are marked', () => {
  const plan = planWorld(12);
  const without = playDay({ ...plan, troubles: [] });
  const withTrouble = playDay(plan);
  const first = Math.min(...plan.troubles.map(({ fromMs }) => fromMs));
  const before = Math.floor((first - plan.dayMs) / HOUR_MS);
  expect(withTrouble.hours.slice(0, before).map(plain)).toEqual(without.hours.slice(0, before).map(plain));
  for (const rows of withTrouble.hours)
    for (let i = 0; i < rows.n; i++) {
      expect(rows.startMs[i]).toBeGreaterThanOrEqual(plan.dayMs);
      if ((rows.flags[i] as number) & PROBE) expect(rows.person[i]).toBe(0);
    }
});

test('what a trouble did is told by the attempts too: who failed in it is hurt', () => {
  const plans = Array.from({ length: 60 }, (_, i) => planWorld(300 + i)).filter(
    ({ shape }) => shape === 'few busy flows',
  );
  const isFailing = ({ kind, slice }: WorldPlan['troubles'][number]) => kind === 'failing' && slice === undefined;
  const plan = plans.find(({ troubles }) => troubles.some(isFailing)) as WorldPlan;
  const failing = plan.troubles.find(isFailing) as WorldPlan['troubles'][number];
  const { truth } = playDay({ ...plan, troubles: [failing] });
  expect(truth).toHaveLength(1);
  expect(truth[0]?.people.size).toBeGreaterThan(5);
  expect(truth[0]?.failed).toBeGreaterThan(0);
  expect(
    trueLimitMs({ id: 1, app: 1, medianMs: 100, spread: 0.3, tail: 0, failures: 0, value: 0, hosts: 1 }),
  ).toBeCloseTo(100 * Math.exp(0.9), 9);
});
