import { SMALL_NUMBERS } from '@toplens/core/telemetry';
import type { Database } from '../store/database';
import { flowText, NameBook, parseFlowText } from './name-book';
import { sessionNumber } from './session-number';

const database = (rows: { id: number; kind: string; value: string }[] = []) => ({ query: () => Promise.resolve(rows) }) as unknown as Database;

test('people are numbered above the rest, which fits 16 bits; a name keeps its number', async () => {
  const book = await NameBook.load(database());
  expect(book.idOf('person', 'p-1')).toBeGreaterThanOrEqual(SMALL_NUMBERS);
  expect(book.idOf('site', 'Ostrel')).toBe(1);
  expect(book.idOf('site', 'Ostrel')).toBe(1);
  expect(book.idOf('region', 'Ostrel')).toBe(2);
  expect(book.idOf('site', '')).toBe(0);
  expect(book.takeFresh().map(({ kind }) => kind)).toEqual(['person', 'site', 'region']);
  expect(book.takeFresh()).toEqual([]);
});

test('goes on behind what is stored', async () => {
  const book = await NameBook.load(database([{ id: 41, kind: 'site', value: 'Ostrel' }, { id: 70_001, kind: 'person', value: 'p-1' }])); // prettier-ignore
  expect(book.idOf('site', 'Dunsel')).toBe(42);
  expect(book.idOf('person', 'p-2')).toBe(70_002);
});

test('beyond what fits, new values are gathered under one name; flows too', async () => {
  const book = await NameBook.load(database());
  const ids = Array.from({ length: SMALL_NUMBERS }, (_, i) => book.idOf('host', `host-${i}`));
  expect(Math.max(...ids)).toBeLessThan(SMALL_NUMBERS);
  expect(book.idOf('host', 'one more')).toBe(book.idOf('host', 'yet another'));
  const flows = await NameBook.load(database());
  const flowIds = new Set(
    Array.from({ length: 5_100 }, (_, i) => flows.idOf('flow', flowText({ application: 'Shop', technicalName: `GET /${i}`, kind: 'work' }))),
  );
  expect(flowIds.size).toBe(5_001);
});

test('a folder of an older numbering is refused, with the way on', async () => {
  await expect(NameBook.load(database([{ id: 70_000, kind: 'site', value: 'Ostrel' }]))).rejects.toThrow('begin with a new one');
});

test.each(['work', 'background', 'page', 'businessEvent'] as const)('flows are kept with application, technical name and what they are: %s', (kind) => {
  const flow = { application: 'Shop', technicalName: 'GET /a', kind };
  expect(parseFlowText(flowText(flow))).toEqual(flow);
});

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
