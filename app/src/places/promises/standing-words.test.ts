import {
  limitWords,
  nowWords,
  outsideOf,
  peopleWords,
  threeWords,
  toneOf,
  type Activity,
  type Application,
} from './standing-words';

const good = (estimate: number) => ({ estimate, low: estimate, high: estimate });
const application: Application = {
  application: 'Shop',
  flows: 2,
  speed: { word: 'worse', good: good(0.9149) },
  answers: { word: 'asUsual', good: good(0.9999) },
  use: { word: 'less', attempts: 1040, low: 1600.4, high: 2100.2 },
};
const activity: Activity = {
  id: 1,
  name: 'Pay',
  application: 'Shop',
  attempts: 1840,
  outside: 212,
  people: 128,
  peopleOver: 31,
  usualMs: 400,
  currentMs: 412,
  learnedLimitMs: 800,
  agreedLimitMs: null,
  sites: [],
};

test('an application in three words, each with what is behind it', () => {
  expect(threeWords(application).map(({ word, behind, tone }) => [word, behind, tone])).toEqual([
    ['slower than usual', '91.4 % in time', 1],
    ['answers as usual', '99.9 % answered', undefined],
    ['used less than usual', '1,040 attempts, usually 1,600 to 2,100', 1],
  ]);
});

test('of what is not known nothing is said but that', () => {
  const unknown = { word: 'unknown' as const, good: null };
  const use = { word: 'unknown' as const, attempts: 0, low: 0, high: 0 };
  expect(
    threeWords({ ...application, speed: unknown, answers: unknown, use }).map(({ word, behind }) => [word, behind]),
  ).toEqual([
    ['usual speed not known yet', 'no attempt came'],
    ['usual failures not known yet', 'no attempt came'],
    ['usual use not known yet', '0 attempts'],
  ]);
});

test('an activity: whom its limit fails, and which limit that is', () => {
  expect(peopleWords(activity)).toBe('31 of 128 people over the limit');
  expect(outsideOf(activity)).toBe('212 of 1,840 attempts outside, 12 %');
  expect(nowWords(activity)).toBe('412 ms, usually 400 ms');
  expect(limitWords(activity)).toBe('Limit: learned 800 ms; none agreed');
  expect(limitWords({ ...activity, agreedLimitMs: 1000 })).toBe('Agreed limit 1.0 s judges, learned 800 ms');
  expect(nowWords({ ...activity, currentMs: null, usualMs: null })).toBe('none answered, usual not known yet');
  expect(outsideOf({ ...activity, outside: 0, attempts: 1 })).toBe('0 of 1 attempt outside');
});

test.each([
  [100, 96, undefined],
  [100, 95, 0],
  [100, 80, 1],
  [19, 0, undefined],
])('%i attempts, %i in time: toned %s', (valid, inTime, tone) => expect(toneOf({ valid, good: inTime })).toBe(tone));
