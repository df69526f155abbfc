import fc from 'fast-check';
import { SpanKind } from '../telemetry';
import { clockOffsets, layOut, MISSING_SPAN, timeShares, type TraceSpan } from './index';

const span = (
  spanId: string,
  parentSpanId: string,
  component: string,
  { startUs, endUs, more = {} }: { startUs: number; endUs: number; more?: Partial<TraceSpan> },
): TraceSpan => ({
  spanId,
  parentSpanId,
  component,
  startUs,
  durationUs: endUs - startUs,
  failed: false,
  name: spanId,
  kind: SpanKind.INTERNAL,
  host: '',
  peer: '',
  statement: '',
  failure: '',
  isUserSide: false,
  device: '',
  ...more,
});

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

describe('clocks', () => {
  const call = (host: string, kind: number) => ({ host, kind });
  const CALL = call('north', SpanKind.CLIENT);
  const SERVED = call('mid', SpanKind.SERVER);

  test('a callee outside its call is put into the middle of what its calls allow', () => {
    // Served 300 early: offsets 300 to 340 fit the first call, 280 to 310 the second.
    const spans = [
      span('a', '', 'web', { startUs: 0, endUs: 1_000, more: { host: 'north' } }),
      span('b', 'a', 'web', { startUs: 100, endUs: 240, more: CALL }),
      span('c', 'b', 'rates', { startUs: -200, endUs: -100, more: SERVED }),
      span('d', 'a', 'web', { startUs: 300, endUs: 430, more: CALL }),
      span('e', 'd', 'rates', { startUs: 20, endUs: 120, more: SERVED }),
      span('f', 'c', 'parcels-db', { startUs: -190, endUs: -150, more: call('mid', SpanKind.CLIENT) }),
    ];
    expect([...clockOffsets(spans)]).toEqual([['mid', 305]]);
    const { rows, clocks } = layOut(spans, 'a');
    expect(clocks).toEqual([{ host: 'mid', offsetUs: 305 }]);
    expect(rows.find((row) => row.span.spanId === 'f')?.span.startUs).toBe(115);
  });

  test('clocks that fit are left alone, as are hosts that are not named', () => {
    expect([
      ...clockOffsets([
        span('a', '', 'web', { startUs: 0, endUs: 100, more: CALL }),
        span('b', 'a', 'rates', { startUs: 5, endUs: 95, more: SERVED }),
      ]),
    ]).toEqual([]);
    expect([
      ...clockOffsets([
        span('a', '', 'web', { startUs: 0, endUs: 100, more: { kind: SpanKind.CLIENT } }),
        span('b', 'a', 'rates', { startUs: 500, endUs: 590, more: SERVED }),
      ]),
    ]).toEqual([]);
  });

  test('a message may be consumed long after it was sent, but not before', () => {
    const sent = span('a', '', 'web', { startUs: 0, endUs: 100, more: call('north', SpanKind.PRODUCER) });
    expect([
      ...clockOffsets([
        sent,
        span('b', 'a', 'mail', { startUs: 90_000, endUs: 95_000, more: call('mid', SpanKind.CONSUMER) }),
      ]),
    ]).toEqual([]);
    expect([
      ...clockOffsets([
        sent,
        span('b', 'a', 'mail', { startUs: -70, endUs: 900, more: call('mid', SpanKind.CONSUMER) }),
      ]),
    ]).toEqual([['mid', 70]]);
  });

  test('whatever a clock is off by, the callee lies within its call again', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: -1e9, max: 1e9 }),
        fc.array(fc.tuple(fc.nat(1_000), fc.nat(1_000)), { minLength: 1, maxLength: 6 }),
        (off, calls) => {
          const spans = calls.flatMap(([before, after], i) => {
            const at = 10_000 * i;
            return [
              span(`c${i}`, 'a', 'web', { startUs: at, endUs: at + 3_000, more: CALL }),
              span(`s${i}`, `c${i}`, 'rates', {
                startUs: at + before + off,
                endUs: at + 3_000 - after + off,
                more: SERVED,
              }),
            ];
          });
          const { rows } = layOut(
            [span('a', '', 'web', { startUs: 0, endUs: 100_000, more: { host: 'north' } }), ...spans],
            'a',
          );
          const at = new Map(rows.map((row) => [row.span.spanId, row.span]));
          calls.forEach((_, i) => {
            const [outer, inner] = [at.get(`c${i}`) as TraceSpan, at.get(`s${i}`) as TraceSpan];
            expect(inner.startUs).toBeGreaterThanOrEqual(outer.startUs - 1);
            expect(inner.startUs + inner.durationUs).toBeLessThanOrEqual(outer.startUs + outer.durationUs + 1);
          });
        },
      ),
    );
  });
});

