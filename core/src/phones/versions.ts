import { benjaminiHochberg, mannWhitney, rateRatio, wilson, type Interval } from '../stats';

/** What launches and crashes of one version came to. */
export interface VersionTally {
  version: string;
  launches: number;
  /** launches that ended in a crash; of a session the crashes, where launches name none */
  crashes: number;
  people: number;
  /** people who met a crash */
  peopleCrashed: number;
  /** cold starts, milliseconds, a fair sample */
  coldStartsMs: readonly number[];
}

export interface VersionFigures {
  version: string;
  launches: number;
  crashes: number;
  people: number;
  peopleCrashed: number;
  /** crashes by launches, at most 1; `undefined` without launches */
  crashRate: Interval | undefined;
  /** share of people who met no crash */
  crashFree: Interval | undefined;
  /** against all other versions together, beyond chance over all that was compared */
  standsOut: {
    what: 'crashes' | 'coldStart';
    /** as often, or as long; Infinity where the others have none */
    times: number;
    isWorse: boolean;
  }[];
}

/** Chance of one false word among all that is said of versions. */
const FALSE_DISCOVERIES = 0.05;

/**
 * Versions side by side, in the order given. What stands out is compared with all others together: crashes by launches
 * (ratio of rates), cold starts (rank test, with the ratio of medians), false discoveries controlled over all of it.
 */
export function versionFigures(tallies: readonly VersionTally[]): VersionFigures[] {
  const compared = tallies.flatMap((one) =>
    comparisons(
      one,
      tallies.filter((other) => other !== one),
    ),
  );
  const adjusted = benjaminiHochberg(compared.map(({ p }) => p));
  return tallies.map(({ coldStartsMs: _starts, ...tally }) => ({
    ...tally,
    crashRate: wilson(Math.min(tally.crashes, tally.launches), tally.launches),
    crashFree: wilson(tally.people - tally.peopleCrashed, tally.people),
    standsOut: compared
      .filter(({ version }, i) => version === tally.version && (adjusted[i] as number) < FALSE_DISCOVERIES)
      .map(({ what, times }) => ({ what, times, isWorse: times > 1 })),
  }));
}

interface Comparison {
  version: string;
  what: 'crashes' | 'coldStart';
  times: number;
  p: number;
}

function comparisons(own: VersionTally, others: readonly VersionTally[]): Comparison[] {
  const sumOf = (value: (one: VersionTally) => number) => others.reduce((sum, one) => sum + value(one), 0);
  const { version } = own;
  const launches = sumOf((one) => one.launches);
  const crashes =
    own.launches > 0 && launches > 0
      ? rateRatio(
          own.crashes,
          own.launches,
          sumOf((one) => one.crashes),
          launches,
        )
      : undefined;
  const [starts, usual] = [own.coldStartsMs, others.flatMap(({ coldStartsMs }) => [...coldStartsMs])];
  const slower = mannWhitney(starts, usual);
  return [
    ...(crashes ? [{ version, what: 'crashes' as const, times: crashes.ratio, p: crashes.p }] : []),
    ...(slower ? [{ version, what: 'coldStart' as const, times: middle(starts) / middle(usual), p: slower.p }] : []),
  ];
}

const middle = (values: readonly number[]): number =>
  [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)] ?? NaN;
