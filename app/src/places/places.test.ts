import type { FlowRow } from '@/data/client';
import { leaning } from '@/charts/leaning-bar';
import { nth } from '@toplens/core/words';
import { bandWords } from './flow/bands';
import { parseSeconds } from './flow/flow-sheet';
import { toCsv } from '@/frame/table/columns';
import { COLUMNS } from './flows/columns';
import { flowsSentence } from './flows/flows-place';
import { sureWords } from './incident/bill-words';
import { decisionOf } from './incident/decide-sheet';
import { stateWords } from './incident/what-happens';
import { ruledOutWords } from './incident/who-is-hit-most';
import { comparedWords } from './worst-first/compared-words';
import { headlineOf } from './worst-first/worst-first-list';

jest.mock('@/data/client', () => ({}));
jest.mock('@/look/icon', () => ({}));

const flow = (name: string, attempts: number, p95Ms: number | null) =>
  ({ name, attempts, p95Ms, hurt: null, people: null, failedShare: null, level: 'calm' }) as FlowRow;

describe('the table of flows', () => {
  test('CSV says names as they are, levels in words, and units in its head', () => {
    const csv = toCsv(COLUMNS, [{ ...flow('Pay', 3, 12.5), team: 'Slots Team' }]);
    expect(csv.split('\r\n')[0]).toContain('"95th percentile of the duration, ms"');
    expect(csv.split('\r\n')[1]).toMatch(/^Pay,calm,3,.*,12\.5,.*,Slots Team,/);
  });

  test('is summed up in a sentence', () => {
    expect(flowsSentence([{ level: 'broken' }, { level: 'calm' }, { level: 'noData' }])).toBe(
      '3 flows: 1 broken, 1 without data.',
    );
    expect(flowsSentence([{ level: 'calm' }])).toBe('1 flow, all calm.');
    // Nothing known is not calm.
    expect(flowsSentence([])).toBe('No flow is known yet.');
  });
});

test('bands and limits in words', () => {
  expect(bandWords({ fromMs: 0, toMs: 600, attempts: 1 })).toBe('up to 600 ms');
  expect(bandWords({ fromMs: 1200, toMs: null, attempts: 1 })).toBe('longer than 1.2 s');
  expect(bandWords({ fromMs: -1, toMs: null, attempts: 1 })).toBe('failed');
  expect([parseSeconds('1,2'), parseSeconds(' '), parseSeconds('0.35')]).toEqual([1200, null, 350]);
});

test('how sure the rank is', () => {
  expect([1, 2, 3, 4, 11, 22, 113].map(nth)).toEqual(['1st', '2nd', '3rd', '4th', '11th', '22nd', '113th']);
  expect(sureWords({ rank: 1, best: 1, worst: 1, nearTie: false })).toBe('1st whichever rate you double or halve.');
  expect(sureWords({ rank: 2, best: 1, worst: 3, nearTie: true })).toContain(
    '1st to 3rd whichever rate you double or halve. Its range overlaps',
  );
  expect(sureWords({ rank: null, best: null, worst: null, nearTie: false })).toBe('It does not count in the rank.');
});

test('what makes no difference, in one sentence', () => {
  expect(
    ruledOutWords(
      [
        { dimension: 'site', why: 'noDifference', value: null },
        { dimension: 'tier', why: 'noDifference', value: null },
        { dimension: 'version', why: 'oneValue', value: '5.12.0' },
      ],
      ['wentWrong', 'waited'],
    ),
  ).toBe('No difference by site and tier: attempts go wrong and people wait alike. Everyone has version 5.12.0.');
  expect(ruledOutWords([], ['wentWrong'])).toBe('');
});

test('a bar leans right when likelier, left when less likely, and is full where it happens nowhere else', () => {
  expect(leaning(1, 100)).toMatchObject({ x: 25, width: 0 });
  expect(leaning(4, 100).x).toBe(25);
  expect(leaning(4, 100).width).toBeCloseTo(37.5, 6);
  expect(leaning(0.25, 100)).toMatchObject({ x: 12.5, width: 12.5 });
  expect(leaning(undefined, 100).width).toBe(75);
});

describe('a decision', () => {
  const given = { who: ' Kim ', reason: '', until: '2026-03-10 09:30', into: undefined, flows: new Set<number>() };
  test('says what is missing for it', () => {
    expect(decisionOf('setAside', given)).toBe('Say why it is set aside.');
    expect(decisionOf('setAside', { ...given, reason: 'x', until: 'soon' })).toContain('year-month-day');
    expect(decisionOf('join', given)).toContain('Choose the incident');
    expect(decisionOf('split', given)).toContain('Choose what is split off');
  });
  test('is complete with who, why and until when', () => {
    expect(decisionOf('setAside', { ...given, reason: ' told ' })).toEqual({
      who: 'Kim',
      what: 'setAside',
      reason: 'told',
      untilMs: new Date(2026, 2, 10, 9, 30).getTime(),
    });
    expect(decisionOf('split', { ...given, flows: new Set([3]) })).toEqual({ who: 'Kim', what: 'split', flows: [3] });
  });
});

test('in trouble then and in trouble now are two marks', () => {
  const base = { onsetMs: 0, endMs: 600_000, window: { fromMs: 0, toMs: 300_000 }, trend: 'steady' as const };
  const words = (activeAtEnd: boolean, inTroubleNow: boolean) =>
    stateWords({ ...base, activeAtEnd, inTroubleNow } as never);
  expect(words(true, true)).toContain('still in trouble now');
  expect(words(true, false)).toContain('in trouble then; over by now');
  expect(words(false, false)).toContain('over');
});

test('what was in the window compared with', () => {
  const compared = {
    fromMs: 0,
    toMs: 1,
    words: 'the day before',
    harmPerHour: 40,
    people: 12,
    incidents: 1,
    isKnown: true,
  };
  expect(comparedWords(compared, [{ harmPerHour: 84 }])).toBe(
    'The day before: 12 people, 40 harm points an hour. Now 2.1× that harm.',
  );
  expect(comparedWords({ ...compared, incidents: 0 }, [])).toBe('The day before: nobody was hurt.');
  expect(comparedWords({ ...compared, isKnown: false }, [])).toContain('no data reaches back');
});

test('silence is never calm: without data, or with old data, the sentence says so', () => {
  const data = {
    headline: 'Nobody is being hurt.',
    rows: [],
    remaining: null,
    learning: null,
    freshness: { watermarkMs: 1, judgedMs: Date.now(), silent: [], earlier: null },
  };
  expect(headlineOf(data, false)).toBe('Nobody is being hurt.');
  // A filter that leaves nobody tells nothing of anybody.
  expect(headlineOf({ ...data, remaining: { sessions: 0, attempts: 0 } }, false)).toBe('No data for this filter.');
  expect(headlineOf(data, true)).toMatch(/^Up to \d\d:\d\d nobody was being hurt\.$/);
  const learning = { flows: 2, of: 2, usualFromMs: null };
  expect(headlineOf({ ...data, learning: { ...learning, of: 8 } }, true)).toMatch(
    /^Up to \d\d:\d\d nobody was being hurt, as far as is known\.$/,
  );
  expect(headlineOf({ ...data, learning }, true)).toMatch(/^Up to \d\d:\d\d nothing stood out\.$/);
});
