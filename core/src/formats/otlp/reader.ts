import { MalformedTelemetry } from './malformed';

const HEX_OF_BYTE = Array.from({ length: 256 }, (_, byte) => byte.toString(16).padStart(2, '0'));
const UTF8 = new TextDecoder();

/**
 * Texts come again and again (attributes, services, flows): those read last are kept by their hash, and need not be
 * made anew.
 */
const KEPT_TEXTS = 4096;
const LONGEST_KEPT = 64;
const kept: string[] = new Array<string>(KEPT_TEXTS).fill('');

/**
 * Walks the fields of protobuf messages. Whoever reads says what to do with each field; all others are skipped by their
 * length.
 */
export class Reader {
  #at = 0;
  readonly #view: DataView;

  constructor(readonly bytes: Uint8Array) {
    this.#view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  }

  /**
   * Walks the fields of a message that is `length` bytes long. `read` consumes a field and answers true,
   * or answers false to have it skipped.
   */
  message(length: number, read: (field: number, wireType: number) => boolean): void {
    const end = this.#at + length;
    if (end > this.bytes.length) this.#endsEarly();
    while (this.#at < end) {
      const tag = this.varint();
      const wireType = tag & 7;
      const before = this.#at;
      const field = Math.floor(tag / 8);
      this.#refuseForeign(field, wireType);
      if (!read(field, wireType)) this.#skip(wireType, before);
      if (this.#at > end)
        throw new MalformedTelemetry('protobuf', `a field runs past the end of its message at byte ${end}`);
    }
  }

  // Groups and field 0 are not part of OTLP: these are bytes of another kind.
  #refuseForeign(field: number, wireType: number): void {
    if (field === 0 || wireType === 3 || wireType === 4 || wireType > 5)
      throw new MalformedTelemetry(
        'protobuf',
        `not an OTLP message: field ${field} of wire type ${wireType} at byte ${this.#at}`,
      );
  }

  #skip(wireType: number, from: number): void {
    this.#at = from;
    if (wireType === 0) this.varint();
    else if (wireType === 1) this.#at += 8;
    else if (wireType === 5) this.#at += 4;
    else {
      const length = this.varint();
      this.#at += length;
    }
    if (this.#at > this.bytes.length) this.#endsEarly();
  }

  #endsEarly(): never {
    throw new MalformedTelemetry('protobuf', `the message ends early, after ${this.bytes.length} bytes`);
  }

  length(): number {
    const length = this.varint();
    if (this.#at + length > this.bytes.length) this.#endsEarly();
    return length;
  }

  /** Unsigned varint; exact up to 2^53. */
  varint(): number {
    let value = 0;
    let scale = 1;
    for (let i = 0; i < 10; i++) {
      if (this.#at >= this.bytes.length) this.#endsEarly();
      const byte = this.bytes[this.#at++] as number;
      value += (byte & 0x7f) * scale;
      if (byte < 0x80) return value;
      scale *= 0x80;
    }
    throw new MalformedTelemetry('protobuf', `a number is longer than ten bytes at byte ${this.#at}`);
  }

  /** int64 in two's complement; negative numbers take ten bytes. */
  signedVarint(): number {
    const from = this.#at;
    const value = this.varint();
    if (this.#at - from < 10) return value;
    let exact = 0n;
    for (let i = 0; i < 10; i++) exact |= BigInt((this.bytes[from + i] as number) & 0x7f) << BigInt(7 * i);
    return Number(BigInt.asIntN(64, exact));
  }

  double(): number {
    if (this.#at + 8 > this.bytes.length) this.#endsEarly();
    const value = this.#view.getFloat64(this.#at, true);
    this.#at += 8;
    return value;
  }

  /** fixed64 nanoseconds → whole microseconds, exact although 64 bits do not fit a double. */
  nanosAsMicros(): number {
    if (this.#at + 8 > this.bytes.length) this.#endsEarly();
    const low = this.#view.getUint32(this.#at, true);
    const high = this.#view.getUint32(this.#at + 4, true);
    this.#at += 8;
    const rest = (high % 1000) * 4294967296 + low;
    return Math.floor(high / 1000) * 4294967296 + Math.floor(rest / 1000);
  }

  /** fixed64; exact up to 2^53. */
  fixed64(): number {
    if (this.#at + 8 > this.bytes.length) this.#endsEarly();
    const value = this.#view.getUint32(this.#at + 4, true) * 4294967296 + this.#view.getUint32(this.#at, true);
    this.#at += 8;
    return value;
  }

  /** sfixed64; exact up to 2^53. */
  signedFixed64(): number {
    if (this.#at + 8 > this.bytes.length) this.#endsEarly();
    const value = Number(this.#view.getBigInt64(this.#at, true));
    this.#at += 8;
    return value;
  }

  /** sint32 and sint64: the sign is the lowest bit. */
  zigzag(): number {
    const value = this.varint();
    return value % 2 === 0 ? value / 2 : -(value + 1) / 2;
  }

  /**
   * Numbers packed one behind the other, or a single one, as the wire type says. Of too many, those beyond `most` are
   * left out.
   */
  numbers(wireType: number, readOne: () => number, into: number[], most: number): void {
    if (wireType !== 2) {
      const one = readOne();
      if (into.length < most) into.push(one);
      return;
    }
    const end = this.length() + this.#at;
    while (this.#at < end && into.length < most) into.push(readOne());
    this.#at = Math.max(this.#at, end);
  }

  hex(): string {
    const end = this.length() + this.#at;
    let text = '';
    while (this.#at < end) text += HEX_OF_BYTE[this.bytes[this.#at++] as number];
    return text;
  }

  text(): string {
    const length = this.length();
    const start = this.#at;
    this.#at += length;
    const decode = () => UTF8.decode(this.bytes.subarray(start, start + length));
    if (length > LONGEST_KEPT) return decode();
    // FNV-1a.
    let hash = 0x811c9dc5;
    let all = 0;
    for (let i = start; i < this.#at; i++) {
      const byte = this.bytes[i] as number;
      hash = Math.imul(hash ^ byte, 0x01000193);
      all |= byte;
    }
    // Beyond ASCII bytes are not characters.
    if (all >= 0x80) return decode();
    const slot = (hash ^ (hash >>> 16)) & (KEPT_TEXTS - 1);
    const text = kept[slot] as string;
    return this.#isAt(start, length, text) ? text : (kept[slot] = decode());
  }

  #isAt(start: number, length: number, text: string): boolean {
    if (text.length !== length) return false;
    for (let i = 0; i < length; i++) if (this.bytes[start + i] !== text.charCodeAt(i)) return false;
    return true;
  }
}
