import { checkSettings } from './settings';
import { CALENDAR_KEY, flowKey, RATES_KEY, SettingsBook, type SettingChange } from './settings-book';

const file = checkSettings({
  rates: { failed: 5, keyTiers: ['Anchor'] },
  flows: [
    { technicalName: 'POST /pay', name: 'Pay', limitMs: 3000, agreement: { target: 0.995, days: 30, penalty: 4000 } },
  ],
});
const key = flowKey('Shop', 'POST /pay');
const change = (
  id: number,
  fromMs: number,
  { about, value, undoes = null }: { about: string; value: unknown; undoes?: number | null },
): SettingChange => ({
  id,
  atMs: 1000 + id,
  fromMs,
  who: 'Kim',
  key: about,
  value,
  undoes,
});

test('at any time stands what was in force then; before the first change, the file', () => {
  const book = new SettingsBook(file, [
    change(1, 100, { about: RATES_KEY, value: { failed: 9 } }),
    change(2, 200, { about: RATES_KEY, value: { failed: 7, waiting: 2 } }),
  ]);
  expect([50, 100, 199, 200, Infinity].map((timeMs) => book.ratesAt(timeMs).failed)).toEqual([5, 9, 9, 7, 7]);
  expect(book.ratesAt(150)).toMatchObject({ waiting: 1, keyTiers: ['Anchor'] });
});

test('a change that reaches back is in force from there on; null takes back to the file', () => {
  const book = new SettingsBook(file, [
    change(1, 500, { about: key, value: { limitMs: 900 } }),
    change(2, 100, { about: key, value: { limitMs: 700, name: 'Pay now' } }),
    change(3, 800, { about: key, value: null }),
  ]);
  expect([50, 300, 600, 900].map((timeMs) => book.flowAt('Shop', 'POST /pay', timeMs).limitMs)).toEqual([
    3000, 700, 700, 3000,
  ]);
  expect(book.flowAt('Shop', 'POST /pay', 300)).toMatchObject({
    name: 'Pay now',
    importance: 1,
    agreement: { penalty: 4000 },
  });
  expect(book.flowAt('Shop', 'GET /other', 300).name).toBe('GET /other');
});

test('a field set to null falls back to the file, others stay', () => {
  const book = new SettingsBook(file, [
    change(1, 0, { about: key, value: { name: null, limitMs: null, importance: 3 } }),
  ]);
  expect(book.flowAt('Shop', 'POST /pay', 1)).toMatchObject({ name: 'Pay', limitMs: 3000, importance: 3 });
});

test('changes are told in the order in which they were made, whatever the order they are read in', () => {
  const changes = [
    change(2, 0, { about: CALENDAR_KEY, value: { holidays: ['2026-12-25'], excluded: [] } }),
    change(1, 0, { about: CALENDAR_KEY, value: { holidays: [], excluded: [] } }),
  ];
  expect(new SettingsBook(file, changes).calendarAt(1).holidays).toEqual(['2026-12-25']);
  expect(new SettingsBook(file, changes).changesOf(CALENDAR_KEY).map(({ id }) => id)).toEqual([1, 2]);
  expect(new SettingsBook(file, []).calendarAt(1)).toEqual({ holidays: [], excluded: [] });
});

test.each([
  [{ rates: { failed: -1 } }, 'rates.failed'],
  [{ flows: [{ technicalName: 'x', limitMs: 0 }] }, 'limitMs'],
  [{ flows: [{ technicalName: 'x', agreement: { target: 2, days: 30, penalty: 1 } }] }, 'target'],
  [{ calendar: { holidays: ['25.12.2026'] } }, '2026-12-25'],
  [{ colour: 'red' }, 'colour'],
])('a settings file with %j is refused, naming the field', (raw, words) =>
  expect(() => checkSettings(raw)).toThrow(words),
);
