import { rangeShape } from './range-bar';
import fc from 'fast-check';
import type { Schemas } from '@/data/client';
import { freeLabels } from './free-labels';
import { curvesWords, momentWords } from './host-curves';
import { leaning } from './leaning-bar';
import { picketHeight } from './pickets';
import { trendWords } from './vital-trend';

const NOON = new Date(2026, 2, 10, 12, 0).getTime();

const figure = (
  host: string,
  values: number[],
  verdict: Schemas['HostFigure']['verdict'] = 'usual',
  component = '',
): Schemas['HostFigure'] => ({
  figure: 'cpu',
  host,
  component,
  verdict,
  usual: 0.3,
  now: 0.9,
  highest: 0.9,
  points: values.map((value, i) => ({ atMs: NOON + i * 60_000, value })),
});

describe('curves of hosts', () => {
  test('say who stands out, for those who do not see them', () => {
    expect(curvesWords([figure('a', []), figure('b', [])])).toBe('2 curves, none stands out');
    expect(curvesWords([figure('a', [], 'raised'), figure('b', [])])).toBe('a stands out of 2');
    expect(curvesWords([figure('a', [], 'full', 'web'), figure('b', [], 'lowered')])).toBe('web on a, b stand out');
  });

  test('tell each host at a moment, the highest first, and no more than four', () => {
    const figures = ['a', 'b', 'c', 'd', 'e'].map((host, i) => figure(host, [0.1 * (i + 1), 0.9]));
    expect(momentWords(figures, NOON + 30_000, NOON, true)).toBe('12:00: e 50 %, d 40 %, c 30 %, b 20 %, 1 more below');
    expect(momentWords(figures.slice(0, 1), NOON + 60_000, NOON, true)).toBe('12:01: a 90 %');
    expect(momentWords(figures, NOON + 600_000, NOON, true)).toBe('12:10: no data');
  });
});

describe('a bar that leans from “same as everyone”', () => {
  test('has no length at 1, its whole side at the most, and as much for half as often as its side has', () => {
    expect(leaning(1, 400)).toEqual({ x: 100, width: 0, middle: 100 });
    expect(leaning(undefined, 400)).toEqual({ x: 100, width: 300, middle: 100 });
    expect(leaning(1e9, 400)).toEqual(leaning(undefined, 400));
    const half = leaning(0.5, 400);
    expect(half.x + half.width).toBeCloseTo(100, 9);
  });

  test('never leaves its box, and the worse the longer', () => {
    const ratio = fc.double({ min: 1e-6, max: 1e6, noNaN: true });
    fc.assert(
      fc.property(ratio, ratio, (a, b) => {
        const [one, other] = [leaning(a, 200), leaning(b, 200)];
        expect(one.x).toBeGreaterThanOrEqual(-1e-9);
        expect(one.x + one.width).toBeLessThanOrEqual(200 + 1e-9);
        const end = (bar: typeof one) => (bar.x >= bar.middle - 1e-9 ? bar.middle + bar.width : bar.x);
        if (a < b) expect(end(one)).toBeLessThanOrEqual(end(other) + 1e-9);
      }),
    );
  });
});

test('a picket is higher the slower, by the same step for each doubling, within its box', () => {
  const usual = picketHeight(1);
  expect(picketHeight(2) - usual).toBeCloseTo(10, 9);
  expect(usual - picketHeight(0.5)).toBeCloseTo(10, 9);
  expect(picketHeight(1e9)).toBe(picketHeight(1e12));
  expect(picketHeight(1e-9)).toBe(3);
});

test('a trend in words leaves out what is not known', () => {
  const words = (values: (number | null)[]) => trendWords('LCP', values, (value) => `${value} s`);
  expect(words([null, 2, 1, null])).toBe('LCP: from 1 s to 2 s, last 1 s');
  expect(words([null])).toBe('LCP: no data');
});

test('labels that are kept never lie over one another, and the first is always kept', () => {
  const label = fc.record({
    text: fc.string({ minLength: 1, maxLength: 3 }),
    x: fc.integer({ min: 0, max: 300 }),
    y: fc.integer({ min: 0, max: 200 }),
  });
  fc.assert(
    fc.property(fc.array(label, { minLength: 1, maxLength: 40 }), (labels) => {
      const kept = freeLabels(labels);
      expect(kept[0]).toBe(labels[0]);
      for (const a of kept)
        for (const b of kept) if (a !== b) expect(Math.abs(a.x - b.x) >= 9 || Math.abs(a.y - b.y) >= 13).toBe(true);
      // Whoever was left out had no room.
      for (const one of labels.filter((other) => !kept.includes(other)))
        expect(freeLabels([...kept, one])).toHaveLength(kept.length);
    }),
  );
});

test('a value lies on its expected range as it is, from nought; without a range there is no band', () => {
  const { band, at } = rangeShape({ value: 50, low: 60, high: 100 }, 112);
  expect([band?.x, band?.width, at].map((x) => Math.round(x ?? NaN))).toEqual([60, 40, 50]);
  expect(rangeShape({ value: 200, low: 60, high: 100 }, 112).at).toBeCloseTo(100);
  expect(rangeShape({ value: 5, low: null, high: null }, 100).band).toBeUndefined();
  expect(rangeShape({ value: 0, low: 0, high: 0 }, 100).at).toBe(0);
});
