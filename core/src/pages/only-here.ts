import { benjaminiHochberg, twoSidedP } from '../stats';

/** Views of one value of a dimension (a country, a browser), and of which something is wrong. */
export interface Tally {
  value: number;
  views: number;
  bad: number;
}

export interface HitValue extends Tally {
  /** share of bad views here, and among the rest */
  here: number;
  elsewhere: number;
  /** adjusted for all the values tried */
  p: number;
}

/**
 * - `here`: these values are hit and the rest is not
 * - `more`: the rest is hit as well, these are hit more
 * - `everywhere`: no value differs
 * - `oneValue`: there is nothing to compare with
 * - `none`: hardly anything is wrong
 */
export interface Where {
  verdict: 'here' | 'more' | 'everywhere' | 'oneValue' | 'none';
  /** hit more than the rest, worst first */
  hit: HitValue[];
}

const FALSE_DISCOVERY = 0.05;
const FEWEST_VIEWS = 20;
/** A value stands out with so many times the rest's share. */
const LEAST_RATIO = 1.5;
/** Above this share something is wrong; below, the usual blemishes. */
const HARDLY = 0.02;
/** The rest counts as spared when its share is less than this part of the hit ones'. */
const SPARED = 0.2;

/**
 * Is it only here, or everywhere? Each value's share of bad views against the rest's (two shares, normal approximation
 * with the pooled share), false discoveries controlled over all values. What is found is then compared with what is
 * left.
 */
export function onlyHere(tallies: readonly Tally[]): Where {
  const all = tallies.reduce((sum, { views }) => sum + views, 0);
  const bad = tallies.reduce((sum, tally) => sum + tally.bad, 0);
  const tried = tallies.filter(({ views }) => views >= FEWEST_VIEWS && all - views >= FEWEST_VIEWS);
  const pValues = benjaminiHochberg(
    tried.map((tally) => pOfShares(tally.bad, tally.views, bad - tally.bad, all - tally.views)),
  );
  const hit = tried
    .map((tally, i): HitValue => ({
      ...tally,
      here: tally.bad / tally.views,
      elsewhere: (bad - tally.bad) / (all - tally.views),
      p: pValues[i] as number,
    }))
    .filter(({ p, here, elsewhere }) => p <= FALSE_DISCOVERY && here >= LEAST_RATIO * elsewhere && here > HARDLY)
    .sort((a, b) => b.here - a.here || b.views - a.views);
  if (hit.length === 0 && bad <= HARDLY * all) return { verdict: 'none', hit };
  if (tallies.filter(({ views }) => views > 0).length < 2) return { verdict: 'oneValue', hit };
  if (hit.length === 0) return { verdict: 'everywhere', hit };
  const hitViews = hit.reduce((sum, { views }) => sum + views, 0);
  const hitBad = hit.reduce((sum, one) => sum + one.bad, 0);
  const restViews = all - hitViews;
  const restShare = restViews > 0 ? (bad - hitBad) / restViews : 0;
  return { verdict: restShare <= HARDLY || restShare < (SPARED * hitBad) / hitViews ? 'here' : 'more', hit };
}

function pOfShares(a: number, n: number, b: number, m: number): number {
  const pooled = (a + b) / (n + m);
  const variance = pooled * (1 - pooled) * (1 / n + 1 / m);
  return variance === 0 ? 1 : twoSidedP((a / n - b / m) / Math.sqrt(variance));
}
