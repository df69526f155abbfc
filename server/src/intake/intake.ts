import { COLUMN_NAMES, type AttemptColumns } from '@toplens/core/telemetry';
import type { Logger } from 'pino';
import { Problem } from '../errors';
import type { Database } from '../store/database';
import type { CopyRows } from '../store/copy-rows';
import type { CopiedTable, PartRow, VersionRow } from '../store/protocol';
import { admitSeries } from './admit-series';
import { decode, joined, sizeOf, type Decoded, type Reading, type Records } from './decode';
import { Journal, type JournalEntry, type JournalMark } from './journal';
import { NameBook, nameRows } from './name-book';
import { changeRow, lineRows, pointRows } from './other-rows';
import { callRows, detailRows, errorRows, viewRows } from './page-rows';
import { encodeRows } from './rows';

/** Committed attempts on their way to the engine. */
export interface CommittedBatch {
  batch: number;
  columns: AttemptColumns;
  /** up to when senders had sent, milliseconds since the epoch; never ahead of this server's clock */
  latestEndMs: number;
}

export interface IntakeFigures {
  requests: number;
  /** records taken: spans, lines, points, changes, page views, script errors */
  records: number;
  rejectedRecords: number;
  refusedRequests: number;
  backlogRecords: number;
  batches: number;
  duplicates: number;
}

interface Waiting {
  entry: JournalEntry;
  records: Records;
  done: () => void;
  failed: (error: Error) => void;
}

interface Applied {
  records: Records;
  receivedMs: number;
  mark: JournalMark | undefined;
}

const BATCH_RECORDS = 8_000;
const CHECKPOINT_EVERY_MS = 30_000;
const PART_SEEN_EVERY_US = 5 * 60_000_000;

/**
 * The way in for telemetry: decode, journal, acknowledge, then write to the database in groups. Acknowledged means
 * durable; when the database falls behind by more than the backlog allows, senders are told to come back.
 */
export class Intake {
  readonly figures: IntakeFigures = {
    requests: 0, records: 0, rejectedRecords: 0, refusedRequests: 0, backlogRecords: 0, batches: 0, duplicates: 0,
  }; // prettier-ignore
  #queue: Waiting[] = [];
  #backlog: Applied[] = [];
  #journalling = false;
  #storing: Promise<void> | undefined;
  #batch = 0;
  #appliedMark: JournalMark | undefined;
  #checkpointedMark: JournalMark | undefined;
  #lastCheckpointMs = Date.now();
  #closed = false;
  readonly #versions = new Map<string, number>();
  readonly #parts = new Map<string, PartRow>();

  private constructor(
    private readonly deps: {
      database: Database;
      journal: Journal;
      names: NameBook;
      reading: Reading;
      maxBacklogRecords: number;
      log: Logger;
      onCommitted: (batch: CommittedBatch) => void;
      now: () => number;
    },
  ) {}

  /** Loads the names, applies what the journal holds beyond the last checkpoint, then is ready. */
  static async open(deps: Omit<Intake['deps'], 'journal' | 'names' | 'now'> & { journalDir: string; now?: () => number }): Promise<Intake> {
    const journal = Journal.open(deps.journalDir);
    const names = await NameBook.load(deps.database);
    const intake = new Intake({ now: Date.now, ...deps, journal, names });
    const [newest] = await deps.database.query<{ batch: string | null }>('SELECT max(batch) AS batch FROM stale_hour');
    intake.#batch = Number(newest?.batch ?? 0);
    let replayed = 0;
    for (const { entry, mark } of journal.replay()) {
      const { records } = intake.#read(entry);
      replayed += sizeOf(records);
      intake.#backlog.push({ records, receivedMs: entry.receivedMs, mark });
      intake.figures.backlogRecords += sizeOf(records);
      if (intake.figures.backlogRecords >= BATCH_RECORDS) await intake.#store();
    }
    await intake.#store();
    if (replayed > 0) deps.log.info({ records: replayed }, 'journal replayed');
    return intake;
  }

