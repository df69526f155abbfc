import { render, screen } from '@testing-library/react';
import { repairWords, stepWords } from '@toplens/core/journeys';
import { StepBar } from '@/charts/step-bar';
import { stepsOnTheWay } from '../incident/on-the-way';
import {
  journeyFigures,
  journeySentence,
  stepFigures,
  stepSentence,
  stepTitle,
  type Journey,
  type Step,
} from './journey-words';

jest.mock('@/frame/door', () => ({}));
jest.mock('@/data/journeys', () => ({}));
jest.mock('@/frame/view', () => ({}));

const step = (more: Partial<Step> = {}): Step => ({
  flow: 3,
  name: 'Pick a slot',
  people: 1620,
  sessions: 1650,
  wentOn: 1220,
  undecided: 10,
  left: 420,
  exposed: 800,
  usuallyExposed: 9,
  beyondUsual: { estimate: 194, low: 150, high: 240 },
  lost: { estimate: 900, low: 700, high: 1100 },
  usualLeaving: 0.14,
  attributable: 0.5,
  isBad: true,
  medianMs: 4_800,
  failedShare: 0.03,
  incidents: [2],
  ...more,
});
const journey = {
  id: '1-3',
  name: 'Send a parcel',
  setOut: 2140,
  completed: 1086,
  beyondUsual: 194,
  lost: 2640,
  currency: 'EUR',
  steps: [step({ flow: 1, isBad: false }), step()],
  repairs: [{ step: 1, flow: 3, comeBack: 194, hidden: 24, completions: 170, value: 2640 }],
} as unknown as Journey;

test('a journey in a sentence, with nothing called calm that is not known', () => {
  expect(journeySentence(journey)).toBe(
    '2,140 people set out; 1,086 came to the end. 194 people left because of trouble, who would have brought €2,640.',
  );
  expect(journeySentence({ ...journey, beyondUsual: 0 })).toContain(
    'Nobody left because of trouble, beyond what could be chance.',
  );
  expect(journeySentence({ ...journey, setOut: 0 })).toContain('no data');
});

test('a step tells who left because of trouble apart from who left as usual', () => {
  expect(stepFigures(step()).map(({ words, of }) => `${words}: ${of}`)).toEqual([
    '1,620 people: came',
    '4.8 s: came',
    '3 % fail: metTrouble',
  ]);
  expect(stepWords(step(), false)).toBe(
    '194 left because of trouble (150 to 240); 226 as usual; 1,220 went on; 10 may still go on',
  );
  expect(stepWords(step({ isBad: false, exposed: 9 }), true)).toContain(
    '420 left as usual; 1,220 completed it; 10 may still complete it; 9 met trouble, no more than usual',
  );
  expect(stepWords(step({ isBad: false }), false)).toContain('800 met trouble, and hardly more of them left');
  expect(stepWords(step({ left: 0, isBad: false, exposed: 0 }), false)).toContain('nobody left');
});

test('mending says what comes back and what is hidden; an incident finds its steps', () => {
  expect(repairWords(journey.repairs[0] as Journey['repairs'][number], 'EUR')).toBe(
    '194 more go on, 170 more come to the end, with €2,640; 24 are lost further down until that is fixed too',
  );
  const found = stepsOnTheWay([journey], new Set([3]));
  expect(found.map(({ k }) => k)).toEqual([1]);
  expect(found[0]?.words).toContain('When fixed: 194 more go on');
  expect(stepsOnTheWay([journey], new Set([99]))).toEqual([]);
});

test('the bar says its parts to those who do not see it, and draws none for nobody', () => {
  const { container } = render(
    <StepBar
      most={100}
      wentOn={60}
      beyondUsual={0}
      asUsual={40}
      undecided={0}
      label="Of 100 sessions 40 left as usual"
    />,
  );
  expect(screen.getByRole('img').getAttribute('aria-label')).toBe('Of 100 sessions 40 left as usual');
  expect(container.querySelectorAll('rect').length).toBe(2);
});

test('a figure of the whole way is made of sessions of one step: the first, the last, the one that lost most', () => {
  expect(journeyFigures(journey)).toEqual([
    { words: '2,140 people set out', step: 1, of: 'came' },
    { words: '1,086 came to the end', step: 2, of: 'wentOn' },
    { words: '194 people left because of trouble, who would have brought €2,640', step: 2, of: 'leftAfterTrouble' },
  ]);
  expect(journeyFigures({ ...journey, beyondUsual: 0 })).toHaveLength(2);
});

test('the sessions of a step in a sentence: what can be said of all of them is not said of one', () => {
  const page = {
    of: 'leftAfterTrouble',
    sessions: 300,
    step: 2,
    steps: 4,
    beyondUsual: { estimate: 194, low: 150, high: 240 },
    every: 1,
    name: 'Pick a slot',
  } as Parameters<typeof stepSentence>[0];
  expect(stepSentence(page)).toBe(
    '300 sessions met a late, hung or failed attempt here and ended here. 194 people left because of trouble, beyond the usual (150 to 240): whether a single one would have left anyway, nobody can tell.',
  );
  expect(stepSentence({ ...page, of: 'metTrouble', every: 4, sessions: 1 })).toBe(
    'About 1 session met a late, hung or failed attempt here.',
  );
  expect(stepSentence({ ...page, of: 'wentOn', step: 4 })).toBe('300 sessions completed it.');
  expect(stepSentence({ ...page, of: 'came', sessions: 0 })).toContain('no data');
  expect(stepTitle({ ...page, of: 'left' })).toBe('Pick a slot: left');
});
