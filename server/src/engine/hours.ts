import { appendRowInPlace, emptyColumns, withCapacity, type AttemptColumns } from '@toplens/core/telemetry';
import { floorTo, HOUR_MS, type Window } from '@toplens/core/time';

interface Hour {
  columns: AttemptColumns;
  /** newest ingest batch in it */
  batch: number;
  usedAt: number;
}

/** Reads all stored attempts of one hour. */
export type LoadHour = (hourMs: number) => Promise<AttemptColumns>;

/** Hours in memory beside those of the last day: for windows in the past. */
const PAST_HOURS = 60;

/**
 * Attempts by hour of event time, as columns. The newest hours stay in memory; older ones are loaded when a window
 * asks for them, and let go again.
 */
export class Hours {
  readonly #hours = new Map<number, Hour>();
  /** hours of which rows are stored, in memory or not */
  readonly #stored: Set<number>;
  readonly #loading = new Map<number, Promise<Hour>>();
  #clock = 0;

  constructor(
    storedHours: Iterable<number>,
    private readonly loadHour: LoadHour,
    /** newest batch that is known to be stored */
    private newestBatch: number,
  ) {
    this.#stored = new Set(storedHours);
  }

  get inMemory(): number {
    return this.#hours.size;
  }

  /** Adds committed rows. @returns the hours touched */
  append(rows: AttemptColumns, batch: number): Set<number> {
    const touched = new Set<number>();
    this.newestBatch = Math.max(this.newestBatch, batch);
    for (let i = 0; i < rows.n; i++) {
      const hourMs = floorTo(rows.startMs[i] as number, HOUR_MS);
      touched.add(hourMs);
      let hour = this.#hours.get(hourMs);
      if (!hour) {
        // The rows are stored already: an hour that is not in memory gets them when it is loaded.
        if (this.#stored.has(hourMs)) continue;
        this.#hours.set(hourMs, (hour = { columns: emptyColumns(1024), batch, usedAt: this.#clock++ }));
      }
      if (hour.columns.n === hour.columns.startMs.length) hour.columns = withCapacity(hour.columns, hour.columns.n * 2);
      appendRowInPlace(hour.columns, rows, i);
      hour.batch = batch;
    }
    for (const hourMs of touched) {
      this.#stored.add(hourMs);
      // What is being read may lack these rows: it is read once more.
      this.#loading.delete(hourMs);
    }
    return touched;
  }

  /** The hour's rows; nothing when none were stored. */
  async load(hourMs: number): Promise<{ columns: AttemptColumns; batch: number }> {
    for (;;) {
      const known = this.#hours.get(hourMs);
      if (known) {
        known.usedAt = this.#clock++;
        return known;
      }
      if (!this.#stored.has(hourMs)) return { columns: emptyColumns(0), batch: 0 };
      let loading = this.#loading.get(hourMs);
      if (!loading) {
        const batch = this.newestBatch;
        loading = this.loadHour(hourMs).then((columns) => ({ columns, batch, usedAt: this.#clock++ }));
        this.#loading.set(hourMs, loading);
      }
      const hour = await loading;
      if (this.#loading.get(hourMs) !== loading) continue;
      this.#loading.delete(hourMs);
      this.#hours.set(hourMs, hour);
    }
  }

  /** Rows of some flows (all when left out) in a window, in one piece. */
  async rows(window: Window, flows?: ReadonlySet<number>): Promise<AttemptColumns> {
    const parts: AttemptColumns[] = [];
    for (let hourMs = floorTo(window.fromMs, HOUR_MS); hourMs < window.toMs; hourMs += HOUR_MS) parts.push((await this.load(hourMs)).columns);
    const result = emptyColumns(parts.reduce((n, part) => n + part.n, 0));
    for (const part of parts)
      for (let i = 0; i < part.n; i++) {
        const startMs = part.startMs[i] as number;
        if (startMs < window.fromMs || startMs >= window.toMs || (flows && !flows.has(part.flow[i] as number))) continue;
        appendRowInPlace(result, part, i);
      }
    return result;
  }

  /** Lets go what neither the last day nor a recent question needs. */
  trim(keepFromMs: number): void {
    const past = [...this.#hours].filter(([hourMs]) => hourMs < keepFromMs).sort((a, b) => b[1].usedAt - a[1].usedAt);
    for (const [hourMs] of past.slice(PAST_HOURS)) this.#hours.delete(hourMs);
  }
}
