import fc from 'fast-check';
import { columnsOf, type TestAttempt } from '../fixtures/attempts';
import { mantelHaenszel, seededRandom } from '../stats';
import { BACKGROUND, FAILED, PROBE } from '../telemetry';
import { MINUTE_MS } from '../time';
import {
  discoverJourneys,
  isBad,
  judgeJourney,
  leavingAt,
  repairOrder,
  sessionsOf,
  type JudgedJourney,
  type Passing,
  type Session,
} from './index';

const BASE = Date.UTC(2026, 2, 10, 10);
const WINDOW = { fromMs: BASE, toMs: BASE + 60 * MINUTE_MS };
const LIMIT = 1_000;
const read = (attempts: readonly TestAttempt[]): Session[] => {
  const rows = columnsOf(attempts);
  return sessionsOf(rows, (row) =>
    (rows.flags[row] as number) & FAILED ? 'failed' : (rows.durationMs[row] as number) > LIMIT ? 'late' : 'onTime',
  );
};
const at = (minutes: number) => BASE + minutes * MINUTE_MS;

describe('sessions', () => {
  test('loops are folded, the worst and the completed are kept, and nobody waits for probes and background work', () => {
    const [session, ...others] = read([
      { session: 7, person: 3, tier: 2, flow: 1, startMs: at(0) },
      { session: 7, person: 3, flow: 2, startMs: at(1), flags: FAILED },
      { session: 7, person: 3, flow: 2, startMs: at(2), durationMs: 3_000, valueMinor: 1250 },
      { session: 7, person: 3, flow: 1, startMs: at(3) },
      { session: 8, flow: 1, startMs: at(1), flags: PROBE },
      { session: 9, flow: 1, startMs: at(1), flags: BACKGROUND },
      { session: 0, flow: 1, startMs: at(1) },
    ]);
    expect(others).toEqual([]);
    expect(session).toMatchObject({ session: 7, person: 3, tier: 2 });
    expect(session?.visits).toEqual([
      {
        flow: 1,
        firstMs: at(0),
        lastMs: at(3),
        exposed: false,
        longestMs: 100,
        attempts: 2,
        failed: 0,
        succeeded: true,
        valueMinor: 0,
      },
      {
        flow: 2,
        firstMs: at(1),
        lastMs: at(2),
        exposed: true,
        longestMs: 3_000,
        attempts: 2,
        failed: 1,
        succeeded: true,
        valueMinor: 1250,
      },
    ]);
  });

  test('the order of the attempts makes no difference', () => {
    const random = seededRandom(5);
    const attempts = Array.from({ length: 60 }, () => ({
      session: 1 + Math.floor(random() * 8),
      flow: 1 + Math.floor(random() * 4),
      startMs: at(random() * 60),
      durationMs: 2_000 * random(),
      tier: 1,
    }));
    const whole = read(attempts);
    fc.assert(
      fc.property(fc.shuffledSubarray(attempts, { minLength: attempts.length }), (shuffled) =>
        expect(read(shuffled)).toEqual(whole),
      ),
      { numRuns: 25 },
    );
  });
});

/** So many sessions that walk so far through these flows. */
const walking = (n: number, flows: readonly number[], from: number): TestAttempt[] =>
  Array.from({ length: n }, (_, i) =>
    flows.map((flow, k) => ({ session: from + i, person: from + i, tier: 1, flow, startMs: at((i % 50) + k) })),
  ).flat();

describe('ways that people walk', () => {
  test('are found with their order, as long as enough go on; the end of a longer one is not told again', () => {
    const sessions = read([
      ...walking(100, [1, 2, 3], 1),
      ...walking(60, [1, 2], 200),
      ...walking(40, [1], 300),
      ...walking(30, [9, 8], 400),
      ...walking(25, [2, 3], 500),
    ]);
    expect(discoverJourneys(sessions)).toEqual([
      { steps: [1, 2, 3], sessions: 200 },
      { steps: [9, 8], sessions: 30 },
    ]);
  });

  test('too few make no way, and one flow alone is none', () => {
    expect(discoverJourneys(read([...walking(19, [1, 2], 1), ...walking(500, [5], 100)]))).toEqual([]);
  });
});

