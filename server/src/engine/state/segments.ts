import {
  closeSync,
  existsSync,
  fstatSync,
  ftruncateSync,
  mkdirSync,
  openSync,
  readdirSync,
  readSync,
  renameSync,
  rmSync,
  writeSync,
} from 'node:fs';
import { join } from 'node:path';
import { COLUMN_NAMES, emptyColumns, type AttemptColumns } from '@toplens/core/telemetry';
import { crc32 } from '../../store/crc32';

type Ranges = ReadonlyMap<number, readonly [from: number, to: number]>;

const MAGIC = 'TLS3';
/** magic, length of the header, CRC-32 of header and columns */
const BEFORE_HEADER = MAGIC.length + 8;
const ALIGN = 8;
const aligned = (bytes: number) => Math.ceil(bytes / ALIGN) * ALIGN;
const nameOf = (hourMs: number) => `${hourMs}.columns`;

/**
 * Hours of attempts as files of columns: what the database needs a second for is here in milliseconds. A copy, never
 * the truth: a file is dropped as soon as its hour is touched, and one that is torn or foreign is read as if it were
 * not there.
 *
 * Layout: "TLS3", length of the header u32, CRC-32 of header and columns u32, header as JSON (rows, ranges by flow),
 * then each column, aligned to 8 bytes.
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

  /** Writes a copy down. Where that fails, as on a full disk, there is none, and the database is asked. */
  write(hourMs: number, columns: AttemptColumns, ranges: Ranges): void {
    if (this.dir === '') return;
    const file = join(this.dir, nameOf(hourMs));
    try {
      writeColumns(`${file}.new`, columns, ranges);
      renameSync(`${file}.new`, file);
      this.#present.add(hourMs);
    } catch {
      rmSync(`${file}.new`, { force: true });
    }
  }

  /** The hour as it was written; `undefined` when there is no file, or none that can be trusted. */
  read(hourMs: number): { columns: AttemptColumns; ranges: Ranges } | undefined {
    const file = join(this.dir, nameOf(hourMs));
    if (!this.#present.has(hourMs) || !existsSync(file)) return undefined;
    const found = readFileOfColumns(file);
    if (!found) this.drop(hourMs);
    return found;
  }

  /** Hours of which there is a file. */
  get hours(): number[] {
    return [...this.#present];
  }
}

function writeColumns(file: string, columns: AttemptColumns, ranges: Ranges): void {
  const header = Buffer.from(JSON.stringify({ rows: columns.n, ranges: [...ranges] }));
  const begin = Buffer.alloc(aligned(BEFORE_HEADER + header.length));
  begin.write(MAGIC, 0);
  begin.writeUInt32LE(header.length, MAGIC.length);
  begin.set(header, BEFORE_HEADER);
  let sum = crc32(header);
  const handle = openSync(file, 'w', 0o600);
  try {
    // Column by column: one buffer for all would be megabytes that are garbage a moment later.
    let at = writeSync(handle, begin, 0, begin.length, 0);
    for (const name of COLUMN_NAMES) {
      const { buffer, byteOffset, byteLength } = columns[name].subarray(0, columns.n);
      const bytes = new Uint8Array(buffer, byteOffset, byteLength);
      writeSync(handle, bytes, 0, byteLength, at);
      sum = crc32(bytes, sum);
      at += aligned(byteLength);
    }
    ftruncateSync(handle, at);
    begin.writeUInt32LE(sum, MAGIC.length + 4);
    writeSync(handle, begin, 0, begin.length, 0);
  } finally {
    closeSync(handle);
  }
}

function readFileOfColumns(file: string): { columns: AttemptColumns; ranges: Ranges } | undefined {
  let handle: number | undefined;
  try {
    handle = openSync(file, 'r');
    return readColumns(handle);
  } catch {
    // Whatever is wrong with a copy, the database has the rows.
    return undefined;
  } finally {
    if (handle !== undefined) closeSync(handle);
  }
}

function readColumns(handle: number): { columns: AttemptColumns; ranges: Ranges } | undefined {
  const begin = Buffer.alloc(BEFORE_HEADER);
  if (
    readSync(handle, begin, 0, BEFORE_HEADER, 0) < BEFORE_HEADER ||
    begin.toString('latin1', 0, MAGIC.length) !== MAGIC
  )
    return undefined;
  const headerLength = begin.readUInt32LE(MAGIC.length);
  const { size } = fstatSync(handle);
  if (BEFORE_HEADER + headerLength > size) return undefined;
  const written = begin.readUInt32LE(MAGIC.length + 4);
  const text = Buffer.alloc(headerLength);
  readSync(handle, text, 0, headerLength, BEFORE_HEADER);
  let sum = crc32(text);
  const header = JSON.parse(text.toString('utf8')) as { rows: number; ranges: [number, [number, number]][] };
  if (!Number.isInteger(header.rows) || header.rows < 0 || header.rows > size) return undefined;
  const columns = emptyColumns(header.rows);
  let at = aligned(BEFORE_HEADER + headerLength);
  for (const name of COLUMN_NAMES) {
    const { buffer, byteOffset, byteLength } = columns[name];
    // Straight to where it stays, so that no copy is left behind.
    const bytes = new Uint8Array(buffer, byteOffset, byteLength);
    if (at + byteLength > size || readSync(handle, bytes, 0, byteLength, at) < byteLength) return undefined;
    sum = crc32(bytes, sum);
    at += aligned(byteLength);
  }
  if (sum !== written) return undefined;
  columns.n = header.rows;
  return { columns, ranges: new Map(header.ranges) };
}