describe('the waterfall', () => {
  const db = (id: string, from: number, to: number, more: Partial<TraceSpan> = {}) =>
    span(id, 'b', 'parcels-db', {
      startUs: from,
      endUs: to,
      more: { name: 'select', statement: 'SELECT … WHERE id = ?', ...more },
    });

  test('each span is followed by what it caused, in order of time', () => {
    const { rows } = layOut(
      [
        span('d', 'b', 'db', { startUs: 50, endUs: 60 }),
        span('c', 'b', 'db', { startUs: 20, endUs: 40 }),
        span('b', 'a', 'rates', { startUs: 10, endUs: 70 }),
        span('e', 'a', 'mail', { startUs: 80, endUs: 90 }),
        span('a', '', 'web', { startUs: 0, endUs: 100 }),
      ],
      'a',
    );
    expect(rows.map(({ span: { spanId }, depth }) => `${depth} ${spanId}`)).toEqual([
      '0 a',
      '1 b',
      '2 c',
      '2 d',
      '1 e',
    ]);
    expect(rows[0]?.own).toEqual([
      { fromUs: 0, toUs: 10 },
      { fromUs: 70, toUs: 80 },
      { fromUs: 90, toUs: 100 },
    ]);
    expect([rows[0]?.ownUs, rows[1]?.ownUs]).toEqual([30, 30]);
  });

  test('calls alike are folded with their count and time; a failing one stands for itself', () => {
    const spans = [
      span('a', '', 'web', { startUs: 0, endUs: 1_000 }),
      span('b', 'a', 'slots', { startUs: 10, endUs: 900 }),
      ...Array.from({ length: 12 }, (_, i) => db(`q${String(i).padStart(2, '0')}`, 20 + 50 * i, 60 + 50 * i)),
      db('bad', 700, 750, { failed: true, failure: 'Timeout' }),
    ];
    const { rows } = layOut(spans, 'a');
    expect(rows.find((row) => row.span.spanId === 'q00')).toMatchObject({
      calls: 12,
      callsUs: 480,
      callsSumUs: 480,
      foldedInto: '',
    });
    expect(rows.filter((row) => row.foldedInto === 'q00')).toHaveLength(11);
    expect(rows.find((row) => row.span.spanId === 'bad')).toMatchObject({ calls: 1, foldedInto: '' });
  });

  test('a parent that never came is shown as such; what lies outside the attempt is left out', () => {
    const { rows, missing, components } = layOut(
      [
        span('a', '', 'web', { startUs: 0, endUs: 100 }),
        span('c', 'lost', 'parcels-db', { startUs: 30, endUs: 60 }),
        span('d', 'lost', 'parcels-db', { startUs: 50, endUs: 80 }),
        span('z', 'else', 'web', { startUs: 5_000, endUs: 6_000 }),
      ],
      'a',
    );
    expect(rows.map(({ span: { name }, depth }) => `${depth} ${name}`)).toEqual([
      '0 a',
      `1 ${MISSING_SPAN}`,
      '2 c',
      '2 d',
    ]);
    expect(rows[1]).toMatchObject({ isMissing: true, own: [], span: { startUs: 30, durationUs: 50 } });
    expect(missing).toBe(1);
    expect(components.map(({ component, spans }) => `${component} ${spans}`)).toEqual([
      'parcels-db 2',
      'web 1',
      `${MISSING_SPAN} 0`,
    ]);
  });

  test('of a trace with several attempts each shows its own part', () => {
    const spans = [
      span('p', '', 'browser', { startUs: 0, endUs: 100 }),
      span('a', 'p', 'web', { startUs: 10, endUs: 50 }),
      span('b', 'a', 'rates', { startUs: 20, endUs: 30 }),
      span('x', 'p', 'web', { startUs: 60, endUs: 90 }),
    ];
    expect(layOut(spans, 'a').rows.map((row) => row.span.spanId)).toEqual(['a', 'b']);
    expect(layOut(spans, 'p').rows).toHaveLength(4);
    expect(() => layOut(spans, 'nowhere')).toThrow('the attempt nowhere is not among the 4 spans of its trace');
  });

  test('what runs on after its parent says so', () => {
    const { rows } = layOut(
      [span('a', '', 'web', { startUs: 0, endUs: 100 }), span('b', 'a', 'mail', { startUs: 90, endUs: 150 })],
      'a',
    );
    expect(rows.map((row) => row.runsOn)).toEqual([false, true]);
  });
});
