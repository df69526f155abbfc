import { planSharedWorld, SHARED_KINDS, type SharedWorld } from './shared';

const worlds = Array.from({ length: 30 }, (_, i) => planSharedWorld(1 + i));
const applicationsOf = ({ plan }: SharedWorld, flows: readonly number[]) =>
  new Set(flows.map((flow) => plan.flows[flow - 1]?.app));

test('a seed alone decides a world', () => {
  expect(planSharedWorld(7).plan).toEqual(planSharedWorld(7).plan);
  expect(planSharedWorld(8).plan).not.toEqual(planSharedWorld(7).plan);
});

test('all that can be shared goes wrong in some world, always over several applications', () => {
  expect(new Set(worlds.flatMap(({ shared }) => [...shared.values()].map(({ kind }) => kind)))).toEqual(
    new Set(SHARED_KINDS),
  );
  for (const world of worlds)
    for (const { flows } of world.plan.troubles) expect(applicationsOf(world, flows).size).toBeGreaterThan(1);
});

test('what is slow or fails in an attempt’s calls is what is shared', () => {
  for (const { plan, shared } of worlds)
    for (const { number, flows } of plan.troubles) {
      const { kind, what, inTrace } = shared.get(number) ?? fail();
      if (kind === 'site' || kind === 'host') continue;
      for (const flow of flows) expect(inTrace(flow)?.origins.map(({ name }) => name)).toEqual([what]);
    }
});

const fail = (): never => {
  throw new Error('a trouble without its truth');
};
