import { columnsOf, type TestAttempt } from '../../fixtures/attempts';
import { normalWith } from '../../fixtures/normal';
import { normalDeviate, seededRandom } from '../../stats';
import { FAILED } from '../../telemetry';
import { HOUR_MS, MINUTE_MS } from '../../time';
import { hitWords, whoIsHitMost, type HitQuestion } from '..';

const ONSET = Date.UTC(2026, 2, 10, 10);
const END = ONSET + HOUR_MS;
const BEFORE = { fromMs: ONSET - 3 * HOUR_MS, toMs: ONSET };
const SITES = 5;
const USUAL_MS = 400;

interface People {
  /** how long an attempt takes at a site, in the trouble and before it */
  takes: (site: number, inTrouble: boolean) => number;
  /** share of its sessions that go no further */
  leave: (site: number, inTrouble: boolean) => number;
  fails?: (site: number, inTrouble: boolean) => number;
}

/** Sessions that make one attempt at flow 1 and most of which go on to flow 2, for four hours. */
function sessions({ takes, leave, fails = () => 0 }: People, seed = 5): TestAttempt[] {
  const random = seededRandom(seed);
  return Array.from({ length: 4 * 900 }, (_, i) => {
    const startMs = BEFORE.fromMs + i * 4_000;
    const inTrouble = startMs >= ONSET;
    const site = 1 + Math.floor(random() * SITES);
    const who = { person: i + 1, session: i + 1, site, version: 7, tier: 1 + Math.floor(random() * 2) };
    const durationMs = takes(site, inTrouble) * Math.exp(0.3 * normalDeviate(random));
    const flags = random() < fails(site, inTrouble) ? FAILED : 0;
    const leaves = random() < leave(site, inTrouble);
    return [
      { ...who, startMs, durationMs, flags },
      ...(leaves ? [] : [{ ...who, flow: 2, startMs: startMs + durationMs + MINUTE_MS }]),
    ];
  }).flat();
}

const ask = (people: People, more: Partial<HitQuestion> = {}) => {
  const rows = columnsOf(sessions(people));
  return whoIsHitMost({
    rows,
    flow: 1,
    window: { fromMs: ONSET, toMs: END },
    before: { rows, window: BEFORE },
    followers: new Set([2]),
    knownUntilMs: END + HOUR_MS,
    normalAt: () => normalWith({ limitMs: 1_200, expectedMs: USUAL_MS }),
    onlyFailed: false,
    ...more,
  });
};
const names = ({ segments }: ReturnType<typeof ask>) => segments.map(({ dimension, value }) => `${dimension} ${value}`);

const everyoneLate: People = {
  takes: (site, inTrouble) => (!inTrouble ? USUAL_MS : site <= 2 ? 9_000 : 6_000),
  leave: (site, inTrouble) => (!inTrouble ? 0.2 : site <= 2 ? 0.5 : 0.3),
};

test('with everyone late, two sites that wait half as long again and leave three times as often are told', () => {
  const hit = ask(everyoneLate);
  expect(names(hit).sort()).toEqual(['site 1', 'site 2']);
  for (const { by, waited, left, relativeRisk } of hit.segments) {
    expect(by).toEqual(['waited', 'left']);
    expect(relativeRisk).toBeCloseTo(1, 1);
    // Log-normal durations: their mean is exp(0.3² / 2) times the middle.
    expect((waited?.here ?? 0) / 8_600 / Math.exp(0.045)).toBeCloseTo(1, 1);
    expect((left?.here ?? 0) - 0.3).toBeLessThan(0.08);
    expect(waited?.low).toBeGreaterThan(1_000);
    expect(left?.low).toBeGreaterThan(0);
  }
  expect(hit.ruledOut.map(({ dimension }) => dimension).sort()).toEqual(['tier', 'version']);
  expect(hit.measures).toEqual(['wentWrong', 'waited', 'left']);
});

test('a site that always takes longer is not hit more for that', () => {
  const far = (site: number) => (site === 3 ? 3 : 1);
  const hit = ask({
    takes: (site, inTrouble) => USUAL_MS * far(site) + (inTrouble ? 5_000 : 0),
    leave: (site) => (site === 3 ? 0.5 : 0.2),
  });
  expect(names(hit)).toEqual([]);
});

test('who fails more often is told beside how long the others wait; who leaves alone is told too', () => {
  const failing = ask(
    {
      ...everyoneLate,
      takes: () => USUAL_MS,
      leave: (site, inTrouble) => (inTrouble && site === 4 ? 0.6 : 0.2),
      fails: (site, inTrouble) => (inTrouble && site === 4 ? 0.6 : 0.01),
    },
    { onlyFailed: true },
  );
  expect(names(failing)).toEqual(['site 4']);
  expect(failing.segments[0]?.by).toEqual(['wentWrong', 'left']);
  const leaving = ask({ takes: () => USUAL_MS, leave: (site, inTrouble) => (inTrouble && site === 4 ? 0.6 : 0.2) });
  expect(leaving.segments[0]?.by).toEqual(['left']);
});

test('leaving is not compared where nothing follows, or sessions are not told', () => {
  expect(ask(everyoneLate, { followers: new Set() }).measures).toEqual(['wentWrong', 'waited']);
  const rows = columnsOf(sessions(everyoneLate).map((one) => ({ ...one, session: 0 })));
  const hit = ask(everyoneLate, { rows, before: { rows, window: BEFORE } });
  expect(hit.measures).toEqual(['wentWrong', 'waited']);
  expect(hit.segments.every(({ left }) => left === null)).toBe(true);
});

test('over quiet hours of many seeds next to nobody stands out', () => {
  const quiet = { takes: () => USUAL_MS, leave: () => 0.2 };
  const found = Array.from({ length: 40 }, (_, seed) => {
    const rows = columnsOf(sessions(quiet, seed + 1));
    return names(ask(quiet, { rows, before: { rows, window: BEFORE } })).length;
  });
  expect(found.filter((n) => n > 0).length).toBeLessThanOrEqual(4);
});

test('the order of attempts makes no difference', () => {
  const rows = columnsOf([...sessions(everyoneLate)].reverse());
  expect(ask(everyoneLate, { rows, before: { rows, window: BEFORE } }).segments.map(({ value }) => value)).toEqual(
    ask(everyoneLate).segments.map(({ value }) => value),
  );
});

test('in words: what it stands out by, and what is elsewhere', () => {
  const [first] = ask(everyoneLate).segments;
  expect(hitWords(first ?? fail())).toMatch(
    /^waits 8\.\d s longer than usual, elsewhere 6\.\d s; \d+ % more leave than usual, elsewhere \d+(\.\d)? %$/,
  );
});

const fail = (): never => {
  throw new Error('nobody stands out');
};
