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

test('a file that an older version exported has what came since as usual', () => {
  const { atOnceMs: _atOnceMs, ignored: _ignored, ...older } = checkSettings({ currency: 'GBP' });
  const book = new SettingsBook(file, [change(1, 0, { about: 'all', value: older })]);
  expect(book.at()).toMatchObject({ currency: 'GBP', atOnceMs: 100 });
  expect(book.at().ignored.length).toBeGreaterThan(0);
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
  expect(new SettingsBook(file, []).calendarAt(1)).toEqual({ holidays: [], excluded: [], maintenance: [] });
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

describe('parts of the file, changed as a whole', () => {
  const owners = [{ component: 'slots', team: 'Slots' }];
  const book = (...changes: SettingChange[]) => new SettingsBook(file, changes);

  test('are in force from their time on, and teams follow the owners', () => {
    const changed = book(change(1, 100, { about: 'ownership', value: owners }));
    expect(changed.at(99).teams).toEqual([]);
    expect(changed.at(100)).toMatchObject({ ownership: owners, teams: ['Slots'] });
    expect(changed.at(100).flows).toEqual(file.flows);
  });

  test('a book of a moment knows nothing later, and still bills by rates of any time', () => {
    const changed = book(
      change(1, 100, { about: 'ownership', value: owners }),
      change(2, 200, { about: 'ownership', value: [] }),
      change(3, 300, { about: key, value: { name: 'Pay now' } }),
      change(4, 300, { about: RATES_KEY, value: { failed: 9 } }),
    );
    const then = changed.asOf(150);
    expect(then.at().teams).toEqual(['Slots']);
    expect(changed.at().teams).toEqual([]);
    expect([then, changed].map((one) => one.flowAt('Shop', 'POST /pay', Infinity).name)).toEqual(['Pay', 'Pay now']);
    expect(then.ratesAt(Infinity).failed).toBe(9);
  });

  test('an imported file takes the place of all that was changed before it; what is changed after it stands', () => {
    const imported = checkSettings({ currency: 'GBP', flows: [{ technicalName: 'POST /*', name: 'Posted' }] });
    const changed = book(
      change(1, 100, { about: key, value: { name: 'Pay now' } }),
      change(2, 100, { about: 'ownership', value: owners }),
      change(3, 200, { about: 'all', value: imported }),
      change(4, 300, { about: 'currency', value: 'USD' }),
    );
    expect([150, 250, 350].map((timeMs) => changed.at(timeMs).currency)).toEqual(['EUR', 'GBP', 'USD']);
    expect([150, 250].map((timeMs) => changed.flowAt('Shop', 'POST /pay', timeMs).name)).toEqual(['Pay now', 'Posted']);
    expect(changed.at(250).ownership).toEqual([]);
  });

  test('an undone change is as if it had never been made, whatever came between; so is an undone undoing', () => {
    const changes = [
      change(1, 100, { about: 'ownership', value: owners }),
      change(2, 100, { about: 'all', value: checkSettings({ currency: 'GBP' }) }),
      change(3, 100, { about: 'all', value: null, undoes: 2 }),
    ];
    expect(book(...changes).at()).toMatchObject({ currency: 'EUR', ownership: owners });
    expect(book(...changes, change(4, 100, { about: 'all', value: null, undoes: 3 })).at().currency).toBe('GBP');
  });

  test('what is exported and imported again is the same, with what single flows and journeys were given', () => {
    const changed = book(
      change(1, 100, { about: key, value: { name: 'Pay now', importance: 3 } }),
      change(2, 100, { about: 'ownership', value: owners }),
      change(3, 100, { about: 'journey\u001fShop\u001fGET /a\u001fPOST /pay', value: { name: 'Buy' } }),
    );
    const exported = checkSettings(JSON.parse(JSON.stringify(changed.export())));
    const again = new SettingsBook(checkSettings({}), [change(1, 0, { about: 'all', value: exported })]);
    expect(again.flowAt('Shop', 'POST /pay', Infinity)).toEqual(changed.flowAt('Shop', 'POST /pay', Infinity));
    expect(again.at()).toMatchObject({ ownership: owners, teams: ['Slots'] });
    expect(again.journeyName('Shop', ['GET /a', 'POST /pay'])).toBe('Buy');
    expect(again.export()).toEqual(exported && checkSettingsLike(exported));
  });
});

/** Teams follow from owners: they stand in no file. */
const checkSettingsLike = ({ teams: _teams, ...rest }: ReturnType<typeof checkSettings>) => rest;
