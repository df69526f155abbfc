import { COLUMN_NAMES, type AttemptColumns } from '@toplens/core/telemetry';
import type { Logger } from 'pino';
import { Problem, type ProblemCode } from '../errors';
import type { Database } from '../store/database';
import type { TableRows } from '../store/tables';
import { marksReceivedSince } from '../store/attempt-marks';
import { appliedUpTo } from '../store/journal-applied';
import type { CopiedBeside, IngestBatch, PartRow, VersionRow } from '../store/protocol';
import { admitSeries } from './admit-series';
import { crashRows } from './crash-rows';
import { momentRows } from './moment-rows';
import { remoteRows } from './remote-rows';
import { probeRunRows, probeStepRows } from './probe-rows';
import { decode, type Decoded, type Reading } from './decode';
import { joined, sizeOf, type Records } from './records';
import type { Damage, Journal, JournalMark } from './journal';
import type { JournalEntry } from './journal-record';
import { NameBook, nameRows, type Name } from './name-book';
import { checkOnlyOwn } from './only-own';
import { LONGEST_WAIT_MS, OpenAttempts } from './open-attempts';
import { changeRow, lineRows, markRows, pointRows } from './other-rows';
import { callRows, detailRows, errorRows, viewRows } from './page-rows';
import { countOf, halves, isTransient, keepAside } from './refused';
import { encodeRows } from './rows';
import { EntryFinder } from './entry-finder';
import { Senders } from './senders';
import { SourceClocks } from './source-clocks';
import { UnknownCurrencies } from './unknown-currencies';
import type { CommittedBatch } from '../store/committed-batch';

export interface IntakeFigures {
  requests: number;
  /** records taken: spans, lines, points, changes, page views, script errors */
  records: number;
  rejectedRecords: number;
  refusedRequests: number;
  /** requests that their sender has to mend: no key, not of the protocol, too large */
  turnedAwayRequests: number;
  backlogRecords: number;
  batches: number;
  duplicates: number;
  /** bytes of bodies behind the records that wait */
  backlogBytes: number;
  /** records that the database refused, kept aside since the start */
  keptAside: number;
  /** bytes of the journal that could not be read, since the start */
  damagedBytes: number;
}

interface Waiting {
  entry: JournalEntry;
  records: Records;
  done: () => void;
  failed: (error: Error) => void;
}

interface Applied {
  records: Records;
  bytes: number;
  mark: JournalMark | undefined;
  /** called when it is stored, with what was kept aside of it */
  stored?: (keptAside: number) => void;
}

interface Encoded {
  message: IngestBatch;
  columns: AttemptColumns;
  /** that are to be stored with it */
  names: Name[];
}

interface Storing {
  mark: JournalMark | undefined;
  /** reading of the journal under which it was begun */
  generation: number;
}

export interface IntakeDeps {
  database: Database;
  journal: Journal;
  reading: Reading;
  maxBacklogRecords: number;
  /** bytes of bodies that may wait for the database */
  maxBacklogBytes?: number;
  log: Logger;
  onCommitted: (batch: CommittedBatch) => void;
  /** why nothing can be taken at the moment, in words; `undefined` when all is well */
  refusal?: () => { code: ProblemCode; detail: string; retryAfterS: number } | undefined;
  /** the journal could not be written */
  onJournalFault?: (error: NodeJS.ErrnoException) => void;
  /** called after each checkpoint; says from which segment on the journal must be kept */
  keepJournalFrom?: () => { segment: number; mostBytes: number };
  now?: () => number;
}

const BATCH_RECORDS = 8_000;
const BATCH_BYTES = 16 * 1024 * 1024;
const MAX_BACKLOG_BYTES = 256 * 1024 * 1024;
const CHECKPOINT_EVERY_MS = 30_000;
const LONGEST_PAUSE_MS = 10_000;
const PART_SEEN_EVERY_US = 5 * 60_000_000;

/**
 * The way in for telemetry: decode, journal, acknowledge, then write to the database in groups. Acknowledged means
 * durable; when the database falls behind by more than the backlog allows, senders are told to come back.
 *
 * No record stops what comes after it: a group that the database refuses is divided until the one is found, which is
 * kept aside with the reason.
 */
