import { minutesWith } from '../fixtures/minutes';
import { poissonDeviate, seededRandom } from '../stats';
import { MINUTE_MS } from '../time';
import { findDeviations, findOutages, suddenChanges, volumeIn, type MinuteSeries, type RecentCounts } from './index';

const MINUTES = 180;
const START = Date.UTC(2026, 2, 10, 9);

/** A flow's minutes with attempts at a rate; expected as they come. */
function flow(seed: number, rate: number): MinuteSeries {
  const random = seededRandom(seed);
  return minutesWith(START, rate, {
    attempts: Int32Array.from({ length: MINUTES }, () => poissonDeviate(random, rate)),
  });
}

const silent = (series: MinuteSeries, from: number, to: number) => {
  series.attempts.fill(0, from, to);
  return series;
};
const minuteOf = (timeMs: number) => (timeMs - START) / MINUTE_MS;

describe('outages of a whole application', () => {
  test('flows with too few attempts to tell alone tell it together, and each gets its part', () => {
    const flows = new Map([1, 2, 3, 4, 5].map((id) => [id, silent(flow(id, 0.7), 90, 104)]));
    const alone = [...flows].flatMap(([id, series]) => findDeviations(id, series));
    expect(alone).toEqual([]);
    const found = findOutages(flows, alone);
    expect(found.map((one) => one.flow)).toEqual([1, 2, 3, 4, 5]);
    expect(new Set(found.map((one) => one.onsetMs)).size).toBe(1);
    expect(Math.abs(minuteOf(found[0]?.onsetMs as number) - 90)).toBeLessThanOrEqual(6);
    expect(Math.abs(minuteOf(found[0]?.endMs as number) - 104)).toBeLessThanOrEqual(6);
    for (const one of found) expect(one.excess).toBeGreaterThan(0.3 * 14 * 0.7);
  });

  test('a flow that goes on as usual takes no part, and one that told it by itself is not told twice', () => {
    const flows = new Map([
      [1, silent(flow(1, 4), 90, 104)],
      [2, silent(flow(2, 1), 90, 104)],
      [3, silent(flow(3, 1), 90, 104)],
      [4, flow(4, 1)],
    ]);
    const alone = [...flows].flatMap(([id, series]) => findDeviations(id, series));
    expect(alone.map((one) => one.flow)).toEqual([1]);
    expect(findOutages(flows, alone).map((one) => one.flow)).toEqual([2, 3]);
  });

  test('quiet applications have none: 60 × 3 h of five flows', () => {
    for (let seed = 0; seed < 60; seed++) {
      const flows = new Map([1, 2, 3, 4, 5].map((id) => [id, flow(100 * seed + id, 1.5)]));
      expect(findOutages(flows, [])).toEqual([]);
    }
  });

  test('flows that the same people walk one after the other are one lot of attempts, not five', () => {
    // Each stop is an attempt of all five flows.
    const random = seededRandom(5);
    const stops = Int32Array.from({ length: MINUTES }, () => poissonDeviate(random, 2.2));
    const flowsOf = (own: Int32Array) =>
      new Map([1, 2, 3, 4, 5].map((id) => [id, minutesWith(START, 2.2, { attempts: Int32Array.from(own) })]));
    // For nine minutes one stop in two of them, by chance.
    const few = flowsOf(stops.map((n, t) => (t >= 90 && t < 99 ? t % 2 : n)));
    expect(findOutages(few, []).length).toBeGreaterThan(0);
    expect(findOutages(few, [], () => 5)).toEqual([]);
    // When nobody comes at all for twenty minutes, it is an outage for all that.
    const [outage] = findOutages(flowsOf(stops.map((n, t) => (t >= 120 && t < 140 ? 0 : n))), [], () => 5);
    expect(Math.abs(minuteOf(outage?.onsetMs as number) - 120)).toBeLessThanOrEqual(3);
  });

  test('one flow is no application, and what is not expected is not missed', () => {
    expect(findOutages(new Map([[1, silent(flow(1, 5), 60, 80)]]), [])).toEqual([]);
    const unknown = flow(2, 5);
    unknown.expectedAttempts.fill(NaN);
    expect(
      findOutages(
        new Map([
          [1, unknown],
          [2, unknown],
        ]),
        [],
      ),
    ).toEqual([]);
    expect(volumeIn(silent(flow(3, 2), 0, 10), 0, 10)).toEqual({ came: 0, expected: 20 });
  });
});

