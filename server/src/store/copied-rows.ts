const UTF8 = new TextDecoder();
const SIGNATURE_AND_FLAGS = 15;

/**
 * Reads rows in PostgreSQL's binary COPY format (documented under COPY, "Binary Format"), field by field in the order
 * in which they were asked for. Rows read so cost several times less than rows as objects.
 */
export class CopiedRows {
  readonly #view: DataView;
  #at: number;

  constructor(private readonly bytes: Uint8Array) {
    this.#view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
    this.#at = SIGNATURE_AND_FLAGS + 4 + this.#view.getInt32(SIGNATURE_AND_FLAGS);
  }

  /** Goes on to the next row; false after the last. */
  next(): boolean {
    const fields = this.#view.getInt16(this.#at);
    this.#at += 2;
    return fields >= 0;
  }

  /** Steps over the length of a field and its bytes. @returns where the bytes begin; -1 for NULL */
  #field(): number {
    const length = this.#view.getInt32(this.#at);
    const begin = this.#at + 4;
    this.#at = begin + Math.max(0, length);
    return length < 0 ? -1 : begin;
  }

  /** A field of an integer type; NaN for NULL. Whole numbers of more than 53 bits are rounded. */
  integer(): number {
    const begin = this.#field();
    if (begin < 0) return NaN;
    switch (this.#at - begin) {
      case 2:
        return this.#view.getInt16(begin);
      case 4:
        return this.#view.getInt32(begin);
      default:
        return this.#view.getInt32(begin) * 0x1_0000_0000 + this.#view.getUint32(begin + 4);
    }
  }

  /** A field of type float8; NaN for NULL. */
  float(): number {
    const begin = this.#field();
    return begin < 0 ? NaN : this.#view.getFloat64(begin);
  }

  /** A field of a text type; '' for NULL. */
  text(): string {
    const begin = this.#field();
    return begin < 0 ? '' : UTF8.decode(this.bytes.subarray(begin, this.#at));
  }

  /** A field of type bytea: a view, not a copy. Empty for NULL. */
  binary(): Uint8Array {
    const begin = this.#field();
    return begin < 0 ? new Uint8Array() : this.bytes.subarray(begin, this.#at);
  }
}
