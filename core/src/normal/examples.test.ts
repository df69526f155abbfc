import type { FlowBucket } from '../flows';
import { minutesWith } from '../fixtures/minutes';
import { createHistogram, encodeHistogram, poissonZ, recordInPlace } from '../stats';
import { DAY_MS, dayKinds, MINUTE_MS } from '../time';
import { findDeviations, learnNormal, type MinuteSeries } from './index';

/** Hand-made cases, each with an answer that follows from one rule: another constant gives another answer. */

// Tuesday 10 March 2026, 10:00 UTC.
const SLOT = Date.UTC(2026, 2, 10, 10);
const KINDS = dayKinds();

/**
 * Five weeks of one flow, every five minutes as much as `attempts` says of that many days back, each as long as `ms`
 * says.
 */
function fiveWeeks(attempts: (back: number) => number, ms: (back: number) => number = () => 200) {
  const buckets = new Map<number, FlowBucket>();
  for (let startMs = SLOT - 36 * DAY_MS; startMs < SLOT; startMs += 5 * MINUTE_MS) {
    const back = (SLOT - startMs) / DAY_MS;
    const histogram = createHistogram();
    const n = Math.round(attempts(back));
    for (let i = 0; i < n; i++) recordInPlace(histogram, ms(back));
    buckets.set(startMs, {
      flow: 1,
      startMs,
      attempts: n,
      failed: 0,
      durations: encodeHistogram(histogram),
      medianMs: ms(back),
      valueMinor: 0,
    });
  }
  return { history: (startMs: number) => buckets.get(startMs), firstMs: SLOT - 36 * DAY_MS };
}

test('the newest days weigh most: two weeks at 100 ms outweigh the three at 400 ms before them', () => {
  // A half-life of 14 days: the Tuesdays 7 and 14 days ago weigh 0.74 + 0.53, those 21, 28 and 35 days ago 0.37 + 0.26
  // + 0.19.
  const { history, firstMs } = fiveWeeks(
    () => 40,
    (back) => (back < 18 ? 100 : 400),
  );
  const { expectedMs, basis } = learnNormal(history, { firstMs, slotMs: SLOT, ownersLimitMs: undefined, kinds: KINDS });
  expect(basis).toBe('timeOfWeek');
  expect((expectedMs as number) / 100).toBeCloseTo(1, 1);
});

test('load that grows by a tenth a week is expected to be a tenth more than last week, not what earlier weeks brought', () => {
  const grown = (back: number) => 400 / 1.1 ** (Math.ceil(back - 0.5) / 7);
  const { history, firstMs } = fiveWeeks(grown);
  const day = (dayMs: number) => 288 * grown((SLOT - dayMs) / DAY_MS);
  const { volume } = learnNormal(history, {
    firstMs,
    slotMs: SLOT,
    ownersLimitMs: undefined,
    kinds: KINDS,
    totalOf: day,
  });
  expect((volume[2] as number) / 400).toBeGreaterThan(0.97);
  expect((volume[2] as number) / 400).toBeLessThan(1.03);
  const { volume: without } = learnNormal(history, { firstMs, slotMs: SLOT, ownersLimitMs: undefined, kinds: KINDS });
  expect((without[2] as number) / 400).toBeLessThan(0.9);
});

const steady = (rate: number): MinuteSeries =>
  minutesWith(SLOT, rate, { volumeSpread: new Float64Array(180), failedShare: new Float64Array(180).fill(0.01) });

test('what is missing must show half a spread more than a share does: 5.04 spreads in five minutes are not enough, 5.91 are', () => {
  const lost = (perMinute: number) => {
    const series = steady(12);
    series.attempts.fill(perMinute, 100, 105);
    return findDeviations(1, series).filter(({ signal }) => signal === 'missing');
  };
  expect(-poissonZ(25, 60, 0, 1)).toBeCloseTo(5.04, 2);
  expect(-poissonZ(20, 60, 0, 1)).toBeCloseTo(5.91, 2);
  expect(lost(5)).toEqual([]);
  expect(lost(4)).toHaveLength(1);
});

test('a trouble goes on while five or twenty minutes still show something, although no rule fires any more', () => {
  // One of ten fails for three minutes, twice; between them one of forty, which raises nothing by itself: 2.5 times the
  // usual.
  const series = steady(40);
  series.failed.fill(1, 60, 91);
  series.failed.fill(4, 60, 63).fill(4, 88, 91);
  const between = steady(40);
  between.failed.fill(1, 60, 91);
  const minutes = (one: MinuteSeries) =>
    findDeviations(1, one).map(({ onsetMs, endMs }) => [(onsetMs - SLOT) / MINUTE_MS, (endMs - SLOT) / MINUTE_MS]);
  expect(minutes(series)).toEqual([[60, 91]]);
  expect(minutes(between)).toEqual([]);
});
