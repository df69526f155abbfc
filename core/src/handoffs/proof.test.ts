import type { Signal, Tally } from '../normal';
import { normalDeviate, poissonDeviate, seededRandom, type Random } from '../stats';
import { judgeFix, mixtureBound, type Verdict, type WatchedPart } from './proof';

const MINUTE_MS = 60_000;
const CALM_MS = 15 * MINUTE_MS;

/** Five minutes of one signal: `n` attempts (or expected ones), of which the share `bad` goes wrong. */
function stretch(random: Random, signal: Signal, { n, bad, usual }: { n: number; bad: number; usual: number }): Tally {
  if (signal === 'missing') {
    const came = poissonDeviate(random, n * (1 - bad));
    return { n, bad: came, usual: 0, spread: 0.02, dispersion: 1, known: true };
  }
  const came = poissonDeviate(random, n);
  const wrong = Math.min(came, poissonDeviate(random, came * bad));
  return { n: came, bad: wrong, usual: came * usual, spread: usual * 0.25, dispersion: 1, known: true };
}

interface World {
  signal: Signal;
  /** attempts in five minutes */
  n: number;
  usual: number;
  /** share gone wrong while it went on */
  trouble: number;
}

/** What is told over a day, looking every five minutes; the first verdict counts. `left`: share of the harm that stays. */
function told(seed: number, { signal, n, usual, trouble }: World, left: number): Verdict {
  const random = seededRandom(seed);
  const base = signal === 'missing' ? 0 : usual;
  const before = sum(Array.from({ length: 8 }, () => stretch(random, signal, { n, bad: trouble, usual })));
  const after: Tally[] = [];
  for (let step = 1; step <= 288; step++) {
    after.push(stretch(random, signal, { n, bad: base + left * (trouble - base), usual }));
    const { verdict } = judgeFix([{ signal, weight: 1, before, after }], {
      watchedMs: step * 5 * MINUTE_MS,
      calmMs: CALM_MS,
      goesOn: false,
    });
    if (verdict !== 'watching') return verdict;
  }
  return 'watching';
}

const sum = (tallies: readonly Tally[]): Tally =>
  tallies.reduce((a, b) => ({ ...b, n: a.n + b.n, bad: a.bad + b.bad, usual: a.usual + b.usual }));

const WORLDS: Record<string, World> = {
  'busy, slow': { signal: 'slow', n: 600, usual: 0.03, trouble: 0.35 },
  'quiet, failing': { signal: 'failing', n: 25, usual: 0.01, trouble: 0.3 },
  'weak, failing': { signal: 'failing', n: 400, usual: 0.02, trouble: 0.08 },
  missing: { signal: 'missing', n: 120, usual: 0, trouble: 0.7 },
};

describe.each(Object.entries(WORLDS))('%s: however often it looks', (_name, world) => {
  const RUNS = 200;
  const shareOf = (left: number, ...verdicts: Verdict[]) => {
    let count = 0;
    for (let seed = 1; seed <= RUNS; seed++) if (verdicts.includes(told(seed, world, left))) count++;
    return count / RUNS;
  };
  test('what is fixed is proven, and hardly ever told as not fixed', () => {
    expect(shareOf(0, 'inPart', 'notProven')).toBeLessThanOrEqual(0.05);
    expect(shareOf(0, 'proven')).toBeGreaterThanOrEqual(0.95);
  });
  test('what is fixed in half, or not at all, is hardly ever proven', () => {
    expect(shareOf(0.5, 'proven')).toBeLessThanOrEqual(0.02);
    expect(shareOf(0.5, 'inPart')).toBeGreaterThanOrEqual(0.9);
    expect(shareOf(1, 'proven', 'inPart')).toBeLessThanOrEqual(0.02);
    expect(shareOf(1, 'notProven')).toBeGreaterThanOrEqual(0.95);
  });
});

test('the bound holds at all times at once: a random walk leaves it with its chance at most', () => {
  // u(1) for rho 1, alpha 0.05: sqrt(2 ln(2 / 0.0025)), worked out by hand.
  expect(mixtureBound(1, 1, 0.05)).toBeCloseTo(3.6564, 4);
  let left = 0;
  for (let seed = 1; seed <= 400; seed++) {
    const random = seededRandom(seed);
    let walk = 0;
    for (let t = 1; t <= 2_000; t++) {
      walk += normalDeviate(random);
      if (Math.abs(walk) > mixtureBound(t, 50, 0.1)) {
        left++;
        break;
      }
    }
  }
  // Of 0.1 in endless time most is used up in two thousand steps.
  expect(left / 400).toBeLessThanOrEqual(0.12);
  expect(left / 400).toBeGreaterThan(0.03);
});

const tally = (n: number, bad: number, usual: number): Tally => ({
  n,
  bad,
  usual,
  spread: 0.005,
  dispersion: 1,
  known: true,
});
const part = (weight: number, before: Tally, ...after: Tally[]): WatchedPart => ({
  signal: 'failing',
  weight,
  before,
  after,
});

test('a part that still goes on keeps the whole from being proven', () => {
  const fixed = part(5, tally(2_000, 800, 20), tally(4_000, 40, 40));
  const goesOn = part(0.2, tally(300, 150, 3), tally(600, 300, 6));
  const look = { watchedMs: 20 * MINUTE_MS, calmMs: CALM_MS, goesOn: false };
  expect(judgeFix([fixed], look).verdict).toBe('proven');
  const both = judgeFix([fixed, goesOn], look);
  expect(both.verdict).toBe('inPart');
  expect(both.parts[1]?.low).toBeGreaterThan(0.5);
  // Harm counts, not attempts: the part that weighs little hardly moves the whole.
  expect(both.remaining.share).toBeLessThan(0.05);
});

test('nothing is told before the calm time, while it is in trouble, or by what shows no harm', () => {
  const fixed = part(5, tally(2_000, 800, 20), tally(4_000, 40, 40));
  const look = { watchedMs: 20 * MINUTE_MS, calmMs: CALM_MS, goesOn: false };
  expect(judgeFix([fixed], { ...look, watchedMs: 14 * MINUTE_MS }).verdict).toBe('watching');
  expect(judgeFix([fixed], { ...look, goesOn: true }).verdict).toBe('watching');
  const none = judgeFix([part(5, tally(100, 1, 1), tally(4_000, 40, 40))], look);
  expect(none.verdict).toBe('watching');
  expect(none.remaining.share).toBeNaN();
});

test('says how much traffic it still needs, and cutting the same traffic finer changes nothing', () => {
  const before = tally(2_000, 800, 20);
  const few = judgeFix([part(5, before, tally(40, 0, 0.4))], { watchedMs: CALM_MS, calmMs: CALM_MS, goesOn: false });
  expect(few.verdict).toBe('watching');
  expect(few.trafficNeeded).toBeGreaterThan(1);
  const cut = Array.from({ length: 4 }, () => tally(10, 0, 0.1));
  const finer = judgeFix([part(5, before, ...cut)], { watchedMs: CALM_MS, calmMs: CALM_MS, goesOn: false });
  expect(finer.remaining).toEqual(few.remaining);
  expect(finer.trafficNeeded).toBeCloseTo(few.trafficNeeded, 9);
  expect(() => mixtureBound(1, 0, 0.05)).toThrow(RangeError);
});
