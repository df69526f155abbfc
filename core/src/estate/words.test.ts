import { changeWords } from './words';

test.each([
  ['duration', 3.14, '3.1× as long'],
  ['attempts', 0.5, '0.5× as many attempts'],
  ['failures', 12, '12× as many failures'],
  ['attempts', 0, 'no attempts at all'],
  ['failures', 0, 'no failures any more'],
  ['failures', Infinity, 'failures where there were none'],
] as const)('%s × %d: %s', (measure, ratio, words) => {
  expect(changeWords(measure, ratio)).toBe(words);
});
