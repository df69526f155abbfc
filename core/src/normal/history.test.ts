import type { FlowBucket } from '../flows';
import { createHistogram, encodeHistogram, recordInPlace, seededRandom } from '../stats';
import { DAY_MS, dayKinds, HOUR_MS, MINUTE_MS } from '../time';
import { History } from './index';

describe('the history of roll-ups', () => {
  const hourMs = Date.UTC(2026, 2, 10, 10);
  const bucket = (flow: number, startMs: number, durationMs: number, attempts = 3) => {
    const histogram = createHistogram();
    for (let i = 0; i < attempts; i++) recordInPlace(histogram, durationMs);
    return {
      flow,
      startMs,
      attempts,
      failed: 0,
      medianMs: durationMs,
      valueMinor: 5,
      durations: encodeHistogram(histogram),
    };
  };
  const read = (history: History, flow: number, startMs: number) => {
    const found = history.bucket(flow, startMs);
    return found && { attempts: found.attempts, medianMs: found.medianMs, durations: [...found.durations] };
  };

  test('holds what was put, whatever the order of hours and repeats; an hour replaces itself alone', () => {
    const all = Array.from({ length: 36 }, (_, i) =>
      bucket(1 + (i % 2), hourMs + Math.floor(i / 2) * 5 * MINUTE_MS, 100 + i, 1 + (i % 5)),
    );
    const hours = [0, 1].map((h) => all.filter(({ startMs }) => Math.floor((startMs - hourMs) / HOUR_MS) === h));
    const forward = new History();
    const backward = new History();
    const loaded = new History();
    hours.forEach((some, h) => forward.putHour(hourMs + h * HOUR_MS, some));
    backward.putHour(hourMs, [bucket(1, hourMs, 9999)]);
    for (const h of [1, 0, 1]) backward.putHour(hourMs + h * HOUR_MS, hours[h] ?? []);
    loaded.load([...all].reverse());
    for (const { flow, startMs, medianMs } of all) {
      const expected = read(forward, flow, startMs);
      if (Math.floor((startMs - hourMs) / HOUR_MS) < 2) expect(expected?.medianMs).toBe(medianMs);
      expect(read(backward, flow, startMs)).toEqual(expected);
      if (expected) expect(read(loaded, flow, startMs)).toEqual(expected);
    }
    expect(forward.bucket(3, hourMs)).toBeUndefined();
    expect(forward.firstMsOf(1)).toBe(hourMs);
    forward.putHour(hourMs, []);
    expect(forward.bucket(1, hourMs)).toBeUndefined();
    expect(forward.bucket(1, hourMs + HOUR_MS)?.attempts).toBeGreaterThan(0);
  });

  test('trouble of earlier days is left out; a limit that was set judges from then on', () => {
    const limits = new Map([[1, 50]]);
    const history = new History({
      isMasked: (_flow, startMs) => startMs < hourMs - DAY_MS,
      ownersLimit: (flow, timeMs) => (timeMs >= hourMs ? limits.get(flow) : undefined),
    });
    for (let at = hourMs - 10 * DAY_MS; at < hourMs; at += HOUR_MS)
      history.putHour(
        at,
        [0, 1, 2, 3, 4, 5].map((k) => bucket(1, at + k * 5 * MINUTE_MS, 100, 20)),
      );
    expect(history.normalAt(1, hourMs)).toMatchObject({ limitBy: 'owner', limitMs: 50, basis: 'history' });
    expect(history.normalAt(1, hourMs - HOUR_MS).limitBy).toBe('learned');
    limits.clear();
    history.changed({ what: 'limit', flow: 1 });
    expect(history.normalAt(1, hourMs).limitBy).toBe('learned');
  });

  test('what was learned stays true while hours come late, again and anew: the same as learned at the end', () => {
    const random = seededRandom(11);
    const hourOf = (flow: number, at: number) =>
      [0, 1, 2, 3, 4, 5].map((k) =>
        bucket(flow, at + k * 5 * MINUTE_MS, 80 + 60 * random(), 1 + Math.floor(40 * random())),
      );
    const asItCame = new History();
    const hours = new Map<number, FlowBucket[]>();
    const put = (at: number) => {
      // Flow 2 begins later, and now and then nothing of it comes.
      const some = [...hourOf(1, at), ...(at > hourMs - 3 * DAY_MS && random() < 0.7 ? hourOf(2, at) : [])];
      hours.set(at, some);
      asItCame.putHour(at, some);
      for (const flow of [1, 2]) asItCame.normalAt(flow, at + HOUR_MS * Math.floor(30 * random()));
    };
    for (let at = hourMs - 23 * DAY_MS; at < hourMs; at += HOUR_MS) {
      put(at);
      if (random() < 0.2) put(at - HOUR_MS * (1 + Math.floor(40 * random())));
    }
    const atTheEnd = new History();
    for (const [at, some] of [...hours].sort((a, b) => a[0] - b[0])) atTheEnd.putHour(at, some);
    for (const flow of [1, 2])
      for (let at = hourMs - 23 * DAY_MS; at < hourMs + DAY_MS; at += HOUR_MS / 2)
        expect(asItCame.normalAt(flow, at)).toEqual(atTheEnd.normalAt(flow, at));
  });

  describe('sums over a stretch', () => {
    const kinds = dayKinds({
      holidays: ['2026-03-09'],
      excluded: [{ fromMs: hourMs - 2 * DAY_MS, toMs: hourMs - 2 * DAY_MS + 30 * MINUTE_MS, reason: 'rehearsal' }],
    });
    const history = new History({
      isMasked: (flow, startMs) => flow === 1 && startMs >= hourMs - 15 * MINUTE_MS,
      kinds,
    });
    for (let at = hourMs - 3 * DAY_MS; at < hourMs; at += HOUR_MS)
      history.putHour(
        at,
        [0, 1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11].map((k) => bucket(1, at + k * 5 * MINUTE_MS, 100, 2)),
      );
    const hour = (fromMs: number) => history.sumsWithin(1, { fromMs, toMs: fromMs + HOUR_MS });

    test('add up, and say how much of it is fit to learn from', () => {
      expect(hour(hourMs - 5 * HOUR_MS)).toEqual({
        attempts: 24,
        failed: 0,
        valueMinor: 60,
        usable: expect.closeTo(1, 9) as number,
      });
      // The last quarter was in trouble; half of the other hour is excluded by the calendar.
      expect(hour(hourMs - HOUR_MS)?.usable).toBeCloseTo(0.75, 9);
      expect(hour(hourMs - 2 * DAY_MS)).toMatchObject({ attempts: 24, usable: expect.closeTo(0.5, 9) as number });
    });

    test('a stretch cut in two adds up; before all data nothing is known', () => {
      const whole = history.sumsWithin(1, { fromMs: hourMs - DAY_MS, toMs: hourMs });
      const halves = [0, 12].map((hours) =>
        history.sumsWithin(1, {
          fromMs: hourMs - DAY_MS + hours * HOUR_MS,
          toMs: hourMs - DAY_MS + (hours + 12) * HOUR_MS,
        }),
      );
      expect(halves.map((half) => half?.attempts ?? NaN).reduce((a, b) => a + b)).toBe(whole?.attempts);
      expect(hour(hourMs - 4 * DAY_MS)).toBeUndefined();
      expect(history.sumsWithin(9, { fromMs: hourMs - HOUR_MS, toMs: hourMs })).toBeUndefined();
    });

    test('a holiday is like a weekend and unlike a workday', () => {
      // 10 March 2026 is a Tuesday, the 9th a holiday here, the 8th a Sunday, the 6th a Friday.
      expect([1, 2, 4].map((back) => history.isLikeDay(hourMs, back))).toEqual([false, false, true]);
      expect([1, 2].map((back) => history.isLikeDay(hourMs - DAY_MS, back))).toEqual([true, true]);
    });

    test('what is older than any memory is let go, what is not stays', () => {
      history.trim(hourMs + 34 * DAY_MS);
      expect(history.bucket(1, hourMs - 3 * DAY_MS)).toBeUndefined();
      expect(history.bucket(1, hourMs - HOUR_MS)?.attempts).toBe(2);
    });
  });
});