  /**
   * Takes a request. Resolves when its records are on the disk.
   *
   * @returns how many records were rejected and why (partial success)
   * @throws Problem 'cannotKeepUp' when too much waits for the database
   * @throws MalformedTelemetry when the body is not of the protocol; nothing of it was taken
   */
  async take(
    signal: JournalEntry['signal'],
    encoding: JournalEntry['encoding'],
    body: Uint8Array,
  ): Promise<Pick<Decoded, 'rejected' | 'reasons'> & { taken: number }> {
    if (this.#closed) throw new Problem('starting', 'the server is stopping; send this again in a moment', { retryAfterS: 2 });
    if (this.figures.backlogRecords > this.deps.maxBacklogRecords) {
      this.figures.refusedRequests++;
      throw new Problem('cannotKeepUp', 'too much waits for the database; nothing of this request was taken, send it again', {
        retryAfterS: 1,
      });
    }
    const entry: JournalEntry = { signal, encoding, body, receivedMs: this.deps.now() };
    const { records, ...decoded } = this.#read(entry);
    this.figures.requests++;
    this.figures.rejectedRecords += decoded.rejected;
    const taken = sizeOf(records);
    this.figures.records += taken;
    if (taken > 0) {
      this.figures.backlogRecords += taken;
      await new Promise<void>((done, failed) => {
        this.#queue.push({ entry, records, done, failed });
        void this.#journalQueue();
      });
    }
    return { ...decoded, taken };
  }

  /** A request's records, without points for whose series there is no room. */
  #read(entry: JournalEntry): Decoded {
    const decoded = decode(entry, this.deps.reading);
    if (decoded.records.points.length === 0) return decoded;
    const { admitted, refused, reason } = admitSeries(decoded.records.points, this.deps.names);
    if (refused === 0) return decoded;
    const reasons = [decoded.reasons, `${refused} × ${reason}`].filter(Boolean).join('; ');
    return { records: { ...decoded.records, points: admitted }, rejected: decoded.rejected + refused, reasons };
  }

  /** One group at a time: all that arrived while the last group was being synced is the next group. */
  async #journalQueue(): Promise<void> {
    if (this.#journalling) return;
    this.#journalling = true;
    while (this.#queue.length > 0) {
      const group = this.#queue;
      this.#queue = [];
      try {
        const mark = await this.deps.journal.append(group.map((waiting) => waiting.entry));
        group.forEach(({ records, entry, done }, i) => {
          this.#backlog.push({ records, receivedMs: entry.receivedMs, mark: i === group.length - 1 ? mark : undefined });
          done();
        });
        this.#startStoring();
      } catch (error) {
        this.deps.log.error({ error }, 'journal cannot be written');
        for (const { records, failed } of group) {
          this.figures.backlogRecords -= sizeOf(records);
          failed(new Problem('cannotKeepUp', 'the journal cannot be written; nothing of this request was taken', { retryAfterS: 10 }));
        }
      }
    }
    this.#journalling = false;
  }

