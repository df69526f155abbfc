import { crc32 } from '../store/crc32';
import { crc32c } from './crc32c';

export type Encoding = 'json' | 'protobuf';

/** What a request tells of. Their order is part of the journal's format. */
export const SIGNALS = ['traces', 'logs', 'metrics', 'changes', 'browser', 'events', 'unended'] as const;
export type Signal = (typeof SIGNALS)[number];

/** A request as it came in, with all that is needed to take the same decisions about it again. */
export interface JournalEntry {
  signal: Signal;
  encoding: Encoding;
  /** unpacked body */
  body: Uint8Array;
  receivedMs: number;
}

const MAGIC = Buffer.from('TLJ2');
const OLD_MAGIC = Buffer.from('TLJ1');
const HEADER = 32;
const OLD_HEADER = 24;

/**
 * Records as bytes. Each: "TLJ2", length of the body u32, signal u8, encoding u8 (1 JSON), two bytes of zero, epoch of
 * the writer u32, received ms f64, CRC-32C of these 24 bytes, CRC-32C of the body, body. Numbers are little-endian. The
 * header has a sum of its own, so that a damaged length leads nobody astray.
 */
export function encodeRecords(entries: readonly JournalEntry[], epoch: number): Buffer {
  const bytes = Buffer.allocUnsafe(entries.reduce((sum, { body }) => sum + HEADER + body.length, 0));
  let at = 0;
  for (const { signal, encoding, body, receivedMs } of entries) {
    bytes.set(MAGIC, at);
    bytes.writeUInt32LE(body.length, at + 4);
    bytes.writeUInt32LE(SIGNALS.indexOf(signal) | ((encoding === 'json' ? 1 : 0) << 8), at + 8);
    bytes.writeUInt32LE(epoch, at + 12);
    bytes.writeDoubleLE(receivedMs, at + 16);
    bytes.writeUInt32LE(crc32c(bytes.subarray(at, at + 24)), at + 24);
    bytes.writeUInt32LE(crc32c(body), at + 28);
    bytes.set(body, at + HEADER);
    at += HEADER + body.length;
  }
  return bytes;
}

/**
 * What stands at a place of a segment: a sound record, one that ends with the file before it is whole, or nothing that
 * can be read.
 */
export type Found = { kind: 'record'; entry: JournalEntry; end: number } | { kind: 'torn' } | { kind: 'damaged' };

export function recordAt(bytes: Buffer, offset: number): Found {
  if (startsWith(bytes, offset, OLD_MAGIC)) return oldRecordAt(bytes, offset);
  if (offset + HEADER > bytes.length) return startsLike(bytes, offset) ? { kind: 'torn' } : { kind: 'damaged' };
  if (
    !startsWith(bytes, offset, MAGIC) ||
    crc32c(bytes.subarray(offset, offset + 24)) !== bytes.readUInt32LE(offset + 24)
  )
    return { kind: 'damaged' };
  const end = offset + HEADER + bytes.readUInt32LE(offset + 4);
  if (end > bytes.length) return { kind: 'torn' };
  const body = bytes.subarray(offset + HEADER, end);
  const signal = SIGNALS[bytes.readUInt8(offset + 8)];
  if (!signal || crc32c(body) !== bytes.readUInt32LE(offset + 28)) return { kind: 'damaged' };
  const encoding = bytes.readUInt8(offset + 9) === 1 ? 'json' : 'protobuf';
  return { kind: 'record', entry: { signal, encoding, body, receivedMs: bytes.readDoubleLE(offset + 16) }, end };
}

/**
 * As written before 0.2: "TLJ1", length u32, CRC-32 of all that follows, encoding u8, signal u8, two bytes of zero,
 * received ms f64, body.
 */
function oldRecordAt(bytes: Buffer, offset: number): Found {
  if (offset + OLD_HEADER > bytes.length) return { kind: 'torn' };
  const end = offset + OLD_HEADER + bytes.readUInt32LE(offset + 4);
  if (end > bytes.length) return nextRecord(bytes, offset + 1) < bytes.length ? { kind: 'damaged' } : { kind: 'torn' };
  const signal = SIGNALS[bytes.readUInt8(offset + 13)];
  if (!signal || crc32(bytes.subarray(offset + 12, end)) !== bytes.readUInt32LE(offset + 8)) return { kind: 'damaged' };
  const encoding = bytes.readUInt8(offset + 12) === 1 ? 'json' : 'protobuf';
  return {
    kind: 'record',
    entry: {
      signal,
      encoding,
      receivedMs: bytes.readDoubleLE(offset + 16),
      body: bytes.subarray(offset + OLD_HEADER, end),
    },
    end,
  };
}

/** Where the next sound record begins, from `offset` on; the end of the segment when there is none. */
export function nextRecord(bytes: Buffer, offset: number): number {
  for (let at = offset; ; at++) {
    const candidates = [bytes.indexOf(MAGIC, at), bytes.indexOf(OLD_MAGIC, at)].filter((place) => place >= 0);
    if (candidates.length === 0) return bytes.length;
    at = Math.min(...candidates);
    if (recordAt(bytes, at).kind === 'record') return at;
  }
}

const startsWith = (bytes: Buffer, offset: number, magic: Buffer) =>
  bytes.subarray(offset, offset + magic.length).equals(magic);
const startsLike = (bytes: Buffer, offset: number) => {
  const rest = bytes.subarray(offset, offset + MAGIC.length);
  return rest.equals(MAGIC.subarray(0, rest.length));
};
