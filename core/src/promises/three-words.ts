import { HURTING_SPREADS, STRAINED_SPREADS } from '../normal';
import { wilson, type Interval } from '../stats';

/** How a share or a volume compares with what is usual; unknown: nothing to compare with, or too little came. */
export const STANDINGS = ['asUsual', 'worse', 'farWorse', 'unknown'] as const;
export type StandingWord = (typeof STANDINGS)[number];
export const USES = ['asUsual', 'less', 'none', 'more', 'unknown'] as const;
export type UseWord = (typeof USES)[number];

/** Attempts of an application that went wrong in one way, and how many do as usual. */
export interface WrongCounts {
  attempts: number;
  wrong: number;
  /** expected of just these attempts; NaN while nothing is learned */
  usual: number;
}

/** Fewer attempts say nothing about a share. */
const FEWEST = 30;
/** Attempts go wrong in runs: their count varies more than single ones would. A round figure of ours. */
const DISPERSION = 2;
/** So much more is far worse, whatever the spread; and less than this is no change that anybody notices. */
const FAR_SHARE = 0.2;
const LEAST_SHARE = 0.01;

/**
 * The word for a share of attempts gone wrong, and the share of good ones behind it with its 95 % interval (Wilson).
 *
 * @example standingOf({ attempts: 1000, wrong: 80, usual: 40 }) // word 'worse': 8 % against 4 %, 4.6 spreads
 */
export function standingOf({ attempts, wrong, usual }: WrongCounts): {
  word: StandingWord;
  good: Interval | undefined;
} {
  const good = wilson(attempts - wrong, attempts);
  if (attempts < FEWEST || Number.isNaN(usual)) return { word: 'unknown', good };
  const spread = Math.sqrt(DISPERSION * Math.max(1, usual * (1 - usual / attempts)));
  const spreads = (wrong - usual) / spread;
  const more = (wrong - usual) / attempts;
  if (spreads < STRAINED_SPREADS || more < LEAST_SHARE) return { word: 'asUsual', good };
  return { word: spreads >= HURTING_SPREADS && more >= FAR_SHARE ? 'farWorse' : 'worse', good };
}

/** What is expected to come: mean, spread of that as a share of it, and variance of counts as a multiple of the mean. */
export interface ExpectedVolume {
  mean: number;
  spread: number;
  dispersion: number;
}

/** The word for how much an application is used, and the usual range that is behind it: three spreads to each side. */
export function usageOf(
  attempts: number,
  { mean, spread, dispersion }: ExpectedVolume,
): { word: UseWord; low: number; high: number } {
  const wide = STRAINED_SPREADS * Math.sqrt(mean * dispersion + (mean * spread) ** 2);
  const [low, high] = [Math.max(0, mean - wide), mean + wide];
  if (!(mean > 0)) return { word: 'unknown', low: 0, high: 0 };
  if (attempts === 0 && low > 0) return { word: 'none', low, high };
  return { word: attempts < low ? 'less' : attempts > high ? 'more' : 'asUsual', low, high };
}

/** Volumes of several flows together: their means add up; what makes a day busy makes it busy for all of them. */
export function addVolumes(volumes: readonly ExpectedVolume[]): ExpectedVolume {
  const mean = volumes.reduce((sum, one) => sum + one.mean, 0);
  const weighted = (of: (one: ExpectedVolume) => number) =>
    mean > 0 ? volumes.reduce((sum, one) => sum + of(one) * one.mean, 0) / mean : 0;
  return { mean, spread: weighted(({ spread }) => spread), dispersion: weighted(({ dispersion }) => dispersion) };
}
