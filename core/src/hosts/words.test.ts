import { MINUTE_MS } from '../time';
import {
  adviceFor,
  figureWords,
  judgeFigure,
  restartsIn,
  ruledOut,
  type FigureName,
  type JudgedFigure,
  type StoredSeries,
} from './index';

const judged = (figure: FigureName, more: Partial<JudgedFigure> = {}): JudgedFigure => ({
  figure,
  host: 'coast-3',
  component: 'slots',
  minutes: new Map(),
  verdict: 'full',
  usual: 0.4,
  now: 0.99,
  highest: 1,
  ...more,
});
const adviceOn = (...figures: JudgedFigure[]) => adviceFor(figures).map(({ words }) => words.split(':')[0]);

describe('values as people read them', () => {
  test.each<[FigureName, number, string]>([
    ['cpu', 0.314, '31 %'],
    ['eventLoop', 3.14, '3.1 ms'],
    ['eventLoop', 314.2, '314 ms'],
    ['network', 950, '950 B/s'],
    ['network', 9_500, '9.5 kB/s'],
    ['network', 9_500_000, '9.5 MB/s'],
    ['networkErrors', 0.456, '0.46 /s'],
    ['poolWaits', 123.4, '123'],
    ['cpu', NaN, 'not told'],
  ])('%s %d: %s', (figure, value, words) => {
    expect(figureWords(figure, value)).toBe(words);
  });
});

describe('what the figures suggest', () => {
  test('is said only of what is full, each with its evidence', () => {
    expect(adviceFor([judged('cpu')])).toEqual([
      {
        words: 'Its processors have nothing left to give: spread the work, or find what takes it.',
        evidence: 'slots on coast-3: 99 % now, 40 % usually',
      },
    ]);
    expect(adviceOn(judged('memory'), judged('fileSystem'), judged('pool'))).toEqual([
      'Its memory is full',
      'Its disk is full',
      'All connections of its pool are taken',
    ]);
    for (const verdict of ['usual', 'raised', 'lowered', 'unknown'] as const)
      expect(adviceOn(judged('cpu', { verdict }))).toEqual([]);
    expect(adviceOn(judged('disk'), judged('gc'), judged('network'))).toEqual([]);
  });

  test('a full heap of a process that collects garbage all the time is said as one', () => {
    const collecting = (verdict: JudgedFigure['verdict'], host = 'coast-3') =>
      adviceOn(judged('heap'), judged('gc', { verdict, host }));
    expect(collecting('raised')).toEqual(['Its heap is at its limit and it collects garbage all the time']);
    expect(collecting('full')).toEqual(['Its heap is at its limit and it collects garbage all the time']);
    expect(collecting('usual')).toEqual(['Its heap is at its limit']);
    expect(collecting('raised', 'coast-4')).toEqual(['Its heap is at its limit']);
  });

  test('of several alike the same is said once, with the evidence of each', () => {
    const [advice, ...others] = adviceFor([judged('pool'), judged('pool', { host: 'coast-4', usual: NaN })]);
    expect(others).toEqual([]);
    expect(advice?.evidence).toBe('slots on coast-3: 99 % now, 40 % usually; slots on coast-4: 99 % now');
  });
});

describe('what is left over', () => {
  test('names the three that are furthest off, and counts the others', () => {
    const cpu = (host: string, now: number, verdict: JudgedFigure['verdict'] = 'raised') =>
      judged('cpu', { component: '', host, now, verdict });
    const [line] = ruledOut([
      cpu('a', 0.6),
      cpu('b', 0.9),
      cpu('c', 0.8),
      cpu('d', 0.7),
      cpu('e', 0.99, 'full'),
      cpu('f', 0.41, 'usual'),
    ]);
    expect(line).toMatchObject({ looked: 6, isLeftOver: true });
    expect(line?.words).toBe(
      'CPU, e: 40 % usually, 99 % now, nothing left; b: 40 % usually, 90 % now; c: 40 % usually, 80 % now; 2 more; 1 other as usual',
    );
  });

  test('what was never told is not looked at; one process alone is named', () => {
    expect(ruledOut([judged('cpu', { verdict: 'unknown' })])).toEqual([]);
    expect(ruledOut([judged('heap', { verdict: 'usual', now: 0.41 })])[0]?.words).toBe(
      'heap as usual on slots on coast-3 (40 %, now 41 %)',
    );
    const host = { component: '', verdict: 'usual' as const };
    expect(ruledOut([judged('cpu', host), judged('cpu', { ...host, host: '' })])[0]?.words).toBe(
      'CPU as usual on 2 hosts (40 %, now 99 %)',
    );
    expect(ruledOut([judged('cpu', { component: '', host: '' })])[0]?.words).toContain('a host without a name');
  });
});

describe('a figure during trouble', () => {
  const TROUBLE = { fromMs: 60 * MINUTE_MS, toMs: 70 * MINUTE_MS };
  const BEFORE = { fromMs: 0, toMs: 60 * MINUTE_MS };
  const told = (figure: FigureName, valueAt: (minute: number) => number | undefined) => {
    const minutes = new Map<number, number>();
    for (let minute = 0; minute < 70; minute++) {
      const value = valueAt(minute);
      if (value !== undefined) minutes.set(minute * MINUTE_MS, value);
    }
    return judgeFigure({ figure, host: 'coast-3', component: '', minutes }, TROUBLE, BEFORE);
  };

  test('that never moved and moves is outside, down as well as up', () => {
    expect(told('poolWaits', (minute) => (minute < 60 ? 0 : 8)).verdict).toBe('raised');
    expect(told('network', (minute) => (minute < 60 ? 2e6 : 1e5)).verdict).toBe('lowered');
    expect(told('poolWaits', () => 0).verdict).toBe('usual');
  });

  test('is full without any hour before to compare with, and else not known', () => {
    expect(told('cpu', (minute) => (minute < 60 ? undefined : 0.97))).toMatchObject({
      verdict: 'full',
      usual: NaN,
      now: 0.97,
    });
    expect(told('cpu', (minute) => (minute < 60 ? undefined : 0.7)).verdict).toBe('unknown');
    expect(told('cpu', (minute) => (minute < 60 ? 0.3 : undefined))).toMatchObject({
      verdict: 'unknown',
      now: NaN,
      highest: NaN,
    });
  });
});

test('only counters that go on since a start tell of a restart, one a process', () => {
  const stored = (temporality: 'cumulative' | 'delta', metric: string, ...starts: number[]): StoredSeries => ({
    series: {
      metric,
      unit: '',
      kind: 'counter',
      temporality,
      component: 'slots',
      host: 'coast-3',
      instance: 'a',
      attributes: {},
    },
    points: starts.map((startSeconds, i) => ({
      atUs: (60 * (i + 1) + 1) * 1e6,
      startUs: startSeconds * 1e6,
      value: 1,
    })),
  });
  const window = { fromMs: 0, toMs: 10 * MINUTE_MS };
  expect(restartsIn([stored('delta', 'x', 0, 100, 160)], window)).toEqual([]);
  const both = restartsIn([stored('cumulative', 'x', 0, 110, 110), stored('cumulative', 'y', 0, 112, 112)], window);
  expect(both.map(({ component, host }) => `${component} ${host}`)).toEqual(['slots coast-3']);
  expect(restartsIn([stored('cumulative', 'x', 0, 110)], { fromMs: 5 * MINUTE_MS, toMs: 10 * MINUTE_MS })).toEqual([]);
});
