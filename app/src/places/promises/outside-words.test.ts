import { outsideWords } from './outside';

const listed = (n: number) => ({ all: 227, attempts: Array.from({ length: n }, () => ({}) as never) });

test.each([
  ['inTime', false, 'Newest first, 40 of 227 bad ones of the period.'],
  ['inTime', true, 'Newest first.'],
  [
    'crashFree',
    false,
    'Launches that failed, or ended in a crash later, newest first: 40 of 227 bad ones of the period.',
  ],
  ['views', true, 'Loads of which a vital was not good, newest first.'],
  [
    'people',
    false,
    'Those not in time, newest first. A person-hour is bad when too many of somebody’s attempts in it were not.',
  ],
] as const)('attempts outside a promise about %s, of a part: %s', (indicator, isPart, words) =>
  expect(outsideWords(listed(40), { isPart, indicator })).toBe(words),
);

test('none listed: they are gone, or there is none in that part', () => {
  expect(outsideWords(listed(0), { isPart: false, indicator: 'views' })).toBe(
    'Single attempts of that time are no longer kept.',
  );
  expect(outsideWords(listed(0), { isPart: true, indicator: 'views' })).toBe('None here.');
});
