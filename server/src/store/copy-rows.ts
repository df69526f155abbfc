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
    const room = 2 + this.fields * 20;
    if (this.#at + room + 2 > this.#bytes.length) {
      const grown = new Uint8Array(this.#bytes.length * 2);
      grown.set(this.#bytes);
      this.#bytes = grown;
      this.#view = new DataView(grown.buffer);
    }
    this.#view.setInt16(this.#at, this.fields);
    this.#at += 2;
    this.rows++;
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
    for (let i = 0; i < text.length; i += 8) {
      this.#view.setUint32(this.#at, Number.parseInt(text.slice(i, i + 8), 16));
      this.#at += 4;
    }
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
