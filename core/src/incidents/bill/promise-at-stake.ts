import type { ServicePromise } from '../../promises';
import type { PromisedOfAttempts } from '../rows/promised-rows';

/** A promise as a bill asks of it. */
export interface PromiseAtStake extends PromisedOfAttempts, Pick<ServicePromise, 'name'> {
  flows: ReadonlySet<number>;
  /** does an attempt that begins then count? */
  isCounted: (timeMs: number) => boolean;
  /** share of bad attempts while no incident goes on */
  usualShare: number;
  /** attempts that may be bad in the whole period */
  allowed: number;
  /** what a bad attempt adds to the penalty expected, units of currency */
  price: number;
  /** incidents that go on in a flow at a time: they share what is bad; at least 1 */
  sharers: (flow: number, timeMs: number) => number;
}
