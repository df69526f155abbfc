import fc from 'fast-check';
import { peopleOnce, type Judged } from './judged';

/** People who met an incident, and how many of them beyond the usual. */
const incident = (persons: readonly number[], estimate = persons.length) =>
  ({
    bill: { hurtPersons: new Set(persons), people: { estimate, low: estimate, high: estimate } },
  }) as unknown as Judged;

const incidents = fc.array(
  fc
    .uniqueArray(fc.integer({ min: 1, max: 40 }), { maxLength: 20 })
    .chain((persons) =>
      fc.double({ min: 0, max: persons.length, noNaN: true }).map((estimate) => ({ persons, estimate })),
    ),
  { maxLength: 6 },
);
const judgedOf = (made: readonly { persons: number[]; estimate: number }[]) =>
  made.map(({ persons, estimate }) => incident(persons, estimate));

describe('people of several incidents', () => {
  test('are never more than their sum, nor more than there are, nor less than none; the order makes no difference', () => {
    fc.assert(
      fc.property(incidents, (made) => {
        const people = peopleOnce(judgedOf(made));
        expect(people).toBeLessThanOrEqual(made.reduce((sum, { estimate }) => sum + estimate, 0) + 1e-9);
        expect(people).toBeLessThanOrEqual(new Set(made.flatMap(({ persons }) => persons)).size + 1e-9);
        expect(people).toBeGreaterThanOrEqual(-1e-9);
        expect(peopleOnce(judgedOf([...made].reverse()))).toBeCloseTo(people, 9);
      }),
    );
  });

  test('count once who met two of them; those of unlike people add up', () => {
    expect(peopleOnce([incident([1, 2, 3]), incident([3, 4])])).toBe(4);
    expect(peopleOnce([incident([1, 2]), incident([3, 4], 1)])).toBe(3);
    expect(peopleOnce([incident([1, 2, 3]), incident([1, 2, 3])])).toBe(3);
  });

  test('are told by the estimates where nobody is named', () => {
    expect(peopleOnce([incident([], 12), incident([], 3)])).toBe(15);
    expect(peopleOnce([])).toBe(0);
  });
});
