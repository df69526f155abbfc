import { sentSentence } from './sent-place';

jest.mock('@/data/handoffs', () => ({}));
jest.mock('@/frame/time-bar', () => ({}));
jest.mock('@/frame/view', () => ({}));
jest.mock('@/look/markdown', () => ({}));

const some = (...states: Parameters<typeof sentSentence>[0][number]['state'][]) => states.map((state) => ({ state }));

test.each([
  [some(), 'Nothing was sent yet.'],
  [some('taken', 'fixReported'), '2 handed over: 1 watched after a fix.'],
  [some('taken', 'taken'), '2 handed over, all accepted.'],
  [some('taken', 'merged'), '2 handed over: 1 merged.'],
  [some('proven', 'inPart', 'merged'), '3 handed over: 1 not fixed, 1 proven.'],
  [some('taken', 'sent', 'draft', 'returned'), '4 handed over: 1 came back, 2 not accepted yet.'],
  // What never left this server was not handed over.
  [some('kept'), '1 not delivered.'],
  [some('taken', 'kept', 'notDelivered'), '1 handed over, all accepted; 2 not delivered.'],
])('%j', (all, words) => {
  expect(sentSentence(all)).toBe(words);
});
