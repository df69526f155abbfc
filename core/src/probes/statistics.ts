import { quantileSorted, sortedCopy, wilson, type Interval } from '../stats';
import type { RunVerdict } from './judge';

/** What many runs of one probe from one site come to. */
export interface ProbeStatistics {
  runs: number;
  good: number;
  slow: number;
  broken: number;
  /** of the runner itself: they tell nothing of the application, and count nowhere else */
  probeTrouble: number;
  /** share of the telling runs that were not broken, with its 95 % interval (Wilson 1927); `undefined` without any */
  reachable: Interval | undefined;
  /** of telling runs, milliseconds */
  medianMs: number | undefined;
  p95Ms: number | undefined;
  /** runs that should have come by the schedule and did not, the first and the last step of it left open */
  missed: number;
}

/** @param runs oldest first */
export function statisticsOf(
  runs: readonly { atMs: number; durationMs: number; verdict: RunVerdict }[],
  everyMs: number,
): ProbeStatistics {
  const count = (wanted: RunVerdict) => runs.filter(({ verdict }) => verdict === wanted).length;
  const telling = runs.filter(({ verdict }) => verdict !== 'probeTrouble');
  const durations = sortedCopy(telling.map(({ durationMs }) => durationMs));
  const broken = count('broken');
  const [first, last] = [runs[0], runs.at(-1)];
  const expected = first && last ? Math.round((last.atMs - first.atMs) / everyMs) + 1 : 0;
  return {
    runs: runs.length,
    good: count('good'),
    slow: count('slow'),
    broken,
    probeTrouble: count('probeTrouble'),
    reachable: wilson(telling.length - broken, telling.length),
    medianMs: quantileSorted(durations, 0.5),
    p95Ms: quantileSorted(durations, 0.95),
    missed: Math.max(0, expected - runs.length),
  };
}
