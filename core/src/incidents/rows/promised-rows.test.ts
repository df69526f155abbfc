import fc from 'fast-check';
import { at, context } from '../../fixtures/bill';
import { BUSINESS_EVENT, PROBE } from '../../telemetry';
import { HOUR_MS } from '../../time';
import { eachPromised, type PromisedOfAttempts } from './promised-rows';

type Row = Parameters<typeof context>[0][number];

/** How many count, and how many of them are good, and when each is told. */
function counted(promise: PromisedOfAttempts, rows: readonly Row[], isCounted = (_timeMs: number) => true) {
  const { rows: columns, normalAt } = context([...rows]);
  const seen: { startMs: number; isGood: boolean }[] = [];
  eachPromised(promise, columns, { flows: 1, without: BUSINESS_EVENT, isCounted, normalAt }, (row, isGood) =>
    seen.push({ startMs: columns.startMs[row] as number, isGood }),
  );
  return { valid: seen.length, good: seen.filter(({ isGood }) => isGood).length, seen };
}

const inTime = { indicator: 'inTime', limitMs: 500 } as const;
const people = (personShare: number) => ({ indicator: 'people', limitMs: 500, personShare }) as const;
const took = (minute: number, durationMs: number, person: number): Row => ({ startMs: at(minute), durationMs, person });

test('people: each once an hour, by the share of their own attempts', () => {
  const rows = [took(1, 100, 1), took(2, 900, 1), took(3, 100, 1), took(4, 100, 2)];
  expect(counted(people(0.6), rows)).toMatchObject({ valid: 2, good: 2 });
  expect(counted(people(0.7), rows)).toMatchObject({ valid: 2, good: 1 });
  expect(counted(inTime, rows)).toMatchObject({ valid: 4, good: 3 });
});

test('people: who was not served well is told by the first attempt that was bad, all others by their first', () => {
  const rows = [took(3, 900, 1), took(1, 100, 1), took(2, 900, 1), took(9, 100, 2), took(8, 100, 2)];
  expect(counted(people(0.9), rows).seen).toEqual([
    { startMs: at(2), isGood: false },
    { startMs: at(8), isGood: true },
  ]);
});

test('people: in another hour somebody counts again; nobody in particular counts for none, nor do probes', () => {
  const later = { ...took(1, 100, 1), startMs: at(1) + HOUR_MS };
  expect(counted(people(0.9), [took(1, 100, 1), later])).toMatchObject({ valid: 2 });
  expect(counted(people(0.9), [took(1, 100, 0), { ...took(2, 100, 3), flags: PROBE }])).toMatchObject({ valid: 0 });
});

test('people: what does not count is not held against anybody', () => {
  const rows = [took(1, 100, 1), took(20, 900, 1), took(21, 900, 2)];
  expect(counted(people(0.9), rows, (timeMs) => timeMs < at(10))).toMatchObject({ valid: 1, good: 1 });
});

test('people: the order of attempts does not matter, and it is what one counts by hand', () => {
  const row = fc
    .tuple(fc.integer({ min: 0, max: 59 }), fc.constantFrom(100, 900), fc.integer({ min: 0, max: 4 }))
    .map(([minute, durationMs, person]) => took(minute, durationMs, person));
  fc.assert(
    fc.property(fc.array(row, { maxLength: 30 }), fc.double({ min: 0.5, max: 1, noNaN: true }), (rows, share) => {
      const told = counted(people(share), rows);
      const turned = counted(people(share), [...rows].reverse());
      expect([told.valid, told.good]).toEqual([turned.valid, turned.good]);
      expect(told.valid).toBe(new Set(rows.map(({ person }) => person).filter((person) => person !== 0)).size);
      const alone = (wanted: number) => rows.filter(({ person }) => person === wanted);
      const byHand = [1, 2, 3, 4].filter(
        (person) =>
          alone(person).length > 0 &&
          alone(person).filter(({ durationMs }) => durationMs === 100).length >= share * alone(person).length - 1e-9,
      );
      expect(told.good).toBe(byHand.length);
    }),
  );
});
