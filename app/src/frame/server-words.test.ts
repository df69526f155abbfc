import type { Schemas } from '@/data/client';
import { clock } from '@/look/format';
import { clockWords, namesWords, PART_WORDS, serverWords } from './server-words';

const NOW = Date.UTC(2026, 2, 10, 12);
const well = { state: 'ok' as const, sinceMs: NOW, words: '' };
const stateWith = (
  change: Partial<Schemas['ServerState']>,
  parts: Partial<Schemas['ServerState']['parts']> = {},
): Schemas['ServerState'] => ({
  state: 'ok',
  version: '0.1.0',
  nowMs: NOW,
  judgedAgainFromMs: null,
  judgedMs: NOW,
  gatheredNames: [],
  clocks: [],
  currencies: [],
  roundUrl: null,
  waysIn: [],
  keysNeeded: true,
  keyNames: [],
  senders: [],
  turnedAway: [],
  parts: {
    intake: well,
    journal: well,
    database: well,
    engine: well,
    search: well,
    disk: well,
    backup: well,
    ...parts,
  },
  ...change,
});

test('a server that is well needs no words', () => {
  expect(serverWords(stateWith({}))).toEqual([]);
});

test('a full disk says since when nothing is taken, first', () => {
  const sinceMs = NOW - 600_000;
  const disk = {
    state: 'down' as const,
    sinceMs,
    words: 'The disk is full. Nothing is taken; it goes on by itself when there is room.',
  };
  const search = { state: 'down' as const, sinceMs, words: 'It is starting again.' };
  expect(serverWords(stateWith({}, { disk, search }))).toEqual([
    `The disk is full. Nothing is taken; it goes on by itself when there is room. No data has been taken since ${clock(sinceMs, NOW)}.`,
    `Search: It is starting again. Since ${clock(sinceMs, NOW)}.`,
  ]);
});

test('what is only for who runs it is not told to everybody', () => {
  const backup = { state: 'degraded' as const, sinceMs: NOW, words: 'The last backup failed.' };
  const intake = {
    state: 'degraded' as const,
    sinceMs: NOW,
    words: '1 record was refused by the database and kept aside.',
  };
  expect(serverWords(stateWith({}, { backup, intake }))).toEqual([]);
});

test('late data names the time that is judged again', () => {
  const fromMs = NOW - 3 * 3_600_000;
  expect(serverWords(stateWith({ judgedAgainFromMs: fromMs }))).toEqual([
    `Late data came in: ${clock(fromMs, NOW)} to ${clock(NOW, NOW)} is being judged again.`,
  ]);
});

test.each([
  [1, '1 record refused'],
  [1204, '1,204 records refused'],
])('a clock that is ahead: %d', (refused, words) => {
  const source = { component: 'rates', host: 'coast-1', aheadMs: 6 * 3_600_000, refused, sinceMs: NOW, lastMs: NOW };
  expect(clockWords(source, NOW)).toBe(
    `The clock of rates on coast-1 is 6 h ahead: ${words} since ${clock(NOW, NOW)}. Set that clock right.`,
  );
  expect(clockWords({ ...source, host: '' }, NOW)).toContain('The clock of rates is');
});

test('names beyond what is kept apart are counted, in the words of other screens', () => {
  expect(namesWords({ kind: 'page', names: 1 })).toBe(
    '1 time a new name was put under “other” among pages: there are more new ones than are kept apart.',
  );
  expect(namesWords({ kind: 'version', names: 2310 })).toContain('2,310 times a new name was');
  expect(Object.values(PART_WORDS).every((words) => /^[A-Z]/.test(words))).toBe(true);
});
