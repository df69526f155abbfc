import type { AttemptColumns } from '@toplens/core/telemetry';

interface Source {
  endMs: number;
  /** attempts of late, older ones counting less */
  weight: number;
  /** when it sent last, by this server's clock */
  seenMs: number;
}

/** Flows that sent nothing for so long hold nobody back: their silence is news. */
const SILENT_AFTER_MS = 20_000;
/** When nothing comes for so long, what came is all there is. */
const IDLE_AFTER_MS = 3_000;
/** Complete is what flows with so much of the traffic have reached: a few whose clock runs ahead do not count. */
const BULK = 0.3;
const FADING = 0.9;

/**
 * Up to when data is complete. It follows the bulk of what sends, not the one that is furthest ahead, and never runs
 * ahead of this server's clock: when that clock was wrong for a while, it comes back with it.
 */
export class Watermark {
  readonly #sources = new Map<number, Source>();
  #furthestMs = 0;
  #bulkMs = 0;
  #lastMs = -Infinity;

  constructor(storedMs: number) {
    this.#furthestMs = this.#bulkMs = storedMs;
  }

  /** Attempts have come. @param nowMs this server's clock */
  add(columns: AttemptColumns, nowMs: number): void {
    if (columns.n === 0) return;
    this.#lastMs = nowMs;
    for (const [flow, source] of this.#sources) {
      source.weight *= FADING;
      // A clock that was set back leaves moments that lie ahead.
      if (nowMs - source.seenMs > SILENT_AFTER_MS || source.seenMs > nowMs) this.#sources.delete(flow);
    }
    for (let i = 0; i < columns.n; i++) {
      const flow = columns.flow[i] as number;
      const endMs = (columns.startMs[i] as number) + (columns.durationMs[i] as number);
      if (endMs > nowMs) continue;
      this.#furthestMs = Math.max(this.#furthestMs, endMs);
      const source = this.#sources.get(flow);
      if (!source) this.#sources.set(flow, { endMs, weight: 1, seenMs: nowMs });
      else Object.assign(source, { endMs: Math.max(source.endMs, endMs), weight: source.weight + 1, seenMs: nowMs });
    }
    this.#bulkMs = Math.max(this.#bulkMs, this.#reachedByBulk());
  }

  #reachedByBulk(): number {
    const sources = [...this.#sources.values()].sort((a, b) => b.endMs - a.endMs);
    const all = sources.reduce((sum, { weight }) => sum + weight, 0);
    let reached = 0;
    for (const { endMs, weight } of sources) if ((reached += weight) >= BULK * all) return endMs;
    return 0;
  }

  /** @param isFinal nothing more is expected: all that came is complete */
  at(nowMs: number, isFinal = false): number {
    const isIdle = isFinal || nowMs - this.#lastMs > IDLE_AFTER_MS;
    return Math.min(isIdle ? this.#furthestMs : this.#bulkMs, nowMs);
  }

  /** It lies ahead of the clock: the clock was set back, and what is stored must say how far data really goes. */
  isAhead(nowMs: number): boolean {
    return this.#furthestMs > nowMs || this.#bulkMs > nowMs;
  }

  setBack(storedMs: number): void {
    this.#furthestMs = this.#bulkMs = storedMs;
  }
}
