import {
  belowHeadline,
  budgetWords,
  burnWords,
  trendWords,
  fanWords,
  headline,
  keptWords,
  leftWords,
  outlookWords,
  periodWords,
  rangeWords,
  sealedWords,
  shareWords,
  standingOf,
  type ServiceLevel,
} from './promise-words';
import { missOf } from './cells';

const NOW = Date.UTC(2026, 10, 15);
const level = (more: Partial<ServiceLevel> = {}, chance = 0.2): ServiceLevel => ({
  name: 'Labels',
  to: 'Partners',
  rule: '',
  indicator: 'inTime',
  unit: 'attempt',
  units: 'attempts',
  limitMs: 1200,
  target: 0.995,
  period: { fromMs: Date.UTC(2026, 10, 1), toMs: Date.UTC(2026, 11, 1) },
  periodWords: 'a calendar month (UTC)',
  flows: 1,
  state: 'kept',
  valid: 1000,
  good: 996,
  kept: { share: 0.996, low: 0.99, high: 0.998 },
  budget: { allowed: 10, spent: 4, left: 6, leftShare: 0.6 },
  burn: [
    { windowMs: 3_600_000, rate: 2.44 },
    { windowMs: 21_600_000, rate: null },
  ],
  pace: null,
  endsMs: null,
  line: { startMs: Date.UTC(2026, 10, 1), stepMs: 3_600_000, left: [1, 0.6] },
  forecast: {
    endMs: Date.UTC(2026, 11, 1),
    share: [0.99, 0.992, 0.995, 0.996, 0.997],
    chanceOfBreaking: chance,
    expectedPenalty: 4000 * chance,
    fan: [{ atMs: Date.UTC(2026, 11, 1), left: [-0.2, 0, 0.3, 0.4, 0.5] }],
  },
  penalties: [{ below: 0.995, amount: 4000, chance }],
  isRough: false,
  ...more,
});
const noData = level({ state: 'noData', valid: 0, good: 0, kept: null, forecast: null });

test.each([
  [1, '100 %'],
  [0.99999, '99.99 %'],
  [0.99496, '99.49 %'],
  [0.995, '99.5 %'],
  [0.9, '90 %'],
  [0, '0 %'],
])('a share of %f is told as %s: never rounded up to a target', (share, words) =>
  expect(shareWords(share)).toBe(words),
);

test.each<[ServiceLevel[], string]>([
  [[], 'Nothing is promised yet.'],
  [[level({}, 0)], 'Every promise is kept so far.'],
  [[noData], 'No data for any promise.'],
  [[level({}, 0.8), level({}, 0.2), level({}, 0.3)], '1 promise will probably break; 2 are at risk.'],
  [[level({}, 0.2)], '1 promise is at risk.'],
  [[level({ state: 'broken' }, 1), level({}, 0.6)], '1 promise is broken; 1 will probably break.'],
  [[level({ state: 'broken' }, 1), level({ state: 'broken' }, 1)], '2 promises are broken.'],
])('headline %#: %s', (levels, words) => expect(headline(levels)).toBe(words));

test('what it costs, and how many are safe', () => {
  expect(belowHeadline([level({}, 0.5), level({}, 0), noData], 'EUR')).toBe(
    '€2,000 of penalties expected · 3 promises, 1 safe, 1 without data',
  );
  expect(belowHeadline([level({}, 0)], 'EUR')).toBe('1 promise, 1 safe');
});

test('how it stands, by its state and its chance', () => {
  expect(
    [level({}, 0.05), level({}, 0.1), level({}, 0.5), level({ state: 'broken' }, 0), noData].map(standingOf),
  ).toEqual(['safe', 'possible', 'likely', 'broken', 'noData']);
});

