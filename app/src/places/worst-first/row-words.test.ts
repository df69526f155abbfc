import { handoffThenWords } from './row-words';

const mark = (id: string, state: 'sent' | 'taken') => ({ id, state, team: 'Payments' });

test.each([
  [null, null, undefined],
  [mark('a', 'sent'), mark('a', 'sent'), undefined],
  [mark('a', 'taken'), null, 'then with nobody'],
  [mark('a', 'taken'), mark('a', 'sent'), 'then sent · Payments'],
  [mark('b', 'sent'), mark('a', 'sent'), 'then sent · Payments'],
])('now %j, then %j: %s', (handoff, handoffThen, words) => {
  expect(handoffThenWords({ handoff, handoffThen })).toBe(words);
});
