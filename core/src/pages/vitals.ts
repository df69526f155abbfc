/** Field vitals, in the order in which a load shows them. CLS has no unit, the others are milliseconds. */
export const VITALS = ['ttfb', 'fcp', 'lcp', 'inp', 'cls'] as const;
export type Vital = (typeof VITALS)[number];

export const RATINGS = ['good', 'needsImprovement', 'poor'] as const;
export type Rating = (typeof RATINGS)[number];

/**
 * Up to the first a value is good, above the second poor: as published with the package web-vitals 6.2.3 (its exported
 * thresholds).
 */
export const VITAL_LIMITS: Readonly<Record<Vital, readonly [good: number, poor: number]>> = {
  ttfb: [800, 1800],
  fcp: [1800, 3000],
  lcp: [2500, 4000],
  inp: [200, 500],
  cls: [0.1, 0.25],
};

/** Ratings are strictly greater: a value at a limit still has the better one. */
export function rateVital(vital: Vital, value: number): Rating {
  const [good, poor] = VITAL_LIMITS[vital];
  return value > poor ? 'poor' : value > good ? 'needsImprovement' : 'good';
}