test('one promise in words', () => {
  expect(keptWords(level())).toBe('99.6 % of 99.5 %');
  expect(keptWords(noData)).toBe('no data, of 99.5 %');
  expect(rangeWords(level())).toBe('95 % range 99 % to 99.8 %, of 1,000 attempts');
  expect(rangeWords(noData)).toContain('which is not 100 %');
  expect(budgetWords(level())).toBe('4 of about 10 bad attempts spent, 6 left');
  expect(budgetWords(level({ budget: { allowed: 3, spent: 5, left: -2, leftShare: -0.6 } }))).toBe(
    '5 of about 3 bad attempts spent, 2 more than may be',
  );
  expect(burnWords(level())).toBe('2.4× in 1 h, no data in 6 h');
  expect(outlookWords(level(), 'EUR', NOW)).toBe('breaks with a chance of 20 % · €800 expected');
  expect(outlookWords(level({}, 0), 'EUR', NOW)).toBe('safe');
  expect(outlookWords(level({ state: 'broken' }, 1), 'EUR', NOW)).toBe('broken · €4,000 expected');
  expect(outlookWords(level({ forecast: null }), 'EUR', NOW)).toBe('too little is known to forecast');
  expect(outlookWords(noData, 'EUR', NOW)).toBe('no attempt counts in this period');
  expect(outlookWords(level({ endsMs: NOW + 3_600_000 }), 'EUR', NOW)).toMatch(/budget ends \d\d:\d\d at this pace/);
});

test('the chart in words', () => {
  expect(fanWords(level(), NOW)).toMatch(
    /^Budget: 60 % left now; at .* probably 30 % left, in 95 % of cases from 20 % overspent to 50 % left$/,
  );
  expect(fanWords(level({ line: { startMs: 0, stepMs: 1, left: [] }, forecast: null }), NOW)).toBe(
    'Budget: nothing known yet',
  );
  expect(fanWords(level({ line: { startMs: 0, stepMs: 1, left: [-0.2] }, forecast: null }), NOW)).toBe(
    'Budget: 20 % overspent now',
  );
  expect(burnWords(level({ burn: [{ windowMs: 3_600_000, rate: 0.02 }] }))).toBe('under 0.1× in 1 h');
  expect(leftWords(undefined)).toBe('not known');
});

test('a cell is toned by how far it misses the target, and not of a few', () => {
  expect([
    missOf({ valid: 1000, good: 995 }, 0.995),
    missOf({ valid: 1000, good: 990 }, 0.995),
    missOf({ valid: 1000, good: 980 }, 0.995),
    missOf({ valid: 19, good: 0 }, 0.995),
  ]).toEqual([0, 1, 2, undefined]);
});

test('what counts is named as the promise counts it', () => {
  const views = level({ unit: 'page view', units: 'page views', valid: 1284 });
  expect(rangeWords(views)).toMatch(/of 1,284 page views$/);
  expect(budgetWords(views)).toContain(' bad page views spent');
  expect(rangeWords({ ...views, kept: null })).toBe(
    'No page view counts in this period: nothing is known, which is not 100 %.',
  );
  expect(outlookWords({ ...views, state: 'noData' }, 'EUR', NOW)).toBe('no page view counts in this period');
});

test('a period before, and what was sealed of it', () => {
  const period = { valid: 1000, good: 993, isKept: true, sealed: null };
  expect(periodWords(period, 0.992)).toBe('kept: 99.3 % of 99.2 %');
  expect(periodWords({ ...period, isKept: false, good: 990 }, 0.992)).toBe('broken: 99 % of 99.2 %');
  expect(periodWords({ ...period, valid: 0, good: 0, isKept: null }, 0.992)).toBe('no data');
  const atMs = Date.UTC(2026, 2, 10, 1);
  expect(sealedWords(period, { atMs, valid: 1000, good: 993 }, { level: level(), nowMs: atMs })).toMatch(
    /^sealed \d\d:\d\d$/,
  );
  expect(sealedWords(period, { atMs, valid: 990, good: 983 }, { level: level(), nowMs: atMs })).toMatch(
    /^sealed \d\d:\d\d as 99\.29 % of 990 attempts; now 1,000 attempts$/,
  );
});

test.each([
  [null, 1, 'no attempt in the last hour'],
  [0, 0, 'nothing spent in three days'],
  [0, null, '0× in the last hour, not known over three days'],
  [5.2, 1.1, 'spent faster: 5.2× in the last hour, 1.1× over three days'],
  [0, 1.1, 'spent more slowly: 0× in the last hour, 1.1× over three days'],
  [1.2, 1.1, 'spent 1.2× in the last hour, 1.1× over three days'],
])('a pace of %s in the last hour and %s over three days reads: %s', (hour, days, words) => {
  const burn = [
    { windowMs: 3_600_000, rate: hour },
    { windowMs: 259_200_000, rate: days },
  ];
  expect(trendWords(level({ burn }))).toBe(words);
});
