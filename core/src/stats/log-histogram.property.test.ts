import fc from 'fast-check';
import { build } from 'hdr-histogram-js';
import {
  BUCKETS,
  bucketFloorMs,
  bucketOf,
  createHistogram,
  decodeHistogram,
  encodedQuantile,
  encodeHistogram,
  histogramCount,
  histogramQuantile,
  mergeHistograms,
  quantileSorted,
  recordInPlace,
  sortedCopy,
  type LogHistogram,
} from './index';

const durations = fc.array(fc.double({ min: 0.01, max: 3_600_000, noNaN: true }), { minLength: 1, maxLength: 200 });

function of(values: readonly number[]): LogHistogram {
  const histogram = createHistogram();
  for (const value of values) recordInPlace(histogram, value);
  return histogram;
}

test('merging parts gives the histogram of the whole, in any order', () => {
  fc.assert(
    fc.property(durations, durations, durations, (a, b, c) => {
      const whole = of([...c, ...a, ...b]);
      expect(mergeHistograms(mergeHistograms(of(a), of(b)), of(c))).toEqual(whole);
      expect(mergeHistograms(of(b), mergeHistograms(of(c), of(a)))).toEqual(whole);
    }),
    { numRuns: 50 },
  );
});

test('bytes bring back the same histogram', () => {
  fc.assert(
    fc.property(durations, (values) => expect(decodeHistogram(encodeHistogram(of(values)))).toEqual(of(values))),
    { numRuns: 50 },
  );
});

test('every duration lies in its bucket', () => {
  fc.assert(
    fc.property(fc.double({ min: 0, max: 3_600_000, noNaN: true }), (duration) => {
      const bucket = bucketOf(duration);
      expect(bucket).toBeLessThan(BUCKETS);
      expect(bucketFloorMs(bucket)).toBeLessThanOrEqual(duration + 0.00501);
      expect(bucketFloorMs(bucket + 1)).toBeGreaterThan(duration - 0.00501);
    }),
  );
});

test('a value of the sample at the wanted place is met within 1.6 %, or half of the unit of 10 µs', () => {
  fc.assert(
    fc.property(durations, fc.double({ min: 0.01, max: 1, noNaN: true }), (values, p) => {
      const exact = sortedCopy(values)[Math.max(1, Math.ceil(p * values.length)) - 1] as number;
      const found = histogramQuantile(of(values), p) as number;
      expect(Math.abs(found - exact)).toBeLessThanOrEqual(0.016 * exact + 0.0051);
    }),
  );
});

test('agrees with hdr-histogram-js on 1 … 100,000 ms within both bounds', () => {
  const values = Array.from({ length: 100_000 }, (_, i) => i + 1);
  const reference = build({ numberOfSignificantValueDigits: 3 });
  for (const value of values) reference.recordValue(value);
  const histogram = of(values);
  expect(histogramCount(histogram)).toBe(reference.totalCount);
  for (const percentile of [50, 95, 99]) {
    const expected = reference.getValueAtPercentile(percentile);
    expect(Math.abs((histogramQuantile(histogram, percentile / 100) as number) / expected - 1)).toBeLessThan(0.017);
    expect(quantileSorted(values, percentile / 100)).toBeCloseTo(expected, -2);
  }
});

test('a quantile of the encoded form is that of the unfolded one', () => {
  fc.assert(
    fc.property(durations, fc.double({ min: 0, max: 1, noNaN: true }), (values, p) => {
      expect(encodedQuantile(encodeHistogram(of(values)), p)).toBe(histogramQuantile(of(values), p));
    }),
  );
  expect(encodedQuantile(new Uint8Array(), 0.5)).toBeUndefined();
});

test('refuses negative durations, and knows no quantile of nothing', () => {
  expect(() => bucketOf(-1)).toThrow('-1');
  expect(histogramQuantile(createHistogram(), 0.5)).toBeUndefined();
  expect(() => decodeHistogram(Uint8Array.of(0x80))).toThrow('byte 1');
});
