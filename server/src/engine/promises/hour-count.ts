import type { PromisedOfAttempts } from '@toplens/core/incidents';

/** What counts of a flow, and what makes it good. */
export interface Counter extends PromisedOfAttempts {
  flow: number;
}

/** What counts of a flow in an hour, and what of it is good. */
export interface HourCount {
  /** by steps of five minutes: valid and good in turn */
  steps: Uint32Array;
  /** by number of the site and of the version: valid and good */
  sites: ReadonlyMap<number, readonly [valid: number, good: number]>;
  versions: ReadonlyMap<number, readonly [valid: number, good: number]>;
  /** from sums: single attempts are gone, and the limit cuts through a step of durations */
  isRough: boolean;
}
