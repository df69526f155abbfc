import { hodgesLehmann, meanDifference, shareDifference, type Interval } from '../stats';

/** What a site did in one of two times. */
export interface SiteTime {
  /** ln(duration / what is usual for its activity) of what ended well */
  excess: readonly number[];
  attempts: number;
  failed: number;
}

export interface SiteBeforeAfter {
  site: number;
  isChanged: boolean;
  before: SiteTime;
  after: SiteTime;
}

export const VERDICTS = ['better', 'worse', 'noDifference', 'tooLittle'] as const;
export type Verdict = (typeof VERDICTS)[number];

/** How a site compares with itself. */
export interface SiteChange {
  site: number;
  isChanged: boolean;
  attempts: readonly [before: number, after: number];
  /** so many times as long as before (Hodges–Lehmann of the logarithms); null: too few */
  factor: number | null;
  /** share that failed after, less that before, with its 95 % interval (Newcombe) */
  failed: Interval | null;
}

export interface ChangeProof {
  sites: SiteChange[];
  /**
   * so many times as long as it would have become without the change: what changed sites became, against what the others
   * became meanwhile; null: fewer than two of either
   */
  factor: Interval | null;
  verdict: Verdict;
}

/** Of fewer attempts a site tells nothing. */
const FEWEST = 20;
/** So many of each time are compared: all pairs of them are made. */
const MOST_COMPARED = 400;
/** Less is no difference that anybody feels. */
const FELT = Math.log(1.05);
/** An interval that reaches further on both sides shows nothing. */
const WIDE = Math.log(1.15);

/**
 * Was it the change? Sites that were changed against sites that were not, before and after: difference in differences of
 * the site's own shifts, with an interval over sites (two-sample t, Welch 1947), since attempts of one site are alike.
 */
export function proveChange(all: readonly SiteBeforeAfter[]): ChangeProof {
  const sites = all.map(changeOf);
  const shifts = (isChanged: boolean) =>
    sites.flatMap((one) => (one.isChanged === isChanged && one.factor !== null ? [Math.log(one.factor)] : []));
  const difference = meanDifference(shifts(true), shifts(false));
  if (!difference) return { sites, factor: null, verdict: 'tooLittle' };
  const { estimate, low, high } = difference;
  return {
    sites,
    factor: { estimate: Math.exp(estimate), low: Math.exp(low), high: Math.exp(high) },
    verdict: verdictOf(difference),
  };
}

function verdictOf({ estimate, low, high }: Interval): Verdict {
  if (high < 0 && estimate <= -FELT) return 'better';
  if (low > 0 && estimate >= FELT) return 'worse';
  return low < -WIDE && high > WIDE ? 'tooLittle' : 'noDifference';
}

function changeOf({ site, isChanged, before, after }: SiteBeforeAfter): SiteChange {
  const isKnown = before.excess.length >= FEWEST && after.excess.length >= FEWEST;
  const shift = isKnown ? hodgesLehmann(spread(after.excess), spread(before.excess)) : undefined;
  return {
    site,
    isChanged,
    attempts: [before.attempts, after.attempts],
    factor: shift === undefined ? null : Math.exp(shift),
    failed:
      before.attempts >= FEWEST && after.attempts >= FEWEST
        ? (shareDifference([after.failed, after.attempts], [before.failed, before.attempts]) ?? null)
        : null,
  };
}

/** Up to so many, evenly over all in their order of size. */
function spread(values: readonly number[]): number[] {
  const sorted = [...values].sort((a, b) => a - b);
  if (sorted.length <= MOST_COMPARED) return sorted;
  return Array.from(
    { length: MOST_COMPARED },
    (_, i) => sorted[Math.floor(((i + 0.5) * sorted.length) / MOST_COMPARED)] as number,
  );
}
