import { changeWords } from './words';

test.each([
  ['duration', 3.14, 'usual', '3.1× as long as usual'],
  ['attempts', 0.5, 'before', '0.5× as many attempts as just before'],
  ['failures', 12, 'usual', '12× as many failures as usual'],
  ['attempts', 0, 'usual', 'no attempts at all'],
  ['failures', 0, 'before', 'no failures any more'],
  ['failures', Infinity, 'before', 'failures where there were none'],
  ['failures', Infinity, 'usual', 'failures where there usually are none'],
] as const)('%s × %d against %s: %s', (measure, ratio, against, words) => {
  expect(changeWords(measure, ratio, against)).toBe(words);
});
