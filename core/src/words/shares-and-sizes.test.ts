import { exactPercent, percentCut, rateWords, sizeWords } from './numbers';

test.each([
  [1, 2, '100 %'],
  [0.99999, 2, '99.99 %'],
  // So near that a cut would round to all of it.
  [1 - 1e-12, 2, '99.99 %'],
  [0.99496, 2, '99.49 %'],
  [0.99496, 3, '99.496 %'],
  [0.995, 4, '99.5 %'],
  [0, 2, '0 %'],
])('%f cut after %i digits: %s', (share, digits, words) => expect(percentCut(share, digits)).toBe(words));

test('a share as it was set keeps its digits, and gets none from arithmetic', () => {
  expect([0.9995, 0.07, 0.99999].map(exactPercent)).toEqual(['99.95 %', '7 %', '99.999 %']);
});

test.each([
  [0, '0 bytes'],
  [1, '1 byte'],
  [2, '2 bytes'],
  [999, '999 bytes'],
  [1000, '1 kB'],
  [1440, '1.4 kB'],
  [48_210, '48 kB'],
  [1_200_000, '1.2 MB'],
  [5e12, '5,000 GB'],
])('%i as a size: %s (SI prefixes)', (bytes, words) => expect(sizeWords(bytes)).toBe(words));

test('how often something is: some is never told as none, and no digits that nothing supports', () => {
  expect([0, 0.03, 0.05, 0.5, 1, 8.46, 9.94, 9.96, 21.4, 12_345].map(rateWords)).toEqual([
    '0',
    'under 0.1',
    '0.1',
    '0.5',
    '1',
    '8.5',
    '9.9',
    '10',
    '21',
    '12,345',
  ]);
});
