import type { Schemas } from '@/data/client';
import { gatherWords, hurtWords, personWords } from '../incident/hurt-part';
import { attemptWords, happenings, sessionsOf, sessionWords, viewWords, type Happening } from './session-list';

jest.mock('@/data/persons', () => ({}));
jest.mock('@/data/incidents', () => ({}));
jest.mock('@/frame/view', () => ({}));
jest.mock('@/frame/door', () => ({}));
jest.mock('@/look/icon', () => ({}));

type Attempt = Schemas['PersonAttempt'];
const attempt = (more: Partial<Attempt> = {}): Attempt => ({
  kind: 'work',
  atMs: Date.UTC(2026, 2, 10, 10),
  durationMs: 720,
  flow: 1,
  name: 'Print labels',
  application: 'Sender Portal',
  outcome: 'onTime',
  expectedMs: 690,
  session: 7,
  isProbe: false,
  site: 'Ostrel',
  region: 'GB',
  tier: 'Anchor',
  version: '5.12.0',
  value: null,
  failure: '',
  traceId: '',
  spanId: '',
  ...more,
});

type PageView = Schemas['PersonView'];
const view = (more: Partial<PageView> = {}): PageView => ({
  view: '00f067aa0ba902b7',
  atMs: attempt().atMs - 1_000,
  page: '/send/label',
  country: 'GB',
  browser: 'Firefox 143',
  system: 'Windows desktop',
  loadMs: 900,
  lcpMs: 1_100,
  errors: 0,
  missing: 0,
  session: 7,
  ...more,
});
const happened = (...attempts: Attempt[]): Happening[] => happenings({ attempts, views: [] });

test('sessions stay together, newest first; what belongs to none stands by its time', () => {
  const later = 3_600_000;
  const sessions = sessionsOf(
    happened(
      attempt(),
      attempt({ session: 0 }),
      attempt({ atMs: attempt().atMs + later, session: 8 }),
      attempt({ atMs: attempt().atMs + later, session: 0 }),
      attempt(),
    ),
  );
  expect(sessions.map((own) => own.map(({ session }) => session))).toEqual([[8], [0], [7, 7], [0]]);
});

test('a session and its attempts in words', () => {
  const todayMs = attempt().atMs;
  const words = sessionWords(happened(attempt(), attempt({ atMs: todayMs + 240_000, outcome: 'failed' })), todayMs);
  expect(words).toMatch(
    /^From \d\d:\d\d, 4 min · Sender Portal · 1 of 2 went wrong · from Ostrel · Anchor · version 5.12.0$/,
  );
  expect(attemptWords(attempt({ outcome: 'failed', failure: 'NoSurcharge', value: 16.9 }))).toBe(
    'failed, NoSurcharge · 720 ms, usually 690 ms · value 16.90',
  );
  expect(attemptWords(attempt({ isProbe: true, expectedMs: null }))).toBe('on time · 720 ms · nobody waits for it');
});

test('pages stand among the attempts of their session, on one clock, with the device', () => {
  const [session] = sessionsOf(happenings({ attempts: [attempt()], views: [view()] }));
  expect(session?.map((one) => ('view' in one ? one.view.page : one.attempt.name))).toEqual([
    '/send/label',
    'Print labels',
  ]);
  expect(sessionWords(session ?? [], attempt().atMs)).toMatch(
    /all went well · from Ostrel · Anchor · version 5.12.0 · Firefox 143, Windows desktop$/,
  );
  expect(sessionWords(happenings({ attempts: [], views: [view()] }), attempt().atMs)).toMatch(
    /^From \d\d:\d\d, under a minute · Firefox 143, Windows desktop$/,
  );
  expect(viewWords(view({ missing: 3, errors: 1 }))).toBe('load 900 ms · LCP 1.1 s · 3 did not come · 1 script error');
  expect(viewWords(view({ loadMs: null, lcpMs: null }))).toBe('drawn without a load');
});

test('who was hurt, where they gather, and what became of each', () => {
  expect(hurtWords({ total: 73, gone: 21, lost: 310.4, currency: 'EUR' })).toBe(
    '73 people met it; 21 of them are gone, who would have brought €310.',
  );
  expect(hurtWords({ total: 1, gone: 0, lost: 0, currency: 'EUR' })).toBe('1 person met it; none of them is gone.');
  expect(hurtWords({ total: 0, gone: 0, lost: 0, currency: 'EUR' })).toContain('Nobody is named');
  expect(gatherWords({ dimension: 'promotion', values: [{ value: 'SPRING10', people: 70 }] }, 73)).toBe(
    'By promotion: SPRING10 70 of 73',
  );
  const person = {
    person: 'person 1',
    tier: 'Anchor',
    site: '',
    region: '',
    promotion: '',
    flow: 'Pay',
    late: 1,
    hung: 0,
    failed: 2,
    waitedMs: 8_100,
    lastMs: 0,
    resolution: 'wentOn' as const,
    lost: 0,
  };
  expect(personWords(person, { currency: 'EUR', window: { fromMs: 0, toMs: 1 } })).toBe(
    'went on all the same · Anchor · 2 failed, 1 late, waited 8.1 s longer',
  );
  expect(
    personWords({ ...person, resolution: 'gone', lost: 31 }, { currency: 'EUR', window: { fromMs: 0, toMs: 1 } }),
  ).toMatch(/^gone since .* · would have brought €31$/);
});
