import { render, screen } from '@testing-library/react';
import type { FlowPage } from '@/data/client';
import { Statements, statementWords } from './statements';

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

test('statements say their part of the time, how often they are asked, and when that is too often', () => {
  const one = {
    statement: 'SELECT ?',
    component: 'parcels-db',
    calls: 500,
    callsAnAttempt: 5,
    shareOfAttempts: 0.4,
    shareOfTime: 0.62,
    totalMs: 9_000,
    longestMs: 880,
    failed: 2,
  };
  render(<Statements page={{ statements: { attempts: 100, statements: [one] } } as unknown as FlowPage} />);
  const words = screen.getByTestId('statements').textContent;
  for (const wanted of [
    'parcels-db',
    '62 % of the time',
    'SELECT ?',
    '5 calls an attempt, in 40 % of them · longest 880 ms · 2 failed',
    'Asked 5 times in each attempt',
  ])
    expect(words).toContain(wanted);
});
