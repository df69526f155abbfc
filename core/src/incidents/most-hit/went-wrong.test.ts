import { columnsOf, type TestAttempt } from '../../fixtures/attempts';
import { normalWith } from '../../fixtures/normal';
import { seededRandom } from '../../stats';
import { FAILED } from '../../telemetry';
import { MINUTE_MS } from '../../time';
import { whereItGoesWrong } from './went-wrong';

const BASE = Date.UTC(2026, 2, 10, 10);
const WINDOW = { fromMs: BASE, toMs: BASE + 60 * MINUTE_MS };
const ask = (rows: readonly TestAttempt[]) =>
  whereItGoesWrong({
    rows: columnsOf(rows),
    flows: new Set([1]),
    window: WINDOW,
    normalAt: () => normalWith(),
    onlyFailed: true,
  });
const attempts = (make: (i: number, random: () => number) => Partial<TestAttempt>, n = 400) => {
  const random = seededRandom(4);
  return Array.from({ length: n }, (_, i) => ({ startMs: BASE + i * 8_000, person: i + 1, ...make(i, random) }));
};

test('the value that holds what went wrong is found; what is spread evenly is ruled out', () => {
  const wrong = ask(
    attempts((i) => ({
      promotion: i % 10 === 0 ? 7 : 8,
      site: 1 + (i % 3),
      version: 4,
      flags: i % 10 === 0 ? FAILED : 0,
    })),
  );
  expect(wrong.segments).toEqual([
    expect.objectContaining({ dimension: 'promotion', value: 7, bad: 40, shareOfBad: 1, shareOfAll: 0.1, people: 40 }),
  ]);
  expect(wrong.segments[0]?.relativeRisk).toBe(Infinity);
  expect(wrong.segments[0]?.low).toBeGreaterThan(10);
  expect(wrong.ruledOut).toContainEqual({ dimension: 'site', why: 'noDifference' });
  expect(wrong.ruledOut).toContainEqual({ dimension: 'version', why: 'oneValue', value: 4 });
  expect([wrong.bad, wrong.all]).toEqual([40, 400]);
});

test('of a site and its region the site is kept, since it explains more alone', () => {
  // Region 1 holds sites 1, 2 and 3; only site 2 fails.
  const wrong = ask(
    attempts((i, random) => {
      const site = 1 + (i % 9);
      return { site, region: site <= 3 ? 1 : 2, flags: random() < (site === 2 ? 0.7 : 0.01) ? FAILED : 0 };
    }, 900),
  );
  expect(wrong.segments.map(({ dimension, value }) => `${dimension} ${value}`)).toEqual(['site 2']);
});

test('two causes at once are both named', () => {
  const wrong = ask(
    attempts(
      (i) => ({ site: 1 + (i % 5), promotion: i % 7 === 0 ? 3 : 4, flags: i % 5 === 1 || i % 7 === 0 ? FAILED : 0 }),
      700,
    ),
  );
  expect(wrong.segments.map(({ dimension, value }) => `${dimension} ${value}`).sort()).toEqual([
    'promotion 3',
    'site 2',
  ]);
});

test('chance is not named: failures at random over forty values, 30 draws, at most two false finds', () => {
  let found = 0;
  for (let seed = 1; seed <= 30; seed++) {
    const random = seededRandom(seed);
    const rows = Array.from({ length: 600 }, (_, i) => ({
      startMs: BASE + i * 5_000,
      person: i + 1,
      site: 1 + Math.floor(random() * 20),
      region: 1 + Math.floor(random() * 10),
      promotion: 1 + Math.floor(random() * 10),
      flags: random() < 0.1 ? FAILED : 0,
    }));
    found += ask(rows).segments.length;
  }
  expect(found).toBeLessThanOrEqual(2);
});

test('with nothing gone wrong nothing is said', () => {
  expect(ask(attempts(() => ({ site: 1 })))).toMatchObject({ segments: [], spared: [], ruledOut: [], bad: 0 });
});