/** Sessions of four steps; at some of them those who are hit leave more. */
function world(seed: number, troubles: readonly { step: number; share: number; leave: number }[], n = 2_000) {
  const random = seededRandom(seed);
  const attempts: TestAttempt[] = [];
  const left = [0, 0, 0, 0];
  for (let i = 1; i <= n; i++) {
    let startMs = at(random() * 60);
    for (let k = 0; k < 4; k++) {
      const trouble = troubles.find(({ step }) => step === k);
      const isHit = trouble !== undefined && random() < trouble.share;
      const draw = random();
      const more = isHit ? (trouble?.leave ?? 0) : 0;
      attempts.push({
        session: i,
        person: i,
        tier: 1,
        flow: k + 1,
        startMs,
        durationMs: isHit ? 4_000 : 200,
        ...(k === 3 && { valueMinor: 2_000 }),
      });
      startMs += 20_000;
      if (k < 3 && draw < 0.1 + more) {
        if (draw >= 0.1) left[k] = (left[k] as number) + 1;
        break;
      }
    }
  }
  return { sessions: read(attempts), left };
}
const STEPS = [1, 2, 3, 4];
const judged = (sessions: readonly Session[]): JudgedJourney =>
  judgeJourney(sessions, STEPS, { window: WINDOW, knownUntilMs: at(300) });

describe('a journey', () => {
  test('who left because of a step is told apart from who leaves as usual', () => {
    const { sessions, left } = world(3, [{ step: 1, share: 0.4, leave: 0.5 }]);
    const { steps, setOut, completed, valueEach } = judged(sessions);
    expect(setOut).toBe(2_000);
    expect(valueEach).toBe(20);
    const second = steps[1] as (typeof steps)[number];
    expect(second.sessions).toBe(second.wentOn + second.left + second.undecided);
    expect(second.beyondUsual.low).toBeLessThanOrEqual(left[1] as number);
    expect(second.beyondUsual.high).toBeGreaterThanOrEqual(left[1] as number);
    expect(second.usualLeaving).toBeCloseTo(0.1, 1);
    // Of those hit 60 % leave, usually 10 %: five of six because of it.
    expect(second.attributable).toBeCloseTo(5 / 6, 1);
    expect(second.value.estimate / second.beyondUsual.estimate).toBeCloseTo(20 * 0.9, 0);
    expect(steps.map(isBad)).toEqual([false, true, false, false]);
    expect(completed).toBe(steps[3]?.wentOn);
  });

  test('of two bad steps the earlier is mended first, and says how many more then meet the later one', () => {
    const { sessions } = world(4, [
      { step: 0, share: 0.5, leave: 0.4 },
      { step: 2, share: 0.5, leave: 0.4 },
    ]);
    const repairs = repairOrder(judged(sessions));
    expect(repairs.map(({ step }) => step)).toEqual([0, 2]);
    const [first, second] = repairs as [(typeof repairs)[number], (typeof repairs)[number]];
    // 2,000 × 0.5 × 0.4 = 400 come back; nine of ten pass the second step, and at the third 0.2 of them are lost again.
    expect(Math.abs(first.comeBack - 400)).toBeLessThan(40);
    expect(Math.abs(first.hidden - 400 * 0.9 * 0.2)).toBeLessThan(15);
    expect(second.hidden).toBe(0);
    expect(first.value).toBeCloseTo(first.completions * 20, 6);
  });

  test('mended all together nothing of the excess is left, whatever the shares', () => {
    let looked = 0;
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 500 }),
        fc.double({ min: 0.2, max: 0.9, noNaN: true }),
        fc.double({ min: 0.1, max: 0.7, noNaN: true }),
        (seed, share, leave) => {
          const journey = judged(world(seed, [{ step: 0, share, leave }], 400).sessions);
          const repairs = repairOrder(journey);
          looked += repairs.length;
          expect(repairs.at(-1)?.hidden ?? 0).toBeCloseTo(0, 9);
          for (const { comeBack, completions, hidden } of repairs) {
            expect(comeBack).toBeGreaterThanOrEqual(completions - 1e-9);
            expect(hidden).toBeGreaterThanOrEqual(0);
          }
        },
      ),
      { numRuns: 20 },
    );
    expect(looked).toBeGreaterThan(5);
  });

  test('where all who meet it leave, and nobody else does, no error is left and it is bad all the same', () => {
    const hit = walking(40, [1, 2], 1).flatMap((attempt) =>
      attempt.flow === 2 && (attempt.session as number) % 2 === 0
        ? []
        : [{ ...attempt, durationMs: attempt.flow === 1 && (attempt.session as number) % 2 === 0 ? 4_000 : 100 }],
    );
    const [first] = judgeJourney(read(hit), [1, 2], { window: WINDOW, knownUntilMs: at(300) }).steps;
    expect(first).toMatchObject({ z: Infinity, left: 20 });
    expect(first && isBad(first)).toBe(true);
  });

  test('what always fails is no trouble, though whoever meets it leaves more', () => {
    const { sessions } = world(6, [{ step: 1, share: 0.02, leave: 0.6 }]);
    const judgedBy = (usual: number) =>
      judgeJourney(sessions, STEPS, { window: WINDOW, knownUntilMs: at(300), usualShareOf: () => usual }).steps.map(
        isBad,
      );
    expect(judgedBy(0)).toEqual([false, true, false, false]);
    expect(judgedBy(0.02)).toEqual([false, false, false, false]);
  });

  test('whoever may still go on is neither gone nor gone on', () => {
    const sessions = read(walking(10, [1], 1));
    expect(judgeJourney(sessions, [1, 2], { window: WINDOW, knownUntilMs: at(0) }).steps[0]).toMatchObject({
      sessions: 10,
      wentOn: 0,
      undecided: 10,
      left: 0,
    });
    expect(judgeJourney(sessions, [1, 2], { window: WINDOW, knownUntilMs: at(300) }).steps[0]).toMatchObject({
      undecided: 0,
      left: 10,
    });
  });

  test('nobody on the way: nothing is said, and nothing divides by nothing', () => {
    const { steps, setOut, valueEach } = judged([]);
    expect([setOut, valueEach]).toEqual([0, NaN]);
    expect(steps[0]).toMatchObject({ sessions: 0, left: 0, beyondUsual: { estimate: 0, low: 0, high: 0 }, z: 0 });
    expect(repairOrder(judged([]))).toEqual([]);
  });
});

