import type { Schemas } from '@/data/client';
import type { Section } from './section';
import { SECTIONS, sectionWords, wrongIn, wrongWords } from './sections';

const FILE: Schemas['SettingsFile'] = {
  currency: 'EUR',
  exchangeRates: [{ currency: 'JPY', rate: 0.0061, asOf: '2026-11-02' }],
  flows: [
    {
      application: 'Shop',
      technicalName: 'POST /pay',
      name: 'Pay',
      limitMs: 1200,
      siteLimitsMs: { 'North: hall 2': 2500 },
      importance: 2,
      agreement: { target: 0.9995, days: 30, penalty: 4000 },
    },
    { technicalName: 'GET /*' },
  ],
  entryServices: ['portal-web'],
  ignored: ['* /health'],
  atOnceMs: 100,
  retention: {
    attempts: null,
    traces: null,
    logs: null,
    metrics: null,
    pageLoads: null,
    crashes: null,
    phoneSessions: null,
  },
  ownership: [{ component: 'slots', team: 'Slots' }, { team: 'Portal' }],
  rates: { waiting: 1, failed: 5, left: 15, missing: 5, money: 0.5, keyMultiplier: 2, keyTiers: ['Anchor'] },
  journeys: [{ application: 'Shop', name: 'Buy', steps: ['GET /a', 'POST /pay'] }],
  businessEvents: [{ name: 'Order', component: 'pay', pattern: 'order of {person}: {amount} {currency}' }],
  promises: [
    {
      name: 'Pay',
      to: 'Shops',
      application: 'Shop',
      flow: 'POST /pay',
      indicator: 'inTime',
      limitMs: 1200,
      target: 0.995,
      period: { kind: 'month', zone: 'Europe/Dublin' },
      hours: { zone: 'Europe/Dublin', days: [1, 2, 3, 4, 5], from: '08:00', to: '24:00' },
      penalties: [
        { below: 0.995, amount: 4000 },
        { below: 0.99, amount: 10_000 },
      ],
      excluded: [
        { fromMs: Date.UTC(2026, 10, 2, 8), toMs: Date.UTC(2026, 10, 2, 10, 30), reason: 'migration: part 2' },
      ],
    },
    {
      name: 'Depots',
      indicator: 'people',
      personShare: 0.85,
      target: 0.95,
      period: { kind: 'week', zone: 'UTC' },
      penalties: [],
      excluded: [],
    },
    {
      name: 'Pages',
      indicator: 'views',
      target: 0.75,
      period: { kind: 'rolling', days: 7 },
      penalties: [],
      excluded: [],
    },
    {
      name: 'Launches',
      indicator: 'crashFree',
      target: 0.99,
      period: { kind: 'rolling', days: 7 },
      penalties: [],
      excluded: [],
    },
    {
      name: 'Answers',
      indicator: 'answered',
      target: 0.9995,
      period: { kind: 'rolling', days: 30 },
      penalties: [],
      excluded: [],
    },
  ],
  probes: [
    {
      name: 'Sign in',
      application: 'Shop',
      sites: ['North', 'South'],
      everyS: 300,
      steps: [{ name: 'Ask', kind: 'request', url: 'https://shop.example/', status: 200 }],
      limits: [
        { step: 'Ask', slowMs: 900, brokenMs: 6000 },
        { step: 'Ask', site: 'North', slowMs: 1500, brokenMs: 8000 },
      ],
    },
  ],
  handoffs: {
    mayWait: {
      P1: { accept: 15, fix: 240 },
      P2: { accept: 30, fix: 480 },
      P3: { accept: 120, fix: 1440 },
      P4: { accept: 480, fix: 4320 },
    },
    settleMinutes: 5,
    calmMinutes: 15,
  },
  receivers: [
    { name: 'Slots', mail: 'slots@teams.test', takesHandoffs: true },
    {
      name: 'Night',
      phone: '+353 1 555 0100',
      webhook: 'https://chat.test/hook',
      quiet: { from: '22:00', to: '06:00', zone: 'Europe/Dublin' },
      rota: 'BEGIN:VCALENDAR\r\nEND:VCALENDAR',
    },
  ],
  boards: [],
  alertRules: [
    { name: 'Hurt', watches: 'incident', points: 60, people: 20, to: ['the team that should get it', 'Night'] },
    { name: 'Broken', watches: 'incident', application: 'Shop', isBroken: true, notAcceptedMinutes: 15, to: ['Night'] },
    { name: 'Promise', watches: 'promise', chance: 0.5, to: ['Night'] },
  ],
  calendar: { holidays: [], excluded: [], maintenance: [] },
};

