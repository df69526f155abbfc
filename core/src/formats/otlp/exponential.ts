import type { Distribution } from '../../telemetry';

export interface ExponentialBuckets {
  readonly offset?: number;
  readonly bucketCounts: readonly number[];
}

export interface ExponentialPoint {
  readonly count?: number;
  readonly sum?: number;
  readonly scale?: number;
  readonly zeroCount?: number;
  readonly zeroThreshold?: number;
  readonly positive?: ExponentialBuckets;
  readonly negative?: ExponentialBuckets;
  readonly min?: number;
  readonly max?: number;
}

/**
 * An exponential histogram with its bounds written out. Bucket i of the positive range holds base^i < x ≤ base^(i+1)
 * with base = 2^(2^-scale); the negative range mirrors it: OpenTelemetry data model, "ExponentialHistogram".
 */
export function exponentialDistribution(point: ExponentialPoint): Distribution {
  const { count = 0, sum = NaN, scale = 0, zeroCount = 0, zeroThreshold = 0, positive, negative, min, max } = point;
  const boundOf = (index: number) => 2 ** (index * 2 ** -scale);
  const bounds: number[] = [];
  const counts: number[] = [];
  const bucket = (upTo: number, n: number) => {
    bounds.push(upTo);
    counts.push(n);
  };
  const negativeCounts = negative?.bucketCounts ?? [];
  const negativeOffset = negative?.offset ?? 0;
  // The most negative first: bucket i ends at -base^i.
  for (let i = negativeCounts.length - 1; i >= 0; i--)
    bucket(-boundOf(negativeOffset + i), negativeCounts[i] as number);
  const positiveOffset = positive?.offset ?? 0;
  // Zeros, and whatever lies between them and the first positive bucket, which nothing fills.
  bucket(Math.max(zeroThreshold, 0), zeroCount);
  const positiveCounts = positive?.bucketCounts ?? [];
  if (positiveCounts.length > 0 && boundOf(positiveOffset) > (bounds.at(-1) as number))
    bucket(boundOf(positiveOffset), 0);
  positiveCounts.forEach((n, i) => bucket(boundOf(positiveOffset + i + 1), n));
  return { count, sum, min: min ?? null, max: max ?? null, bounds, counts: [...counts, 0] };
}