export class Intake {
  readonly figures: IntakeFigures = {
    requests: 0,
    records: 0,
    rejectedRecords: 0,
    refusedRequests: 0,
    turnedAwayRequests: 0,
    backlogRecords: 0,
    batches: 0,
    duplicates: 0,
    backlogBytes: 0,
    keptAside: 0,
    damagedBytes: 0,
  };
  #queue: Waiting[] = [];
  #backlog: Applied[] = [];
  #journalling: Promise<void> | undefined;
  #storing: Promise<void> | undefined;
  /** the journal is being read again: nothing else is stored meanwhile */
  #replaying = false;
  /** grows with each reading of the journal: what was begun under an older one is given up */
  #generation = 0;
  #batch = 0;
  #appliedMark: JournalMark | undefined;
  #checkpointedMark: JournalMark | undefined;
  #checkpointsHeld = 0;
  #lastCheckpointMs: number;
  #closed = false;
  #names!: NameBook;
  #versions = new Map<string, number>();
  #parts = new Map<string, PartRow>();
  #reading: Reading;
  readonly #now: () => number;
  /** sources whose clocks run ahead */
  readonly clocks: SourceClocks;
  /** of values that no bill counts */
  readonly currencies: UnknownCurrencies;
  /** who sends, and what was refused */
  readonly senders: Senders;
  /** services that begin attempts although their spans have a parent */
  readonly entryFinder: EntryFinder;
  /** begun and not ended, as applications told */
  openAttempts = new OpenAttempts();
  /** parts of the journal that could not be read */
  readonly damages: Damage[] = [];

