/** `[url, type, start ms, duration ms, bytes, missing 0|1]`, and of a call its trace and span id. */
export type ResourceRow = [
  url: string,
  type: string,
  startMs: number,
  durationMs: number,
  bytes: number,
  missing: 0 | 1,
  traceId?: string,
  spanId?: string,
];

/** What is not there after so long is said to be missing, until it comes. */
const PATIENCE_MS = 4_000;
const MOST_ROWS = 60;
const MOST_CHARACTERS = 7_500;
const round = (ms: number) => Math.round(ms * 10) / 10;
const withoutQuery = (url: string) => url.replace(/[?#].*$/, '').slice(0, 200);

/** Everything that the page fetched: from the browser's own timing, from errors, and from pictures that do not come. */
export class Resources {
  readonly #entries: PerformanceResourceTiming[] = [];
  readonly #failed = new Map<string, { type: string; atMs: number }>();
  readonly #calls: ResourceRow[] = [];

  constructor(private readonly ownUrl: string) {
    new PerformanceObserver((list) =>
      this.#entries.push(...(list.getEntries() as PerformanceResourceTiming[])),
    ).observe({ type: 'resource', buffered: true });
    // Errors of pictures, styles and scripts do not bubble, but they can be captured on the way down.
    addEventListener('error', ({ target }) => this.#noteFailure(target), true);
  }

  #noteFailure(target: EventTarget | null): void {
    if (!(target instanceof HTMLElement)) return;
    const { src, href } = target as { src?: unknown; href?: unknown };
    const url = src || href;
    if (typeof url === 'string') this.#failed.set(url, { type: target.tagName.toLowerCase(), atMs: performance.now() });
  }

  addCall(row: ResourceRow): void {
    this.#calls.push(row);
  }

  /** Those that began at or after a moment, missing and slow ones first when there are too many. */
  since(fromMs: number): { rows: ResourceRow[]; more: number } {
    const rows = new Map<string, ResourceRow>();
    const isCall = (type: string) => type === 'fetch' || type === 'xmlhttprequest' || type === 'beacon';
    for (const entry of this.#entries) {
      if (entry.startTime < fromMs || isCall(entry.initiatorType) || entry.name.startsWith(this.ownUrl)) continue;
      const isMissing = this.#failed.has(entry.name) || (entry as { responseStatus?: number }).responseStatus! >= 400;
      rows.set(entry.name, [
        entry.name,
        entry.initiatorType,
        entry.startTime - fromMs,
        entry.duration,
        entry.transferSize,
        isMissing ? 1 : 0,
      ]);
    }
    for (const [url, { type, atMs }] of this.#failed)
      if (atMs >= fromMs && !rows.has(url)) rows.set(url, [url, type, atMs - fromMs, 0, 0, 1]);
    const waitedMs = performance.now() - fromMs;
    for (const { complete, currentSrc, src } of document.images) {
      const url = currentSrc || src;
      if (!complete && url && !rows.has(url) && waitedMs > PATIENCE_MS) rows.set(url, [url, 'img', 0, waitedMs, 0, 1]);
    }
    const calls = this.#calls
      .filter(([, , startMs]) => startMs >= fromMs)
      .map(([url, type, startMs, ...rest]): ResourceRow => [url, type, startMs - fromMs, ...rest]);
    return shortened([...rows.values(), ...calls]);
  }
}

function shortened(all: ResourceRow[]): { rows: ResourceRow[]; more: number } {
  const byWeight = [...all].sort((a, b) => b[5] - a[5] || Number(Boolean(b[6])) - Number(Boolean(a[6])) || b[3] - a[3]);
  const rows: ResourceRow[] = [];
  let characters = 2;
  for (const [url, type, startMs, durationMs, bytes, missing, ...ids] of byWeight) {
    const row: ResourceRow = [
      withoutQuery(url),
      type,
      round(startMs),
      round(durationMs),
      bytes,
      missing,
      ...(ids as []),
    ];
    characters += JSON.stringify(row).length + 1;
    if (rows.length >= MOST_ROWS || characters > MOST_CHARACTERS) break;
    rows.push(row);
  }
  return { rows: rows.sort((a, b) => a[2] - b[2]), more: all.length - rows.length };
}
