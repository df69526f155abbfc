import fc from 'fast-check';
import { seededRandom } from '@toplens/core/stats';
import { countDistinct, PeopleMet } from './distinct';

test.each([1, 2, 3])('distinct numbers are as many as a set holds, seed %i', (seed) => {
  const random = seededRandom(seed);
  // Small ones, neighbours, multiples of powers of two and the largest: what a poor hash would pile up.
  const drawn = () => {
    const draw = random();
    return draw < 0.3
      ? Math.floor(random() * 2_000)
      : draw < 0.6
        ? (Math.floor(random() * 60_000) << 12) >>> 0
        : Math.floor(random() * 2 ** 32);
  };
  const edges = [0, 1, 2 ** 26 - 1, 2 ** 26, 2 ** 31, 2 ** 32 - 1];
  const lists = [0, 10, 9_000, 20_000].map((n) =>
    Uint32Array.from([...Array.from({ length: n }, drawn), ...(n > 0 ? edges : [])]).sort(),
  );
  expect(countDistinct(lists)).toBe(new Set(lists.flatMap((list) => [...list])).size);
  expect(countDistinct([])).toBe(0);
});

test('a person is new once until the next reset; somebody unknown always is', () => {
  const met = new PeopleMet();
  const people = [1, 31, 32, 33, 65_536, 4_000_000];
  expect(people.map((person) => met.isNew(person))).toEqual(people.map(() => true));
  expect(people.map((person) => met.isNew(person))).toEqual(people.map(() => false));
  expect([met.isNew(2), met.isNew(0), met.isNew(0)]).toEqual([true, true, true]);
  const run = Uint32Array.from([7, 7, 0, 2, 9_000_000, 0, 9_000_000]);
  expect(met.countNew(run)).toBe(4);
  expect(met.countNew(run, 1, 4)).toBe(1);
  met.reset();
  expect(people.map((person) => met.isNew(person))).toEqual(people.map(() => true));
});

test('however often it is begun anew, nobody stays met', () => {
  const met = new PeopleMet();
  for (let i = 0; i < 600; i++) {
    expect([met.isNew(i % 3 === 0 ? 5 : 6), met.isNew(i % 3 === 0 ? 5 : 6)]).toEqual([true, false]);
    met.reset();
  }
});

test('crowds, kept as lists or as bits, are met as their people are, whatever comes before or after', () => {
  const person = fc.oneof(
    fc.constant(0),
    fc.integer({ min: 1, max: 60 }),
    fc.integer({ min: 65_536, max: 66_000 }),
    fc.integer({ min: 1, max: 3_000_000 }),
  );
  fc.assert(
    fc.property(fc.array(fc.array(person, { maxLength: 200 }), { maxLength: 5 }), (groups) => {
      const [one, other, all] = [new PeopleMet(), new PeopleMet(), new PeopleMet()];
      for (const group of groups) {
        one.reset();
        const people = Uint32Array.from(group);
        one.countNew(people);
        expect(other.countNewOf(one.crowd())).toBe(all.countNew(people));
      }
      one.reset();
      const total = new PeopleMet().countNew(Uint32Array.from(groups.flat()));
      expect(one.countNewOf(all.crowd())).toBe(total);
    }),
  );
});
