import { PROBE } from '../telemetry';
import { outcomeOf, SHORTEST_HANG_MS } from './outcome';

/**
 * What makes an attempt a good one. answered: neither failed nor hung; inTime: answered within a limit that was
 * promised, or within the limit that judged the attempt at its time where none was; reachable: answered, of the runs of
 * probes alone. Probes count in no other.
 */
export const INDICATORS = ['answered', 'inTime', 'reachable'] as const;
export type Indicator = (typeof INDICATORS)[number];

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
  if (indicator === 'inTime') return durationMs <= (limitMs ?? judgedMs ?? Infinity);
  return outcomeOf(durationMs, false, judgedMs) !== 'hung';
}

/**
 * Does it depend on the limit that judged an attempt whether it is good? Where not, that limit need not be learned, which
 * for a month of flows takes minutes.
 */
export const dependsOnJudge = (
  { indicator, limitMs }: { indicator: Indicator; limitMs?: number | undefined },
  durationMs: number,
): boolean => (indicator === 'inTime' ? limitMs === undefined : durationMs > SHORTEST_HANG_MS);

/** Does an attempt with these flags count for an indicator? Runs of probes for being reachable, all others else. */
export const isCountedRow = (indicator: Indicator, flags: number): boolean =>
  (indicator === 'reachable') === ((flags & PROBE) !== 0);
