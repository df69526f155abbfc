import { render, screen } from '@testing-library/react';
import { chartSummary } from './band-chart';
import { bandShape, timeTicks, type BandSeries } from './band-shape';
import { HarmStrip, stripParts } from './harm-strip';

const none = { onTime: 0, late: 0, hung: 0, failed: 0, missing: 0 };

test('the strip is always full, and what is small can still be seen', () => {
  const parts = stripParts({ ...none, onTime: 9_990, failed: 1 }, 300);
  expect(parts.map(({ outcome }) => outcome)).toEqual(['onTime', 'failed']);
  expect(parts.reduce((sum, { width }) => sum + width, 0)).toBeCloseTo(300, 6);
  expect(parts[1]?.width).toBeGreaterThan(1.9);
  expect(stripParts(none, 300)).toEqual([]);
});

test('the strip says in words what it shows', () => {
  render(<HarmStrip counts={{ ...none, onTime: 3, late: 1 }} />);
  expect(screen.getByRole('img').getAttribute('aria-label')).toBe('Of 4 attempts 3 on time, 1 late');
});

const series: BandSeries = {
  startMs: 0,
  stepMs: 300_000,
  values: [100, null, 300],
  low: [80, 80, 80],
  high: [120, 120, 120],
};

test('a gap stays a gap, and only what is outside the range is filled', () => {
  const shape = bandShape(series, 200, 100);
  expect(shape.line.match(/M/g)).toHaveLength(2);
  expect(shape.y(0)).toBe(100);
  expect(shape.x(600_000)).toBe(200);
  expect(shape.top).toBeCloseTo(324, 6);
});

test('a chart has a sentence for those who do not see it', () => {
  const format = (value: number) => `${value} ms`;
  expect(chartSummary({ name: 'duration', series, format })).toBe(
    'duration: from 100 ms to 300 ms, now 300 ms, usually 80 ms to 120 ms',
  );
  expect(chartSummary({ name: 'duration', series: { ...series, values: [null, null, null] }, format })).toBe(
    'duration: no data',
  );
});

test('time ticks are round and few', () => {
  const ticks = timeTicks(1_000, 3 * 3_600_000, 4);
  expect(ticks).toEqual([3_600_000, 7_200_000, 10_800_000]);
  expect(timeTicks(0, 400 * 86_400_000, 4).length).toBeGreaterThan(0);
});
