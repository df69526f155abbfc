import { weightWords } from './weight-words';

test.each([
  { rate: 5, importance: 1, words: '5' },
  { rate: 5, importance: 0.5, words: '5 × 0.5 (importance)' },
  { rate: 0.1 + 2e-17, importance: 1 + 1e-16, words: '0.1' },
  { rate: 0.1 * 3, importance: 0.7 + 0.1, words: '0.3 × 0.8 (importance)' },
])('rate $rate, importance $importance: $words', ({ words, ...line }) => {
  expect(weightWords(line)).toBe(words);
});
