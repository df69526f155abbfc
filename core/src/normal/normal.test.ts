import { minutesWith } from '../fixtures/minutes';
import type { FlowBucket } from '../flows';
import {
  createHistogram,
  encodeHistogram,
  mean,
  normalDeviate,
  poissonDeviate,
  recordInPlace,
  seededRandom,
} from '../stats';
import { DAY_MS, dayKinds, HOUR_MS, MINUTE_MS } from '../time';
import { findDeviations, learnNormal, normalRange, type MinuteSeries } from './index';

describe('normal range', () => {
  test('200 ms with a spread of 13.33 ms has its limit at 240 ms (common practice, no source)', () => {
    // Quantiles of a normal distribution stand for the sample: its MAD × 1.4826 is its standard deviation.
    const random = seededRandom(1);
    const sample = Array.from({ length: 20_000 }, () => 200 + 13.33 * normalDeviate(random));
    const range = normalRange(sample, 'linear');
    expect(range?.high).toBeGreaterThan(239);
    expect(range?.high).toBeLessThan(241);
    expect(normalRange([200 - 13.33 / 1.4826, 200, 200 + 13.33 / 1.4826], 'linear')?.high).toBeCloseTo(239.99, 6);
  });
  test('on a log scale it is never negative, and ignores what is not above 0', () => {
    const range = normalRange([0, -5, 100, 200, 400], 'log');
    expect(range?.centre).toBeCloseTo(200, 9);
    expect(range?.low).toBeGreaterThan(0);
    expect(normalRange([], 'log')).toBeUndefined();
  });
});

