import fc from 'fast-check';
import { columnsOf, type TestAttempt } from '../../fixtures/attempts';
import { normalWith } from '../../fixtures/normal';
import type { Deviation } from '../../normal';
import { poissonDeviate, seededRandom } from '../../stats';
import { FAILED } from '../../telemetry';
import { HOUR_MS, MINUTE_MS } from '../../time';
import { BROKEN, countSlices, JUDGED_SLICES, LATE, NO_MINUTE, NOT_JUDGED, VALUES, WELL } from './count-slices';
import { findInSlices, SLICE_PAST_MS, withSlices } from './find-in-slices';
import { countMinutes, type HourOfFlow } from './judge';

// Tuesday 10 March 2026, 10:00 UTC.
const NOW = Date.UTC(2026, 2, 10, 10);
const FLOW = 1;

const keyOf = (dimension: (typeof JUDGED_SLICES)[number], value: number) =>
  JUDGED_SLICES.indexOf(dimension) * VALUES + value;

describe('an hour by flow and value', () => {
  const HOUR = NOW - HOUR_MS;
  const at = (minute: number, more: Partial<TestAttempt>): TestAttempt => ({
    startMs: HOUR + minute * MINUTE_MS + 500,
    flow: FLOW,
    site: 1,
    ...more,
  });
  const four = (site: number) => [1, 2, 3, 4].map((minute) => at(minute, { site }));

  test('attempts, late and failed ones; by the minute where several went wrong, the minute of a lone one', () => {
    const rows = columnsOf([
      ...four(1),
      ...four(2),
      ...four(3),
      at(7, { site: 2 }),
      at(7, { site: 2 }),
      at(31, { site: 3 }),
    ]);
    const counts = new Uint8Array(rows.n).fill(WELL);
    counts[12] = LATE;
    counts[13] = BROKEN;
    counts[14] = BROKEN;
    const slices = countSlices(rows, counts, HOUR).get(FLOW)!;
    expect([...slices.keys]).toEqual([1, 2, 3].map((site) => keyOf('site', site)));
    expect([...slices.attempts]).toEqual([4, 6, 5]);
    expect([...slices.lone]).toEqual([NO_MINUTE, NO_MINUTE, 31]);
    expect([...slices.begins]).toEqual([-1, 0, -1]);
    expect(slices.minutes).toHaveLength(180);
    expect([slices.late[1], slices.failed[1]]).toEqual([1, 1]);
    expect([slices.minutes[7], slices.minutes[60 + 7], slices.minutes[120 + 7]]).toEqual([2, 1, 1]);
  });

  test('minutes with hundreds of attempts are kept as they are', () => {
    const rows = columnsOf([
      ...Array.from({ length: 300 }, () => at(5, { site: 2 })),
      ...Array.from({ length: 301 }, () => at(5, { site: 1 })),
    ]);
    const counts = new Uint8Array(rows.n).fill(WELL);
    counts.fill(BROKEN, 0, 2);
    const slices = countSlices(rows, counts, HOUR).get(FLOW)!;
    expect([slices.minutes[5], slices.minutes[120 + 5]]).toEqual([300, 2]);
  });

  test('a value that holds most of a flow, one of few attempts, and one that is not told are left out', () => {
    const rows = columnsOf([...four(1), ...four(1), ...four(1), ...four(2), at(9, { site: 3 }), ...four(0)]);
    const slices = countSlices(rows, new Uint8Array(rows.n).fill(WELL), HOUR).get(FLOW)!;
    expect([...slices.keys]).toEqual([keyOf('site', 2)]);
  });

  test('a person who tries again and again is one, whatever the order; what is not judged counts for nothing', () => {
    const tries = [9, 7, 8].map((minute) => at(minute, { site: 2, person: 5 }));
    fc.assert(
      fc.property(fc.shuffledSubarray(tries, { minLength: 3 }), (shuffled) => {
        const rows = columnsOf([...four(1), ...four(2), ...four(3), ...shuffled, at(7, { site: 2 })]);
        const counts = new Uint8Array(rows.n).fill(WELL);
        counts.fill(BROKEN, 12, 15);
        counts[15] = NOT_JUDGED;
        const slices = countSlices(rows, counts, HOUR).get(FLOW)!;
        expect([slices.attempts[1], slices.failed[1], slices.lone[1]]).toEqual([5, 1, 7]);
      }),
    );
  });
});

interface Made {
  /** attempts a minute of the flow, spread over forty sites */
  perMinute: number;
  /** what else fails: share of the attempts of a site from a moment on */
  failing?: { site: number; share: number; fromMs: number }[];
}

const normal = normalWith({ failedShare: 0.004, failedSpread: 0.001 });

