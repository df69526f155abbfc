import { clock, durationWords, lengthWords } from './format';

test('durations and lengths have no more digits than they deserve', () => {
  expect([3, 380.4, 999, 1000, 4810, 61_000, 900_000].map(durationWords)).toEqual([
    '3 ms',
    '380 ms',
    '999 ms',
    '1.0 s',
    '4.8 s',
    '1.0 min',
    '15.0 min',
  ]);
  expect([60_000, 108 * 60_000, 3.5 * 3_600_000, 3 * 86_400_000].map(lengthWords)).toEqual([
    '1 min',
    '108 min',
    '3.5 h',
    '3 d',
  ]);
});

test('the date stands beside the time only when it is another day', () => {
  const noon = new Date(2026, 2, 10, 12, 0).getTime();
  expect(clock(noon, noon + 3_600_000)).toBe('12:00');
  expect(clock(noon, noon + 86_400_000)).toBe('Tue 10 Mar 12:00');
});
