import { createHistogram, normalDeviate, recordInPlace, seededRandom, type Random } from '../stats';
import {
  cellsOf,
  compareWork,
  emptyWork,
  LikePeople,
  healthWords,
  offWords,
  onOneScale,
  type Off,
  type Work,
} from './index';

interface Plan {
  sites?: number;
  servers?: number;
  peopleAtSite?: number;
  attempts?: number;
  /** with which server a person at a site works */
  serverOf?: (site: number, person: number) => number;
  /** ln of how many times as long it takes */
  shift?: (who: { person: number; site: number; server: number }) => number;
}

/** People at work who differ by a twentieth; their attempts by a third. */
function work({
  sites = 5,
  servers = 3,
  peopleAtSite = 14,
  attempts = 30,
  serverOf = (site, person) => 1 + ((site + (person % 3 === 0 ? 1 : 0)) % servers),
  shift = () => 0,
}: Plan): Work {
  const random: Random = seededRandom(11);
  const made = emptyWork();
  for (let person = 1; person <= sites * peopleAtSite; person++) {
    const site = 1 + (person % sites);
    const server = serverOf(site, person);
    const own = 0.05 * normalDeviate(random) + shift({ person, site, server });
    for (let i = 0; i < attempts; i++) {
      made.person.push(person);
      made.site.push(site);
      made.server.push(server);
      made.station.push(1);
      made.excess.push(own + 0.3 * normalDeviate(random));
    }
  }
  return made;
}
const off = (plan: Plan) => compareWork(cellsOf(work(plan))).off;
const DOUBLE = Math.log(2);

test('where nothing is off nothing is told', () => expect(off({})).toEqual([]));

test.each([
  ['the application', 'application', 0, () => DOUBLE],
  ['a server', 'server', 2, ({ server }: { server: number }) => (server === 2 ? DOUBLE : 0)],
  ['the line of a site', 'line', 4, ({ site }: { site: number }) => (site === 4 ? DOUBLE : 0)],
  ["a person's device", 'device', 33, ({ person }: { person: number }) => (person === 33 ? DOUBLE : 0)],
] as const)('%s is told alone, with how much longer it takes', (_what, layer, id, shift) => {
  const found = off({ shift: shift });
  expect(found.map((one) => [one.layer, one.id])).toEqual([[layer, id]]);
  const { estimate = NaN, low = NaN, high = NaN } = found[0]?.factor ?? {};
  expect(estimate).toBeGreaterThan(1.7);
  expect(estimate).toBeLessThan(2.3);
  expect(low).toBeGreaterThan(1.15);
  expect(low).toBeLessThan(estimate);
  expect(high).toBeGreaterThan(estimate);
});

test('of two servers one may be off: that as many are slow as are not does not make the slow ones usual', () => {
  expect(
    off({ servers: 2, shift: ({ server }) => (server === 2 ? DOUBLE : 0) }).map(({ layer, id }) => [layer, id]),
  ).toEqual([['server', 2]]);
});

test('a site with a server of its own: which of them it is cannot be known, and that is what is told', () => {
  const [found, ...rest] = off({
    servers: 4,
    serverOf: (site, person) => (site === 1 ? 4 : 1 + ((site + (person % 3 === 0 ? 1 : 0)) % 3)),
    shift: ({ site }) => (site === 1 ? DOUBLE : 0),
  });
  expect(rest).toEqual([]);
  expect(found).toMatchObject({ layer: 'serverOrLine', id: 1, serverId: 4 });
  expect(
    offWords(found as NonNullable<typeof found>, { application: 'Desk', name: 'North', server: 'desk-4' }),
  ).toContain('It is North or the server desk-4');
});

test('a slowness that a day brings, or of too few attempts, is not told', () => {
  expect(off({ shift: ({ site }) => (site === 2 ? Math.log(1.1) : 0) })).toEqual([]);
  expect(off({ attempts: 4, shift: ({ site }) => (site === 2 ? DOUBLE : 0) })).toEqual([]);
});

