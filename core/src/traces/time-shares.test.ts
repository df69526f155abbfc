import fc from 'fast-check';
import { innerSpan as span } from '../fixtures/trace-span';
import { layOut, timeShares, type TraceSpan } from './index';

const sharesOf = (spans: TraceSpan[]) => Object.fromEntries(timeShares(spans, spans[0] as TraceSpan));

describe('shares of the attempt', () => {
  test('one after the other', () => {
    expect(
      sharesOf([
        span('a', '', 'web', { startUs: 0, endUs: 100 }),
        span('b', 'a', 'rates', { startUs: 10, endUs: 40 }),
        span('c', 'a', 'slots', { startUs: 40, endUs: 90 }),
      ]),
    ).toEqual({ a: 20, b: 30, c: 50 });
  });

  test('a statement of 10.8 of 10.9 s holds 99 %, once', () => {
    const { components } = layOut(
      [
        span('a', '', 'web', { startUs: 0, endUs: 10_900_000 }),
        span('b', 'a', 'parcels-db', { startUs: 50_000, endUs: 10_850_000 }),
      ],
      'a',
    );
    expect(components.map(({ component, share }) => [component, Number(share.toFixed(4))])).toEqual([
      ['parcels-db', 0.9908],
      ['web', 0.0092],
    ]);
  });

  test('at the same time: each moment is shared by those at work, and those who wait have none of it', () => {
    // 10–30 b alone, 30–40 b and c, 40–60 c alone.
    expect(
      sharesOf([
        span('a', '', 'web', { startUs: 0, endUs: 100 }),
        span('b', 'a', 'rates', { startUs: 10, endUs: 40 }),
        span('c', 'a', 'slots', { startUs: 30, endUs: 60 }),
      ]),
    ).toEqual({ a: 50, b: 25, c: 25 });
  });

  test('what runs on after its parent goes on counting, until the attempt ends', () => {
    expect(
      sharesOf([
        span('a', '', 'web', { startUs: 0, endUs: 100 }),
        span('b', 'a', 'queue', { startUs: 10, endUs: 20 }),
        span('c', 'b', 'mail', { startUs: 15, endUs: 150 }),
      ]),
    ).toEqual({ a: 10, b: 5, c: 85 });
  });

  test('nested spans of the same name count once', () => {
    const same = { name: 'GET /slots' };
    expect(
      sharesOf([
        span('a', '', 'slots', { startUs: 0, endUs: 100, more: same }),
        span('b', 'a', 'slots', { startUs: 10, endUs: 95, more: same }),
        span('c', 'b', 'slots', { startUs: 20, endUs: 90, more: same }),
      ]),
    ).toEqual({
      a: 15,
      b: 15,
      c: 70,
    });
  });

  test('parent and child that begin and end together: the child was waited for', () => {
    expect(
      sharesOf([span('a', '', 'web', { startUs: 0, endUs: 100 }), span('b', 'a', 'rates', { startUs: 0, endUs: 100 })]),
    ).toEqual({ a: 0, b: 100 });
  });

  const trees = fc
    .array(fc.tuple(fc.nat(1_000), fc.nat(1_000), fc.nat(30), fc.constantFrom('', 'x', 'y')), {
      minLength: 0,
      maxLength: 30,
    })
    .map((drawn) => [
      span('root', '', 'web', { startUs: 200, endUs: 900 }),
      ...drawn.map(([a, b, parent, lost], i) =>
        span(`s${i}`, lost || (parent < i ? `s${parent}` : 'root'), `c${i % 4}`, {
          startUs: Math.min(a, b),
          endUs: Math.max(a, b),
        }),
      ),
    ]);

  test('add up to the attempt, whatever overlaps, runs on, or lost its parent; the order of spans makes no difference', () => {
    fc.assert(
      fc.property(trees, (spans) => {
        const shares = timeShares(spans, spans[0] as TraceSpan);
        const total = [...shares.values()].reduce((sum, us) => sum + us, 0);
        expect(total).toBeCloseTo(700, 6);
        for (const us of shares.values()) expect(us).toBeGreaterThanOrEqual(-1e-9);
        const { components, rows } = layOut(spans, 'root');
        expect(components.reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(1, 9);
        expect(layOut([...spans].reverse(), 'root').rows.map((row) => row.span.spanId)).toEqual(
          rows.map((row) => row.span.spanId),
        );
      }),
    );
  });

  test('20,000 spans still add up', () => {
    const many = Array.from({ length: 20_000 }, (_, i) =>
      span(`s${i}`, i < 40 ? 'root' : `s${Math.floor(i / 20)}`, `c${i % 7}`, {
        startUs: 10 + i,
        endUs: 10 + i + 40 * (1 + (i % 50)),
      }),
    );
    const { components, rows } = layOut([span('root', '', 'web', { startUs: 0, endUs: 25_000 }), ...many], 'root');
    expect(rows).toHaveLength(20_001);
    expect(components.reduce((sum, { shareUs }) => sum + shareUs, 0)).toBeCloseTo(25_000, 3);
  });
});
