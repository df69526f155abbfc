import { layersOf, layOut, type TraceSpan } from './index';

const span = (spanId: string, parentSpanId: string, component: string, startUs: number, durationUs: number, more: Partial<TraceSpan> = {}): TraceSpan => ({
  spanId, parentSpanId, component, host: '', peer: '', name: '', kind: 2, failed: false, failure: '', statement: '', startUs, durationUs, ...more,
}); // prettier-ignore

test('time is told by layer: own code, the way between, stores, outside; together it is the attempt', () => {
  const { rows } = layOut(
    [
      span('a', '', 'web', 0, 1_000),
      span('b', 'a', 'web', 100, 800, { kind: 3, peer: 'slots' }),
      span('c', 'b', 'slots', 150, 700),
      span('d', 'c', 'db', 200, 300, { kind: 3 }),
      span('e', 'c', 'slots', 500, 250, { kind: 3, peer: 'maps' }),
    ],
    'a',
  );
  const layers = layersOf(rows);
  // web 100 + 100, slots 50 before, 0 between and 100 behind; network 50 + 50.
  expect(layers).toEqual({ ownCode: 350, network: 100, stores: 300, outside: 250 });
  expect(Object.values(layers).reduce((sum, us) => sum + us, 0)).toBe(1_000);
});
