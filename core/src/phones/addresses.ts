import { benjaminiHochberg, rateRatio } from '../stats';
import type { PhoneDimension } from './dimensions';

/** Requests to an address, and how many of them failed. */
export interface AddressTally {
  address: string;
  requests: number;
  failed: number;
}

/** The same of one value of a dimension: one carrier, one country, one version. */
export interface AddressSlice extends AddressTally {
  dimension: PhoneDimension;
  value: string;
}

export interface FailingSlice extends AddressSlice {
  /** as often as the other requests to the address; Infinity where these never fail */
  times: number;
  low: number;
  high: number;
}

/** Chance of one false word among all that is said of addresses. */
const FALSE_DISCOVERIES = 0.05;
const FEWEST_FAILED = 5;

/**
 * Where requests to an address fail more often than its other requests: the value that stands out most, for each address
 * that has one (ratio of rates with the exact conditional test; false discoveries controlled over all that is compared,
 * Benjamini and Hochberg 1995).
 *
 * @param slices that do not overlap within one dimension of an address
 */
export function whereAddressesFail(
  addresses: readonly AddressTally[],
  slices: readonly AddressSlice[],
): Map<string, FailingSlice> {
  const whole = new Map(addresses.map((one) => [one.address, one]));
  const compared = slices.flatMap((slice) => {
    const all = whole.get(slice.address);
    const others = all ? all.requests - slice.requests : 0;
    if (!all || others <= 0 || slice.failed < FEWEST_FAILED) return [];
    const ratio = rateRatio(slice.failed, slice.requests, all.failed - slice.failed, others);
    return ratio ? [{ slice, ...ratio }] : [];
  });
  const adjusted = benjaminiHochberg(compared.map(({ p }) => p));
  const found = new Map<string, FailingSlice & { p: number }>();
  compared.forEach(({ slice, ratio, low, high }, i) => {
    const p = adjusted[i] as number;
    if (p >= FALSE_DISCOVERIES || !(ratio > 1)) return;
    const known = found.get(slice.address);
    // Of two that are as evident, the one that fails more often.
    if (!known || p < known.p || (p === known.p && slice.failed / slice.requests > known.failed / known.requests))
      found.set(slice.address, { ...slice, times: ratio, low, high, p });
  });
  return new Map([...found].map(([address, { p: _p, ...one }]) => [address, one]));
}
