import { fieldWords } from '@/charts/field-chart';
import { curvesWords } from '@/charts/host-curves';
import type { Schemas } from '@/data/client';
import { headWords } from './component/component-page';
import { hopWords } from './component/hop-list';
import { cellsOf, regionOf, regionWords } from './flow/field-part';
import { meanOf } from './flow/layers';
import { patternWords } from './logs/pattern-row';

const MINUTE = 60_000;
const AT = Date.UTC(2026, 2, 11, 11, 0);
const field: Schemas['Field'] = {
  window: { fromMs: AT, toMs: AT + 4 * MINUTE },
  attempts: 9,
  limitMs: 900,
  startMs: AT,
  stepMs: MINUTE,
  columns: 4,
  floorsMs: [100, 200, 400, 800],
  counts: [
    [1, 2, 0, 0],
    [0, 3, 0, 0],
    [0, 0, 0, 2],
    [0, 0, 0, 1],
  ],
  bad: [
    [0, 0, 0, 0],
    [0, 0, 0, 0],
    [0, 0, 0, 2],
    [0, 0, 0, 1],
  ],
};

test('a region of cells is a stretch of time and duration, and finds back to its cells', () => {
  const upper = { columns: [2, 3], rows: [2, 3] } as const;
  expect(regionOf(upper, field)).toEqual({
    fromMs: AT + 2 * MINUTE,
    toMs: AT + 4 * MINUTE,
    fromDurationMs: 400,
    toDurationMs: null,
  });
  expect(cellsOf(regionOf(upper, field), field)).toEqual(upper);
  const lower = { columns: [0, 0], rows: [0, 1] } as const;
  expect(regionOf(lower, field)).toMatchObject({ fromDurationMs: 0, toDurationMs: 400 });
  expect(cellsOf(regionOf(lower, field), field)).toEqual(lower);
});

test('a region stays on its moments while the window moves on, until it has left it', () => {
  const region = regionOf({ columns: [1, 2], rows: [0, 3] }, field);
  expect(cellsOf(region, { ...field, startMs: AT + 2 * MINUTE })).toEqual({ columns: [0, 0], rows: [0, 3] });
  expect(cellsOf(region, { ...field, startMs: AT + 9 * MINUTE })).toBeUndefined();
});

test('the field and a region in words', () => {
  expect(fieldWords(field)).toMatch(/^9 attempts by time and duration, 3 of them late, hung or failed\./);
  const samples = Array.from({ length: 20 }, () => ({}) as Schemas['Sample']);
  const found = { window: field.window, attempts: 212, bad: 210, currency: 'EUR', samples };
  const region = regionOf({ columns: [2, 3], rows: [3, 3] }, field);
  expect(regionWords(region, found)).toMatch(
    /^212 attempts from .* to .* that took 800 ms or longer, 210 late, hung or failed; the 12 worst:$/,
  );
  expect(
    regionWords({ ...region, fromDurationMs: 0, toDurationMs: 400 }, { ...found, attempts: 1, bad: 0, samples: [] }),
  ).toMatch(/^1 attempt from .* that took less than 400 ms, 0 late, hung or failed$/);
  const all = { ...region, fromDurationMs: 0 };
  expect(regionWords(all, { ...found, attempts: 20 })).toMatch(
    /^20 attempts from \S+ to \S+, 210 late, hung or failed;/,
  );
  expect(regionWords({ ...all, only: 'failed' }, { ...found, attempts: 3, samples: [] })).toMatch(
    /^3 failed attempts from \S+ to \S+$/,
  );
  expect(regionWords({ ...all, only: 'succeeded' }, found)).toMatch(
    /^212 attempts that succeeded from \S+ to \S+; the 12 that brought most:$/,
  );
  const worthless = { ...found, samples: samples.map((sample) => ({ ...sample, value: null })) };
  expect(regionWords({ ...all, only: 'succeeded' }, worthless)).toMatch(/; the 12 longest:$/);
});

test('a hop tells how often, how long, how it fails', () => {
  const hop = {
    from: 'slots',
    to: 'db',
    calls: 50,
    failed: 2,
    meanMs: 33,
    longestMs: 102,
    traces: 10,
    shareOfTraces: 0.5,
    depth: 2,
  };
  expect(hopWords(hop, 20)).toBe('5 calls an attempt, in 50 % of them · longest 102 ms · 2 of 50 fail');
  expect(hopWords({ ...hop, calls: 10, failed: 0, shareOfTraces: 1 }, 10)).toBe('1 call an attempt · longest 102 ms');
});

test('a pattern tells how often it came and usually comes', () => {
  const pattern: Schemas['LogPattern'] = {
    text: 'x',
    now: 212,
    before: 6,
    nowRate: 8.46,
    usualRate: 0.033,
    isNew: false,
    severity: 'error',
    firstMs: AT,
    components: ['slots'],
    samples: [],
  };
  expect(patternWords(pattern, AT)).toBe('error · 212 lines, 8.5 a minute, usually under 0.1 · slots');
  expect(patternWords({ ...pattern, now: 1, before: 0, isNew: true, severity: '' }, AT)).toMatch(
    /^1 line, never before · slots · since /,
  );
  expect(patternWords({ ...pattern, now: 0 }, AT)).toBe('error · none, usually under 0.1 a minute · slots');
});

test('curves say who stands out', () => {
  const figure = (host: string, verdict: Schemas['HostFigure']['verdict']): Schemas['HostFigure'] => ({
    figure: 'cpu',
    host,
    component: '',
    verdict,
    usual: 0.3,
    now: 0.3,
    highest: 0.4,
    points: [],
  });
  expect(curvesWords([figure('a', 'usual'), figure('b', 'usual')])).toBe('2 curves, none stands out');
  expect(curvesWords([figure('a', 'full'), figure('b', 'usual')])).toBe('a stands out of 2');
});

test('the mean over steps weighs each by its attempts; a component says how much of it was looked at', () => {
  expect(meanOf([100, 400, 0], [3, 1, 0])).toBe(175);
  expect(meanOf([0], [0])).toBe(0);
  const page = {
    team: 'Data Stores',
    attempts: 1234,
    traces: 200,
    window: { fromMs: AT, toMs: AT + MINUTE },
    hosts: ['a', 'b'],
  } as unknown as Schemas['Component'];
  expect(headWords(page)).toMatch(
    /^belongs to Data Stores · 1,234 attempts went through it since .*, 200 were looked at · on a, b$/,
  );
});
