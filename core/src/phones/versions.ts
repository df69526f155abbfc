import { benjaminiHochberg, mannWhitney, rateRatio, wilson, type Interval } from '../stats';

/** What launches, crashes and sessions of one version came to; samples are fair ones. */
export interface VersionTally {
  version: string;
  launches: number;
  /** launches that ended in a crash; of a session the crashes, where launches name none */
  crashes: number;
  people: number;
  /** people who met a crash */
  peopleCrashed: number;
  /** milliseconds */
  coldStartsMs: readonly number[];
  warmStartsMs: readonly number[];
  /** sessions that tell of requests, errors and the like */
  sessions: number;
  requests: number;
  requestsFailed: number;
  /** of requests that did not fail, milliseconds */
  requestsMs: readonly number[];
  /** errors that the application caught */
  errors: number;
  /** shares of the processor, 0 to 1 */
  cpu: readonly number[];
  /** bytes */
  memory: readonly number[];
}

/** What versions are compared by. */
export const VERSION_MEASURES = [
  'crashes',
  'coldStart',
  'warmStart',
  'requestsFailed',
  'requestTime',
  'errors',
  'cpu',
  'memory',
] as const;
export type VersionMeasure = (typeof VERSION_MEASURES)[number];

export interface VersionFigures {
  version: string;
  /** crashes by launches, at most 1; `undefined` without launches */
  crashRate: Interval | undefined;
  /** share of people who met no crash */
  crashFree: Interval | undefined;
  /** against all other versions together, beyond chance over all that was compared */
  standsOut: {
    what: VersionMeasure;
    /** as often, or as much; Infinity where the others have none */
    times: number;
    isWorse: boolean;
  }[];
}

/** Chance of one false word among all that is said of versions. */
const FALSE_DISCOVERIES = 0.05;
/** Beyond chance, but by less than a twentieth: of many samples everything differs. */
const LEAST_DIFFERENCE = 0.05;

/**
 * Versions side by side, in the order given. What stands out is compared with all others together: events by what they
 * are counted of (ratio of rates, exact), samples by their ranks (Mann and Whitney), told as the ratio of medians; false
 * discoveries controlled over all of it (Benjamini and Hochberg 1995).
 */
export function versionFigures(tallies: readonly VersionTally[]): VersionFigures[] {
  const compared = tallies.flatMap((one) =>
    comparisons(
      one,
      tallies.filter((other) => other !== one),
    ),
  );
  const adjusted = benjaminiHochberg(compared.map(({ p }) => p));
  return tallies.map(({ version, launches, crashes, people, peopleCrashed }) => ({
    version,
    crashRate: wilson(Math.min(crashes, launches), launches),
    crashFree: wilson(people - peopleCrashed, people),
    standsOut: compared
      .filter(
        (one, i) =>
          one.version === version &&
          (adjusted[i] as number) < FALSE_DISCOVERIES &&
          Math.abs(one.times - 1) >= LEAST_DIFFERENCE,
      )
      .map(({ what, times }) => ({ what, times, isWorse: times > 1 })),
  }));
}

interface Comparison {
  version: string;
  what: VersionMeasure;
  times: number;
  p: number;
}

/** Counts, and of how many: launches, requests, sessions. */
const COUNTED = [
  ['crashes', 'crashes', 'launches'],
  ['requestsFailed', 'requestsFailed', 'requests'],
  ['errors', 'errors', 'sessions'],
] as const;

const SAMPLED = [
  ['coldStart', 'coldStartsMs'],
  ['warmStart', 'warmStartsMs'],
  ['requestTime', 'requestsMs'],
  ['cpu', 'cpu'],
  ['memory', 'memory'],
] as const;

function comparisons(own: VersionTally, others: readonly VersionTally[]): Comparison[] {
  const { version } = own;
  const sumOf = (value: (one: VersionTally) => number) => others.reduce((sum, one) => sum + value(one), 0);
  const counted = COUNTED.flatMap(([what, events, of]) => {
    const exposure = sumOf((one) => one[of]);
    if (!(own[of] > 0 && exposure > 0)) return [];
    const found = rateRatio(
      own[events],
      own[of],
      sumOf((one) => one[events]),
      exposure,
    );
    return found ? [{ version, what, times: found.ratio, p: found.p }] : [];
  });
  const sampled = SAMPLED.flatMap(([what, samples]) => {
    const [mine, theirs] = [own[samples], others.flatMap((one) => [...one[samples]])];
    const found = mannWhitney(mine, theirs);
    return found ? [{ version, what, times: middle(mine) / middle(theirs), p: found.p }] : [];
  });
  return [...counted, ...sampled];
}

const middle = (values: readonly number[]): number =>
  [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)] ?? NaN;
