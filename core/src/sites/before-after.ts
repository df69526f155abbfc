import { meanDifference, median, shareDifference, type Interval } from '../stats';
import { DAY_MS, floorTo, HOUR_MS, WEEK_MS } from '../time';

/** What a site did in one of two times. */
export interface SiteTime {
  /** ln(duration / what is usual for its activity) of what ended well */
  excess: readonly number[];
  /** in which stratum each of them began, see `stratumOf` */
  stratum: readonly number[];
  attempts: number;
  failed: number;
}

/**
 * Like is compared with like: by the hour of the week where both times are a week long, by the hour of the day where they
 * are a day long, else all with all.
 */
export const STRATA = ['hourOfWeek', 'hourOfDay', 'none'] as const;
export type Strata = (typeof STRATA)[number];

/** @param lengthMs of each of the two times */
export const strataFor = (lengthMs: number): Strata =>
  lengthMs >= WEEK_MS ? 'hourOfWeek' : lengthMs >= DAY_MS ? 'hourOfDay' : 'none';

/** Number of the stratum that a moment lies in; hours are those of UTC, the same in both times. */
export function stratumOf(timeMs: number, strata: Strata): number {
  if (strata === 'none') return 0;
  return floorTo(timeMs, HOUR_MS) % (strata === 'hourOfWeek' ? WEEK_MS : DAY_MS);
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
  /** so many times as long as before (Hodges–Lehmann of the logarithms within strata); null: too few */
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
/** So many pairs of a site are compared. */
const MOST_PAIRS = 160_000;
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
  const shift = isKnown ? shiftWithin(before, after) : undefined;
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

/**
 * How much larger the logarithms became: the middle of all differences of an attempt after and one before that began in
 * the same stratum (Hodges & Lehmann 1963, within strata as the test of van Elteren 1960 pairs them).
 *
 * @returns `undefined` when no stratum has both
 */
function shiftWithin(before: SiteTime, after: SiteTime): number | undefined {
  const [then, now] = [byStratum(before), byStratum(after)];
  const common = [...now.keys()].filter((stratum) => then.has(stratum));
  const most = Math.max(2, Math.floor(Math.sqrt(MOST_PAIRS / Math.max(1, common.length))));
  const differences: number[] = [];
  for (const stratum of common) {
    const earlier = spread(then.get(stratum) ?? [], most);
    for (const value of spread(now.get(stratum) ?? [], most)) for (const one of earlier) differences.push(value - one);
  }
  return median(differences);
}

function byStratum({ excess, stratum }: SiteTime): Map<number, number[]> {
  const strata = new Map<number, number[]>();
  excess.forEach((value, i) => {
    const of = stratum[i] ?? 0;
    const own = strata.get(of);
    if (own) own.push(value);
    else strata.set(of, [value]);
  });
  return strata;
}

/** Up to so many, evenly over all in their order of size. */
function spread(values: readonly number[], most: number): number[] {
  const sorted = [...values].sort((a, b) => a - b);
  if (sorted.length <= most) return sorted;
  return Array.from({ length: most }, (_, i) => sorted[Math.floor(((i + 0.5) * sorted.length) / most)] as number);
}
