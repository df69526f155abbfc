/**
 * A mergeable histogram of durations: log-linear buckets, 32 to each power of two.
 *
 * Any quantile is within 1.6 % of the exact one (half a bucket of relative width 1/32).
 * Counts are integers, so that merging gives the same histogram in any order.
 * Unit: 10 µs; values from 0 to 11.9 hours, longer ones count as 11.9 hours.
 */
const SUB_BITS = 5;
const SUBS = 1 << SUB_BITS;
const UNITS_PER_MS = 100;
const LARGEST = 0xffff_ffff;

/** Number of buckets of every histogram. */
export const BUCKETS = (32 - SUB_BITS + 1) * SUBS;

export type LogHistogram = Uint32Array;

export function createHistogram(): LogHistogram {
  return new Uint32Array(BUCKETS);
}

/**
 * @param durationMs milliseconds, 0 or more
 * @returns index of the bucket that holds the value
 * @throws RangeError for a negative or not-a-number duration
 */
export function bucketOf(durationMs: number): number {
  if (!(durationMs >= 0)) throw new RangeError(`expected a duration of 0 ms or more, got: ${durationMs}`);
  const units = Math.min(Math.round(durationMs * UNITS_PER_MS), LARGEST);
  if (units < SUBS) return units;
  const exponent = 31 - Math.clz32(units);
  return (exponent - SUB_BITS + 1) * SUBS + ((units >>> (exponent - SUB_BITS)) & (SUBS - 1));
}

/** Lower edge of a bucket, in milliseconds. */
export function bucketFloorMs(index: number): number {
  if (index < SUBS) return index / UNITS_PER_MS;
  const shift = Math.floor(index / SUBS) - 1;
  return ((SUBS + (index % SUBS)) * 2 ** shift) / UNITS_PER_MS;
}

const MIDDLES = Float64Array.from({ length: BUCKETS }, (_, index) => {
  if (index < SUBS) return index / UNITS_PER_MS;
  const shift = Math.floor(index / SUBS) - 1;
  return (bucketFloorMs(index) * UNITS_PER_MS + (2 ** shift - 1) / 2) / UNITS_PER_MS;
});

/** Middle of a bucket, in milliseconds: the value that stands for all in it. */
export const bucketMiddleMs = (index: number): number => MIDDLES[index] as number;

/** Counts one duration, in milliseconds. */
export function recordInPlace(histogram: LogHistogram, durationMs: number): void {
  const bucket = bucketOf(durationMs);
  histogram[bucket] = (histogram[bucket] as number) + 1;
}

/** A new histogram that holds what both hold. */
export function mergeHistograms(a: LogHistogram, b: LogHistogram): LogHistogram {
  const merged = Uint32Array.from(a);
  for (let i = 0; i < BUCKETS; i++) merged[i] = (merged[i] as number) + (b[i] as number);
  return merged;
}

/** Number of values counted. */
export function histogramCount(histogram: LogHistogram): number {
  let n = 0;
  for (let i = 0; i < BUCKETS; i++) n += histogram[i] as number;
  return n;
}

/** Sum of the values counted, milliseconds, within 1.6 %. */
export function histogramSum(histogram: LogHistogram): number {
  let sum = 0;
  for (let i = 0; i < BUCKETS; i++)
    if ((histogram[i] as number) > 0) sum += (histogram[i] as number) * bucketMiddleMs(i);
  return sum;
}

/**
 * @param p probability, 0 to 1 inclusive
 * @returns milliseconds, within 1.6 % of the exact quantile; `undefined` when empty
 * @throws RangeError when p lies outside 0 to 1
 */
export function histogramQuantile(histogram: LogHistogram, p: number): number | undefined {
  if (!(p >= 0 && p <= 1)) throw new RangeError(`expected 0 <= p <= 1, got: ${p}`);
  const n = histogramCount(histogram);
  if (n === 0) return undefined;
  const wanted = Math.max(1, Math.ceil(p * n));
  let seen = 0;
  for (let i = 0; i < BUCKETS; i++) {
    seen += histogram[i] as number;
    if (seen >= wanted) return bucketMiddleMs(i);
  }
  return bucketMiddleMs(BUCKETS - 1);
}

/**
 * The histogram as bytes: pairs of (gap to the next used bucket, count), both LEB128 varints.
 * @example encodeHistogram(of 3 values in bucket 40) // Uint8Array [40, 3]
 */
export function encodeHistogram(histogram: LogHistogram): Uint8Array {
  const bytes: number[] = [];
  const varint = (value: number) => {
    let rest = value;
    while (rest >= 0x80) {
      bytes.push((rest % 0x80) | 0x80);
      rest = Math.floor(rest / 0x80);
    }
    bytes.push(rest);
  };
  let last = 0;
  for (let i = 0; i < BUCKETS; i++) {
    const count = histogram[i] as number;
    if (count === 0) continue;
    varint(i - last);
    varint(count);
    last = i;
  }
  return Uint8Array.from(bytes);
}

/**
 * Visits the used buckets of an encoded histogram in ascending order, without unfolding it.
 * @throws RangeError for bytes that are not an encoded histogram
 */
export function forEachBucket(bytes: Uint8Array, visit: (bucket: number, count: number) => void): void {
  let at = 0;
  let bucket = 0;
  let isCount = false;
  while (at < bytes.length) {
    let value = 0;
    let scale = 1;
    for (;;) {
      if (at >= bytes.length) throw new RangeError(`histogram ends in the middle of a number, at byte ${at}`);
      const byte = bytes[at++] as number;
      value += (byte & 0x7f) * scale;
      if (byte < 0x80) break;
      scale *= 0x80;
    }
    if (isCount) visit(bucket, value);
    else {
      bucket += value;
      if (bucket >= BUCKETS) throw new RangeError(`expected a bucket below ${BUCKETS}, got: ${bucket}`);
    }
    isCount = !isCount;
  }
  if (isCount) throw new RangeError(`histogram ends in the middle of a number, at byte ${at}`);
}

/** The quantile of an encoded histogram, without unfolding it: the same as of the unfolded one. */
export function encodedQuantile(bytes: Uint8Array, p: number): number | undefined {
  if (!(p >= 0 && p <= 1)) throw new RangeError(`expected 0 <= p <= 1, got: ${p}`);
  let n = 0;
  forEachBucket(bytes, (_bucket, count) => (n += count));
  if (n === 0) return undefined;
  const wanted = Math.max(1, Math.ceil(p * n));
  let seen = 0;
  let found: number | undefined;
  forEachBucket(bytes, (bucket, count) => {
    seen += count;
    if (seen >= wanted) found ??= bucketMiddleMs(bucket);
  });
  return found;
}

/** @throws RangeError for bytes that are not an encoded histogram */
export function decodeHistogram(bytes: Uint8Array): LogHistogram {
  const histogram = createHistogram();
  addEncodedInPlace(histogram, bytes);
  return histogram;
}

/** Adds an encoded histogram to one that is unfolded. */
export function addEncodedInPlace(histogram: LogHistogram, bytes: Uint8Array): void {
  forEachBucket(bytes, (bucket, count) => {
    histogram[bucket] = (histogram[bucket] as number) + count;
  });
}