describe('volume against the hour before', () => {
  /** A day of which little is known, and which is busier than expected; silent but for a rest from minute 120 on. */
  const busyDay = (startMs: number, rest: number, from = 120, to = 150): MinuteSeries => {
    const series = flow(5, 25);
    const random = seededRandom(77);
    series.startMs = startMs;
    series.volumeSpread.fill(0.2);
    series.volumeDispersion.fill(3);
    for (let t = 0; t < MINUTES; t++)
      series.attempts[t] = poissonDeviate(random, 25 * 1.25 * (t >= from && t < to ? rest : 1));
    return series;
  };

  test('tells a loss of most of it where the day as a whole is too uncertain to tell', () => {
    const [outage, ...rest] = findDeviations(1, busyDay(START, 0.17));
    expect(rest).toEqual([]);
    expect(outage).toMatchObject({ signal: 'missing', active: false });
    expect(Math.abs((outage?.onsetMs as number) - START - 120 * MINUTE_MS)).toBeLessThanOrEqual(2 * MINUTE_MS);
    expect((outage?.firedMs as number) - START).toBeLessThanOrEqual(131 * MINUTE_MS);
  });

  test('says nothing of a third less, nor of what changes at midnight: levels belong to days', () => {
    expect(findDeviations(1, busyDay(START, 0.67))).toEqual([]);
    const midnight = Date.UTC(2026, 2, 14);
    expect(findDeviations(1, busyDay(midnight - 120 * MINUTE_MS, 0.4, 120, MINUTES))).toEqual([]);
  });
});

describe('the end of an outage', () => {
  test.each([
    [0.8, 15],
    [0.9, 17],
    [1, 19],
  ])(
    'is where attempts come again, also when a half hour at %f of the usual follows: in at least %i of 20',
    (level, least) => {
      let told = 0;
      for (let seed = 0; seed < 20; seed++) {
        const series = silent(flow(seed, 3.6), 140, 151);
        const random = seededRandom(seed + 900);
        for (let t = 151; t < MINUTES; t++) series.attempts[t] = poissonDeviate(random, 3.6 * level);
        const [outage] = findDeviations(1, series);
        if (outage && !outage.active && Math.abs(minuteOf(outage.endMs) - 151) <= 4) told++;
      }
      expect(told).toBeGreaterThanOrEqual(least);
    },
  );

  test('it goes on while most are still missing, and for the calm time after', () => {
    const series = silent(flow(3, 3.6), 140, 151);
    const random = seededRandom(1);
    for (let t = 151; t < MINUTES; t++) series.attempts[t] = poissonDeviate(random, 0.9);
    expect(findDeviations(1, series)[0]).toMatchObject({ active: true, endMs: START + MINUTES * MINUTE_MS });
    expect(findDeviations(1, silent(flow(4, 3.6), 162, 173))[0]).toMatchObject({ active: true });
  });
});

describe('change without any rule', () => {
  const counts = (attempts: number, failed = 0, logMean = 5, logSd = 0.3): RecentCounts => ({
    attempts,
    failed,
    logMean,
    logSd,
  });
  const quiet = Array.from({ length: 40 }, (_, i) => ({
    subject: `quiet ${i}`,
    last: counts(50, 1),
    before: counts(600, 9),
  }));

  test('more failures, longer durations and fewer attempts are found among many that did not change', () => {
    const changed = suddenChanges(
      [
        ...quiet,
        { subject: 'fails', last: counts(50, 20), before: counts(600, 9) },
        { subject: 'slow', last: counts(50, 0, 6.2), before: counts(600, 0, 5) },
        { subject: 'gone', last: counts(0), before: counts(600) },
      ],
      5,
      60,
    );
    expect(changed.map(({ subject, measure }) => `${subject} ${measure}`).sort()).toEqual([
      'fails failures',
      'gone attempts',
      'slow duration',
    ]);
    expect(changed.find(({ subject }) => subject === 'slow')?.ratio).toBeCloseTo(Math.exp(1.2), 9);
    expect(changed.find(({ subject }) => subject === 'gone')?.ratio).toBe(0);
    expect(changed.find(({ subject }) => subject === 'fails')?.ratio).toBeCloseTo(20 / 50 / (9 / 600), 9);
  });

  test('nothing changed, nothing is said; small changes are not worth a word', () => {
    expect(suddenChanges(quiet, 5, 60)).toEqual([]);
    expect(
      suddenChanges(
        [{ subject: 'a little', last: counts(5000, 0, 5.1, 0.1), before: counts(60_000, 0, 5, 0.1) }],
        5,
        60,
      ),
    ).toEqual([]);
    expect(suddenChanges([{ subject: 'nothing', last: counts(0), before: counts(0) }], 5, 60)).toEqual([]);
  });
});
