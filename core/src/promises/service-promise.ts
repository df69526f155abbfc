import type { Indicator } from '../flows';
import type { Window } from '../time';
import type { Period } from './period';
import type { ServiceHours } from './service-hours';

/** One step of what breaking a promise costs: `amount` units of currency when less than the share `below` was good. */
export interface PenaltyStep {
  below: number;
  amount: number;
}

/** A service level: what was promised to whom, over which period, and what breaking it costs. */
export interface ServicePromise {
  /** tells it apart from all others */
  name: string;
  /** to whom it was given; '' where that is not said */
  to: string;
  /** whose attempts count: of an application, of flows by their name or technical name (`*` for any text), or both */
  application?: string | undefined;
  flow?: string | undefined;
  indicator: Indicator;
  limitMs?: number | undefined;
  /** with people: the share of somebody's attempts that must be good, above 0 to 1 */
  personShare?: number | undefined;
  /** share of what counts in a period that is promised to be good: 0.995 */
  target: number;
  period: Period;
  /** when it counts; always when left out */
  hours?: ServiceHours | undefined;
  /** stretches that do not count: maintenance, agreed outages */
  excluded: readonly (Window & { reason: string })[];
  penalties: readonly PenaltyStep[];
}

/** What counts – attempts, people, page views, launches or runs of probes – and what of it was good. */
export interface Tally {
  valid: number;
  good: number;
}

export const addTally = (a: Tally, b: Tally): Tally => ({ valid: a.valid + b.valid, good: a.good + b.good });
export const NOTHING: Tally = { valid: 0, good: 0 };
