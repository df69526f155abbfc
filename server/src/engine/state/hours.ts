import {
  appendRowInPlace,
  appendRowsInPlace,
  emptyColumns,
  sortedByFlow,
  withCapacity,
  type AttemptColumns,
} from '@toplens/core/telemetry';
import { floorTo, HOUR_MS, type Window } from '@toplens/core/time';
import type { Segments } from './segments';

export interface Hour {
  columns: AttemptColumns;
  /** newest ingest batch in it */
  batch: number;
  usedAt: number;
  /** rows are sorted by flow: where each flow's begin and end */
  ranges: ReadonlyMap<number, readonly [from: number, to: number]> | undefined;
}

/** Reads all stored attempts of one hour. */
export type LoadHour = (hourMs: number) => Promise<AttemptColumns>;

/** A run of rows for which a question may hold. */
export type VisitRows = (columns: AttemptColumns, from: number, to: number) => void;

/** Hours in memory beside those of the last day: for windows in the past. */
const PAST_HOURS = 60;

/**
 * Attempts by hour of event time, as columns. The newest hours stay in memory; older ones are loaded when a window
 * asks for them, and let go again. Hours that are over are sorted by flow, and kept as files that load at once.
 */
export class Hours {
  readonly #hours = new Map<number, Hour>();
  /** hours of which rows are stored, in memory or not */
  readonly #stored: Set<number>;
  readonly #loading = new Map<number, Promise<Hour>>();
  /** newest batch that touched an hour since the start */
  readonly #touched = new Map<number, number>();
  #clock = 0;

  constructor(
    storedHours: Iterable<number>,
    private readonly loadHour: LoadHour,
    private readonly segments: Segments,
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
        this.#hours.set(
          hourMs,
          (hour = { columns: emptyColumns(1024), batch, usedAt: this.#clock++, ranges: undefined }),
        );
      }
      if (hour.columns.n === hour.columns.startMs.length)
        hour.columns = withCapacity(hour.columns, Math.max(1024, hour.columns.n * 2));
      appendRowInPlace(hour.columns, rows, i);
      hour.batch = batch;
      hour.ranges = undefined;
    }
    for (const hourMs of touched) {
      this.#stored.add(hourMs);
      this.#touched.set(hourMs, batch);
      this.segments.drop(hourMs);
      // What is being read may lack these rows: it is read once more.
      this.#loading.delete(hourMs);
    }
    return touched;
  }

  /** Grows when attempts of a window come: what was made of them before is made again. */
  versionOf({ fromMs, toMs }: Window): number {
    let version = 0;
    for (let hourMs = floorTo(fromMs, HOUR_MS); hourMs < toMs; hourMs += HOUR_MS)
      version = Math.max(version, this.#touched.get(hourMs) ?? 0);
    return version;
  }

  /** The hour's rows; nothing when none were stored. */
  async load(hourMs: number): Promise<Hour> {
    for (;;) {
      const known = this.#hours.get(hourMs);
      if (known) {
        known.usedAt = this.#clock++;
        return known;
      }
      if (!this.#stored.has(hourMs)) return { columns: emptyColumns(0), batch: 0, usedAt: 0, ranges: new Map() };
      let loading = this.#loading.get(hourMs);
      if (!loading) this.#loading.set(hourMs, (loading = this.#read(hourMs)));
      const hour = await loading;
      if (this.#loading.get(hourMs) !== loading) continue;
      this.#loading.delete(hourMs);
      this.#hours.set(hourMs, hour);
    }
  }

  /**
   * The hour's rows, kept no longer than they are looked at: for questions that go through weeks, whose hours would fill
   * the memory. What comes while it is read may be missing; `versionOf` then says that it is to be read again.
   */
  async glance(hourMs: number): Promise<Pick<Hour, 'columns' | 'ranges'>> {
    const known = this.#hours.get(hourMs);
    if (known) return known;
    return this.#stored.has(hourMs) ? this.#read(hourMs) : { columns: emptyColumns(0), ranges: new Map() };
  }

  async #read(hourMs: number): Promise<Hour> {
    const batch = this.newestBatch;
    const file = this.segments.read(hourMs);
    if (file) return { ...file, batch, usedAt: this.#clock++ };
    const sorted = sortedByFlow(await this.loadHour(hourMs));
    return { ...sorted, batch, usedAt: this.#clock++ };
  }

  /** Sorts the hours that are over by flow, and writes them down. */
  seal(overBeforeMs: number): void {
    for (const [hourMs, hour] of this.#hours) {
      if (hourMs + HOUR_MS > overBeforeMs) continue;
      if (!hour.ranges) Object.assign(hour, sortedByFlow(hour.columns));
      if (hour.ranges && !this.segments.has(hourMs)) this.segments.write(hourMs, hour.columns, hour.ranges);
    }
  }

  /**
   * Calls `visit` with runs of rows that may lie in the window and belong to the flows; which do, the visitor must
   * look.
   */
  async visit(window: Window, flows: ReadonlySet<number> | undefined, visit: VisitRows): Promise<void> {
    for (let hourMs = floorTo(window.fromMs, HOUR_MS); hourMs < window.toMs; hourMs += HOUR_MS) {
      const { columns, ranges } = await this.load(hourMs);
      if (!ranges || !flows) visit(columns, 0, columns.n);
      else
        for (const flow of flows) {
          const range = ranges.get(flow);
          if (range) visit(columns, range[0], range[1]);
        }
    }
  }

  /** Rows of some flows (all when left out) in a window for which a condition holds, in one piece. */
  async rows(
    window: Window,
    flows?: ReadonlySet<number>,
    holds?: (columns: AttemptColumns, row: number) => boolean,
  ): Promise<AttemptColumns> {
    const runs: { columns: AttemptColumns; from: number; to: number }[] = [];
    let n = 0;
    await this.visit(window, flows, (columns, from, to) => {
      // Consecutive rows that all belong are copied at once.
      let begin = -1;
      for (let i = from; i <= to; i++) {
        const startMs = columns.startMs[i] as number;
        const belongs =
          i < to &&
          startMs >= window.fromMs &&
          startMs < window.toMs &&
          (!flows || flows.has(columns.flow[i] as number)) &&
          (!holds || holds(columns, i));
        if (belongs && begin < 0) begin = i;
        if (belongs || begin < 0) continue;
        runs.push({ columns, from: begin, to: i });
        n += i - begin;
        begin = -1;
      }
    });
    const result = emptyColumns(n);
    for (const { columns, from, to } of runs) appendRowsInPlace(result, columns, from, to);
    return result;
  }

  /** Attempts that began before are kept nowhere any more. */
  forgetBefore(timeMs: number): void {
    for (const hourMs of this.#hours.keys()) if (hourMs < timeMs) this.#hours.delete(hourMs);
    this.segments.dropBefore(timeMs);
  }

  /** Lets go what neither the last day nor a recent question needs. */
  trim(keepFromMs: number): void {
    const past = [...this.#hours].filter(([hourMs]) => hourMs < keepFromMs).sort((a, b) => b[1].usedAt - a[1].usedAt);
    for (const [hourMs] of past.slice(PAST_HOURS)) this.#hours.delete(hourMs);
  }
}
