import { MINUTE_MS } from '@toplens/core/time';
import type { TroubleTruth } from '../../scenario/src/random-worlds/truth';
import { trueHarm } from '../../scenario/src/random-worlds/truth';
import type { Found, JudgedWorld } from './judge-world';
import { scoreWorlds } from './score';

// The score itself, on worlds made by hand: a bench that cannot fail would prove nothing.
const trouble = (number: number, flow: number, fromMin: number, people: number): TroubleTruth => ({
  trouble: {
    number,
    kind: 'failing',
    flows: [flow],
    fromMs: fromMin * MINUTE_MS,
    toMs: (fromMin + 60) * MINUTE_MS,
    factor: 1,
    share: 1,
    slice: undefined,
    leave: 0,
  },
  people: new Set(Array.from({ length: people }, (_, i) => i + 1)),
  minutes: 10,
  failed: people,
  left: 0,
  missing: 0,
  money: 0,
  keyHarm: 0,
});

const interval = (estimate: number, half: number) => ({ estimate, low: estimate - half, high: estimate + half });

const found = (
  id: number,
  flow: number,
  { onsetMin, firedMin, people, half = 5 }: { onsetMin: number; firedMin: number; people: number; half?: number },
): Found => ({
  incident: {
    id,
    onsetMs: onsetMin * MINUTE_MS,
    endMs: (onsetMin + 60) * MINUTE_MS,
    active: false,
    withdrawn: false,
    component: null,
    joinedInto: null,
    splitFrom: null,
    setAside: null,
    parts: [
      {
        flow,
        signal: 'failing',
        onsetMs: onsetMin * MINUTE_MS,
        endMs: (onsetMin + 60) * MINUTE_MS,
        firedMs: firedMin * MINUTE_MS,
        active: false,
        level: 'hurting',
        excess: 9,
        z: 9,
      },
    ],
  },
  bill: {
    window: { fromMs: 0, toMs: 1 },
    harm: interval(5 * people, half),
    people: interval(people, half),
    keyPeople: 0,
    outcomes: { onTime: 0, late: 0, hung: 0, failed: 0 },
    missingAttempts: 0,
    penalties: 0,
    promises: [],
    unnamedHurt: 0,
    hurtPersons: new Set(),
    lines: [
      { name: 'waiting', quantity: interval(10, 1), rate: 1, importance: 1, harm: interval(10, 1) },
      { name: 'money', quantity: interval(0, 0), rate: 0.5, importance: 1, harm: interval(0, 0) },
    ],
  },
});

const world = (truth: TroubleTruth[], incidents: Found[], onQuietDays: Found[] = []) =>
  ({
    plan: { seed: 1, shape: 'by hand', flows: Array.from({ length: 50 }, (_, i) => ({ id: i + 1 })) },
    truth,
    found: incidents,
    onQuietDays,
    attempts: 1,
  }) as unknown as JudgedWorld;

test('all found, in order, in time', () => {
  const score = scoreWorlds([
    world(
      [trouble(1, 1, 100, 200), trouble(2, 2, 300, 40)],
      [
        found(1, 1, { onsetMin: 101, firedMin: 103, people: 201 }),
        found(2, 2, { onsetMin: 300, firedMin: 304, people: 41 }),
      ],
    ),
  ]);
  expect(score).toMatchObject({
    troubles: 2,
    recall: 1,
    precision: 1,
    falsePerDay: 0,
    splits: 0,
    detectionMedianMin: 3.5,
    tauB: 1,
    firstIsFirst: 1,
  });
  expect(score.coverage).toEqual({ people: 1, minutes: 1, money: 1 });
  expect(score.onsetErrorMedianMin).toBe(0.5);
});

test('a miss, a false one, a wrong order and a wrong range are told', () => {
  const score = scoreWorlds([
    world(
      [trouble(1, 1, 100, 200), trouble(2, 2, 300, 40), trouble(3, 3, 600, 90), trouble(4, 4, 600, 5)],
      [
        found(1, 1, { onsetMin: 101, firedMin: 103, people: 30 }),
        found(2, 2, { onsetMin: 300, firedMin: 304, people: 41 }),
      ],
      [found(9, 9, { onsetMin: 5, firedMin: 6, people: 12 })],
    ),
  ]);
  expect(score.troubles).toBe(3);
  expect(score.recall).toBeCloseTo(2 / 3, 9);
  expect(score.precision).toBeCloseTo(2 / 3, 9);
  // One false incident on six days of fifty flows.
  expect(score.falsePerDay).toBeCloseTo((1 / (50 * 6)) * 100, 9);
  expect(score.tauB).toBe(-1);
  expect(score.firstIsFirst).toBe(0);
  expect(score.coverage.people).toBe(0.5);
  expect([score.missed.length, score.falseOnes.length, score.outside.length]).toEqual([1, 1, 1]);
});

test('who is worst by a hair is asked for as well, and told apart', () => {
  const turned = [
    found(1, 1, { onsetMin: 100, firedMin: 103, people: 40 }),
    found(2, 2, { onsetMin: 300, firedMin: 304, people: 41 }),
  ];
  const near = world([trouble(1, 1, 100, 42), trouble(2, 2, 300, 40)], turned);
  const clear = world(
    [trouble(1, 1, 100, 200), trouble(2, 2, 300, 40)],
    [
      found(1, 1, { onsetMin: 100, firedMin: 103, people: 190 }),
      found(2, 2, { onsetMin: 300, firedMin: 304, people: 41 }),
    ],
  );
  const small = world([trouble(1, 1, 100, 19)], []);
  expect(scoreWorlds([near, clear, clear, small])).toMatchObject({
    firstIsFirst: 2 / 3,
    firstIsFirstOfClear: 1,
    firstIsFirstOfAny: 0.5,
  });
});

test('one trouble seen as two incidents is a split', () => {
  expect(
    scoreWorlds([
      world(
        [trouble(1, 1, 100, 200)],
        [
          found(1, 1, { onsetMin: 100, firedMin: 102, people: 190, half: 20 }),
          found(2, 1, { onsetMin: 130, firedMin: 133, people: 8 }),
        ],
      ),
    ]).splits,
  ).toBe(1);
});

test('the true harm weighs as the default rates say', () => {
  expect(trueHarm({ ...trouble(1, 1, 0, 2), minutes: 3, failed: 2, left: 1, missing: 4, money: 10, keyHarm: 7 })).toBe(
    3 + 10 + 15 + 20 + 5 + 7,
  );
});
