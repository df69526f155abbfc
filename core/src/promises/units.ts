import type { Indicator } from '../flows';
import { counted } from '../words';

const UNITS: Readonly<Record<Indicator, readonly [one: string, many: string]>> = {
  answered: ['attempt', 'attempts'],
  inTime: ['attempt', 'attempts'],
  people: ['person-hour', 'person-hours'],
  views: ['page view', 'page views'],
  crashFree: ['launch', 'launches'],
  reachable: ['run of a probe', 'runs of probes'],
};

/** What a promise counts, as one: "attempt", "page view". */
export const unitOf = (indicator: Indicator): string => UNITS[indicator][0];

/** What a promise counts, as many: "attempts", "page views". */
export const unitsOf = (indicator: Indicator): string => UNITS[indicator][1];

/** @example countedUnits('crashFree', 1) // '1 launch' */
export const countedUnits = (indicator: Indicator, n: number): string => counted(n, ...UNITS[indicator]);
