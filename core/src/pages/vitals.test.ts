import { CLSThresholds, FCPThresholds, INPThresholds, LCPThresholds, TTFBThresholds } from 'web-vitals';
import { rateVital, VITAL_LIMITS, VITALS, type Vital } from './vitals';

// The reference: thresholds that the package web-vitals 6.2.3 (Apache-2.0) exports.
const PUBLISHED: Record<Vital, readonly number[]> = {
  ttfb: TTFBThresholds,
  fcp: FCPThresholds,
  lcp: LCPThresholds,
  inp: INPThresholds,
  cls: CLSThresholds,
};

describe('ratings of field vitals', () => {
  test.each(VITALS)('limits of %s are the published ones', (vital) => {
    expect([...VITAL_LIMITS[vital]]).toEqual([...PUBLISHED[vital]]);
  });

  test.each(VITALS)('%s on both sides of both limits: at the limit the better rating stands', (vital) => {
    const [good, poor] = PUBLISHED[vital] as [number, number];
    const little = vital === 'cls' ? 0.001 : 1;
    expect([good, good + little, poor, poor + little].map((value) => rateVital(vital, value))).toEqual([
      'good',
      'needsImprovement',
      'needsImprovement',
      'poor',
    ]);
  });
});
