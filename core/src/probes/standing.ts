import type { RunVerdict } from './judge';

/** silent: no run came for a while, so that nothing is known. */
export const PROBE_STANDINGS = ['broken', 'slow', 'probeTrouble', 'silent', 'good', 'unknown'] as const;
export type ProbeStanding = (typeof PROBE_STANDINGS)[number];

/** It is slow or broken: told of the application, not of the probe. */
export const isOff = (standing: ProbeStanding): boolean => standing === 'slow' || standing === 'broken';

/** Whether it says anything of the application. */
export const isTelling = (standing: ProbeStanding): boolean => standing === 'good' || isOff(standing);

/** One failed run may be chance: so many in a row make it a standing, and lead back. Common practice, no source. */
export const RUNS_IN_A_ROW = 2;
/** After so many runs that did not come the probe is silent. Common practice, no source. */
const RUNS_MISSED = 3;

export interface Standing {
  standing: ProbeStanding;
  /** begin of the first run that it rests on, or of the silence; `undefined` while nothing is known */
  sinceMs: number | undefined;
}

const BADNESS: Readonly<Record<RunVerdict, number>> = { good: 0, slow: 1, broken: 2, probeTrouble: -1 };
const OF_BADNESS = ['good', 'slow', 'broken'] as const;

/**
 * How a probe stands at a site after its runs. It gets worse, or better, when {@link RUNS_IN_A_ROW} runs say so without a
 * break. Runs of a runner in trouble neither confirm nor deny; when the last ones are such, that is the standing.
 *
 * @param runs oldest first
 * @param everyMs so often it is to run
 * @param heardMs begin of the last run of all, also of one that is not judged; of the last that is when left out
 */
export function standingOf(
  runs: readonly { atMs: number; verdict: RunVerdict }[],
  { everyMs, nowMs, heardMs }: { everyMs: number; nowMs: number; heardMs?: number | undefined },
): Standing {
  const last = runs.at(-1);
  if (!last) return { standing: 'unknown', sinceMs: undefined };
  if (nowMs - (heardMs ?? last.atMs) > (RUNS_MISSED + 1) * everyMs)
    return { standing: 'silent', sinceMs: last.atMs + everyMs };
  const trouble = runs.slice(runs.findLastIndex(({ verdict }) => verdict !== 'probeTrouble') + 1);
  if (trouble.length >= RUNS_IN_A_ROW) return { standing: 'probeTrouble', sinceMs: trouble[0]?.atMs };
  const telling = runs.filter(({ verdict }) => verdict !== 'probeTrouble');
  let now = 0;
  let sinceMs = telling[0]?.atMs;
  for (const [i, { verdict }] of telling.entries()) {
    const pair = telling.slice(Math.max(0, i - RUNS_IN_A_ROW + 1), i + 1).map((one) => BADNESS[one.verdict]);
    if (pair.length < RUNS_IN_A_ROW || BADNESS[verdict] === now) continue;
    const [least, most] = [Math.min(...pair), Math.max(...pair)];
    const next = least > now ? least : most < now ? most : now;
    if (next === now) continue;
    now = next;
    sinceMs = telling[i - RUNS_IN_A_ROW + 1]?.atMs;
  }
  if (telling.length === 0) return { standing: 'unknown', sinceMs: undefined };
  return { standing: OF_BADNESS[now as 0 | 1 | 2], sinceMs };
}
