import type { AttemptColumns } from '@toplens/core/telemetry';
import { MINUTE_MS, type Window } from '@toplens/core/time';

interface Taken {
  atMs: number;
  attempts: number;
  /** of those that are of before: how many, the earliest start and the latest end */
  old: { attempts: number } & Window;
}

/** What ended longer ago is not news. */
const OLD_MS = 30 * MINUTE_MS;
/** What came in so long ago is not coming in any more. */
const MEMORY_MS = 20_000;
/** A phone that was away sends some hundred attempts late; a file or a history is more. */
const FEWEST = 1_000;

/** Of when the data is that is just coming in: a history that is being loaded is told, and one phone that was away is not. */
export class ComingIn {
  #taken: Taken[] = [];

  /** @param now this server's clock */
  constructor(private readonly now: () => number) {}

  add(columns: AttemptColumns): void {
    const nowMs = this.now();
    const old = { attempts: 0, fromMs: Infinity, toMs: -Infinity };
    for (let i = 0; i < columns.n; i++) {
      const startMs = columns.startMs[i] as number;
      const endMs = startMs + (columns.durationMs[i] as number);
      if (endMs > nowMs - OLD_MS) continue;
      old.attempts++;
      old.fromMs = Math.min(old.fromMs, startMs);
      old.toMs = Math.max(old.toMs, endMs);
    }
    this.#taken.push({ atMs: nowMs, attempts: columns.n, old });
    this.#forget(nowMs);
  }

  /** When what comes in is from, if most of it is of before; null when it is of now. */
  get earlier(): Window | null {
    this.#forget(this.now());
    const attempts = this.#taken.reduce((sum, taken) => sum + taken.attempts, 0);
    const old = this.#taken.reduce((sum, taken) => sum + taken.old.attempts, 0);
    if (old < FEWEST || old < attempts / 2) return null;
    const newest = this.#taken.findLast((taken) => taken.old.attempts > 0) as Taken;
    return { fromMs: newest.old.fromMs, toMs: newest.old.toMs };
  }

  /** What is ahead of a clock that was set back goes too. */
  #forget(nowMs: number): void {
    this.#taken = this.#taken.filter(({ atMs }) => atMs <= nowMs && nowMs - atMs <= MEMORY_MS);
  }
}
