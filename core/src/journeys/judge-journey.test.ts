import fc from 'fast-check';
import type { TestAttempt } from '../fixtures/attempts';
import { seededRandom } from '../stats';
import { MINUTE_MS } from '../time';
import {
  isBad,
  isOfPart,
  judgeJourney,
  repairOrder,
  walkersAt,
  type JudgedJourney,
  type Session,
  type StepPart,
} from './index';
import { at, BASE, read, walking } from './fixtures/walks';

const WINDOW = { fromMs: BASE, toMs: BASE + 60 * MINUTE_MS };

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

  test('every figure of a step is made of the sessions that are listed for it', () => {
    const known = { window: WINDOW, knownUntilMs: at(40) };
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 500 }), fc.integer({ min: 0, max: 3 }), (seed, k) => {
        const { sessions } = world(seed, [{ step: 1, share: 0.4, leave: 0.5 }], 200);
        const step = judgeJourney(sessions, STEPS, known).steps[k];
        const walkers = walkersAt(sessions, STEPS, k, known);
        const numberOf = (part: StepPart) => walkers.filter((walker) => isOfPart(walker, part)).length;
        expect({
          sessions: numberOf('came'),
          wentOn: numberOf('wentOn'),
          undecided: numberOf('undecided'),
          left: numberOf('left'),
          exposed: numberOf('metTrouble'),
        }).toEqual({
          sessions: step?.sessions,
          wentOn: step?.wentOn,
          undecided: step?.undecided,
          left: step?.left,
          exposed: step?.exposed,
        });
        const both = walkers.filter((walker) => isOfPart(walker, 'left') && isOfPart(walker, 'metTrouble'));
        expect(numberOf('leftAfterTrouble')).toBe(both.length);
      }),
      { numRuns: 20 },
    );
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
