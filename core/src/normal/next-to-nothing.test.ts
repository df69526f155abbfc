import { isNextToNothing } from './index';

test.each([
  ['a fiftieth is still an answer', 200, 12.4, 620, false],
  ['less than a fiftieth is none', 200, 12.3, 620, true],
  ['twenty-nine do not tell', 29, 1, 620, false],
  ['thirty do', 30, 1, 620, true],
  ['nothing is known of what is usual', 200, 1, undefined, false],
  ['what is usual is next to nothing itself', 200, 0.1, 19, false],
  ['nothing was answered', 200, NaN, 620, false],
  ['none came', 0, undefined, 620, false],
])('%s', (_what, answered, medianMs, expectedMs, isSo) => {
  expect(isNextToNothing({ answered, medianMs }, expectedMs)).toBe(isSo);
});
