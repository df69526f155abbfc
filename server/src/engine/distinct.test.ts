import { seededRandom } from '@toplens/core/stats';
import { DistinctNumbers, PeopleMet } from './distinct';

test.each([1, 2, 3])('distinct numbers are as many as a set holds, seed %i', (seed) => {
  const random = seededRandom(seed);
  const numbers = new DistinctNumbers();
  const set = new Set<number>();
  expect(numbers.size).toBe(0);
  for (let i = 0; i < 30_000; i++) {
    // Small ones, neighbours, multiples of powers of two and the largest: what a poor hash would pile up.
    const draw = random();
    const value = draw < 0.3 ? Math.floor(random() * 2_000) : draw < 0.6 ? (Math.floor(random() * 60_000) << 12) >>> 0 : Math.floor(random() * 2 ** 32);
    numbers.add(value);
    set.add(value);
  }
  for (const edge of [0, 1, 2 ** 31, 2 ** 32 - 1, 0, 2 ** 32 - 1]) {
    numbers.add(edge);
    set.add(edge);
  }
  expect(numbers.size).toBe(set.size);
});

test('a person is new once until the next reset; somebody unknown always is', () => {
  const met = new PeopleMet();
  const people = [1, 31, 32, 33, 65_536, 4_000_000];
  expect(people.map((person) => met.isNew(person))).toEqual(people.map(() => true));
  expect(people.map((person) => met.isNew(person))).toEqual(people.map(() => false));
  expect([met.isNew(2), met.isNew(0), met.isNew(0)]).toEqual([true, true, true]);
  met.reset();
  expect(people.map((person) => met.isNew(person))).toEqual(people.map(() => true));
});
