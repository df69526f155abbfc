import { SMALL_NUMBERS } from '@toplens/core/telemetry';
import type { Database } from '../store/database';
import { DAY_MS } from '@toplens/core/time';
import { NameBook, OTHER } from './name-book';
import { flowText, parseFlowText } from '../names/flow-text';
import { sessionNumber } from './session-number';

const database = (rows: { id: number; kind: string; value: string }[] = []) =>
  ({ query: () => Promise.resolve(rows.map((row) => ({ ...row, since_ms: 0, source: '' }))) }) as unknown as Database;

test('people are numbered above the rest, which fits 16 bits; a name keeps its number', async () => {
  const book = await NameBook.load(database());
  expect(book.idOf('person', 'p-1')).toBeGreaterThanOrEqual(SMALL_NUMBERS);
  expect(book.idOf('site', 'Ostrel')).toBe(1);
  expect(book.idOf('site', 'Ostrel')).toBe(1);
  expect(book.idOf('region', 'Ostrel')).toBe(2);
  expect(book.idOf('site', '')).toBe(0);
  expect(book.unsavedOfBatch.map(({ kind }) => kind)).toEqual(['person', 'site', 'region']);
});

test('goes on behind what is stored', async () => {
  const book = await NameBook.load(
    database([
      { id: 41, kind: 'site', value: 'Ostrel' },
      { id: 70_001, kind: 'person', value: 'p-1' },
    ]),
  );
  expect(book.idOf('site', 'Dunsel')).toBe(42);
  expect(book.idOf('person', 'p-2')).toBe(70_002);
});

test('a name that is not stored goes with each batch that uses it, until one of them is stored', async () => {
  const book = await NameBook.load(database());
  book.begin();
  const site = book.idOf('site', 'Ostrel');
  // Its batch is refused; the next one uses another name.
  book.begin();
  book.idOf('site', 'Dunsel');
  expect(book.unsavedOfBatch.map(({ value }) => value)).toEqual(['Dunsel']);
  book.begin();
  expect(book.idOf('site', 'Ostrel')).toBe(site);
  book.saved(book.unsavedOfBatch);
  book.begin();
  book.idOf('site', 'Ostrel');
  expect(book.unsavedOfBatch).toEqual([]);
});

test('beyond the small numbers there are large ones: nothing runs out, and flows keep theirs', async () => {
  const book = await NameBook.load(database([{ id: SMALL_NUMBERS - 10_001, kind: 'site', value: 'Ostrel' }]));
  expect(book.idOf('host', 'one more')).toBe(SMALL_NUMBERS);
  expect(book.idOf('flow', flowText({ application: 'Shop', technicalName: 'GET /', kind: 'work' }))).toBe(
    SMALL_NUMBERS - 10_000,
  );
  const later = await NameBook.load(database([{ id: 70_000, kind: 'site', value: 'Ostrel' }]));
  expect(later.idOf('site', 'Ostrel')).toBe(70_000);
  expect(later.idOf('person', 'p')).toBe(70_001);
});

test('too many new names of one source are gathered under one; others have theirs, and it is counted', async () => {
  const book = await NameBook.load(database(), { limitFactor: 0.01 });
  const ids = Array.from({ length: 60 }, (_, i) => book.idOf('version', `1.${i}`, 'shop'));
  // A hundredth of 5,000, and the one that stands for all others.
  expect(new Set(ids).size).toBe(51);
  expect(book.idOf('version', 'one more', 'shop')).toBe(book.idOf('version', OTHER, 'shop'));
  expect(book.idOf('version', '9.0', 'depot')).not.toBe(book.idOf('version', OTHER));
  expect(book.gathered.get('version')).toBe(11);
  const flow = (i: number) =>
    book.idOf('flow', flowText({ application: 'Shop', technicalName: `GET /${i}`, kind: 'page' }), 'shop');
  const flows = new Set(Array.from({ length: 40 }, (_, i) => flow(i)));
  expect(flows.size).toBe(21);
});

test("names are given back: those first seen longer ago than attempts are kept stand in nobody's way", async () => {
  let now = Date.UTC(2026, 2, 1);
  const book = await NameBook.load(database(), { limitFactor: 0.0002, keptMs: 35 * DAY_MS, now: () => now });
  expect(book.idOf('version', '1.0', 'shop')).not.toBe(book.idOf('version', '1.1', 'shop'));
  expect(book.idOf('version', '1.1', 'shop')).toBe(book.idOf('version', OTHER, 'shop'));
  now += 37 * DAY_MS;
  expect(book.idOf('version', '2.0', 'shop')).not.toBe(book.idOf('version', OTHER, 'shop'));
});

test.each(['work', 'background', 'page', 'businessEvent'] as const)(
  'flows are kept with application, technical name and what they are: %s',
  (kind) => {
    const flow = { application: 'Shop', technicalName: 'GET /a', kind };
    expect(parseFlowText(flowText(flow))).toEqual(flow);
  },
);

test('a flow without text is one of nobody', () => {
  expect(parseFlowText('')).toEqual({ application: '', technicalName: '', kind: 'work' });
});

test('session numbers are 32 bits, stable, and rarely the same', () => {
  const numbers = new Set(Array.from({ length: 100_000 }, (_, i) => sessionNumber(`s-${i}`)));
  // The birthday bound: one or two pairs in a hundred thousand.
  expect(numbers.size).toBeGreaterThan(99_990);
  expect(Math.max(...numbers)).toBeLessThan(2 ** 32);
  expect([sessionNumber(''), sessionNumber('a') === sessionNumber('a')]).toEqual([0, true]);
});
