const UTF8 = new TextEncoder();

/** The value of a hexadecimal digit, in lower or upper case. */
function digitOf(text: string, at: number): number {
  const code = text.charCodeAt(at) | 0x20;
  return code < 0x60 ? code - 0x30 : code - 0x57;
}

/**
 * Rows in PostgreSQL's binary COPY format (documented under COPY, "Binary Format"): big-endian, each field with its
 * length, -1 for NULL.
 */
export class CopyRows {
  #bytes = new Uint8Array(1 << 16);
  #view = new DataView(this.#bytes.buffer);
  #at = 0;
  rows = 0;

  constructor(private readonly fields: number) {
    // Signature, flags, length of header extension.
    this.#bytes.set([0x50, 0x47, 0x43, 0x4f, 0x50, 0x59, 0x0a, 0xff, 0x0d, 0x0a, 0x00]);
    this.#at = 19;
  }

  startRow(): void {
    this.#makeRoom(2 + this.fields * 20);
    this.#view.setInt16(this.#at, this.fields);
    this.#at += 2;
    this.rows++;
  }

  /** Room for so many bytes, and for the end mark behind them. */
  #makeRoom(bytes: number): void {
    let length = this.#bytes.length;
    while (this.#at + bytes + 2 > length) length *= 2;
    if (length === this.#bytes.length) return;
    const grown = new Uint8Array(length);
    grown.set(this.#bytes);
    this.#bytes = grown;
    this.#view = new DataView(grown.buffer);
  }

  int2(value: number): void {
    this.#view.setInt32(this.#at, 2);
    this.#view.setInt16(this.#at + 4, value);
    this.#at += 6;
  }

  int4(value: number): void {
    this.#view.setInt32(this.#at, 4);
    this.#view.setInt32(this.#at + 4, value);
    this.#at += 8;
  }

  /** A whole number of at most 53 bits. */
  int8(value: number): void {
    this.#view.setInt32(this.#at, 8);
    this.#view.setInt32(this.#at + 4, Math.floor(value / 4294967296));
    this.#view.setUint32(this.#at + 8, value >>> 0);
    this.#at += 12;
  }

  /** 16 hexadecimal digits as int8, 32 as uuid; an empty text is int8 0. */
  hex(text: string): void {
    const length = text === '' ? 8 : text.length / 2;
    this.#view.setInt32(this.#at, length);
    this.#at += 4;
    if (text === '') {
      this.#view.setFloat64(this.#at, 0);
      this.#at += 8;
      return;
    }
    for (let i = 0; i < text.length; i += 2) this.#bytes[this.#at++] = 16 * digitOf(text, i) + digitOf(text, i + 1);
  }

  float8(value: number): void {
    this.#view.setInt32(this.#at, 8);
    this.#view.setFloat64(this.#at + 4, value);
    this.#at += 12;
  }

  /** Text in UTF-8, of any length; it must not hold the character 0. */
  text(value: string): void {
    // What is left of the row comes behind it.
    this.#makeRoom(4 + 3 * value.length + this.fields * 20);
    const { written } = UTF8.encodeInto(value, this.#bytes.subarray(this.#at + 4));
    this.#view.setInt32(this.#at, written);
    this.#at += 4 + written;
  }

  /** A value of type jsonb: its version, then its text. */
  json(value: object): void {
    const text = JSON.stringify(value);
    this.#makeRoom(5 + 3 * text.length + this.fields * 20);
    const { written } = UTF8.encodeInto(text, this.#bytes.subarray(this.#at + 5));
    this.#view.setInt32(this.#at, written + 1);
    this.#view.setUint8(this.#at + 4, 1);
    this.#at += 5 + written;
  }

  null(): void {
    this.#view.setInt32(this.#at, -1);
    this.#at += 4;
  }

  /** The finished rows; call once. */
  finish(): Uint8Array {
    this.#view.setInt16(this.#at, -1);
    return this.#bytes.slice(0, this.#at + 2);
  }
}