/** Counted hours of one flow, from a day and three hours before `NOW` on. */
function hoursOf({ perMinute, failing = [] }: Made): Map<number, HourOfFlow> {
  const random = seededRandom(11);
  const hours = new Map<number, HourOfFlow>();
  for (let hourMs = NOW - 3 * HOUR_MS - SLICE_PAST_MS; hourMs < NOW; hourMs += HOUR_MS) {
    const rows: TestAttempt[] = [];
    for (let minute = 0; minute < 60; minute++)
      for (let n = poissonDeviate(random, perMinute); n > 0; n--) {
        const startMs = hourMs + (minute + random()) * MINUTE_MS;
        const site = 1 + Math.floor(random() * 40);
        const trouble = failing.find((one) => one.site === site && startMs >= one.fromMs);
        rows.push({
          startMs,
          site,
          flags: random() < (trouble?.share ?? 0.004) ? FAILED : 0,
          person: 1 + Math.floor(random() * 1e9),
        });
      }
    hours.set(hourMs, countMinutes(columnsOf(rows), hourMs, () => normal).get(FLOW)!);
  }
  return hours;
}

const WINDOW = { fromMs: NOW - 3 * HOUR_MS, toMs: NOW };
const found = (hours: ReadonlyMap<number, HourOfFlow>, window = WINDOW) =>
  findInSlices(FLOW, window, (hourMs) => hours.get(hourMs));

describe('what goes wrong in one slice', () => {
  const fromMs = NOW - 45 * MINUTE_MS;
  const oneSite = hoursOf({ perMinute: 60, failing: [{ site: 7, share: 0.9, fromMs }] });

  test('one site of forty that fails is known within minutes, although the flow fails for 2 % more only', () => {
    const [deviation, ...others] = found(oneSite);
    expect(others).toEqual([]);
    expect(deviation).toMatchObject({ flow: FLOW, signal: 'failing', active: true });
    expect((deviation!.firedMs - fromMs) / MINUTE_MS).toBeLessThanOrEqual(6);
    expect(Math.abs(deviation!.onsetMs - fromMs) / MINUTE_MS).toBeLessThanOrEqual(2);
  });

  test('nothing is found where nothing goes wrong, nor where a site has failed as often for a day', () => {
    expect(found(hoursOf({ perMinute: 60 }))).toEqual([]);
    expect(found(hoursOf({ perMinute: 60, failing: [{ site: 7, share: 0.15, fromMs: 0 }] }))).toEqual([]);
  });

  test('a slice that came today must show more than one that is known for a day: how often it fails as usual is known less', () => {
    const usual = normalWith({ failedShare: 0.02, failedSpread: 0 });
    const withSite = (isKnown: boolean) => {
      const hours = new Map<number, HourOfFlow>();
      let person = 1;
      for (let hourMs = NOW - HOUR_MS - SLICE_PAST_MS; hourMs < NOW; hourMs += HOUR_MS) {
        const rows: TestAttempt[] = [];
        for (let minute = 0; minute < 60; minute++) {
          const startMs = hourMs + minute * MINUTE_MS;
          for (let i = 0; i < 40; i++) rows.push({ startMs: startMs + i, site: 1 + (i % 20), person: person++ });
          if (isKnown || hourMs === NOW - HOUR_MS)
            rows.push({ startMs, site: 30, person: person++ }, { startMs, site: 30, person: person++ });
        }
        // Twelve failures within fifteen minutes, among thirty attempts that work: 29 % where 2 % are usual.
        if (hourMs === NOW - HOUR_MS)
          for (let k = 0; k < 12; k++)
            rows.push({
              startMs: hourMs + (40 + Math.floor((k * 15) / 12)) * MINUTE_MS,
              site: 30,
              person: person++,
              flags: FAILED,
            });
        hours.set(hourMs, countMinutes(columnsOf(rows), hourMs, () => usual).get(FLOW)!);
      }
      return found(hours, { fromMs: NOW - HOUR_MS, toMs: NOW });
    };
    expect(withSite(true)).toHaveLength(1);
    expect(withSite(false)).toEqual([]);
  });

  test('the same, whenever the window begins and whether or not its hours were looked at before', () => {
    const fresh = hoursOf({ perMinute: 60, failing: [{ site: 7, share: 0.9, fromMs }] });
    expect(found(fresh, { ...WINDOW, fromMs: NOW - 2 * HOUR_MS })).toEqual(found(oneSite));
    expect(found(fresh)).toEqual(found(fresh));
  });
});

describe('a flow and its slices', () => {
  const deviation = (onset: number, fired: number, end: number, more: Partial<Deviation> = {}): Deviation => ({
    flow: FLOW,
    signal: 'failing',
    onsetMs: onset,
    firedMs: fired,
    endMs: end,
    active: false,
    level: 'strained',
    excess: 9,
    z: 5,
    ...more,
  });

  test('what a flow shows is known as early as its slices show it, and begins no later', () => {
    expect(withSlices([deviation(20, 60, 100)], [deviation(15, 30, 90)])).toEqual([deviation(15, 30, 100)]);
    expect(withSlices([deviation(20, 25, 100)], [deviation(15, 30, 90)])).toEqual([deviation(20, 25, 100)]);
  });

  test('what slices alone show stands for itself; another signal or time is another matter', () => {
    const slow = deviation(20, 60, 100, { signal: 'slow' });
    const later = deviation(200, 230, 300);
    expect(withSlices([slow], [deviation(15, 30, 90), later])).toEqual([slow, deviation(15, 30, 90), later]);
  });
});
