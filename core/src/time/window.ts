export const SECOND_MS = 1000;
export const MINUTE_MS = 60 * SECOND_MS;
export const HOUR_MS = 60 * MINUTE_MS;
export const DAY_MS = 24 * HOUR_MS;
export const WEEK_MS = 7 * DAY_MS;

/** A stretch of event time in UTC milliseconds: `fromMs` included, `toMs` excluded. */
export interface Window {
  fromMs: number;
  toMs: number;
}

export const floorTo = (timeMs: number, stepMs: number): number => Math.floor(timeMs / stepMs) * stepMs;
export const ceilTo = (timeMs: number, stepMs: number): number => Math.ceil(timeMs / stepMs) * stepMs;

export const hoursOf = (window: Window): number => (window.toMs - window.fromMs) / HOUR_MS;

/** The part that two windows share; `undefined` when they do not meet. */
export function overlap(a: Window, b: Window): Window | undefined {
  const fromMs = Math.max(a.fromMs, b.fromMs);
  const toMs = Math.min(a.toMs, b.toMs);
  return fromMs < toMs ? { fromMs, toMs } : undefined;
}

/** Saturday or Sunday, in UTC. */
export function isWeekend(timeMs: number): boolean {
  // 1 January 1970 was a Thursday.
  const weekday = (Math.floor(timeMs / DAY_MS) + 4) % 7;
  return weekday === 0 || weekday === 6;
}

/**
 * A window in at most `most` steps of whole minutes (one more where it does not begin on one), and how many they are.
 */
export function stepsOf({ fromMs, toMs }: Window, most: number): { startMs: number; stepMs: number; n: number } {
  const stepMs = Math.max(MINUTE_MS, ceilTo((toMs - fromMs) / most, MINUTE_MS));
  const startMs = floorTo(fromMs, stepMs);
  return { startMs, stepMs, n: Math.max(1, Math.ceil((toMs - startMs) / stepMs)) };
}
