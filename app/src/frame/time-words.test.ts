import fc from 'fast-check';
import { parseDecimal } from './decimal';
import { remainingWords } from './focus-sheet';
import { windowWords } from './time-bar';
import { parseLength, parseLocal, toLocal } from './time-sheet';
import { readView } from './view';

test('a moment written in the sheet is read back as the same minute', () => {
  fc.assert(
    fc.property(fc.date({ min: new Date(2001, 0, 1), max: new Date(2099, 0, 1), noInvalidDate: true }), (date) => {
      date.setSeconds(0, 0);
      // Twice a year an hour is written alike before and after the clock is set back: text alone cannot tell them
      // apart.
      expect(toLocal(parseLocal(toLocal(date.getTime())))).toBe(toLocal(date.getTime()));
    }),
  );
});

test.each([
  '',
  'yesterday',
  '2026-02-30 10:00',
  '2026-13-01 10:00',
  '2026-03-10 24:00',
  '2026-03-10 10:60',
  '10.03.2026 10:00',
])('“%s” is no time', (text) => {
  expect(parseLocal(text)).toBeNaN();
});

test('the window says now or past, and how long', () => {
  const noon = new Date(2026, 2, 10, 12, 0);
  expect(windowWords(readView({}), noon.getTime())).toBe('Now · last 1 h');
  expect(windowWords(readView({ last: '17' }), noon.getTime())).toBe('Now · last 17 min');
  const then = readView({
    from: new Date(2026, 2, 9, 22, 0).toISOString(),
    to: new Date(2026, 2, 10, 1, 0).toISOString(),
  });
  expect(windowWords(then, noon.getTime())).toBe('Past · Mon 9 Mar 22:00 to Tue 10 Mar 01:00');
});

test('what remains is counted in words, one as one', () => {
  expect(remainingWords({ sessions: 0, attempts: 0 })).toBe('No data for this filter: it leaves no session.');
  expect(remainingWords({ sessions: 1, attempts: 1 })).toBe('1 session with 1 attempt remains.');
  expect(remainingWords({ sessions: 1_200, attempts: 3_400 })).toBe('1,200 sessions with 3,400 attempts remain.');
});

test('decimals may be written with a comma', () => {
  expect([' 2,5 ', '2.5', 'x', '1,2,3'].map(parseDecimal)).toEqual([2.5, 2.5, NaN, NaN]);
});

test('any length may be written; what is no length, none, or too long is told', () => {
  expect(['45 min', '3h', '1,5 h', ' 2 D '].map(parseLength)).toEqual([45, 180, 90, 2880]);
  expect(['', '3', '3 weeks', '0 min', '36 d'].map(parseLength)).toEqual([NaN, NaN, NaN, NaN, NaN]);
});
