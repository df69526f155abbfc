import { statementWords } from './statements';

const one = {
  component: 'parcels-db',
  statement: 'SELECT ?',
  shareOfTime: 0.4,
  shareOfAttempts: 1,
  callsAnAttempt: 1,
  longestMs: 361,
  failed: 0,
};

test.each([
  [{}, '1 call an attempt · longest 361 ms'],
  [{ callsAnAttempt: 4.84, shareOfAttempts: 0.36 }, '4.8 calls an attempt, in 36 % of them · longest 361 ms'],
  // 0.999 would read "1 calls" if the number were looked at before it is rounded.
  [{ callsAnAttempt: 0.999 }, '1 call an attempt · longest 361 ms'],
  [{ failed: 1200, longestMs: 12_000 }, '1 call an attempt · longest 12 s · 1,200 failed'],
])('a statement with %j says %s', (more, words) => {
  expect(statementWords({ ...one, ...more } as Parameters<typeof statementWords>[0])).toBe(words);
});
