/** What became of an attempt. Codes are their order on every chart. */
export const OUTCOMES = ['onTime', 'late', 'hung', 'failed'] as const;
export type Outcome = (typeof OUTCOMES)[number];

/** 0 for the best, more for worse: the order of `OUTCOMES`. */
export const badnessOf = (outcome: Outcome): number => OUTCOMES.indexOf(outcome);

export const OUTCOME_WORDS: Readonly<Record<Outcome, string>> = {
  onTime: 'on time',
  late: 'late',
  hung: 'hung',
  failed: 'failed',
};

const HANG_FACTOR = 10;
export const SHORTEST_HANG_MS = 30_000;

/** From here on an attempt counts as hung: ten times the limit, at least 30 s. */
export const hangLimitMs = (limitMs: number): number => Math.max(HANG_FACTOR * limitMs, SHORTEST_HANG_MS);

/**
 * @param limitMs what judges: the owner's limit or the upper normal bound; `undefined` while nothing is known,
 *   then only failures are told apart
 * @example outcomeOf(241, false, 240) // 'late'
 */
export function outcomeOf(durationMs: number, failed: boolean, limitMs: number | undefined): Outcome {
  if (failed) return 'failed';
  if (limitMs === undefined || durationMs <= limitMs) return 'onTime';
  return durationMs > hangLimitMs(limitMs) ? 'hung' : 'late';
}