describe('what is usual for a flow', () => {
  // Tuesday 10 March 2026, 10:00 UTC.
  const slotMs = Date.UTC(2026, 2, 10, 10);
  const kinds = dayKinds();

  function world(days: number, rate = 40, seed = 5) {
    const random = seededRandom(seed);
    const buckets = new Map<number, FlowBucket>();
    const firstMs = slotMs - days * DAY_MS;
    for (let startMs = firstMs; startMs < slotMs + HOUR_MS; startMs += 5 * MINUTE_MS) {
      const histogram = createHistogram();
      const attempts = poissonDeviate(random, rate);
      let failed = 0;
      for (let i = 0; i < attempts; i++) {
        if (random() < 0.01) failed++;
        else recordInPlace(histogram, 300 * Math.exp(0.3 * normalDeviate(random)));
      }
      buckets.set(startMs, {
        flow: 1,
        startMs,
        attempts,
        failed,
        durations: encodeHistogram(histogram),
        medianMs: 300,
        valueMinor: attempts * 900,
      });
    }
    return { firstMs, history: (startMs: number) => buckets.get(startMs) };
  }

  test.each([
    [22, 'timeOfWeek'],
    [10, 'dayPattern'],
    [1, 'history'],
    [0, 'firstMinutes'],
  ])('after %d days it is learned from: %s', (days, basis) => {
    const { history, firstMs } = world(days);
    expect(learnNormal(history, { firstMs, slotMs, ownersLimitMs: undefined, kinds }).basis).toBe(basis);
  });

  test('finds duration, limit, failures and volume again', () => {
    const { history, firstMs } = world(14);
    const normal = learnNormal(history, { firstMs, slotMs, ownersLimitMs: undefined, kinds });
    // Half a bucket of the histogram is 1.6 %; the rest is chance of the sample.
    expect(Math.abs((normal.expectedMs as number) / 300 - 1)).toBeLessThan(0.03);
    expect((normal.learnedLimitMs as number) / (300 * Math.exp(0.9))).toBeCloseTo(1, 1);
    expect(normal.failedShare).toBeCloseTo(0.01, 2);
    expect(normal.lateShare).toBeLessThan(0.005);
    expect([...normal.volume].every((volume) => Math.abs(volume / 40 - 1) < 0.12)).toBe(true);
    expect(normal.volumeDispersion).toBeLessThan(1.3);
  });

  test.each([0.5, 2, 10])('of %d attempts in five minutes so many are expected, and they come one by one', (rate) => {
    const normals = Array.from({ length: 30 }, (_, seed) => {
      const { history, firstMs } = world(14, rate, seed);
      return learnNormal(history, { firstMs, slotMs, ownersLimitMs: undefined, kinds });
    });
    // Ten workdays of ninety minutes: each expectation is off by 1 / √(180 × rate), their mean by less than a fifth of
    // that.
    expect(Math.abs(mean(normals.map(({ volume }) => mean([...volume]))) / rate - 1)).toBeLessThan(0.06);
    expect(mean(normals.map(({ volumeDispersion }) => volumeDispersion))).toBeLessThan(1.12);
  });

  test('where too few come to tell how long they take, how many come at this time of day is told all the same', () => {
    // People come from nine to eleven alone, one in a quarter of an hour: some 120 in two weeks, and 86 on the
    // workdays.
    const normals = Array.from({ length: 40 }, (_, seed) => {
      const { history, firstMs } = world(14, 0.36, seed);
      const inTheMorning = (startMs: number) => {
        const bucket = history(startMs);
        const hour = new Date(startMs).getUTCHours();
        return (
          bucket &&
          (hour >= 9 && hour < 11
            ? bucket
            : { ...bucket, attempts: 0, failed: 0, durations: new Uint8Array(0), medianMs: NaN })
        );
      };
      return learnNormal(inTheMorning, { firstMs, slotMs, ownersLimitMs: undefined, kinds });
    }).filter(({ basis }) => basis === 'history');
    expect(normals.length).toBeGreaterThan(25);
    expect(Math.abs(mean(normals.map(({ volume }) => mean([...volume]))) / 0.36 - 1)).toBeLessThan(0.12);
    expect(normals.every(({ volumeDispersion }) => volumeDispersion < 2)).toBe(true);
  });

  test('two like days tell how many come, with doubt: an outage that fills the hour before does not become usual', () => {
    // Thursday to Tuesday; the Tuesday is a holiday, and like it are Saturday and Sunday alone.
    const holiday = dayKinds({ holidays: ['2026-03-10'], excluded: [] });
    const expected = Array.from({ length: 20 }, (_, seed) => {
      const { history, firstMs } = world(5, 0.7, seed);
      const silent = (startMs: number) => {
        const bucket = history(startMs);
        return bucket && startMs >= slotMs - HOUR_MS ? { ...bucket, attempts: 0 } : bucket;
      };
      const normal = learnNormal(silent, { firstMs, slotMs, ownersLimitMs: undefined, kinds: holiday });
      expect(normal.basis).toBe('history');
      expect(normal.volumeSpread).toBeGreaterThanOrEqual(0.2);
      return mean([...normal.volume]);
    });
    expect(mean(expected)).toBeGreaterThan(0.6);
    expect(mean(expected)).toBeLessThan(0.8);
  });

  test('on the first day few are expected as few come: the middle of small counts would be none', () => {
    const expected = Array.from({ length: 60 }, (_, seed) => {
      const { history, firstMs } = world(1, 0.5, seed);
      return mean([...learnNormal(history, { firstMs, slotMs, ownersLimitMs: undefined, kinds }).volume]);
    });
    expect(mean(expected)).toBeGreaterThan(0.45);
    expect(mean(expected)).toBeLessThan(0.62);
  });

  test('people who come with three attempts at once vary three times as much', () => {
    const normals = Array.from({ length: 10 }, (_, seed) => {
      const { history, firstMs } = world(14, 6, seed);
      const threefold = (startMs: number) => {
        const bucket = history(startMs);
        return bucket && { ...bucket, attempts: 3 * bucket.attempts };
      };
      return learnNormal(threefold, { firstMs, slotMs, ownersLimitMs: undefined, kinds }).volumeDispersion;
    });
    expect(mean(normals)).toBeGreaterThan(2.7);
    expect(mean(normals)).toBeLessThan(3.3);
  });

  test('a day gone wrong does not move what is expected', () => {
    const { history, firstMs } = world(14);
    const spoilt = (times: number) => (startMs: number) => {
      const bucket = history(startMs);
      return bucket && Math.round((slotMs - startMs) / DAY_MS) === 4
        ? { ...bucket, attempts: bucket.attempts * times }
        : bucket;
    };
    for (const times of [0, 8]) {
      const { volume } = learnNormal(spoilt(times), { firstMs, slotMs, ownersLimitMs: undefined, kinds });
      expect([...volume].every((expected) => Math.abs(expected / 40 - 1) < 0.12)).toBe(true);
    }
  });

  test("an owner's limit judges, the learned one is still told", () => {
    const { history, firstMs } = world(14);
    const normal = learnNormal(history, { firstMs, slotMs, ownersLimitMs: 250, kinds });
    expect(normal).toMatchObject({ limitMs: 250, limitBy: 'owner' });
    expect(normal.learnedLimitMs).toBeGreaterThan(600);
    expect(normal.lateShare).toBeGreaterThan(0.6);
    expect(learnNormal(() => undefined, { firstMs: slotMs, slotMs, ownersLimitMs: 250, kinds })).toMatchObject({
      basis: 'ownersLimit',
      limitMs: 250,
      samples: 0,
    });
  });

  test('thin traffic widens the neighbourhood before it gives the weekday up', () => {
    const { history, firstMs } = world(22, 1.2);
    expect(learnNormal(history, { firstMs, slotMs, ownersLimitMs: undefined, kinds }).basis).toBe('timeOfWeekWide');
  });

  test('a holiday is judged as a weekend, and is no example for a workday; excluded weeks teach nothing', () => {
    const { history, firstMs } = world(22);
    const holiday = dayKinds({ holidays: ['2026-03-10', '2026-03-03'], excluded: [] });
    expect(learnNormal(history, { firstMs, slotMs, ownersLimitMs: undefined, kinds: holiday })).toMatchObject({
      basis: 'dayPattern',
      days: 7,
    });
    const before = dayKinds({ holidays: ['2026-03-03'], excluded: [] });
    expect(learnNormal(history, { firstMs, slotMs, ownersLimitMs: undefined, kinds: before })).toMatchObject({
      basis: 'dayPattern',
      days: 15,
    });
    expect(() => dayKinds({ holidays: ['10.3.2026'], excluded: [] })).toThrow('10.3.2026');
  });

  test('the newest days weigh most: a flow that grew faster is expected to be fast', () => {
    const { history, firstMs } = world(14);
    const older = (startMs: number) => {
      const bucket = history(startMs);
      if (!bucket || slotMs - startMs < 5 * DAY_MS) return bucket;
      const histogram = createHistogram();
      for (let i = 0; i < bucket.attempts; i++) recordInPlace(histogram, 900);
      return { ...bucket, durations: encodeHistogram(histogram) };
    };
    const days = learnNormal(older, { firstMs, slotMs, ownersLimitMs: undefined, kinds });
    expect(days.expectedMs).toBeGreaterThan(300);
    expect(days.samples).toBeGreaterThan(1000);
  });

  test('money is expected on a log scale, from the same half hour of other days', () => {
    const { history, firstMs } = world(14);
    const { money } = learnNormal(history, { firstMs, slotMs, ownersLimitMs: undefined, kinds });
    expect(money?.centre).toBeGreaterThan(0.9 * 240 * 900);
    expect(money?.centre).toBeLessThan(1.1 * 240 * 900);
    expect(money?.low).toBeGreaterThan(0);
  });

  test('nothing of the slot itself, or after it, is learned from', () => {
    const { history, firstMs } = world(14);
    const before = learnNormal((startMs) => (startMs >= slotMs ? undefined : history(startMs)), {
      firstMs,
      slotMs,
      ownersLimitMs: undefined,
      kinds,
    });
    expect(learnNormal(history, { firstMs, slotMs, ownersLimitMs: undefined, kinds })).toEqual(before);
  });
});

