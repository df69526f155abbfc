import { appendFileSync, mkdtempSync, readdirSync, readFileSync, rmSync, truncateSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { emptyColumns, sortedByFlow, type AttemptColumns } from '@toplens/core/telemetry';
import { HOUR_MS } from '@toplens/core/time';
import { Hours } from './hours';
import { Segments } from './segments';

const HOUR = 400_000 * HOUR_MS;
let dir: string;
beforeEach(() => (dir = mkdtempSync(join(tmpdir(), 'toplens-segments-'))));
afterEach(() => rmSync(dir, { recursive: true, force: true }));

function rows(n: number, startMs = HOUR): AttemptColumns {
  const columns = emptyColumns(n);
  for (let i = 0; i < n; i++) {
    columns.startMs[i] = startMs + i * 10 + 0.125;
    columns.durationMs[i] = 100 + i;
    columns.flow[i] = 1 + ((i * 7) % 3);
    columns.person[i] = 70_000 + i;
    columns.valueMinor[i] = i % 2 === 0 ? NaN : 1250;
  }
  columns.n = n;
  return columns;
}
const plain = ({ startMs, flow, person, valueMinor, n }: AttemptColumns) => ({
  n,
  startMs: [...startMs.subarray(0, n)],
  flow: [...flow.subarray(0, n)],
  person: [...person.subarray(0, n)],
  value: [...valueMinor.subarray(0, n)],
});

test('an hour reads back as it was written, flow by flow', () => {
  const { columns, ranges } = sortedByFlow(rows(100));
  new Segments(dir).write(HOUR, columns, ranges);
  const back = new Segments(dir).read(HOUR);
  expect(plain(back?.columns as AttemptColumns)).toEqual(plain(columns));
  expect([...(back?.ranges ?? [])]).toEqual([...ranges]);
  expect([...ranges.values()].map(([from, to]) => to - from).reduce((a, b) => a + b, 0)).toBe(100);
});

test('a torn, foreign or half-written file is as if it were not there', () => {
  const { columns, ranges } = sortedByFlow(rows(100));
  const segments = new Segments(dir);
  segments.write(HOUR, columns, ranges);
  truncateSync(join(dir, `${HOUR}.columns`), 900);
  expect(segments.read(HOUR)).toBeUndefined();
  writeFileSync(join(dir, `${HOUR}.columns`), 'something else');
  expect(segments.read(HOUR)).toBeUndefined();
  appendFileSync(join(dir, `${HOUR + 1}.columns.new`), 'half');
  void new Segments(dir);
  expect(readdirSync(dir).some((name) => name.endsWith('.new'))).toBe(false);
});

test('a byte flipped anywhere is noticed: the file is dropped, and made anew from the database', async () => {
  const { columns, ranges } = sortedByFlow(rows(30));
  const file = join(dir, `${HOUR}.columns`);
  const size = (new Segments(dir).write(HOUR, columns, ranges), readFileSync(file).length);
  // Between columns lie a few bytes that mean nothing.
  const flipped = Array.from({ length: 200 }, (_, i) => Math.floor((i * size) / 200)).filter((at) => {
    const segments = new Segments(dir);
    segments.write(HOUR, columns, ranges);
    const bytes = readFileSync(file);
    bytes[at] = (bytes[at] as number) ^ 0x40;
    writeFileSync(file, bytes);
    const read = segments.read(HOUR);
    if (read) expect(plain(read.columns)).toEqual(plain(columns));
    return read === undefined && !segments.has(HOUR);
  });
  expect(flipped.length).toBeGreaterThan(180);
  const segments = new Segments(dir);
  writeFileSync(file, 'x');
  const hours = new Hours([HOUR], () => Promise.resolve(rows(30)), segments, 1);
  expect((await hours.load(HOUR)).columns.n).toBe(30);
  hours.seal(HOUR + 2 * HOUR_MS);
  expect(new Segments(dir).read(HOUR)?.columns.n).toBe(30);
});

test('an hour that is only glanced at is not kept; one that is in memory is read from there', async () => {
  let reads = 0;
  const load = () => {
    reads++;
    return Promise.resolve(rows(30));
  };
  const hours = new Hours([HOUR], load, new Segments(dir), 1);
  expect([(await hours.glance(HOUR)).columns.n, (await hours.glance(HOUR)).columns.n]).toEqual([30, 30]);
  expect([hours.inMemory, reads]).toEqual([0, 2]);
  await hours.load(HOUR);
  expect([(await hours.glance(HOUR)).columns.n, hours.inMemory, reads]).toEqual([30, 1, 3]);
  expect((await hours.glance(HOUR + HOUR_MS)).columns.n).toBe(0);
});

test('where nothing can be written there is no copy, and no error', () => {
  const { columns, ranges } = sortedByFlow(rows(30));
  const segments = new Segments(dir);
  rmSync(dir, { recursive: true });
  segments.write(HOUR, columns, ranges);
  expect(segments.has(HOUR)).toBe(false);
});

test('rows of a window are the same from memory, sorted, and from a file; late rows drop the file', async () => {
  const stored = rows(50);
  let reads = 0;
  const load = () => {
    reads++;
    return Promise.resolve(stored);
  };
  const segments = new Segments(dir);
  const open = new Hours([], load, segments, 0);
  open.append(stored, 1);
  const window = { fromMs: HOUR + 100, toMs: HOUR + 300 };
  const sorted = (columns: AttemptColumns) => [...columns.person.subarray(0, columns.n)].sort((a, b) => a - b);
  const expected = sorted(await open.rows(window, new Set([1, 2])));
  expect(expected.length).toBeGreaterThan(8);
  open.seal(HOUR + 2 * HOUR_MS);
  expect(sorted(await open.rows(window, new Set([1, 2])))).toEqual(expected);
  const again = new Hours([HOUR], load, new Segments(dir), 1);
  expect(sorted(await again.rows(window, new Set([1, 2])))).toEqual(expected);
  expect(reads).toBe(0);
  again.append(rows(1, HOUR + 150), 2);
  expect(new Segments(dir).has(HOUR)).toBe(false);
  const slice = await again.rows(
    { fromMs: HOUR, toMs: HOUR + HOUR_MS },
    undefined,
    (columns, i) => columns.person[i] === 70_003,
  );
  expect(slice.n).toBe(1);
});
