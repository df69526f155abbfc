/** A source whose clock runs ahead of this server's: what it dates too far ahead is refused. */
export interface SourceClock {
  component: string;
  host: string;
  /** how far ahead its newest record was, milliseconds */
  aheadMs: number;
  /** records refused since then */
  refused: number;
  sinceMs: number;
  lastMs: number;
}

const MOST_SOURCES = 200;
/** A source that sent nothing wrong for so long has a right clock again. */
const FORGOTTEN_AFTER_MS = 15 * 60_000;

/** Sources whose records are dated ahead of this server's clock; each is told, and forgotten once it is right again. */
export class SourceClocks {
  readonly #sources = new Map<string, SourceClock>();

  constructor(private readonly now: () => number) {}

  /** A record of a source was refused, since it is dated ahead. */
  note(component: string, host: string, atMs: number): void {
    const key = `${component}\u001f${host}`;
    const nowMs = this.now();
    const known = this.#sources.get(key);
    if (known) Object.assign(known, { aheadMs: atMs - nowMs, refused: known.refused + 1, lastMs: nowMs });
    else if (this.#sources.size < MOST_SOURCES)
      this.#sources.set(key, { component, host, aheadMs: atMs - nowMs, refused: 1, sinceMs: nowMs, lastMs: nowMs });
  }

  /** Those that are wrong now, the busiest first. */
  get list(): SourceClock[] {
    const nowMs = this.now();
    for (const [key, { lastMs }] of this.#sources)
      if (nowMs - lastMs > FORGOTTEN_AFTER_MS || lastMs > nowMs) this.#sources.delete(key);
    return [...this.#sources.values()].sort((a, b) => b.refused - a.refused);
  }
}