  private constructor(private readonly deps: IntakeDeps) {
    this.#reading = deps.reading;
    this.#now = deps.now ?? Date.now;
    this.clocks = new SourceClocks(this.#now);
    this.currencies = new UnknownCurrencies(this.#now);
    this.senders = new Senders(this.#now);
    this.entryFinder = new EntryFinder(this.#now);
    this.#lastCheckpointMs = this.#now();
  }

  /** Loads the names; then `replay` is to be called. */
  static async open(deps: IntakeDeps): Promise<Intake> {
    const intake = new Intake(deps);
    await intake.#load();
    return intake;
  }

  /** From now on telemetry is read so. What waits in the journal is read as it will be then. */
  readBy(reading: Omit<Reading, 'limits' | 'withoutSecrets'>): void {
    this.#reading = { ...this.#reading, ...reading };
  }

  get isReplaying(): boolean {
    return this.#replaying;
  }

  /** The database went away: what is under way is given up, and nothing is stored until `replay` is called. */
  interrupt(): void {
    this.#generation++;
    this.#replaying = true;
  }

  get names(): NameBook {
    return this.#names;
  }

  async #load(): Promise<void> {
    const { ageMs: keptMs, nameFactor: limitFactor } = this.#reading.limits;
    this.#names = await NameBook.load(this.deps.database, { keptMs, limitFactor, now: this.#now });
    this.#versions = new Map();
    this.#parts = new Map();
    const [newest] = await this.deps.database.query<{ batch: string | null }>(
      'SELECT max(batch) AS batch FROM stale_hour',
    );
    this.#batch = Math.max(this.#batch, Number(newest?.batch ?? 0));
    this.openAttempts = new OpenAttempts();
    for (const { mark, receivedMs } of await marksReceivedSince(this.deps.database, this.#now() - LONGEST_WAIT_MS))
      this.openAttempts.note(mark, receivedMs);
  }

  /**
   * Applies what the journal holds behind what the database says it has. Requests may be taken meanwhile: they are
   * stored behind it. Called at the start, and when the database had to be opened anew.
   */
  async replay(from: JournalMark): Promise<void> {
    const generation = ++this.#generation;
    this.#replaying = true;
    try {
      await this.#storing;
      await this.#load();
      // All that waits was journalled before this place, so it is read again from there.
      await this.#journalling;
      const until = this.deps.journal.end;
      this.#forgetBacklog();
      this.#appliedMark = from;
      let replayed = 0;
      let group: Applied[] = [];
      let [records, bytes] = [0, 0];
      const flush = async () => {
        if (group.length > 0) await this.#storeGroup(group, generation);
        group = [];
        records = bytes = 0;
        // A crash loop must not read more each time.
        if (this.#now() - this.#lastCheckpointMs > CHECKPOINT_EVERY_MS) await this.#checkpointOrLater();
      };
      for (const { entry, mark } of this.deps.journal.replay(from, {
        until,
        onDamage: (damage) => this.#noteDamage(damage),
      })) {
        if (this.#isGivenUp(generation)) return;
        const read = this.#readAgain(entry);
        if (read) group.push({ records: read, bytes: entry.body.length, mark });
        records += read ? sizeOf(read) : 0;
        bytes += entry.body.length;
        replayed += read ? sizeOf(read) : 0;
        if (records >= BATCH_RECORDS || bytes >= BATCH_BYTES) await flush();
      }
      await flush();
      if (replayed > 0) this.deps.log.info({ records: replayed }, 'journal replayed');
      await this.#checkpointOrLater();
    } finally {
      if (generation === this.#generation) this.#replaying = false;
    }
    this.#startStoring();
  }

  /** An entry that cannot be read now was read once, by another version or other limits: it stops nothing. */
  #readAgain(entry: JournalEntry): Records | undefined {
    try {
      return this.#read(entry).records;
    } catch (error) {
      this.deps.log.error(
        { err: error, signal: entry.signal },
        'an entry of the journal cannot be read; it is passed over',
      );
      return undefined;
    }
  }

  #noteDamage(damage: Damage): void {
    const bytes = damage.toByte - damage.fromByte;
    this.damages.push(damage);
    this.figures.damagedBytes += bytes;
    this.deps.log.error(
      { ...damage, bytes },
      'a part of the journal cannot be read; it is kept aside in journal/damaged, and all behind it is read',
    );
  }

  #forgetBacklog(): void {
    this.#backlog = [];
    this.figures.backlogRecords = this.#queue.reduce((sum, { records }) => sum + sizeOf(records), 0);
    this.figures.backlogBytes = this.#queue.reduce((sum, { entry }) => sum + entry.body.length, 0);
  }

  /**
   * Takes a request. Resolves when its records are on the disk.
   *
   * @param only component whose key it came by, of a phone: then nothing else may be told
   * @returns how many records were rejected and why (partial success)
   * @throws Problem 'cannotKeepUp' when too much waits for the database, 'diskFull', 'stopping'
   * @throws MalformedTelemetry when the body is not of the protocol; nothing of it was taken
   */
  async take(
    signal: JournalEntry['signal'],
    encoding: JournalEntry['encoding'],
    body: Uint8Array,
    only?: string,
  ): Promise<Pick<Decoded, 'rejected' | 'reasons'> & { taken: number }> {
    this.#checkOpen();
    const entry: JournalEntry = { signal, encoding, body, receivedMs: this.#now() };
    // Looked at before anything of it is noted.
    if (only !== undefined) checkOnlyOwn(decode(entry, this.#reading).records, only);
    const { records, ...decoded } = this.#read(entry);
    this.figures.requests++;
    this.figures.rejectedRecords += decoded.rejected;
    const taken = sizeOf(records);
    if (taken > 0) {
      this.figures.backlogRecords += taken;
      this.figures.backlogBytes += body.length;
      await new Promise<void>((done, failed) => {
        this.#queue.push({ entry, records, done, failed });
        this.#startJournalling();
      });
      this.figures.records += taken;
    }
    return { ...decoded, taken };
  }

  /**
   * A request was turned away before anything of it was taken, for a reason that its sender has to mend: counted, kept
   * for the screen, and told in the log the first time.
   */
  turnedAway(problem: Problem, { way, from }: { way: string; from: string }): void {
    if (problem.status >= 429) return;
    this.figures.turnedAwayRequests++;
    if (this.senders.refusedRequest({ way, why: problem.detail, from }))
      this.deps.log.warn(
        { way, from, code: problem.code },
        `a request with telemetry was turned away: ${problem.detail}`,
      );
  }

  /**
   * Attempts whose end nobody waits for any longer become attempts that never ended. Called now and then; goes through
   * the journal as all else does.
   */
  async closeUnended(): Promise<void> {
    const now = this.#now();
    this.openAttempts.forget(now);
    const due = this.openAttempts.due(now).slice(0, BATCH_RECORDS);
    if (due.length === 0 || this.#replaying) return;
    await this.take('unended', 'json', Buffer.from(JSON.stringify(due)));
    for (const mark of due) this.openAttempts.close(mark);
  }

  #checkOpen(): void {
    if (this.#closed)
      throw new Problem('stopping', 'The server is stopping; send this again in a moment.', { retryAfterS: 2 });
    const refusal = this.deps.refusal?.();
    const { maxBacklogRecords, maxBacklogBytes = MAX_BACKLOG_BYTES } = this.deps;
    const isBehind = this.figures.backlogRecords > maxBacklogRecords || this.figures.backlogBytes > maxBacklogBytes;
    if (!refusal && !isBehind) return;
    this.figures.refusedRequests++;
    if (refusal) throw new Problem(refusal.code, refusal.detail, { retryAfterS: refusal.retryAfterS });
    throw new Problem(
      'cannotKeepUp',
      'Too much waits for the database. Nothing of this request was taken: send it again.',
      { retryAfterS: 1 },
    );
  }

  /** A request's records, without points for whose series there is no room. */
  #read(entry: JournalEntry): Decoded {
    const decoded = decode(entry, this.#reading, this);
    if (decoded.records.points.length === 0) return decoded;
    const { admitted, refused } = admitSeries(decoded.records.points, this.#names, this.#reading.limits);
    if (refused.size === 0) return decoded;
    const reasons = [decoded.reasons, ...[...refused].map(([reason, n]) => `${n} × ${reason}`)]
      .filter(Boolean)
      .join('; ');
    const rejected = decoded.rejected + decoded.records.points.length - admitted.length;
    return { records: { ...decoded.records, points: admitted }, rejected, reasons };
  }

  #startJournalling(): void {
    this.#journalling ??= this.#journalQueue().finally(() => {
      this.#journalling = undefined;
      if (this.#queue.length > 0) this.#startJournalling();
    });
  }

  /** One group at a time: all that arrived while the last group was being synced is the next group. */
  async #journalQueue(): Promise<void> {
    while (this.#queue.length > 0) {
      const group = this.#queue;
      this.#queue = [];
      try {
        const mark = await this.deps.journal.append(group.map((waiting) => waiting.entry));
        group.forEach(({ records, entry, done }, i) => {
          const isLast = i === group.length - 1;
          this.#backlog.push({ records, bytes: entry.body.length, mark: isLast ? mark : undefined });
          done();
        });
        this.#startStoring();
      } catch (error) {
        this.deps.onJournalFault?.(error as NodeJS.ErrnoException);
        this.deps.log.error({ err: error }, 'the journal cannot be written; nothing is acknowledged');
        const refusal = this.deps.refusal?.();
        for (const { records, entry, failed } of group) {
          this.figures.backlogRecords -= sizeOf(records);
          this.figures.backlogBytes -= entry.body.length;
          const detail =
            refusal?.detail ?? 'The journal cannot be written. Nothing of this request was taken: send it again.';
          failed(new Problem(refusal?.code ?? 'cannotKeepUp', detail, { retryAfterS: 10 }));
        }
      }
    }
  }

  #startStoring(): void {
    if (this.#replaying || this.#closed || this.#backlog.length === 0) return;
    this.#storing ??= this.#store()
      .catch((error: unknown) =>
        this.deps.log.error({ err: error }, 'storing was interrupted; what waits stays in the journal'),
      )
      .finally(() => {
        this.#storing = undefined;
        this.#startStoring();
      });
  }

  async #store(): Promise<void> {
    const generation = this.#generation;
    while (this.#backlog.length > 0 && !this.#isGivenUp(generation)) {
      const group: Applied[] = [];
      let [records, bytes] = [0, 0];
      while (this.#backlog.length > 0 && records < BATCH_RECORDS && bytes < BATCH_BYTES) {
        const next = this.#backlog.shift() as Applied;
        group.push(next);
        records += sizeOf(next.records);
        bytes += next.bytes;
      }
      await this.#storeGroup(group, generation);
      this.figures.backlogRecords -= records;
      this.figures.backlogBytes -= bytes;
      if (this.#now() - this.#lastCheckpointMs > CHECKPOINT_EVERY_MS) await this.checkpoint();
    }
  }

  async #storeGroup(group: Applied[], generation: number): Promise<void> {
    const mark = group.findLast((applied) => applied.mark)?.mark;
    const before = this.figures.keptAside;
    await this.#storeRecords(joined(group.map((applied) => applied.records)), { mark, generation });
    this.#appliedMark = mark ?? this.#appliedMark;
    for (const { stored } of group) stored?.(this.figures.keptAside - before);
  }

  /** Stores records; what the database refuses for good is divided, down to the one that is kept aside. */
  async #storeRecords(records: Records, how: Storing): Promise<void> {
    const refusal = await this.#tryToStore(records, how);
    if (!refusal) return;
    if (countOf(records) > 1) {
      const [first, second] = halves(records);
      await this.#storeRecords(first, { ...how, mark: undefined });
      await this.#storeRecords(second, how);
      return;
    }
    this.deps.log.error({ err: refusal }, 'a record was refused by the database; it is kept aside');
    const { mark, generation } = how;
    await this.#untilDone(
      () => this.deps.database.transaction([...keepAside(records, refusal), ...(mark ? [appliedUpTo(mark)] : [])]),
      generation,
    );
    this.figures.keptAside += countOf(records);
  }

  /** @returns why the database refused them for good; `undefined` when they are stored */
  async #tryToStore(records: Records, { mark, generation }: Storing): Promise<(Error & { code?: string }) | undefined> {
    let encoded: Encoded;
    try {
      encoded = this.#encode(records, mark);
    } catch (error) {
      return error as Error;
    }
    const { message, columns, names } = encoded;
    try {
      const { known } = await this.#untilDone(() => this.deps.database.ingest(message), generation);
      this.#names.saved(names);
      this.figures.batches++;
      this.figures.duplicates += known.length;
      this.#publish(message.batch, columns, known);
      return undefined;
    } catch (error) {
      if (this.#isGivenUp(generation)) throw error;
      // What was to be written with it once is to be written again.
      this.#versions.clear();
      this.#parts.clear();
      return error as Error;
    }
  }

  /** The process ends, or the journal is read again: what is under way is given up, and comes again from there. */
  #isGivenUp(generation: number): boolean {
    return this.#closed || generation !== this.#generation;
  }

  /**
   * Tries again as long as that may help. The records are in the journal, so they are not lost. Nothing may overtake
   * them: meanwhile the backlog fills, and senders are told to come back.
   */
  async #untilDone<Result>(work: () => Promise<Result>, generation: number): Promise<Result> {
    for (let tries = 0; ; tries++) {
      try {
        return await work();
      } catch (error) {
        if (!isTransient(error) || this.#isGivenUp(generation)) throw error;
        if (tries % 10 === 0) this.deps.log.error({ err: error, tries }, 'a batch cannot be stored, trying again');
        await new Promise((resolve) => setTimeout(resolve, Math.min(LONGEST_PAUSE_MS, 200 * 2 ** tries)));
        if (this.#isGivenUp(generation)) throw error;
      }
    }
  }

  #encode(records: Records, mark: JournalMark | undefined): Encoded {
    const names = this.#names;
    names.begin();
    const encoded = encodeRows([...records.attempts, ...records.toldBeside], records.spans, names);
    // Most batches hold few kinds: rows of the others need no buffers.
    const rowsOf = <One, Name extends CopiedBeside>(
      ones: readonly One[],
      encode: (ones: readonly One[], names: NameBook) => TableRows<Name>,
    ) => (ones.length === 0 ? [] : [encode(ones, names)]);
    const copied = [
      encoded.spans,
      encoded.items,
      ...rowsOf(records.lines, lineRows),
      ...rowsOf(records.points, pointRows),
      ...rowsOf(records.views, viewRows),
      ...rowsOf(records.views, detailRows),
      ...rowsOf(records.views, callRows),
      ...rowsOf(records.errors, errorRows),
      ...rowsOf(records.crashes, crashRows),
      ...rowsOf(records.moments, momentRows),
      ...rowsOf(records.requests, momentRows),
      ...rowsOf(records.remote, remoteRows),
      ...rowsOf(records.probeRuns, probeRunRows),
      ...rowsOf(records.probeSteps, probeStepRows),
      ...rowsOf(records.marks, markRows),
    ];
    // Last, since all rows before may bring new names.
    const unsaved = names.unsavedOfBatch;
    const copies = [...copied, ...rowsOf(unsaved, nameRows)];
    const message: IngestBatch = {
      batch: ++this.#batch,
      mark,
      attempts: encoded.attempts.finish(),
      attemptCount: encoded.attempts.rows,
      hours: [...encoded.hours],
      details: encoded.details,
      versions: this.#freshVersions(encoded.versions),
      parts: this.#freshParts(encoded.parts),
      changes: records.changes.map(changeRow),
      copies: copies.filter(({ rows }) => rows > 0).map((rows) => ({ table: rows.table, rows: rows.finish() })),
    };
    return { message, columns: encoded.columns, names: unsaved };
  }

  /** Stores records that were kept aside once more. @returns whether they were taken this time */
  async sendAgain(records: Records): Promise<boolean> {
    this.#checkOpen();
    this.figures.backlogRecords += sizeOf(records);
    const keptAside = await new Promise<number>((stored) => {
      this.#backlog.push({ records, bytes: 0, mark: undefined, stored });
      this.#startStoring();
    });
    return keptAside === 0;
  }

  /**
   * Versions that are new, or were seen earlier than known so far. Known again after a restart, at the price of one
   * write each.
   */
  #freshVersions(versions: ReadonlyMap<string, VersionRow>): VersionRow[] {
    const fresh = [...versions].filter(([key, { first_us }]) => first_us < (this.#versions.get(key) ?? Infinity));
    for (const [key, { first_us }] of fresh) this.#versions.set(key, first_us);
    return fresh.map(([, row]) => row);
  }

  /**
   * Parts that are new, or were seen earlier than was known; else they are written down now and then, so that it is
   * known when they were last seen.
   */
  #freshParts(parts: ReadonlyMap<string, PartRow>): PartRow[] {
    const isFresh = ([key, part]: [string, PartRow]) => {
      const known = this.#parts.get(key);
      if (!known) return true;
      return part.first_us < known.first_us || part.last_us - known.last_us > PART_SEEN_EVERY_US;
    };
    const fresh = [...parts].filter(isFresh);
    for (const [key, part] of fresh) {
      const known = this.#parts.get(key) ?? part;
      const first_us = Math.min(known.first_us, part.first_us);
      this.#parts.set(key, { ...part, first_us, last_us: Math.max(known.last_us, part.last_us) });
    }
    return fresh.map(([, part]) => part);
  }

  #publish(batch: number, columns: AttemptColumns, known: number[]): void {
    const fresh = known.length === 0 ? columns : withoutRows(columns, new Set(known));
    this.deps.onCommitted({ batch, columns: fresh, nowMs: this.#now() });
  }

  /** Makes the database durable, then lets the journal forget what it holds and no backup needs. */
  async checkpoint(): Promise<void> {
    this.#lastCheckpointMs = this.#now();
    const mark = this.#appliedMark;
    if (!mark || mark === this.#checkpointedMark || this.#checkpointsHeld > 0) return;
    await this.deps.database.checkpoint();
    const keep = this.deps.keepJournalFrom?.() ?? { segment: Infinity, mostBytes: Infinity };
    this.deps.journal.forget(Math.min(mark.segment, keep.segment), { applied: mark, mostBytes: keep.mostBytes });
    this.#checkpointedMark = mark;
  }

  /** One that fails, as on a full disk, must not end a start: until the next one the journal keeps everything. */
  async #checkpointOrLater(): Promise<void> {
    await this.checkpoint().catch((error: unknown) =>
      this.deps.log.error({ err: error }, 'what was stored is made durable later'),
    );
  }

  /** While a backup is read, what it needs of the database's own log must not be recycled. */
  async withoutCheckpoints<Result>(work: () => Promise<Result>): Promise<Result> {
    this.#checkpointsHeld++;
    try {
      return await work();
    } finally {
      this.#checkpointsHeld--;
    }
  }

  /** Waits until everything taken is in the database. */
  async settled(): Promise<void> {
    while (this.#journalling || this.#storing || this.#backlog.length > 0 || this.#replaying)
      await new Promise((resolve) => setTimeout(resolve, 2));
  }

  /** Takes nothing more. What is not in the database after so long stays in the journal, for the next start. */
  async close(patienceMs = 3_000): Promise<void> {
    const end = performance.now() + patienceMs;
    const isBusy = () => this.#journalling || this.#storing || this.#backlog.length > 0;
    while (isBusy() && performance.now() < end) await new Promise((resolve) => setTimeout(resolve, 5));
    this.#closed = true;
    await this.#journalling;
    await Promise.race([this.#storing, new Promise((resolve) => setTimeout(resolve, 2_000).unref())]).catch(
      () => undefined,
    );
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
