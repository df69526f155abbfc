import { MINUTE_MS, type Window } from '@toplens/core/time';

/** Change without any rule compares the last minutes with the time before them: so many of each. */
export const LAST_MINUTES = 5;
export const BEFORE_MINUTES = 60;

/** The last minutes before a moment, and what they are compared with. */
export function lastMinutes(toMs: number): { window: Window; before: Window } {
  const fromMs = toMs - LAST_MINUTES * MINUTE_MS;
  return { window: { fromMs, toMs }, before: { fromMs: fromMs - BEFORE_MINUTES * MINUTE_MS, toMs: fromMs } };
}
