import { emptyColumns, type AttemptColumns } from '@toplens/core/telemetry';
import { Watermark } from './watermark';

const NOW = Date.UTC(2026, 2, 10, 12);
/** Attempts as [flow, end before now in milliseconds]. */
function rows(...ends: [flow: number, agoMs: number][]): AttemptColumns {
  const columns = emptyColumns(ends.length);
  ends.forEach(([flow, agoMs], i) => {
    columns.flow[i] = flow;
    columns.startMs[i] = NOW - agoMs;
  });
  columns.n = ends.length;
  return columns;
}
const many = (n: number, flow: number, agoMs: number) =>
  Array.from({ length: n }, (): [number, number] => [flow, agoMs]);

test('it follows the bulk of the sources, not the one that is furthest ahead', () => {
  const watermark = new Watermark(0);
  watermark.add(rows(...many(8, 1, 30_000), [2, 1_000]), NOW);
  expect(watermark.at(NOW)).toBe(NOW - 30_000);
  watermark.add(rows(...many(8, 1, 5_000), [2, 0]), NOW + 1_000);
  expect(watermark.at(NOW + 1_000)).toBe(NOW - 5_000);
});

test('when nothing comes any more, or nothing more is expected, all that came is complete', () => {
  const watermark = new Watermark(0);
  watermark.add(rows(...many(8, 1, 30_000), [2, 1_000]), NOW);
  expect(watermark.at(NOW + 5_000)).toBe(NOW - 1_000);
  expect(watermark.at(NOW, true)).toBe(NOW - 1_000);
});

test('a flow that falls silent holds nobody back for long', () => {
  const watermark = new Watermark(0);
  watermark.add(rows(...many(90, 1, 30_000), ...many(10, 2, 1_000)), NOW);
  expect(watermark.at(NOW)).toBe(NOW - 30_000);
  watermark.add(rows(...many(10, 2, -21_000)), NOW + 22_000);
  expect(watermark.at(NOW + 22_000)).toBe(NOW + 21_000);
});

test('it never runs ahead of the clock, and never back while the clock is right', () => {
  const watermark = new Watermark(NOW - 60_000);
  watermark.add(rows([1, -240_000]), NOW);
  expect(watermark.at(NOW, true)).toBe(NOW - 60_000);
  watermark.add(rows([1, 120_000]), NOW);
  expect(watermark.at(NOW, true)).toBe(NOW - 60_000);
  expect(watermark.isAhead(NOW)).toBe(false);
});

test('a clock that was six hours ahead for a while: when it is right again, what is stored says how far data goes', () => {
  const sixHours = 6 * 3_600_000;
  const watermark = new Watermark(NOW - 10_000);
  watermark.add(rows(...many(5, 1, -sixHours)), NOW + sixHours + 1_000);
  expect(watermark.at(NOW + sixHours + 1_000, true)).toBe(NOW + sixHours);
  expect(watermark.isAhead(NOW)).toBe(true);
  expect(watermark.at(NOW)).toBe(NOW);
  watermark.setBack(NOW - 10_000);
  watermark.add(rows([1, 1_000]), NOW);
  expect(watermark.at(NOW, true)).toBe(NOW - 1_000);
  expect(watermark.isAhead(NOW)).toBe(false);
});
