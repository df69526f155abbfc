import type { FlowBucket } from '../flows';

export type UsualBucket = Pick<FlowBucket, 'attempts' | 'failed' | 'durations' | 'medianMs' | 'valueMinor'>;

/**
 * Earlier roll-ups of one flow, asked by their start; `undefined` when a bucket is left out or lies before all data.
 */
export type BucketHistory = (startMs: number) => UsualBucket | undefined;

/** Attempts of a flow on a whole day (its begin, UTC); `undefined` when the day is not known as a whole. */
export type DayTotal = (dayMs: number) => number | undefined;
