import type { ProbeLimit } from './script';

/** probeTrouble: the runner's own check failed, so that the run says nothing of the application. */
export const RUN_VERDICTS = ['good', 'slow', 'broken', 'probeTrouble'] as const;
export type RunVerdict = (typeof RUN_VERDICTS)[number];

/** What is judged of a run. */
export interface JudgedRun {
  failed: boolean;
  /** of the runner; '' when it is well */
  fault: string;
  steps: readonly { name: string; durationMs: number; failed: boolean }[];
}

export interface RunJudgement {
  verdict: RunVerdict;
  /** the step that it is judged by; '' when none is to blame */
  step: string;
  /** the limit that it went over; undefined where it failed outright or nothing is wrong */
  limitMs: number | undefined;
}

/** The limit of a step at a site: its own, else that of all sites; `undefined` without. */
export const limitOf = (limits: readonly ProbeLimit[], step: string, site: string): ProbeLimit | undefined =>
  limits.find((one) => one.step === step && one.site === site) ??
  limits.find((one) => one.step === step && one.site === undefined);

/**
 * A run by the limits in force when it was made. Broken: a step failed, or took as long as if it had. Slow: a step was
 * slower than is asked for. The first step of the worst kind is named.
 *
 * @example judgeRun(run, [{ step: 'Sign in', slowMs: 2000, brokenMs: 10000 }], 'Brackwater')
 */
export function judgeRun(
  { failed, fault, steps }: JudgedRun,
  limits: readonly ProbeLimit[],
  site: string,
): RunJudgement {
  if (fault !== '') return { verdict: 'probeTrouble', step: '', limitMs: undefined };
  const judged = steps.map(({ name, durationMs, failed: isFailed }) => {
    const limit = limitOf(limits, name, site);
    if (isFailed) return { verdict: 'broken' as const, step: name, limitMs: undefined };
    if (limit && durationMs > limit.brokenMs)
      return { verdict: 'broken' as const, step: name, limitMs: limit.brokenMs };
    if (limit && durationMs > limit.slowMs) return { verdict: 'slow' as const, step: name, limitMs: limit.slowMs };
    return { verdict: 'good' as const, step: '', limitMs: undefined };
  });
  const worst = judged.find(({ verdict }) => verdict === 'broken') ?? judged.find(({ verdict }) => verdict === 'slow');
  if (worst?.verdict === 'broken') return worst;
  // A runner that gave up between steps tells it of the run alone.
  if (failed) return { verdict: 'broken', step: '', limitMs: undefined };
  return worst ?? { verdict: 'good', step: '', limitMs: undefined };
}
