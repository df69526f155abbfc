import { attemptBetween, type AttemptMark } from '@toplens/core/flows';
import { RecordRefused, type Attempt } from '@toplens/core/telemetry';
import type { ReceivedMark } from '../store/attempt-marks';

/** No mark is waited for longer than a day after it came. */
export const LONGEST_WAIT_MS = 25 * 3600_000;
const MOST_HELD = 100_000;

interface Begun extends ReceivedMark {
  isClosed: boolean;
}

/**
 * Attempts that were begun and have not ended, as the application itself told (`toplens.begin`, `toplens.end`). What is
 * noted twice makes the same attempt twice, which is stored once: so nothing depends on when this was begun anew.
 */
export class OpenAttempts {
  readonly #begun = new Map<string, Begun>();
  readonly #ends = new Map<string, ReceivedMark>();

  /**
   * Notes a begin or an end, whichever comes first.
   *
   * @returns the attempt, when both are known
   * @throws RecordRefused when too many are waited for
   */
  note(mark: AttemptMark, receivedMs: number): Attempt | undefined {
    const [own, other] = mark.isEnd ? [this.#ends, this.#begun] : [this.#begun, this.#ends];
    if (own.size >= MOST_HELD && !own.has(mark.id))
      throw new RecordRefused(
        `toplens.attempt.id: ${MOST_HELD} attempts are open at a time at most; send ends, or a shorter toplens.idle`,
      );
    const known = this.#begun.get(mark.id);
    if (mark.isEnd) this.#ends.set(mark.id, { mark, receivedMs });
    else if (!known) this.#begun.set(mark.id, { mark, receivedMs, isClosed: other.has(mark.id) });
    const begun = this.#begun.get(mark.id);
    const end = this.#ends.get(mark.id);
    if (!begun || !end) return undefined;
    begun.isClosed = true;
    return attemptBetween(begun.mark, end.mark);
  }

  /** Begins of attempts for whose end nobody waits any longer. They stay due until they are closed. */
  due(nowMs: number): AttemptMark[] {
    return [...this.#begun.values()]
      .filter(({ mark, receivedMs, isClosed }) => !isClosed && receivedMs + mark.idleMs < nowMs)
      .map(({ mark }) => mark);
  }

  close({ id }: AttemptMark): void {
    const begun = this.#begun.get(id);
    if (begun) begun.isClosed = true;
  }

  /** How many were begun and are waited for. */
  get open(): number {
    return [...this.#begun.values()].filter(({ isClosed }) => !isClosed).length;
  }

  /** Lets go of what nothing can come for any more. */
  forget(nowMs: number): void {
    for (const held of [this.#begun, this.#ends])
      for (const [id, { receivedMs }] of held) if (receivedMs + LONGEST_WAIT_MS < nowMs) held.delete(id);
  }
}
