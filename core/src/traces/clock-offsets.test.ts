import fc from 'fast-check';
import { innerSpan as span } from '../fixtures/trace-span';
import { SpanKind } from '../telemetry';
import { clockOffsets, layOut, type TraceSpan } from './index';

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
