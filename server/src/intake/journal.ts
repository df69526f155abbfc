import {
  closeSync,
  existsSync,
  fsyncSync,
  mkdirSync,
  openSync,
  readdirSync,
  readFileSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs';
import { open, type FileHandle } from 'node:fs/promises';
import { join } from 'node:path';
import { encodeRecords, nextRecord, recordAt, type JournalEntry } from './journal-record';

/** A place in the journal: everything before it is applied. */
export interface JournalMark {
  segment: number;
  offset: number;
}

/** A part of a segment that cannot be read. */
export interface Damage {
  segment: number;
  fromByte: number;
  toByte: number;
}

export interface JournalOptions {
  /**
   * segments get numbers above this one: a database that outlived its journal must not take new records for applied
   * ones
   */
  above?: number;
  /** of this process's ownership of the folder, see store/lock.ts */
  epoch?: number;
  /** throws when another process took the folder over */
  checkOwner?: () => void;
}

const SEGMENT_BYTES = 64 * 1024 * 1024;
const OLD_MARK_FILE = 'applied.json';
const DAMAGED = 'damaged';

const segmentName = (segment: number) => `${String(segment).padStart(8, '0')}.journal`;
const isBefore = (a: JournalMark, b: JournalMark) =>
  a.segment < b.segment || (a.segment === b.segment && a.offset < b.offset);
export const START: JournalMark = { segment: 0, offset: 0 };

/**
 * Append-only log of accepted requests. An entry counts once its bytes are on the disk (fdatasync); then, and only
 * then, the sender is told so. The database follows behind, says itself how far it came, and may be rebuilt from here.
 *
 * What cannot be written whole never stands in front of a good record: after a failed write the segment is cut back and
 * never written to again, since nobody knows what the operating system still holds of it. What cannot be read is passed
 * over, kept aside and told.
 */
export class Journal {
  #file: FileHandle | undefined;
  #segment: number;
  #offset = 0;
  readonly #epoch: number;
  readonly #checkOwner: () => void;

  private constructor(
    private readonly dir: string,
    { above = 0, epoch = 0, checkOwner = () => undefined }: JournalOptions,
  ) {
    this.#segment = Math.max(above, this.segments.at(-1) ?? 0) + 1;
    this.#epoch = epoch;
    this.#checkOwner = checkOwner;
  }

  /** Begins a new segment behind the existing ones; old ones are never written to again. */
  static open(dir: string, options: JournalOptions = {}): Journal {
    mkdirSync(dir, { recursive: true, mode: 0o700 });
    return new Journal(dir, options);
  }

  /** Numbers of the segments on the disk, in order. */
  get segments(): number[] {
    return readdirSync(this.dir)
      .filter((name) => name.endsWith('.journal'))
      .map((name) => Number.parseInt(name, 10))
      .sort((a, b) => a - b);
  }

  /** Every record ever written is still here: a database can be made anew from nothing. */
  get isComplete(): boolean {
    const [first] = this.segments;
    return first === undefined ? this.#segment === 1 : first === 1;
  }

  /** Behind the last record. */
  get end(): JournalMark {
    return { segment: this.#segment, offset: this.#offset };
  }

  get bytes(): number {
    return this.segments.reduce(
      (sum, segment) => sum + (statSync(join(this.dir, segmentName(segment)), { throwIfNoEntry: false })?.size ?? 0),
      0,
    );
  }

  /**
   * Writes entries and waits until they are on the disk. Calls must not overlap.
   * @returns the place behind them
   * @throws what the operating system says, ENOSPC above all; or what `checkOwner` throws. Then none of the entries
   *   counts.
   */
  async append(entries: readonly JournalEntry[]): Promise<JournalMark> {
    this.#checkOwner();
    const bytes = encodeRecords(entries, this.#epoch);
    try {
      this.#file ??= await this.#begin();
      await this.#file.appendFile(bytes);
      await this.#file.datasync();
      // Who took the folder over reads the journal after that: what is on the disk while it is still ours will be read.
      this.#checkOwner();
    } catch (error) {
      await this.#abandonSegment();
      throw error;
    }
    this.#offset += bytes.length;
    const mark = this.end;
    if (this.#offset >= SEGMENT_BYTES) await this.#nextSegment();
    return mark;
  }

  async #begin(): Promise<FileHandle> {
    const file = await open(join(this.dir, segmentName(this.#segment)), 'a', 0o600);
    syncFolder(this.dir);
    return file;
  }

  async #abandonSegment(): Promise<void> {
    if (!this.#file) return;
    await this.#file.truncate(this.#offset).catch(() => undefined);
    await this.#nextSegment();
  }

  async #nextSegment(): Promise<void> {
    const file = this.#file;
    this.#file = undefined;
    this.#segment++;
    this.#offset = 0;
    await file?.close().catch(() => undefined);
  }

  /**
   * Drops the segments before this one, and of the ones before `applied` the oldest when all are more than so many
   * bytes.
   */
  forget(
    keepFrom: number,
    { applied, mostBytes }: { applied: JournalMark; mostBytes: number } = { applied: START, mostBytes: Infinity },
  ): void {
    let bytes = this.bytes;
    for (const segment of this.segments) {
      const isTooMuch = bytes > mostBytes && segment < applied.segment;
      if (segment >= keepFrom && !isTooMuch) return;
      const file = join(this.dir, segmentName(segment));
      bytes -= statSync(file).size;
      rmSync(file);
    }
  }

  /**
   * Entries behind a mark, oldest first, as far as `until`. A record that ends with its file before it is whole was
   * never acknowledged. All else that cannot be read is kept aside in the folder `damaged`, and told.
   */
  *replay(
    from: JournalMark,
    { until, onDamage }: { until?: JournalMark; onDamage?: (damage: Damage) => void } = {},
  ): Generator<{ entry: JournalEntry; mark: JournalMark }> {
    for (const segment of this.segments) {
      if (segment < from.segment) continue;
      if (until && segment > until.segment) return;
      const bytes = readFileSync(join(this.dir, segmentName(segment)));
      let offset = segment === from.segment ? Math.min(from.offset, bytes.length) : 0;
      while (offset < bytes.length) {
        if (until && !isBefore({ segment, offset }, until)) return;
        const found = recordAt(bytes, offset);
        if (found.kind === 'record') {
          offset = found.end;
          yield { entry: found.entry, mark: { segment, offset } };
          continue;
        }
        if (found.kind === 'torn') break;
        const next = nextRecord(bytes, offset + 1);
        this.#keepAside({ segment, fromByte: offset, toByte: next }, bytes.subarray(offset, next));
        onDamage?.({ segment, fromByte: offset, toByte: next });
        offset = next;
      }
    }
  }

  #keepAside({ segment, fromByte }: Damage, bytes: Uint8Array): void {
    const dir = join(this.dir, DAMAGED);
    const file = join(dir, `${segment}-${fromByte}.bytes`);
    if (existsSync(file)) return;
    try {
      mkdirSync(dir, { recursive: true, mode: 0o700 });
      writeFileSync(file, bytes, { mode: 0o600 });
    } catch {
      // A copy that cannot be kept stops nothing: the segment itself stays until all of it is applied.
    }
  }

  /** The mark that versions before 0.2 kept beside the journal; `undefined` when there is none that can be read. */
  static oldMark(dir: string): JournalMark | undefined {
    try {
      const { segment, offset } = JSON.parse(readFileSync(join(dir, OLD_MARK_FILE), 'utf8')) as JournalMark;
      return Number.isInteger(segment) && Number.isInteger(offset) ? { segment, offset } : undefined;
    } catch {
      return undefined;
    }
  }

  async close(): Promise<void> {
    await this.#file?.close();
    this.#file = undefined;
  }
}

/** A new file is found after a power cut only when its folder is on the disk too. */
function syncFolder(dir: string): void {
  const handle = openSync(dir, 'r');
  try {
    fsyncSync(handle);
  } finally {
    closeSync(handle);
  }
}