  #startStoring(): void {
    this.#storing ??= this.#store().finally(() => {
      this.#storing = undefined;
      if (this.#backlog.length > 0 && !this.#closed) this.#startStoring();
    });
  }

  async #store(): Promise<void> {
    while (this.#backlog.length > 0) {
      const group: Applied[] = [];
      let size = 0;
      while (this.#backlog.length > 0 && size < BATCH_RECORDS) {
        const next = this.#backlog.shift() as Applied;
        group.push(next);
        size += sizeOf(next.records);
      }
      await this.#storeGroup(group);
      this.figures.backlogRecords -= size;
      if (this.deps.now() - this.#lastCheckpointMs > CHECKPOINT_EVERY_MS) await this.checkpoint();
    }
  }

  async #storeGroup(group: Applied[]): Promise<void> {
    const records = joined(group.map((applied) => applied.records));
    const encoded = encodeRows([...records.attempts, ...records.toldBeside], records.spans, this.deps.names);
    // Most batches hold few kinds: rows of the others need no buffers.
    const rowsOf = <One>(table: CopiedTable, ones: readonly One[], encode: (ones: readonly One[], names: NameBook) => CopyRows) =>
      ones.length === 0 ? [] : [{ table, rows: encode(ones, this.deps.names) }];
    const copies = [
      { table: 'span' as const, rows: encoded.spans },
      { table: 'attempt_item' as const, rows: encoded.items },
      ...rowsOf('log_line', records.lines, lineRows),
      ...rowsOf('metric_point', records.points, pointRows),
      ...rowsOf('page_view', records.views, viewRows),
      ...rowsOf('page_detail', records.views, detailRows),
      ...rowsOf('page_call', records.views, callRows),
      ...rowsOf('script_error', records.errors, errorRows),
    ];
    // Last, since all rows before it may bring new names.
    copies.push(...rowsOf('name', this.deps.names.takeFresh(), nameRows));
    const batch = ++this.#batch;
    const message = {
      batch,
      attempts: encoded.attempts.finish(),
      attemptCount: encoded.attempts.rows,
      hours: [...encoded.hours],
      details: encoded.details,
      versions: this.#freshVersions(encoded.versions),
      parts: this.#freshParts(encoded.parts),
      changes: records.changes.map(changeRow),
      copies: copies.filter(({ rows }) => rows.rows > 0).map(({ table, rows }) => ({ table, rows: rows.finish() })),
    };
    for (let tries = 0; ; tries++) {
      try {
        const { known } = await this.deps.database.ingest(message);
        this.figures.batches++;
        this.figures.duplicates += known.length;
        const receivedMs = Math.max(...group.map((applied) => applied.receivedMs));
        this.#publish(batch, encoded.columns, known, receivedMs);
        break;
      } catch (error) {
        // The records are in the journal, so they are not lost. Nothing may overtake them: meanwhile the backlog fills,
        // and senders are told to come back.
        this.deps.log.error({ error, tries }, 'batch cannot be stored, trying again');
        if (this.#closed) throw error;
        await new Promise((resolve) => setTimeout(resolve, Math.min(30_000, 200 * 2 ** tries)));
      }
    }
    this.#appliedMark = group.findLast((applied) => applied.mark)?.mark ?? this.#appliedMark;
  }

  /** Versions that are new, or were seen earlier than known so far. Known again after a restart, at the price of one write each. */
  #freshVersions(versions: ReadonlyMap<string, VersionRow>): VersionRow[] {
    const fresh = [...versions].filter(([key, { first_us }]) => first_us < (this.#versions.get(key) ?? Infinity));
    for (const [key, { first_us }] of fresh) this.#versions.set(key, first_us);
    return fresh.map(([, row]) => row);
  }

  /** Parts that are new, or of which something changed; else they are written down now and then, so that it is known when they were last seen. */
  #freshParts(parts: ReadonlyMap<string, PartRow>): PartRow[] {
    const isFresh = ([key, part]: [string, PartRow]) => {
      const known = this.#parts.get(key);
      if (!known) return true;
      if (part.last_us <= known.last_us) return false;
      const isChanged = part.version !== known.version || part.region !== known.region || part.application !== known.application;
      return isChanged || part.last_us - known.last_us > PART_SEEN_EVERY_US;
    };
    const fresh = [...parts].filter(isFresh);
    for (const [key, part] of fresh) this.#parts.set(key, part);
    return fresh.map(([, part]) => part);
  }

  #publish(batch: number, columns: AttemptColumns, known: number[], receivedMs: number): void {
    const isKnown = new Set(known);
    let latestEndMs = 0;
    for (let i = 0; i < columns.n; i++) latestEndMs = Math.max(latestEndMs, (columns.startMs[i] as number) + (columns.durationMs[i] as number));
    const fresh = known.length === 0 ? columns : withoutRows(columns, isKnown);
    this.deps.onCommitted({ batch, columns: fresh, latestEndMs: Math.min(latestEndMs, receivedMs) });
  }

  /** Makes the database durable, then lets the journal forget what it holds. */
  async checkpoint(): Promise<void> {
    this.#lastCheckpointMs = this.deps.now();
    const mark = this.#appliedMark;
    if (!mark || mark === this.#checkpointedMark) return;
    await this.deps.database.checkpoint();
    this.deps.journal.forget(mark);
    this.#checkpointedMark = mark;
  }

  /** Waits until everything taken is in the database. */
  async settled(): Promise<void> {
    while (this.#journalling || this.#storing || this.#backlog.length > 0) await (this.#storing ?? new Promise((resolve) => setTimeout(resolve, 2)));
  }

  async close(): Promise<void> {
    this.#closed = true;
    await this.settled().catch(() => undefined);
    await this.checkpoint();
    await this.deps.journal.close();
  }
}

function withoutRows(columns: AttemptColumns, left: ReadonlySet<number>): AttemptColumns {
  const kept = Array.from({ length: columns.n }, (_, i) => i).filter((i) => !left.has(i));
  const result = { ...columns, n: kept.length };
  for (const name of COLUMN_NAMES) {
    const column = columns[name];
    const copy = column.slice(0, kept.length);
    kept.forEach((from, to) => (copy[to] = column[from] as number));
    (result[name] as unknown) = copy;
  }
  return result;
}
