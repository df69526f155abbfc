/** What something did in a stretch of time. */
export interface RecentCounts {
  attempts: number;
  failed: number;
  /**
   * mean and standard deviation of the logarithms of the durations in milliseconds of what did not fail; NaN when there
   * are none
   */
  logMean: number;
  logSd: number;
}

/** The same as sums, so that parts can be added up. */
export interface RecentSums {
  attempts: number;
  failed: number;
  /** sum of the logarithms of the durations in milliseconds of what did not fail, and of their squares */
  logSum: number;
  logSquares: number;
}

export const noSums = (): RecentSums => ({ attempts: 0, failed: 0, logSum: 0, logSquares: 0 });

export const addSums = (a: RecentSums, b: RecentSums): RecentSums => ({
  attempts: a.attempts + b.attempts,
  failed: a.failed + b.failed,
  logSum: a.logSum + b.logSum,
  logSquares: a.logSquares + b.logSquares,
});

/** Sums of the last minutes and of the hour before. */
export interface Stretches {
  last: RecentSums;
  before: RecentSums;
}

export const noStretches = (): Stretches => ({ last: noSums(), before: noSums() });

/** The same with more of one stretch. */
export const withSums = ({ last, before }: Stretches, isLast: boolean, sums: RecentSums): Stretches =>
  isLast ? { last: addSums(last, sums), before } : { last, before: addSums(before, sums) };

/** Durations below a hundredth of a millisecond are no measurement: they count as that. */
const SHORTEST_MS = 0.01;

export function recordInPlace(sums: RecentSums, durationMs: number, failed: boolean): void {
  sums.attempts++;
  if (failed) {
    sums.failed++;
    return;
  }
  const log = Math.log(Math.max(SHORTEST_MS, durationMs));
  sums.logSum += log;
  sums.logSquares += log * log;
}

/** Sums as what is compared. */
export function countsOf({ attempts, failed, logSum, logSquares }: RecentSums): RecentCounts {
  const n = attempts - failed;
  const logMean = n > 0 ? logSum / n : NaN;
  return { attempts, failed, logMean, logSd: n > 0 ? Math.sqrt(Math.max(0, logSquares / n - logMean ** 2)) : NaN };
}
