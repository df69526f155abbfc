import { HOUR_MS, MINUTE_MS } from '@toplens/core/time';

interface Touched {
  sinceMs: number;
  lastMs: number;
}

/** An hour that ended so long ago is old: what comes into it comes late, or from a history that is being loaded. */
const OLD_MS = 30 * MINUTE_MS;
/** An old hour is judged when nothing has come into it for so long: half of an hour looks like an outage in its other half. */
const QUIET_MS = 4_000;
/** But no hour waits longer, however late data trickles in. */
const LONGEST_WAIT_MS = 30_000;

/** Hours whose attempts, or what judges them, changed since they were judged. Times are of the server's clock. */
export class ChangedHours {
  readonly #hours = new Map<number, Touched>();

  /** Attempts came into an hour. */
  touch(hourMs: number, nowMs: number): void {
    const known = this.#hours.get(hourMs);
    if (known) known.lastMs = nowMs;
    else this.#hours.set(hourMs, { sinceMs: nowMs, lastMs: nowMs });
  }

  /** It is to be judged at once. */
  add(hourMs: number): void {
    this.#hours.set(hourMs, { sinceMs: -Infinity, lastMs: -Infinity });
  }

  has(isFinal: boolean, nowMs: number): boolean {
    return this.#due(isFinal, nowMs).length > 0;
  }

  /** Hours to judge now; they are forgotten. @param isFinal nothing is waited for */
  take(isFinal: boolean, nowMs: number): number[] {
    const due = this.#due(isFinal, nowMs);
    for (const hourMs of due) this.#hours.delete(hourMs);
    return due;
  }

  #due(isFinal: boolean, nowMs: number): number[] {
    return [...this.#hours]
      .filter(([hourMs, { sinceMs, lastMs }]) => {
        const isOld = hourMs + HOUR_MS < nowMs - OLD_MS;
        // A clock that was set back leaves moments that lie ahead.
        const isWaiting = nowMs >= lastMs && nowMs - lastMs < QUIET_MS && nowMs - sinceMs < LONGEST_WAIT_MS;
        return isFinal || !isOld || !isWaiting;
      })
      .map(([hourMs]) => hourMs);
  }
}
