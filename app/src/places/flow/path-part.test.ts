import { slowErrorWords } from './path-part';

jest.mock('@/data/flows', () => ({}));
jest.mock('@/frame/view', () => ({}));
jest.mock('@/frame/door', () => ({}));
jest.mock('../component/hop-list', () => ({}));

const error = {
  error: 'a: B',
  slow: 38,
  ofSlow: 40,
  others: 2,
  ofOthers: 160,
  ratio: 76,
  low: 18.2,
  high: 310,
  carried: 0.84,
};

test.each([
  [{}, 'in 38 of 40 slow attempts, 2 of 160 others: 76× as often (18× to 310×); comes with 84 % of the slowness'],
  [
    { others: 0, ratio: null, high: null, carried: 1.02 },
    'in 38 of 40 slow attempts, 0 of 160 others: at least 18× as often; comes with 100 % of the slowness',
  ],
  [
    { slow: 1, ofSlow: 1, ofOthers: 1, carried: -0.2 },
    'in 1 of 1 slow attempt, 2 of 1 other: 76× as often (18× to 310×); comes with 0 % of the slowness',
  ],
])('%j', (more, words) => {
  expect(slowErrorWords({ ...error, ...more })).toBe(words);
});
