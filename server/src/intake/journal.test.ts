import { appendFileSync, mkdtempSync, readdirSync, rmSync, truncateSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Journal, SIGNALS, type JournalEntry } from './journal';

let dir: string;
beforeEach(() => (dir = mkdtempSync(join(tmpdir(), 'toplens-journal-'))));
afterEach(() => rmSync(dir, { recursive: true, force: true }));

const entry = (text: string): JournalEntry => ({ signal: 'logs', encoding: 'json', body: Buffer.from(text), receivedMs: 12.5 });
const texts = (journal: Journal) => [...journal.replay()].map(({ entry: { body } }) => Buffer.from(body).toString());
const fileOf = (journalDir: string) => join(journalDir, readdirSync(journalDir).find((name) => name.endsWith('.journal')) as string);

test('what was appended is read again, in order, by a later process', async () => {
  const journal = Journal.open(dir);
  await journal.append([entry('a'), entry('b')]);
  await journal.append([entry('c')]);
  await journal.close();
  expect(texts(Journal.open(dir))).toEqual(['a', 'b', 'c']);
});

test('what a request told of, and in which encoding, is read again', async () => {
  const journal = Journal.open(dir);
  const entries = SIGNALS.flatMap((signal) => (['json', 'protobuf'] as const).map((encoding) => ({ ...entry(signal), signal, encoding })));
  await journal.append(entries);
  await journal.close();
  const read = [...Journal.open(dir).replay()].map(({ entry: { signal, encoding } }) => ({ signal, encoding }));
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

test('what is applied elsewhere is forgotten', async () => {
  const journal = Journal.open(dir);
  const mark = await journal.append([entry('a')]);
  await journal.append([entry('b')]);
  journal.forget(mark);
  await journal.close();
  expect(texts(Journal.open(dir))).toEqual(['b']);
});
