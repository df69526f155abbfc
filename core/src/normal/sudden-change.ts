import { benjaminiHochberg, rateRatio, twoSidedP } from '../stats';
import { countsOf, type RecentCounts, type Stretches } from './recent';

/** What something did in the last minutes, and in the hour before. */
export interface RecentActivity<Subject> {
  subject: Subject;
  last: RecentCounts;
  before: RecentCounts;
}

export const activityOf = <Subject>(subject: Subject, { last, before }: Stretches): RecentActivity<Subject> => ({
  subject,
  last: countsOf(last),
  before: countsOf(before),
});

export type ChangedMeasure = 'attempts' | 'failures' | 'duration';

export interface SuddenChange<Subject> {
  subject: Subject;
  measure: ChangedMeasure;
  /** last against before; Infinity when there was none before */
  ratio: number;
  /** adjusted for all that was tried */
  p: number;
}

const FALSE_DISCOVERY = 0.001;
const LEAST_RATIO = 1.5;
const FEWEST = 5;

/**
 * Change without any rule: the last minutes against the hour before, for everything that runs. Counts by the exact test
 * of two Poisson rates, durations by Welch's test on their logarithms; with control of false discoveries over all
 * tried.
 *
 * @param lastMinutes, beforeMinutes lengths of the two stretches
 */
export function suddenChanges<Subject>(
  all: readonly RecentActivity<Subject>[],
  lastMinutes: number,
  beforeMinutes: number,
): SuddenChange<Subject>[] {
  const tried: SuddenChange<Subject>[] = [];
  for (const { subject, last, before } of all) {
    const volume = rateRatio(last.attempts, lastMinutes, before.attempts, beforeMinutes);
    if (volume && last.attempts + before.attempts >= FEWEST)
      tried.push({ subject, measure: 'attempts', ratio: volume.ratio, p: volume.p });
    if (last.attempts < FEWEST) continue;
    const failures =
      before.attempts > 0 ? rateRatio(last.failed, last.attempts, before.failed, before.attempts) : undefined;
    if (failures && last.failed + before.failed >= FEWEST)
      tried.push({ subject, measure: 'failures', ratio: failures.ratio, p: failures.p });
    const [m, n] = [last.attempts - last.failed, before.attempts - before.failed];
    const error = Math.sqrt(last.logSd ** 2 / m + before.logSd ** 2 / n);
    if (m >= FEWEST && n >= FEWEST && error > 0)
      tried.push({
        subject,
        measure: 'duration',
        ratio: Math.exp(last.logMean - before.logMean),
        p: twoSidedP((last.logMean - before.logMean) / error),
      });
  }
  const adjusted = benjaminiHochberg(tried.map((one) => one.p));
  return tried
    .map((one, i) => ({ ...one, p: adjusted[i] as number }))
    .filter((one) => one.p <= FALSE_DISCOVERY && (one.ratio >= LEAST_RATIO || one.ratio <= 1 / LEAST_RATIO))
    .sort((a, b) => a.p - b.p || Math.abs(Math.log(b.ratio)) - Math.abs(Math.log(a.ratio)));
}
