import { spanWith } from '../fixtures/trace-span';
import { beginOf, layersOf, layOut, type TraceSpan } from './index';

const span = (
  spanId: string,
  parentSpanId: string,
  component: string,
  { startUs, durationUs, more = {} }: { startUs: number; durationUs: number; more?: Partial<TraceSpan> },
) => spanWith({ spanId, parentSpanId, component, startUs, durationUs, ...more });

test('time is told by layer: own code, the way between, stores, outside; together it is the attempt', () => {
  const { rows } = layOut(
    [
      span('a', '', 'web', { startUs: 0, durationUs: 1_000 }),
      span('b', 'a', 'web', { startUs: 100, durationUs: 800, more: { kind: 3, peer: 'slots' } }),
      span('c', 'b', 'slots', { startUs: 150, durationUs: 700 }),
      span('d', 'c', 'db', { startUs: 200, durationUs: 300, more: { kind: 3 } }),
      span('e', 'c', 'slots', { startUs: 500, durationUs: 250, more: { kind: 3, peer: 'maps' } }),
    ],
    'a',
  );
  const layers = layersOf(rows);
  // web 100 + 100, slots 50 before, 0 between and 100 behind; network 50 + 50.
  expect(layers).toEqual({ device: 0, ownCode: 350, network: 100, stores: 300, outside: 250 });
  expect(Object.values(layers).reduce((sum, us) => sum + us, 0)).toBe(1_000);
});

test('what a browser does itself is a layer of its own; its call is on the network for what the server does not account for', () => {
  const spans = [
    span('page', '', 'portal-browser', { startUs: 0, durationUs: 1_000, more: { kind: 1, isUserSide: true } }),
    span('fetch', 'page', 'portal-browser', { startUs: 100, durationUs: 800, more: { kind: 3, isUserSide: true } }),
    span('entry', 'fetch', 'portal-web', { startUs: 250, durationUs: 450 }),
  ];
  expect(layersOf(layOut(spans, beginOf(spans, 'entry')).rows)).toEqual({
    device: 200,
    network: 350,
    ownCode: 450,
    stores: 0,
    outside: 0,
  });
});

test('a trace whose parents go in a circle, or never came, begins where it is known to', () => {
  expect(
    beginOf(
      [span('a', 'b', '', { startUs: 0, durationUs: 1 }), span('b', 'a', '', { startUs: 0, durationUs: 1 })],
      'a',
    ),
  ).toBe('b');
  expect(beginOf([span('a', 'gone', '', { startUs: 0, durationUs: 1 })], 'a')).toBe('a');
});