test('who was there only while the line was slow is not slow for it', () => {
  const made = work({});
  // In the second of two half hours everything at site 2 takes twice as long; person 6 of that site was there then alone.
  const late = made.person.map((person, i) => person === 6 || i % 3 === 0);
  made.halfHour.push(...late.map((isLate) => (isLate ? 1 : 0)));
  const excess = made.excess.map((value, i) => value + (late[i] && made.site[i] === 2 ? DOUBLE : 0));
  const devices = (all: Work) =>
    compareWork(cellsOf(all)).off.flatMap(({ layer, id }) => (layer === 'device' ? [id] : []));
  expect(made.site[made.person.indexOf(6)]).toBe(2);
  expect(devices({ ...made, excess })).toEqual([]);
  // Without the time of each attempt that person would be blamed.
  expect(devices({ ...made, excess, halfHour: [] })).toEqual([6]);
});

test('the order of attempts makes no difference', () => {
  const made = work({ shift: ({ site, person }) => (site === 3 || person === 8 ? DOUBLE : 0) });
  const order = made.excess.map((_, i) => i).reverse();
  const turned = Object.fromEntries(
    Object.entries(made).map(([name, values]: [string, number[]]) => [name, order.map((i) => values[i])]),
  ) as unknown as Work;
  const sorted = (all: Off[]) => [...all].sort((a, b) => a.id - b.id);
  const [one, other] = [sorted(compareWork(cellsOf(made)).off), sorted(compareWork(cellsOf(turned)).off)];
  expect(other.map(({ layer, id }) => [layer, id])).toEqual(one.map(({ layer, id }) => [layer, id]));
  one.forEach(({ factor }, i) => expect(other[i]?.factor.estimate).toBeCloseTo(factor.estimate, 9));
});

test('a person is compared with the likest of whom there are eight', () => {
  const cells = cellsOf(work({ peopleAtSite: 20 }));
  const like = new LikePeople(cells);
  const own = cells[0] as (typeof cells)[number];
  expect(like.against(own, 0.1)?.likeness).toBe('sameSiteServerStation');
  const alone = { ...own, station: 9 };
  expect(like.against(alone, 0.1)?.likeness).toBe('sameSiteServer');
  expect(like.against({ ...alone, server: 9 }, 0.1)?.likeness).toBe('sameSite');
  expect(like.against({ ...alone, site: 99 }, 0.1)?.likeness).toBe('sameServer');
  expect(like.against({ ...alone, site: 99, server: 9 }, 0.1)?.likeness).toBe('everybody');
  expect(new LikePeople(cells.slice(0, 8)).against(own, 0.1)).toBeUndefined();
  const people = compareWork(cells).persons;
  expect(people).toHaveLength(100);
  expect(people.filter(({ isOff }) => isOff)).toEqual([]);
});

test('one scale by hand: of 10, 20 and 30 everybody, the one of 30 has (2 + 1/2)/3, in either of two activities', () => {
  const [everybody, group] = [createHistogram(), createHistogram()];
  for (const value of [10, 20, 30]) recordInPlace(everybody, value);
  recordInPlace(group, 30);
  const scale = onOneScale([
    { everybody, group },
    { everybody, group },
  ]);
  expect(scale?.score).toBeCloseTo(2.5 / 3, 12);
  expect(scale).toMatchObject({ attempts: 2, unsteadiness: 0, standardError: Math.sqrt(1 / 24) });
  // Everybody: 1/6, 3/6 and 5/6.
  const norm = onOneScale([{ everybody, group: everybody }]);
  expect(norm?.score).toBeCloseTo(0.5, 12);
  expect(norm?.unsteadiness).toBeCloseTo(Math.sqrt((1 / 9 + 0 + 1 / 9) / 3), 12);
  expect(onOneScale([{ everybody, group: createHistogram() }])).toBeUndefined();
});

test('whether the device agrees: full, not full, or it tells nothing', () => {
  expect(healthWords({ told: [], full: [] })).toBe('The device tells nothing of its health.');
  expect(healthWords({ told: ['CPU', 'memory'], full: [] })).toBe(
    'The device is not full: it tells of CPU and memory.',
  );
  expect(healthWords({ told: ['CPU', 'memory'], full: [{ figure: 'memory', share: 0.966 }] })).toBe(
    'The device agrees: its memory is at 97 %.',
  );
});