const valueIn = ({ key }: Section) => (key === 'keyTiers' ? FILE.rates.keyTiers : FILE[key as keyof typeof FILE]);
const sectionOf = (key: string) => SECTIONS.find((section) => section.key === key) as Section;

test.each(SECTIONS.map((section) => [section.key, section] as const))(
  '%s: what is shown and saved again is what it was; it reads as words, and nothing in it is wrong',
  (_key, section) => {
    const entries = section.entriesOf(FILE);
    expect(section.valueOf(entries)).toEqual(valueIn(section));
    expect(wrongIn(section, entries)).toEqual([]);
    expect(sectionWords(section, FILE)).toMatch(/^\d+ [a-z]+$/);
    for (const entry of entries) expect(section.words(entry)).not.toMatch(/undefined|\{"|NaN/);
  },
);

test.each([
  ['ownership', 0, 'slots → Slots'],
  ['ownership', 1, 'All else → Portal'],
  ['flows', 0, 'POST /pay → “Pay” · promised 99.95 % over 30 days'],
  ['flows', 1, 'GET /*'],
  ['promises', 0, 'Pay · 99.5 % over a month · to Shops'],
  ['promises', 4, 'Answers · 99.95 % over 30 days'],
  ['journeys', 0, 'Buy · 2 steps'],
  ['probes', 0, 'Sign in · every 300 s · from 2 sites'],
  ['exchangeRates', 0, '1 JPY = 0.0061 · 2026-11-02'],
])('entry %s %d reads as %s', (key, place, words) => {
  const section = sectionOf(key);
  expect(section.words(section.entriesOf(FILE)[place] ?? {})).toBe(words);
});

test('an entry with nothing in it is wrong where something must stand, and says so', () => {
  for (const section of SECTIONS) {
    const wrong = wrongIn(section, [...section.entriesOf(FILE), {}]);
    expect(wrong.length).toBeGreaterThan(0);
    expect(wrongWords(section, wrong)).toMatch(
      /^(One field is|\d fields are) not right yet, (the first )?in [a-z]+ \d\.$/,
    );
  }
});

test.each([
  ['flows', { technicalName: 'x', limit: 'soon' }, 'limit'],
  ['flows', { technicalName: 'x', target: '20' }, 'target'],
  ['flows', { technicalName: 'x', siteLimits: 'North 2.5' }, 'siteLimits'],
  ['exchangeRates', { currency: 'yen', rate: '1', asOf: '2026-11-02' }, 'currency'],
  ['exchangeRates', { currency: 'JPY', rate: '-1', asOf: 'today' }, 'rate'],
  ['journeys', { name: 'x', application: 'y', steps: 'one' }, 'steps'],
  ['probes', { name: 'x', application: 'y', sites: 'z', every: '4', steps: '[{"name":"a"}]' }, 'every'],
  ['probes', { name: 'x', application: 'y', sites: 'z', every: '60', steps: '[{' }, 'steps'],
  ['probes', { name: 'x', application: 'y', sites: 'z', every: '60', steps: '[{"kind":"see"}]' }, 'steps'],
  [
    'probes',
    { name: 'x', application: 'y', sites: 'z', every: '60', steps: '[{"name":"a"}]', limits: 'a: 2, 1' },
    'limits',
  ],
])('%s with %j is wrong in %s', (key, entry, column) => {
  expect(wrongIn(sectionOf(key), [entry])[0]?.column).toBe(column);
});

test('commas are decimals too; empty fields leave their part out', () => {
  expect(sectionOf('flows').valueOf([{ technicalName: ' x ', limit: '1,5', name: '', target: '99,5' }])).toEqual([
    { technicalName: 'x', limitMs: 1500, agreement: { target: 0.995, days: 30, penalty: 0 } },
  ]);
});
