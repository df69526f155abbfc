import { PROBE } from '../telemetry';
import { outcomeOf, SHORTEST_HANG_MS } from './outcome';

/**
 * What a promise counts as good.
 *
 * - answered: an attempt that neither failed nor hung
 * - inTime: an attempt answered within a limit that was promised, or within the limit that judged it where none was
 * - people: somebody of whose attempts at a flow in an hour enough were in time
 * - views: a page view of which every vital that was told is good
 * - crashFree: a launch of a phone application that neither failed nor ended in a crash
 * - reachable: a run of a probe that was answered; probes count in no other
 */
export const INDICATORS = ['answered', 'inTime', 'people', 'views', 'crashFree', 'reachable'] as const;
export type Indicator = (typeof INDICATORS)[number];

/** Can single attempts tell it? Vitals and crashes come apart from the attempts that they belong to. */
export const isToldByAttempts = (indicator: Indicator): boolean => indicator !== 'views' && indicator !== 'crashFree';

const isByTime = (indicator: Indicator): boolean => indicator === 'inTime' || indicator === 'people';

/**
 * Is an attempt a good one?
 *
 * @param judgedMs the limit that judged the attempt at its time; `undefined` while none is known
 * @example isGoodAttempt({ indicator: 'inTime', limitMs: 1200 }, { durationMs: 1300, isFailed: false }, undefined) // false
 */
export function isGoodAttempt(
  { indicator, limitMs }: { indicator: Indicator; limitMs?: number | undefined },
  { durationMs, isFailed }: { durationMs: number; isFailed: boolean },
  judgedMs: number | undefined,
): boolean {
  if (isFailed) return false;
  if (isByTime(indicator)) return durationMs <= (limitMs ?? judgedMs ?? Infinity);
  return outcomeOf(durationMs, false, judgedMs) !== 'hung';
}

/**
 * Does it depend on the limit that judged an attempt whether it is good? Where not, that limit need not be learned, which
 * for a month of flows takes minutes.
 */
export const dependsOnJudge = (
  { indicator, limitMs }: { indicator: Indicator; limitMs?: number | undefined },
  durationMs: number,
): boolean => (isByTime(indicator) ? limitMs === undefined : durationMs > SHORTEST_HANG_MS);

/** Does an attempt with these flags count for an indicator? Runs of probes for being reachable, all others else. */
export const isCountedRow = (indicator: Indicator, flags: number): boolean =>
  (indicator === 'reachable') === ((flags & PROBE) !== 0);
