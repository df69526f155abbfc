import { reproduceWords, type ReproduceFacts } from './reproduce';

const FACTS: ReproduceFacts = {
  technicalName: 'POST /labels',
  application: 'Sender Portal',
  otherFlows: 0,
  signal: 'failing',
  limitMs: null,
  all: 480,
  bad: 72,
  where: { dimension: 'promotion', value: 'SPRING10', all: 80, bad: 70 },
};

test.each<[Partial<ReproduceFacts>, string]>([
  [
    {},
    'Repeat POST /labels of Sender Portal with promotion SPRING10: 70 of 80 attempts (88 %) went wrong, 2 of 400 attempts (0.5 %) elsewhere.',
  ],
  [
    { where: undefined },
    'Repeat POST /labels of Sender Portal: 72 of 480 attempts (15 %) went wrong, whoever made them.',
  ],
  [
    { signal: 'slow', limitMs: 800, where: undefined, all: 1, bad: 1 },
    'Repeat POST /labels of Sender Portal: 1 of 1 attempt (100 %) went wrong (wrong is longer than 800 ms, or failed), whoever made them.',
  ],
  [
    { otherFlows: 2, where: undefined },
    'Repeat POST /labels of Sender Portal (or one of 2 other flows): 72 of 480 attempts (15 %) went wrong, whoever made them.',
  ],
  // All came that way: there is no elsewhere.
  [
    { all: 80, bad: 70 },
    'Repeat POST /labels of Sender Portal with promotion SPRING10: 70 of 80 attempts (88 %) went wrong.',
  ],
  [{ all: 0, bad: 0, where: undefined }, 'Repeat POST /labels of Sender Portal: no attempt came in this window.'],
  [
    { signal: 'missing' },
    'Nothing to repeat from the traces: the attempts never came. Try POST /labels of Sender Portal from outside, as a person would.',
  ],
])('how to see it with one’s own eyes: %j', (more, words) => {
  expect(reproduceWords({ ...FACTS, ...more })).toBe(words);
});