describe('deviations', () => {
  const MINUTES = 180;
  const startMs = Date.UTC(2026, 2, 10, 9);

  function quiet(seed: number, rate = 12): MinuteSeries {
    const random = seededRandom(seed);
    const attempts = Int32Array.from({ length: MINUTES }, () => poissonDeviate(random, rate));
    return minutesWith(startMs, rate, {
      attempts,
      late: Int32Array.from(attempts, (n) => poissonDeviate(random, n * 0.01)),
      failed: Int32Array.from(attempts, (n) => (random() < n * 0.005 ? 1 : 0)),
    });
  }
  const minuteOf = (timeMs: number) => (timeMs - startMs) / MINUTE_MS;

  test('quiet hours have none: 100 × 3 h without a false one', () => {
    const found = Array.from({ length: 100 }, (_, seed) => findDeviations(1, quiet(seed + 1))).flat();
    expect(found).toEqual([]);
  });

  test('an outage of eleven minutes is found with its begin and end', () => {
    const series = quiet(3);
    series.attempts.fill(0, 60, 71);
    series.late.fill(0, 60, 71);
    series.failed.fill(0, 60, 71);
    const [outage, ...rest] = findDeviations(1, series);
    expect(rest).toEqual([]);
    expect(outage).toMatchObject({ signal: 'missing', level: 'broken', active: false });
    expect(minuteOf(outage?.onsetMs as number)).toBeCloseTo(60, -0.5);
    expect(minuteOf(outage?.endMs as number)).toBeCloseTo(71, -0.5);
    expect(outage?.excess).toBeGreaterThan(11 * 12 * 0.8);
  });

  test('a small share that begins to fail is found and dated by change-point, not by when the rule fired', () => {
    const series = quiet(4);
    for (let t = 100; t < MINUTES; t++) series.failed[t] = t % 2;
    const [failing] = findDeviations(1, series);
    expect(failing).toMatchObject({ signal: 'failing', active: true });
    expect(Math.abs(minuteOf(failing?.onsetMs as number) - 100)).toBeLessThanOrEqual(3);
  });

  test('slowness of everybody is hurting at once', () => {
    const series = quiet(5);
    for (let t = 120; t < 150; t++) series.late[t] = Math.round((series.attempts[t] as number) * 0.9);
    const [slow] = findDeviations(1, series);
    expect(slow).toMatchObject({
      signal: 'slow',
      level: 'hurting',
      onsetMs: startMs + 120 * MINUTE_MS,
      endMs: startMs + 150 * MINUTE_MS,
    });
  });

  test('what is known at a minute does not change afterwards: found live, or in the whole day', () => {
    const series = quiet(8);
    for (let t = 90; t < 140; t++) series.failed[t] = Math.min(series.attempts[t] as number, 4);
    const [whole] = findDeviations(1, series);
    const until = (length: number): MinuteSeries =>
      Object.fromEntries(
        Object.entries(series).map(([name, value]) => [
          name,
          typeof value === 'number' ? value : (value as Int32Array).slice(0, length),
        ]),
      ) as unknown as MinuteSeries;
    const fired = minuteOf(whole?.firedMs as number);
    expect(findDeviations(1, until(fired - 1))).toEqual([]);
    expect(findDeviations(1, until(fired))).toHaveLength(1);
    expect(fired - 90).toBeLessThanOrEqual(3);
  });

  test('where nothing is known nothing is judged', () => {
    const series = quiet(6);
    series.failed.set(series.attempts);
    series.expectedAttempts.fill(NaN);
    series.lateShare.fill(NaN);
    series.failedShare.fill(NaN);
    expect(findDeviations(1, series)).toEqual([]);
  });
});
