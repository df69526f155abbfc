import { existsSync, mkdirSync, readdirSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { COLUMN_NAMES, emptyColumns, type AttemptColumns } from '@toplens/core/telemetry';

type Ranges = ReadonlyMap<number, readonly [from: number, to: number]>;

const MAGIC = 'TLS1';
const ALIGN = 8;
const aligned = (bytes: number) => Math.ceil(bytes / ALIGN) * ALIGN;
const nameOf = (hourMs: number) => `${hourMs}.columns`;

/**
 * Hours of attempts as files of columns: what the database needs a second for is here in milliseconds. A copy, never the
 * truth: a file is dropped as soon as its hour is touched, and one that is torn or foreign is read as if it were not there.
 *
 * Layout: "TLS1", length of the header u32, header as JSON (rows, ranges by flow), then each column, aligned to 8 bytes.
 */
export class Segments {
  readonly #present = new Set<number>();

  /** @param dir empty: nothing is kept */
  constructor(private readonly dir: string) {
    if (dir === '') return;
    mkdirSync(dir, { recursive: true });
    for (const file of readdirSync(dir)) {
      if (file.endsWith('.columns')) this.#present.add(Number.parseInt(file, 10));
      else rmSync(join(dir, file), { force: true });
    }
  }

  has(hourMs: number): boolean {
    return this.dir === '' || this.#present.has(hourMs);
  }

  drop(hourMs: number): void {
    if (this.#present.delete(hourMs)) rmSync(join(this.dir, nameOf(hourMs)), { force: true });
  }

  /** Drops what is older than attempts are kept. */
  dropBefore(timeMs: number): void {
    for (const hourMs of this.#present) if (hourMs < timeMs) this.drop(hourMs);
  }

  write(hourMs: number, columns: AttemptColumns, ranges: Ranges): void {
    if (this.dir === '') return;
    const header = Buffer.from(JSON.stringify({ rows: columns.n, ranges: [...ranges] }));
    const begin = aligned(MAGIC.length + 4 + header.length);
    const size = COLUMN_NAMES.reduce((sum, name) => sum + aligned(columns.n * columns[name].BYTES_PER_ELEMENT), begin);
    const bytes = Buffer.alloc(size);
    bytes.write(MAGIC, 0);
    bytes.writeUInt32LE(header.length, MAGIC.length);
    bytes.set(header, MAGIC.length + 4);
    let at = begin;
    for (const name of COLUMN_NAMES) {
      const column = columns[name].subarray(0, columns.n);
      bytes.set(new Uint8Array(column.buffer, column.byteOffset, column.byteLength), at);
      at += aligned(column.byteLength);
    }
    const file = join(this.dir, nameOf(hourMs));
    writeFileSync(`${file}.new`, bytes);
    renameSync(`${file}.new`, file);
    this.#present.add(hourMs);
  }

  read(hourMs: number): { columns: AttemptColumns; ranges: Ranges } | undefined {
    const file = join(this.dir, nameOf(hourMs));
    if (!this.#present.has(hourMs) || !existsSync(file)) return undefined;
    const bytes = readFileSync(file);
    if (bytes.length < 8 || bytes.toString('latin1', 0, 4) !== MAGIC) return undefined;
    const headerEnd = 8 + bytes.readUInt32LE(4);
    let header: { rows: number; ranges: [number, [number, number]][] };
    try {
      header = JSON.parse(bytes.toString('utf8', 8, headerEnd)) as typeof header;
    } catch {
      return undefined;
    }
    const columns = emptyColumns(header.rows);
    let at = aligned(headerEnd);
    for (const name of COLUMN_NAMES) {
      const column = columns[name];
      if (at + column.byteLength > bytes.length) return undefined;
      new Uint8Array(column.buffer).set(bytes.subarray(at, at + column.byteLength));
      at += aligned(column.byteLength);
    }
    columns.n = header.rows;
    return { columns, ranges: new Map(header.ranges) };
  }
}
