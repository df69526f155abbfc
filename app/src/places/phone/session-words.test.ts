import {
  addressWords,
  entryFacts,
  entryName,
  failsMoreWords,
  reachWords,
  sessionWords,
  shapeWords,
  visitsOf,
  visitToShow,
  visitWords,
  type Address,
  type Entry,
  type Session,
} from './session-words';

const address = (more: Partial<Address> = {}): Address => ({
  address: 'photos.round.example/photos/{id}',
  requests: 420,
  failed: 31,
  bytesIn: null,
  bytesOut: 80e6,
  medianMs: 180,
  p95Ms: 900,
  sessions: 210,
  sessionsHit: 24,
  countries: 4,
  where: null,
  ...more,
});

test('an address says how often, how long, how much, and whom it fails for', () => {
  expect(addressWords(address())).toBe(
    '420 requests, 31 failed (7.4 %), median 180 ms, 95 of 100 below 900 ms, 80 MB sent',
  );
  expect(addressWords(address({ requests: 1, failed: 0, bytesOut: null, bytesIn: 1_200 }))).toBe(
    '1 request, none failed, median 180 ms, 1.2 kB received',
  );
  expect(reachWords(address())).toBe('asked in 210 sessions from 4 countries; it failed in 24 of them');
  expect(reachWords(address({ sessions: 1, sessionsHit: 0, countries: 0 }))).toBe('asked in 1 session');
  expect(reachWords(address({ sessions: 0 }))).toBe('its sessions are not told');
});

test('where it fails more often stands with its range, and nothing where nothing stands out', () => {
  const where = {
    dimension: 'carrier',
    value: 'Copperwave',
    requests: 60,
    failed: 29,
    times: 40,
    low: 12,
    high: 180,
  } as const;
  expect(failsMoreWords({ where })).toBe(
    'carrier Copperwave: 29 of 60 failed, 40× as often as elsewhere (12× to 180×)',
  );
  expect(failsMoreWords({ where: { ...where, times: null, high: null } })).toBe(
    'carrier Copperwave: 29 of 60 failed, elsewhere none',
  );
  expect(failsMoreWords({ where: null })).toBe('');
});

const session = (more: Partial<Session>): Session => ({
  session: '00c0ffee',
  application: 'Round',
  fromMs: 0,
  toMs: 1,
  attempts: 24,
  failed: 0,
  crashes: 0,
  requests: 20,
  requestsFailed: 0,
  errors: 0,
  waitedMs: 1,
  version: '',
  device: '',
  carrier: '',
  country: '',
  ...more,
});

test.each([
  [{}, 'nothing failed: 24 attempts, 20 requests'],
  [{ crashes: 1, failed: 1 }, '1 crash'],
  [
    { crashes: 2, failed: 3, requestsFailed: 1, errors: 1 },
    '2 crashes, 3 of 24 attempts failed, 1 of 20 requests failed, 1 error caught',
  ],
])('a session with %j reads: %s', (more, words) => expect(sessionWords(session(more))).toBe(words));

const entry = (atMs: number, more: Partial<Entry> = {}): Entry => ({
  kind: 'screen',
  atMs,
  durationMs: 0,
  what: 'Photo',
  failed: false,
  words: '',
  attempt: null,
  crash: null,
  bytesIn: null,
  bytesOut: null,
  ...more,
});
const MINUTE = 60_000;

test('a session is cut where nothing happened for ten minutes; what runs on is no pause', () => {
  const visits = visitsOf([
    entry(0),
    entry(5 * MINUTE, { durationMs: 8 * MINUTE }),
    entry(20 * MINUTE, { failed: true }),
    entry(30 * MINUTE),
    entry(41 * MINUTE),
  ]);
  expect(visits.map(({ entries }) => entries.map(({ atMs }) => atMs / MINUTE))).toEqual([[0, 5, 20], [30], [41]]);
  expect(visitToShow(visits)).toBe(0);
  expect(visitToShow(visits.slice(1))).toBe(1);
  expect(visitsOf([])).toEqual([]);
});

test('a visit says what it was made of', () => {
  const [visit] = visitsOf([
    entry(0, { kind: 'launch', what: 'cold start' }),
    entry(1),
    entry(2, { kind: 'request', failed: true }),
    entry(3, { kind: 'tap' }),
    entry(4, { kind: 'crash', failed: true }),
  ]);
  expect(visit && visitWords(visit)).toBe('2 screens and launches, 1 request, 1 tap, 1 crash; 2 failed');
  const [quiet] = visitsOf([entry(0, { kind: 'state', what: 'background' })]);
  expect(quiet && visitWords(quiet)).toBe('nothing but changes of state; nothing failed');
});

test('an entry has a name and its facts', () => {
  const asked = entry(0, {
    kind: 'request',
    what: 'a.example/x',
    durationMs: 600,
    words: 'status 503',
    failed: true,
    bytesOut: 100_000,
  });
  expect([entryName(asked), entryFacts(asked)]).toEqual(['a.example/x', '600 ms · failed · status 503 · 100 kB sent']);
  const crash = entry(0, { kind: 'crash', what: 'NullPointer on Photo', failed: true, words: 'no camera' });
  expect([entryName(crash), entryFacts(crash)]).toEqual(['Crash: NullPointer on Photo', 'no camera']);
});

test('a shape says what it is made of', () => {
  const part = (kind: 'text' | 'button') => ({ kind, x: 0, y: 0, width: 1, height: 1 });
  const shape = { atMs: 0, screen: 'Photo', width: 1, height: 1 };
  expect(shapeWords({ ...shape, parts: [part('text'), part('button'), part('text')] })).toBe('2 texts, 1 button');
  expect(shapeWords({ ...shape, parts: [] })).toBe('nothing');
});
