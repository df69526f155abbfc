import { spanWith } from '../fixtures/trace-span';
import { hopsOf, type TraceSpan } from './index';

const span = (spanId: string, parentSpanId: string, component: string, more: Partial<TraceSpan> = {}) =>
  spanWith({ spanId, parentSpanId, component, ...more });

test('a call seen from both sides is one hop; inner work is none; a silent callee is told by its caller', () => {
  const trace = [
    span('a', '', 'web', { durationUs: 100 }),
    span('b', 'a', 'web', { kind: 3, peer: 'slots' }),
    span('c', 'b', 'slots', { durationUs: 60, failed: true }),
    span('d', 'c', 'slots', { kind: 1 }),
    span('e', 'd', 'db', { kind: 3, durationUs: 20 }),
    span('f', 'd', 'db', { kind: 3, durationUs: 30 }),
    span('g', 'c', 'slots', { kind: 3, peer: 'maps' }),
  ];
  expect(hopsOf([trace, [span('x', '', 'web')]])).toEqual(
    [
      { from: '', to: 'web', calls: 2, failed: 0, totalUs: 110, longestUs: 100, traces: 2, depth: 0 },
      { from: 'web', to: 'slots', calls: 1, failed: 1, totalUs: 60, longestUs: 60, traces: 1, depth: 1 },
      { from: 'slots', to: 'db', calls: 2, failed: 0, totalUs: 50, longestUs: 30, traces: 1, depth: 2 },
      { from: 'slots', to: 'maps', calls: 1, failed: 0, totalUs: 10, longestUs: 10, traces: 1, depth: 1 },
    ].sort((a, b) => a.depth - b.depth || b.calls - a.calls || a.from.localeCompare(b.from)),
  );
});

test('parents that never came, or that go in a circle, are no error', () => {
  expect(hopsOf([[span('a', 'gone', 'web')]])).toMatchObject([{ from: '', to: 'web', depth: 0 }]);
  expect(hopsOf([[span('a', 'b', 'web'), span('b', 'a', 'db')]])).toHaveLength(2);
});
