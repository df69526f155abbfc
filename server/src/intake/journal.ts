import { mkdirSync, readdirSync, readFileSync, rmSync, writeFileSync, openSync, fdatasyncSync, closeSync, renameSync, existsSync } from 'node:fs';
import { open, type FileHandle } from 'node:fs/promises';
import { join } from 'node:path';
import { crc32 } from './crc32';

export type Encoding = 'json' | 'protobuf';

/** What a request tells of. Their order is part of the journal's format. */
export const SIGNALS = ['traces', 'logs', 'metrics', 'changes', 'browser', 'events'] as const;
export type Signal = (typeof SIGNALS)[number];

/** A request as it came in, with all that is needed to take the same decisions about it again. */
export interface JournalEntry {
  signal: Signal;
  encoding: Encoding;
  /** unpacked body */
  body: Uint8Array;
  receivedMs: number;
}

/** A place in the journal: everything before it is applied. */
export interface JournalMark {
  segment: number;
  offset: number;
}

const MAGIC = 0x314a4c54; // "TLJ1"
const HEADER = 24;
const SEGMENT_BYTES = 64 * 1024 * 1024;
const MARK_FILE = 'applied.json';

const segmentName = (segment: number) => `${String(segment).padStart(8, '0')}.journal`;

/**
 * Append-only log of accepted requests. An entry counts once its bytes are on the disk (fdatasync); then, and only
 * then, the sender is told so. The database follows behind and may be rebuilt from here.
 *
 * Entry: magic u32, body length u32, CRC-32 u32 of all that follows, encoding u8, signal u8, two bytes of
 * zero, received ms f64, body.
 */
export class Journal {
  #file: FileHandle | undefined;
  #segment: number;
  #offset = 0;

  private constructor(private readonly dir: string) {
    this.#segment = (this.#segments().at(-1) ?? 0) + 1;
  }

  /** Opens a new segment behind the existing ones; a torn tail of an old segment is never written to again. */
  static open(dir: string): Journal {
    mkdirSync(dir, { recursive: true });
    return new Journal(dir);
  }

  #segments(): number[] {
    return readdirSync(this.dir)
      .filter((name) => name.endsWith('.journal'))
      .map((name) => Number.parseInt(name, 10))
      .sort((a, b) => a - b);
  }

  /** Writes entries and waits until they are on the disk. Calls must not overlap. @returns the place behind them */
  async append(entries: readonly JournalEntry[]): Promise<JournalMark> {
    this.#file ??= await open(join(this.dir, segmentName(this.#segment)), 'a');
    const bytes = encodeEntries(entries);
    await this.#file.appendFile(bytes);
    await this.#file.datasync();
    this.#offset += bytes.length;
    const mark = { segment: this.#segment, offset: this.#offset };
    if (this.#offset >= SEGMENT_BYTES) {
      await this.#file.close();
      this.#file = undefined;
      this.#segment++;
      this.#offset = 0;
    }
    return mark;
  }

  /** Remembers that everything before the mark is safe elsewhere, and drops the segments that are no longer needed. */
  forget(mark: JournalMark): void {
    const file = join(this.dir, MARK_FILE);
    writeFileSync(`${file}.new`, JSON.stringify(mark));
    const handle = openSync(`${file}.new`, 'r');
    fdatasyncSync(handle);
    closeSync(handle);
    renameSync(`${file}.new`, file);
    for (const segment of this.#segments()) if (segment < mark.segment) rmSync(join(this.dir, segmentName(segment)));
  }

  /** Entries that are not known to be applied, oldest first. A torn entry at the end of a segment was never acknowledged. */
  *replay(): Generator<{ entry: JournalEntry; mark: JournalMark }> {
    const from = this.#readMark();
    for (const segment of this.#segments()) {
      if (segment < from.segment) continue;
      const bytes = readFileSync(join(this.dir, segmentName(segment)));
      let offset = segment === from.segment ? from.offset : 0;
      for (;;) {
        const decoded = decodeEntry(bytes, offset);
        if (!decoded) break;
        offset = decoded.end;
        yield { entry: decoded.entry, mark: { segment, offset } };
      }
    }
  }

  #readMark(): JournalMark {
    const file = join(this.dir, MARK_FILE);
    return existsSync(file) ? (JSON.parse(readFileSync(file, 'utf8')) as JournalMark) : { segment: 0, offset: 0 };
  }

  async close(): Promise<void> {
    await this.#file?.close();
    this.#file = undefined;
  }
}

function encodeEntries(entries: readonly JournalEntry[]): Buffer {
  const bytes = Buffer.allocUnsafe(entries.reduce((sum, { body }) => sum + HEADER + body.length, 0));
  let at = 0;
  for (const { signal, encoding, body, receivedMs } of entries) {
    const end = at + HEADER + body.length;
    bytes.writeUInt32LE(MAGIC, at);
    bytes.writeUInt32LE(body.length, at + 4);
    bytes.writeUInt32LE((encoding === 'json' ? 1 : 0) | (SIGNALS.indexOf(signal) << 8), at + 12);
    bytes.writeDoubleLE(receivedMs, at + 16);
    bytes.set(body, at + HEADER);
    bytes.writeUInt32LE(crc32(bytes.subarray(at + 12, end)), at + 8);
    at = end;
  }
  return bytes;
}

function decodeEntry(bytes: Buffer, offset: number): { entry: JournalEntry; end: number } | undefined {
  if (offset + HEADER > bytes.length || bytes.readUInt32LE(offset) !== MAGIC) return undefined;
  const end = offset + HEADER + bytes.readUInt32LE(offset + 4);
  if (end > bytes.length || crc32(bytes.subarray(offset + 12, end)) !== bytes.readUInt32LE(offset + 8)) return undefined;
  const signal = SIGNALS[bytes.readUInt8(offset + 13)];
  if (!signal) return undefined;
  return {
    entry: {
      signal,
      encoding: bytes.readUInt8(offset + 12) === 1 ? 'json' : 'protobuf',
      receivedMs: bytes.readDoubleLE(offset + 16),
      body: bytes.subarray(offset + HEADER, end),
    },
    end,
  };
}
