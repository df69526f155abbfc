import {
  appendFileSync,
  existsSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  statSync,
  truncateSync,
  writeFileSync,
} from 'node:fs';
import type { FileHandle } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Journal, START, type Damage } from './journal';
import { encodeRecords, SIGNALS, type JournalEntry } from './journal-record';

let dir: string;
beforeEach(() => (dir = mkdtempSync(join(tmpdir(), 'toplens-journal-'))));
afterEach(() => rmSync(dir, { recursive: true, force: true }));

const entry = (text: string): JournalEntry => ({
  signal: 'logs',
  encoding: 'json',
  body: Buffer.from(text),
  receivedMs: 12.5,
});
const texts = (journal: Journal, from = START, damages: Damage[] = []) =>
  [...journal.replay(from, { onDamage: (damage) => damages.push(damage) })].map(({ entry: { body } }) =>
    Buffer.from(body).toString(),
  );
const fileOf = (journalDir: string) =>
  join(journalDir, readdirSync(journalDir).find((name) => name.endsWith('.journal')) as string);

test('what was appended is read again, in order, by a later process', async () => {
  const journal = Journal.open(dir);
  await journal.append([entry('a'), entry('b')]);
  await journal.append([entry('c')]);
  await journal.close();
  expect(texts(Journal.open(dir))).toEqual(['a', 'b', 'c']);
});

test('what a request told of, and in which encoding, is read again', async () => {
  const journal = Journal.open(dir);
  const entries = SIGNALS.flatMap((signal) =>
    (['json', 'protobuf'] as const).map((encoding) => ({ ...entry(signal), signal, encoding })),
  );
  await journal.append(entries);
  await journal.close();
  const read = [...Journal.open(dir).replay(START)].map(({ entry: { signal, encoding } }) => ({ signal, encoding }));
  expect(read).toEqual(entries.map(({ signal, encoding }) => ({ signal, encoding })));
});

test('a torn or damaged tail is passed over, what stands before it counts', async () => {
  const journal = Journal.open(dir);
  await journal.append([entry('a'), entry('b')]);
  await journal.close();
  truncateSync(fileOf(dir), statSync(fileOf(dir)).size - 1);
  expect(texts(Journal.open(dir))).toEqual(['a']);
  appendFileSync(fileOf(dir), 'x');
  expect(texts(Journal.open(dir))).toEqual(['a']);
});

test('behind a torn tail a new segment begins, and both are read', async () => {
  const first = Journal.open(dir);
  await first.append([entry('a'), entry('torn')]);
  await first.close();
  truncateSync(fileOf(dir), statSync(fileOf(dir)).size - 2);
  const second = Journal.open(dir);
  await second.append([entry('b')]);
  await second.close();
  expect(texts(Journal.open(dir))).toEqual(['a', 'b']);
});

test('what stands before a mark is not read again; its segments are dropped when told so', async () => {
  const journal = Journal.open(dir);
  const mark = await journal.append([entry('a')]);
  await journal.append([entry('b')]);
  await journal.close();
  const later = Journal.open(dir);
  expect(texts(later, mark)).toEqual(['b']);
  expect(later.isComplete).toBe(true);
  await later.append([entry('c')]);
  later.forget(mark.segment + 1);
  expect(texts(later)).toEqual(['c']);
  expect(later.isComplete).toBe(false);
  await later.close();
});

test('kept for a backup, but not beyond so many bytes, and never what is not applied', async () => {
  for (const text of ['a', 'b', 'c']) {
    const journal = Journal.open(dir);
    await journal.append([entry(text)]);
    await journal.close();
  }
  const journal = Journal.open(dir);
  journal.forget(1, { applied: { segment: 3, offset: 0 }, mostBytes: 1 });
  expect(texts(journal)).toEqual(['c']);
});

test('numbers of segments begin above what a database has applied', async () => {
  const journal = Journal.open(dir, { above: 41 });
  expect((await journal.append([entry('a')])).segment).toBe(42);
  await journal.close();
});

test('a byte flipped anywhere costs the record it lies in and no other; it is told and kept aside', async () => {
  const written = ['first', 'second', 'third'];
  const journal = Journal.open(dir);
  await journal.append(written.map(entry));
  await journal.close();
  const file = fileOf(dir);
  const sound = readFileSync(file);
  const length = encodeRecords([entry('first')], 0).length;
  for (let at = 0; at < sound.length; at++) {
    const flipped = Buffer.from(sound);
    flipped[at] = (flipped[at] as number) ^ 0x10;
    writeFileSync(file, flipped);
    const damages: Damage[] = [];
    const read = texts(Journal.open(dir), START, damages);
    const hit = at < length ? 0 : at < length + encodeRecords([entry('second')], 0).length ? 1 : 2;
    // The two spare bytes are summed too, so nothing goes unnoticed.
    expect({ at, read }).toEqual({ at, read: written.filter((_, i) => i !== hit) });
    expect(damages).toHaveLength(1);
    expect(existsSync(join(dir, 'damaged', `${damages[0]?.segment}-${damages[0]?.fromByte}.bytes`))).toBe(true);
  }
});

test('records of a version before 0.2 are read, damaged ones among them passed over', async () => {
  // "TLJ1", length, CRC-32, encoding and signal, received, body: two records as version 0.1 wrote them.
  const old = Buffer.from('544c4a3101000000a9c6c3f4010100000000000000002940' + '61', 'hex');
  const crc = (await import('node:zlib')) as unknown as { crc32: (data: Uint8Array) => number };
  old.writeUInt32LE(crc.crc32(old.subarray(12)), 8);
  const damaged = Buffer.from(old);
  damaged[old.length - 1] = 0;
  writeFileSync(join(dir, '00000001.journal'), Buffer.concat([damaged, old]));
  expect(texts(Journal.open(dir))).toEqual(['a']);
});

describe('when a write fails', () => {
  /** As a full disk does it: a part is written, then nothing more. */
  async function failing(journal: Journal, text: string): Promise<void> {
    const prototype = Object.getPrototypeOf(await (await import('node:fs/promises')).open(__filename)) as FileHandle;
    const spy = jest.spyOn(prototype, 'appendFile').mockImplementationOnce(() => {
      appendFileSync(fileOf(dir), encodeRecords([entry(text)], 0).subarray(0, 20));
      return Promise.reject(Object.assign(new Error('no space left on device'), { code: 'ENOSPC' }));
    });
    await expect(journal.append([entry(text)])).rejects.toMatchObject({ code: 'ENOSPC' });
    spy.mockRestore();
  }

  test('a torn record never stands in front of a good one', async () => {
    const journal = Journal.open(dir);
    await journal.append([entry('a')]);
    await failing(journal, 'torn');
    await journal.append([entry('b')]);
    await journal.close();
    const damages: Damage[] = [];
    expect(texts(Journal.open(dir), START, damages)).toEqual(['a', 'b']);
    expect(damages).toEqual([]);
  });

  test('nothing is acknowledged by a writer that lost its folder, before the write or during it', async () => {
    let asked = 0;
    const lost = (at: number) => () => {
      if (asked++ >= at) throw new Error('taken over');
    };
    for (const at of [0, 1]) {
      asked = 0;
      const journal = Journal.open(dir, { checkOwner: lost(at) });
      await expect(journal.append([entry('x')])).rejects.toThrow('taken over');
    }
  });
});
