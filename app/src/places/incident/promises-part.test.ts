import { endangeredWords } from './promises-part';

jest.mock('@/frame/door', () => ({ Door: () => null }));

const took = {
  name: 'Labels',
  to: '',
  bad: 12,
  tookShare: 0.12,
  leftShare: 0.34,
  chanceOfBreaking: 0.87,
  expectedPenalty: 3480,
};

test.each([
  [{}, 'It took 12 % of the budget; 34 % left now · breaks with a chance of 87 % · €3,480 expected, whoever spent it'],
  [
    { leftShare: -0.2, chanceOfBreaking: 1, expectedPenalty: 0 },
    'It took 12 % of the budget; 20 % overspent now · breaks with a chance of over 99 %',
  ],
  [
    { tookShare: null, leftShare: null, chanceOfBreaking: null, expectedPenalty: 0 },
    'How much of the budget it took, and what is left of it, is not known',
  ],
])('what an incident does to a promise, with %j', (more, words) =>
  expect(endangeredWords({ ...took, ...more }, 'EUR')).toBe(words),
);
