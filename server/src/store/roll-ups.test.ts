import { createHistogram, encodeHistogram, recordInPlace } from '@toplens/core/stats';
import { packHour, unpackHour } from './roll-ups';

const HOUR = 400_000 * 3_600_000;

test('an hour of roll-ups reads back as it was packed; buckets without attempts are none', () => {
  const bucket = (k: number, durationMs: number) => {
    const histogram = createHistogram();
    recordInPlace(histogram, durationMs);
    const durations = encodeHistogram(histogram);
    return {
      flow: 7,
      startMs: HOUR + k * 300_000,
      attempts: 3 + k,
      failed: k,
      valueMinor: 12.5 * k,
      durations,
      medianMs: durationMs,
    };
  };
  const buckets = [bucket(0, 100), bucket(5, 4_000), bucket(11, 1)];
  const back = unpackHour(7, HOUR, packHour([...buckets].reverse(), HOUR));
  expect(back.map(({ medianMs, ...rest }) => ({ ...rest, medianMs: Math.abs(medianMs) > 0 }))).toEqual(
    buckets.map((one) => ({ ...one, medianMs: true })),
  );
  back.forEach((one, i) => expect(one.medianMs / (buckets[i]?.medianMs ?? NaN)).toBeCloseTo(1, 1));
  expect(unpackHour(7, HOUR, packHour([], HOUR))).toEqual([]);
});
