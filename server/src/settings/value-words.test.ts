import { flowKey, RATES_KEY } from './settings-book';
import { valueWords } from './value-words';

const flow = flowKey('Shop', 'POST /pay');

test.each<[string, unknown, string]>([
  [flow, { limitMs: 1200, importance: 1 }, 'limit 1.2 s, importance 1'],
  [flow, { name: 'Pay now', limitMs: null }, 'called “Pay now”, no limit of its own'],
  [flow, { siteLimitsMs: { Ostrel: 2500 } }, 'limits of sites: Ostrel 2.5 s'],
  [flow, {}, 'nothing of its own'],
  [flow, null, 'back to the settings file'],
  [RATES_KEY, { waiting: 2, keyMultiplier: 3 }, 'a minute waited 2, key customers count 3 times'],
  [
    'calendar',
    {
      holidays: ['2026-12-25'],
      excluded: [{ fromMs: Date.UTC(2026, 10, 2), toMs: Date.UTC(2026, 10, 10), reason: 'migration' }],
    },
    'holidays 25 Dec 2026; left out 2 Nov 2026 to 9 Nov 2026: migration',
  ],
  ['calendar', { holidays: [], excluded: [] }, 'no day is special'],
  [
    'ownership',
    [{ component: 'slots', team: 'Slots' }, { team: 'Portal' }],
    '2 rules: component slots to Slots; all else to Portal',
  ],
  ['exchangeRates', [{ currency: 'JPY', rate: 0.0061, asOf: '2026-11-02' }], '1 entry: JPY at 0.0061 as of 2026-11-02'],
  [
    'flows',
    [{ technicalName: 'POST /pay', name: 'Pay', agreement: { target: 0.995, days: 30, penalty: 4000 } }],
    '1 rule: POST /pay called “Pay” promise 99.5 % over 30 days, penalty 4000',
  ],
  [
    'handoffs',
    { mayWait: { P1: { accept: 15, fix: 240 } }, settleMinutes: 5, calmMinutes: 15 },
    'may wait until accepted and fixed: P1 15 and 240 min; a fix settles in 5 min, is proven after 15 min',
  ],
  ['retention', { attempts: 14, logs: null, traces: 1 }, 'attempts 14 days, traces 1 day'],
  ['retention', {}, 'as the installation says'],
  ['entryServices', [], 'none'],
  ['currency', 'GBP', 'GBP'],
  ['all', { currency: 'EUR' }, 'imported from a file'],
])('a change of %s to %j reads', (key, value, words) => {
  const said = valueWords(key, value);
  expect(said).toBe(words);
  expect(said).not.toMatch(/[{}[\]]|Ms\b/);
});