describe('leaving, against published tables', () => {
  /** Passings of a 2 × 2 table of one kind: exposed who left and stayed, others who left and stayed. */
  const table = (kind: string, ...[a, b, c, d]: [number, number, number, number]): Passing<string>[] => {
    const some = (n: number, exposed: boolean, goesOn: boolean) =>
      Array.from({ length: n }, (): Passing<string> => ({
        kind,
        lastMs: 0,
        exposed,
        inTrouble: true,
        goesOn,
        value: 0,
      }));
    return [...some(a, true, false), ...some(b, true, true), ...some(c, false, false), ...some(d, false, true)];
  };

  test('Berkeley admissions: compared department by department the difference turns round (Bickel, Hammel & O’Connell 1975)', () => {
    // Men and women refused and admitted, by department; R UCBAdmissions. Risk of admission, as in checks against
    // metafor: −0.01842520.
    const departments: [string, number, number, number, number][] = [
      ['A', 512, 313, 89, 19],
      ['B', 353, 207, 17, 8],
      ['C', 120, 205, 202, 391],
      ['D', 138, 279, 131, 244],
      ['E', 53, 138, 94, 299],
      ['F', 22, 351, 24, 317],
    ];
    const { pooled, difference } = leavingAt(
      departments.flatMap((row) => table(...row)),
      1,
    );
    expect(pooled?.riskDifference.estimate).toBeCloseTo(-0.0184251961909, 10);
    expect(pooled?.oddsRatio).toBeCloseTo(0.904696828259, 9);
    expect(pooled?.standardError).toBeCloseTo(0.01482539444, 9);
    expect(difference).toBe(0);
  });

  test('attributable fraction among the exposed: 13/2176 against 5/3354 is 0.7505 (Willeberg 1977, epiR help)', () => {
    const { pooled } = leavingAt(table('all', 13, 2176 - 13, 5, 3354 - 5), 1);
    expect((pooled?.riskDifference.estimate as number) / (13 / 2176)).toBeCloseTo(0.75047016191918, 10);
    expect(pooled?.riskRatio).toBeCloseTo(4.0075, 3);
  });

  test.each([
    [130, 0.94615385],
    [57, 0.87719298],
    [227, 0.969163],
  ])(
    'attributable fraction: %i against 7 in 10,000 (Doll & Hill via CDC Principles of Epidemiology, lesson 3, from memory)',
    (exposed, fraction) => {
      const { pooled } = leavingAt(table('all', exposed, 10_000 - exposed, 7, 10_000 - 7), 1);
      expect((pooled?.riskDifference.estimate as number) / (exposed / 10_000)).toBeCloseTo(fraction, 8);
    },
  );

  test('thirteen vaccine trials pooled: metafor dat.bcg (Colditz 1994), table from memory, difference and odds ratio as metafor prints them', () => {
    const trials: [number, number, number, number][] = [
      [4, 119, 11, 128],
      [6, 300, 29, 274],
      [3, 228, 11, 209],
      [62, 13536, 248, 12619],
      [33, 5036, 47, 5761],
      [180, 1361, 372, 1079],
      [8, 2537, 10, 619],
      [505, 87886, 499, 87892],
      [29, 7470, 45, 7232],
      [17, 1699, 65, 1600],
      [186, 50448, 141, 27197],
      [5, 2493, 3, 2338],
      [27, 16886, 29, 17825],
    ];
    const pooled = mantelHaenszel(
      trials.map(([a, b, c, d]) => ({ exposed: a + b, exposedEvents: a, others: c + d, otherEvents: c })),
    );
    expect(pooled?.riskDifference.estimate).toBeCloseTo(-0.00328818183, 10);
    expect(pooled?.oddsRatio).toBeCloseTo(0.62287402457, 9);
  });
});
