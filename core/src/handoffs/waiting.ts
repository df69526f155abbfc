import type { Priority } from '../incidents';
import { MINUTE_MS } from '../time';
import type { HandoffState } from './state';

/** How long a handoff may wait at most, minutes: until it is accepted, and from then on until a fix is reported. */
export interface MayWait {
  accept: number;
  fix: number;
}

/** Common practice, no source: agreements of service desks by priority. */
export const MAY_WAIT: Readonly<Record<Priority, MayWait>> = {
  P1: { accept: 15, fix: 240 },
  P2: { accept: 30, fix: 480 },
  P3: { accept: 120, fix: 1_440 },
  P4: { accept: 480, fix: 4_320 },
};

/** When something was due, and for what it waits; undefined for a handoff that waits for no team. */
export interface Due {
  for: keyof MayWait;
  dueMs: number;
}

/**
 * @param handoff `sinceMs`: when it came into its state
 * @example dueOf({ state: 'sent', sinceMs: 0 }, MAY_WAIT.P1) // { for: 'accept', dueMs: 900_000 }
 */
export function dueOf({ state, sinceMs }: { state: HandoffState; sinceMs: number }, may: MayWait): Due | undefined {
  if (state === 'draft' || state === 'sent') return { for: 'accept', dueMs: sinceMs + may.accept * MINUTE_MS };
  if (state === 'taken' || state === 'inPart' || state === 'notProven')
    return { for: 'fix', dueMs: sinceMs + may.fix * MINUTE_MS };
  return undefined;
}
