import { DAY_MS, HOUR_MS, MINUTE_MS, SECOND_MS } from '@toplens/core/time';
import { Problem } from '../errors';
import { addFailure, forgetFailures, loadFailures } from '../store/accounts';
import type { Database } from '../store/database';
import { hashOf } from '../store/secrets';

/** Wrong ones in a row before anybody waits. */
const FREE_FAILURES = 5;
const LONGEST_WAIT_MS = 15 * MINUTE_MS;
/** NIST SP 800-63B-4, 3.2.2: no more wrong ones in a row than so many; then it is another day. */
const MOST_FAILURES = 100;

/** Behind so many wrong ones in a row: 8, 16, 32 … seconds, up to a quarter of an hour; a day behind a hundred. */
export function waitAfter(failures: number): number {
  if (failures < FREE_FAILURES) return 0;
  if (failures >= MOST_FAILURES) return DAY_MS;
  return Math.min(LONGEST_WAIT_MS, 2 ** Math.min(30, failures - FREE_FAILURES + 3) * SECOND_MS);
}

/**
 * Slows whoever tries passwords and codes, by what they are tried on, whether somebody has that account or not. In the
 * database: neither a start nor another address makes anybody faster.
 */
export class Throttle {
  #turn: Promise<unknown> = Promise.resolve();

  constructor(private readonly database: Database) {}

  /**
   * Does what may fail, unless it has failed too often.
   *
   * @throws Problem 'tooMany' while it has to be waited; nothing is tried then
   */
  async tried<T>(what: string, nowMs: number, attempt: () => Promise<T | undefined>): Promise<T | undefined> {
    const key = hashOf(what);
    // One after the other, and counted before it is known: many tries at the same moment count each.
    const counted = this.#turn.then(() => this.#count(key, nowMs));
    this.#turn = counted.catch(() => undefined);
    await counted;
    const done = await attempt();
    if (done !== undefined) await forgetFailures(this.database, key);
    return done;
  }

  /** What was tried holds no longer: another password was chosen. */
  forget(what: string): Promise<unknown> {
    return forgetFailures(this.database, hashOf(what));
  }

  async #count(key: string, nowMs: number): Promise<void> {
    const { failures, lastMs } = await loadFailures(this.database, key);
    const waitMs = lastMs + waitAfter(failures) - nowMs;
    if (failures >= FREE_FAILURES && waitMs > 0) {
      const retryAfterS = Math.ceil(waitMs / SECOND_MS);
      throw new Problem('tooMany', `Too many wrong tries. Wait ${waitWords(waitMs)}, then try again.`, { retryAfterS });
    }
    await addFailure(this.database, key, nowMs);
  }
}

function waitWords(ms: number): string {
  if (ms < 2 * MINUTE_MS) return `${Math.ceil(ms / SECOND_MS)} seconds`;
  return ms < 2 * HOUR_MS ? `${Math.ceil(ms / MINUTE_MS)} minutes` : `${Math.ceil(ms / HOUR_MS)} hours`;
}
