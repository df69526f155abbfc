import { columnsOf, type TestAttempt } from '../../fixtures/attempts';
import { normalWith } from '../../fixtures/normal';
import type { Deviation } from '../../normal';
import { BACKGROUND, FAILED } from '../../telemetry';
import { MINUTE_MS } from '../../time';
import { concentrationOf, hurtPeople } from './hurt-people';

const BASE = Date.UTC(2026, 2, 10, 10);
const at = (minutes: number) => BASE + minutes * MINUTE_MS;
const SLOW: Deviation = {
  flow: 1,
  signal: 'slow',
  onsetMs: at(0),
  endMs: at(60),
  firedMs: at(0),
  active: false,
  level: 'hurting',
  excess: 50,
  z: 9,
};
const WINDOW = { fromMs: at(0), toMs: at(60) };
const LATE = 3_000;

const people = (rows: readonly TestAttempt[], knownUntilMs = at(300)) =>
  hurtPeople([SLOW], WINDOW, {
    rows: columnsOf(rows),
    knownUntilMs,
    normalAt: () => normalWith(),
    followersOf: (flow: number) => new Set(flow === 1 ? [2] : []),
    expectedValue: () => 0,
  });

test('who was hurt, and what became of each: made good, gone on, gone, or not yet known', () => {
  const found = people(
    [
      { person: 1, startMs: at(1), durationMs: LATE },
      { person: 1, startMs: at(3) },
      { person: 2, startMs: at(1), durationMs: LATE },
      { person: 2, flow: 2, startMs: at(5) },
      { person: 3, startMs: at(1), durationMs: LATE },
      { person: 3, startMs: at(2), flags: FAILED },
      { person: 4, startMs: at(59), durationMs: LATE },
      { person: 5, startMs: at(1) },
      { person: 6, startMs: at(-10), durationMs: LATE },
      { person: 7, startMs: at(1), durationMs: LATE, flags: BACKGROUND },
      { person: 0, startMs: at(1), durationMs: LATE },
    ],
    at(62),
  );
  expect(found.map(({ person, resolution }) => [person, resolution])).toEqual([
    [3, 'gone'],
    [4, 'undecided'],
    [2, 'wentOn'],
    [1, 'madeGood'],
  ]);
  expect(found[0]).toMatchObject({ late: 1, failed: 1, hung: 0, lastMs: at(2) });
  expect(found[0]?.waitedMs).toBeGreaterThan(2_000);
});

test('who is gone would have brought what like people bring who passed unhurt', () => {
  const unhurt = Array.from({ length: 10 }, (_, i): TestAttempt[] => [
    { person: 100 + i, tier: 2, startMs: at(-20 + i) },
    // Half of them buy for 30.
    ...(i % 2 === 0 ? [{ person: 100 + i, tier: 2, flow: 2, startMs: at(-18 + i), valueMinor: 3_000 }] : []),
  ]).flat();
  const found = people([
    ...unhurt,
    { person: 3, tier: 2, startMs: at(1), durationMs: LATE },
    { person: 4, tier: 9, startMs: at(1), durationMs: LATE },
  ]);
  expect(found.map(({ person, lost }) => [person, lost])).toEqual([
    [3, 15],
    [4, 0],
  ]);
});

test('where the hurt gather: values by people, most first; what is not told is left out', () => {
  const rows = [1, 1, 1, 2, 0].map((promotion, i) => ({ person: i + 1, promotion, startMs: at(1), durationMs: LATE }));
  expect(concentrationOf(people(rows), 'promotion')).toEqual([
    { value: 1, people: 3 },
    { value: 2, people: 1 },
  ]);
});

test('the order of the rows makes no difference', () => {
  const rows = Array.from({ length: 40 }, (_, i) => ({
    person: 1 + (i % 9),
    startMs: at(i),
    durationMs: i % 3 === 0 ? LATE : 100,
    flow: i % 5 === 0 ? 2 : 1,
  }));
  expect(people([...rows].reverse())).toEqual(people(rows));
});
