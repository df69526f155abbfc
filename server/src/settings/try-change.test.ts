import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { readSettings } from './settings';
import { CALENDAR_KEY, flowKey, journeyKey, RATES_KEY } from './settings-book';
import { usableChanges, whyUnusable } from './try-change';

const dir = mkdtempSync(join(tmpdir(), 'toplens-settings-'));
writeFileSync(join(dir, 'settings.json'), JSON.stringify({ rates: {} }));
const file = readSettings(join(dir, 'settings.json'));
afterAll(() => rmSync(dir, { recursive: true }));

test.each([
  [CALENDAR_KEY, { holidays: ['2026-12-25'], excluded: [{ fromMs: 0, toMs: 1, reason: 'x' }] }],
  [RATES_KEY, { waiting: 2 }],
  [flowKey('Shop', 'GET /'), { name: 'Front page', limitMs: 900 }],
  [journeyKey('Shop', ['a', 'b']), { name: 'Buy' }],
])('%s that works', (key, value) => expect(whyUnusable(file, { key, value, fromMs: 0 })).toBeUndefined());

test.each([
  [CALENDAR_KEY, { holidays: ['2026-13-45'], excluded: [] }, '2026-13-45'],
  [CALENDAR_KEY, { holidays: 7 }, 'expected a list'],
  [RATES_KEY, { waiting: NaN }, 'rates'],
])('%s that does not is told why', (key, value, why) =>
  expect(whyUnusable(file, { key, value, fromMs: 0 })).toContain(why),
);

test('one bad change among good ones is left out', () => {
  const change = (id: number, value: unknown) => ({
    id,
    atMs: 0,
    fromMs: 0,
    who: 'x',
    key: CALENDAR_KEY,
    value,
    undoes: null,
  });
  const good = change(1, { holidays: ['2026-12-25'], excluded: [] });
  expect(usableChanges(file, [good, change(2, { holidays: ['2026-13-45'], excluded: [] })])).toEqual([good]);
});
