import { flowText } from '../../names/flow-text';
import { checkSettings } from '../../settings/settings';
import { flowKey, SettingsBook, type SettingChange } from '../../settings/settings-book';
import type { Database } from '../../store/database';
import { Names } from './names';

const file = checkSettings({
  flows: [{ technicalName: 'POST /pay', name: 'Pay', limitMs: 900, siteLimitsMs: { Ostrel: 400 } }],
});
const key = flowKey('Shop', 'POST /pay');
const change = (id: number, fromMs: number, value: unknown): SettingChange => ({
  id,
  atMs: id,
  fromMs,
  who: 'Kim',
  key,
  value,
  undoes: null,
});

/** Names as the database would give them: those that are newer than what is known. */
function databaseOf(rows: { id: number; kind: string; value: string }[]): Database {
  return {
    query: (_sql: string, [small, large]: [number, number]) =>
      Promise.resolve(
        rows.filter(({ id }) => (id < 65_536 ? id > small : id > Math.max(large, 65_535))).sort((a, b) => a.id - b.id),
      ),
  } as unknown as Database;
}

const rows = [
  { id: 1, kind: 'flow', value: flowText({ application: 'Shop', technicalName: 'POST /pay', kind: 'work' }) },
  { id: 2, kind: 'flow', value: flowText({ application: 'Desk', technicalName: 'consume jobs', kind: 'background' }) },
  { id: 3, kind: 'site', value: 'Ostrel' },
];

test('flows are named as people said, at any time, and anew after a change', async () => {
  const names = new Names(databaseOf(rows), new SettingsBook(file, []));
  await names.refresh();
  expect(names.flows.map(({ name, application, kind }) => [name, application, kind])).toEqual([
    ['Pay', 'Shop', 'work'],
    ['consume jobs', 'Desk', 'background'],
  ]);
  names.settings = new SettingsBook(file, [change(1, 100, { name: 'Pay now', limitMs: 700 })]);
  expect(names.flows[0]).toMatchObject({ name: 'Pay now', limitMs: 700 });
  expect(names.flow(1, 50)).toMatchObject({ name: 'Pay', limitMs: 900 });
  expect(names.applications).toEqual(['Desk', 'Shop']);
  expect(names.flowOfKey(key)).toBe(1);
  expect(() => names.flow(77)).toThrow('77');
});

test('names that came since are read, and flows among them are listed', async () => {
  const growing = [...rows];
  const names = new Names(databaseOf(growing), new SettingsBook(file, []));
  await names.refresh();
  expect(names.flows).toHaveLength(2);
  growing.push(
    { id: 4, kind: 'flow', value: flowText({ application: 'Shop', technicalName: 'GET /cart', kind: 'work' }) },
    { id: 5, kind: 'site', value: 'Brann' },
  );
  await names.refresh();
  expect(names.flows.map(({ id }) => id)).toEqual([1, 2, 4]);
  expect(names.valuesOf('site')).toEqual(['Brann', 'Ostrel']);
  expect([names.numberOf('site', 'Brann'), names.numberOf('site', 'Nowhere'), names.text(5), names.text(999)]).toEqual([
    5,
    undefined,
    'Brann',
    '',
  ]);
});

test('limits of single sites go by the site’s number; of sites that never came there is none yet', async () => {
  const names = new Names(
    databaseOf(rows),
    new SettingsBook(file, [
      change(1, 100, { siteLimitsMs: { Ostrel: 250, Nowhere: 90 } }),
      change(2, 300, { siteLimitsMs: {} }),
    ]),
  );
  await names.refresh();
  expect([...names.siteLimits(1, 50)]).toEqual([[3, 400]]);
  expect([...names.siteLimits(1, 150)]).toEqual([[3, 250]]);
  expect([...names.siteLimits(1, 350)]).toEqual([]);
  expect([...names.siteLimits(2, 150)]).toEqual([]);
});
