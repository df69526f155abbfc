import { columnsOf, type TestAttempt } from '../../fixtures/attempts';
import { normalWith } from '../../fixtures/normal';
import type { Deviation } from '../../normal';
import { seededRandom } from '../../stats';
import { HANDHELD } from '../../telemetry';
import { MINUTE_MS } from '../../time';
import type { BillContext } from './bill-context';
import { countLeft } from './left';

const BASE = Date.UTC(2026, 2, 10, 10);
const SLOW: Deviation = {
  flow: 1,
  signal: 'slow',
  onsetMs: BASE,
  endMs: BASE + 60 * MINUTE_MS,
  firedMs: BASE,
  active: false,
  level: 'hurting',
  excess: 50,
  z: 9,
};
const WINDOW = { fromMs: BASE, toMs: BASE + 60 * MINUTE_MS };
const KEY = 3;

const context = (rows: readonly TestAttempt[], more: Partial<BillContext> = {}) =>
  ({
    rows: columnsOf(rows),
    knownUntilMs: BASE + 120 * MINUTE_MS,
    normalAt: () => normalWith(),
    followersOf: () => new Set([2]),
    isKeyTier: (tier: number) => tier === KEY,
    importanceOf: () => 1,
    ...more,
  }) as unknown as BillContext;

/**
 * Sessions of flow 1 then 2; those that meet a slow step leave more. Key people leave more anyway, and are hit more.
 */
function sessions(n: number, leave: { usual: (tier: number) => number; more: number }, hit: (tier: number) => number) {
  const random = seededRandom(9);
  const rows: TestAttempt[] = [];
  let left = 0;
  for (let i = 1; i <= n; i++) {
    const tier = random() < 0.4 ? KEY : 1;
    const startMs = BASE - 60 * MINUTE_MS + random() * 120 * MINUTE_MS;
    const slow = startMs >= BASE && random() < hit(tier);
    const draw = random();
    const usual = leave.usual(tier);
    rows.push({ session: i, flow: 1, tier, startMs, durationMs: slow ? 3_000 : 100 });
    if (draw < usual + (slow ? leave.more : 0)) {
      if (draw >= usual) left++;
    } else rows.push({ session: i, flow: 2, tier, startMs: startMs + 30_000, valueMinor: 1000 });
  }
  return { rows, left };
}

test('who left because of it is found within its range, with what they would have brought', () => {
  const { rows, left } = sessions(3_000, { usual: () => 0.2, more: 0.3 }, () => 0.6);
  const [found] = countLeft([SLOW], WINDOW, context(rows)) ?? [];
  expect(Math.abs((found?.people as number) - left)).toBeLessThan(1.96 * (found?.sd as number));
  expect(found?.sd).toBeLessThan(0.2 * left);
  expect(found?.money).toBeCloseTo((found?.people as number) * 10, 6);
});

test('people on phones, who leave more anyway and are hit more, do not pass for an effect; told apart by tier alone they would', () => {
  const random = seededRandom(11);
  const rows = Array.from({ length: 4_000 }, (_, i): TestAttempt[] => {
    const flags = random() < 0.4 ? HANDHELD : 0;
    const startMs = BASE - 60 * MINUTE_MS + random() * 120 * MINUTE_MS;
    const slow = startMs >= BASE && random() < (flags ? 0.7 : 0.1);
    const first = { session: i + 1, flow: 1, tier: 1, flags, startMs, durationMs: slow ? 3_000 : 100 };
    return random() < (flags ? 0.6 : 0.1)
      ? [first]
      : [first, { ...first, flow: 2, startMs: startMs + 30_000, durationMs: 100 }];
  }).flat();
  const leftOf = (some: TestAttempt[]) => countLeft([SLOW], WINDOW, context(some))?.[0];
  const found = leftOf(rows);
  expect(found?.people).toBeLessThan(1.96 * (found?.sd as number));
  const unaware = leftOf(rows.map((row) => ({ ...row, flags: 0 })));
  expect(unaware?.people).toBeGreaterThan(1.96 * (unaware?.sd as number));
});

test('a tier that leaves more anyway, and is hit more, does not pass for an effect', () => {
  const { rows } = sessions(4_000, { usual: (tier) => (tier === KEY ? 0.6 : 0.1), more: 0 }, (tier) =>
    tier === KEY ? 0.7 : 0.1,
  );
  const [found] = countLeft([SLOW], WINDOW, context(rows)) ?? [];
  expect(found?.people).toBeLessThan(1.96 * (found?.sd as number));
});

test('without sessions, or where nothing follows, it cannot be known', () => {
  const { rows } = sessions(200, { usual: () => 0.2, more: 0.3 }, () => 0.6);
  expect(countLeft([SLOW], WINDOW, context(rows.map((row) => ({ ...row, session: 0 }))))).toBeUndefined();
  expect(countLeft([SLOW], WINDOW, context(rows, { followersOf: () => new Set() }))).toBeUndefined();
});

test('who is still deciding is neither counted as gone nor forgotten', () => {
  const { rows } = sessions(2_000, { usual: () => 0, more: 0 }, () => 0.5);
  const knownUntilMs = BASE + 30 * MINUTE_MS;
  const [found] =
    countLeft(
      [SLOW],
      WINDOW,
      context(
        rows.filter((row) => row.startMs < knownUntilMs),
        { knownUntilMs },
      ),
    ) ?? [];
  expect(found?.people).toBe(0);
});

test('key people are among those who left as often as they did leave, not as often as they met it; all together stay as many', () => {
  const startMs = BASE + MINUTE_MS;
  const stay = (session: number, row: Partial<TestAttempt>): TestAttempt[] => [
    { session, flow: 1, startMs, durationMs: 100, ...row },
    { session, flow: 2, startMs: startMs + 30_000, valueMinor: 1000 },
  ];
  const well = Array.from({ length: 800 }, (_, i) => stay(i + 1, { tier: i % 2 ? KEY : 1 })).flat();
  // Of each tier 20 met a slow step; of the key people 15 left, of the others 5.
  const met = Array.from({ length: 40 }, (_, i) => {
    const rows = stay(1_000 + i, { tier: i % 2 ? KEY : 1, durationMs: 3_000 });
    return i >> 1 < (i % 2 ? 15 : 5) ? rows.slice(0, 1) : rows;
  }).flat();
  const [found] = countLeft([SLOW], WINDOW, context([...well, ...met])) ?? [];
  expect(found?.people).toBeCloseTo(19.5, 0);
  expect((found?.keyPeople as number) / (found?.people as number)).toBeCloseTo(15 / 20, 6);
  expect(found?.keyMoney).toBeCloseTo((found?.keyPeople as number) * 10, 6);
});
