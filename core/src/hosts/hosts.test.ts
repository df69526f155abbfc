import fc from 'fast-check';
import type { MetricSeries } from '../telemetry';
import { MINUTE_MS } from '../time';
import { adviceFor, figuresOf, judgeFigure, partOf, restartsIn, ruledOut, samplesOf, type StoredSeries } from './index';

const series = (metric: string, more: Partial<MetricSeries> = {}): MetricSeries => ({
  metric,
  unit: '',
  kind: 'gauge',
  temporality: '',
  component: 'slots',
  host: 'coast-3',
  instance: 'a',
  attributes: {},
  ...more,
});
const point = (seconds: number, value: number, startSeconds = 0) => ({
  atUs: seconds * 1e6,
  startUs: startSeconds * 1e6,
  value,
});

describe('samples of a series', () => {
  test('a counter that is reset counts on from its new start', () => {
    const points = [point(60, 100), point(120, 160), point(180, 30, 150), point(240, 90, 150)];
    expect(samplesOf({ kind: 'counter', temporality: 'cumulative' }, points).map(({ value }) => value)).toEqual([
      1, 1, 1,
    ]);
  });

  test('a counter that falls without telling a start counts nothing below zero', () => {
    const samples = samplesOf({ kind: 'counter', temporality: 'cumulative' }, [point(60, 500), point(120, 20)]);
    expect(samples.every(({ value }) => value >= 0)).toBe(true);
  });

  test('points that say the same moment twice count once', () => {
    expect(samplesOf({ kind: 'gauge', temporality: '' }, [point(60, 1), point(60, 1), point(120, 2)])).toHaveLength(2);
  });

  test('delta and cumulative counters of the same events give the same rates', () => {
    fc.assert(
      fc.property(fc.array(fc.nat({ max: 1000 }), { minLength: 2, maxLength: 30 }), (added) => {
        let total = 0;
        const cumulative = added.map((n, i) => point((i + 1) * 60, (total += n), 1));
        const delta = added.map((n, i) => point((i + 1) * 60, n, i === 0 ? 1 : i * 60));
        const [a, b] = [
          samplesOf({ kind: 'counter', temporality: 'cumulative' }, cumulative),
          samplesOf({ kind: 'counter', temporality: 'delta' }, delta),
        ];
        // A cumulative counter's first point stands for all that was before.
        expect(a).toHaveLength(b.length - 1);
        a.forEach(({ value }, i) => expect(value).toBeCloseTo(b[i + 1]?.value ?? NaN, 9));
      }),
    );
  });

  test('however a counter is restarted, what it counted between is never negative and adds up', () => {
    fc.assert(
      fc.property(
        fc.array(fc.record({ added: fc.nat({ max: 100 }), restarts: fc.boolean() }), { minLength: 1, maxLength: 30 }),
        (steps) => {
          let [value, start, sum] = [0, 1, 0];
          const points = [point(2, 0, 1)];
          steps.forEach(({ added, restarts }, i) => {
            const at = (i + 1) * 60;
            // It begins anew right after the point before: nothing is lost in between.
            if (restarts) [value, start] = [0, at - 59];
            value += added;
            sum += added;
            points.push(point(at, value, start));
          });
          const samples = samplesOf({ kind: 'counter', temporality: 'cumulative' }, points);
          expect(samples.every((sample) => sample.value >= 0)).toBe(true);
          let before = points[0]?.atUs as number;
          const total = samples.reduce((all, { atMs, value: rate }, i) => {
            const from = Math.max(
              before,
              (points[i + 1]?.startUs as number) > before ? (points[i + 1]?.startUs as number) : before,
            );
            before = atMs * 1000;
            return all + rate * ((atMs * 1000 - from) / 1e6);
          }, 0);
          expect(total).toBeCloseTo(sum, 6);
        },
      ),
    );
  });
});

test('parts are told by the attributes of the semantic conventions, the present and the older ones', () => {
  expect(partOf(series('system.cpu.utilization', { attributes: { 'cpu.mode': 'idle' } }))?.role).toBe('idle');
  expect(partOf(series('system.cpu.utilization', { attributes: { state: 'user' } }))).toBeUndefined();
  expect(partOf(series('db.client.connections.usage', { attributes: { state: 'used' } }))?.figure).toBe('pool');
  expect(partOf(series('orders'))).toBeUndefined();
});

const minutesOf = (values: readonly number[], metric: string, more: Partial<MetricSeries> = {}): StoredSeries => ({
  series: series(metric, more),
  points: values.map((value, i) => point(i * 60 + 5, value)),
});
const BEFORE = { fromMs: 0, toMs: 60 * MINUTE_MS };
const TROUBLE = { fromMs: 60 * MINUTE_MS, toMs: 90 * MINUTE_MS };
const stretch = (before: number, during: number) =>
  Array.from({ length: 90 }, (_, i) => (i < 60 ? before : during) + (0.01 * ((i * 7) % 5)) / 5);

test('idle processors, a heap and its limit, become shares; what several processes tell of their host is told once', () => {
  const all = [
    ...['0', '1'].map((cpu) =>
      minutesOf(stretch(0.6, 0.6), 'system.cpu.utilization', { attributes: { 'cpu.mode': 'idle', cpu } }),
    ),
    minutesOf(stretch(0.8, 0.8), 'system.cpu.utilization', {
      component: 'labels',
      instance: 'b',
      attributes: { state: 'idle' },
    }),
    minutesOf(stretch(300, 300), 'v8js.memory.heap.used', {
      kind: 'upDownCounter',
      temporality: 'cumulative',
      attributes: { 'v8js.heap.space.name': 'old' },
    }),
    minutesOf(stretch(100, 100), 'v8js.memory.heap.used', {
      kind: 'upDownCounter',
      temporality: 'cumulative',
      attributes: { 'v8js.heap.space.name': 'new' },
    }),
    minutesOf(stretch(1000, 1000), 'v8js.memory.heap.limit', { kind: 'upDownCounter', temporality: 'cumulative' }),
    minutesOf(stretch(5, 5), 'jvm.memory.used', { component: 'labels' }),
  ];
  const figures = figuresOf(all);
  expect(figures.map(({ figure, component, host }) => [figure, component, host])).toEqual([
    ['cpu', '', 'coast-3'],
    ['heap', 'slots', 'coast-3'],
  ]);
  expect(figures[0]?.minutes.get(0)).toBeCloseTo(0.3, 2);
  expect(figures[1]?.minutes.get(0)).toBeCloseTo(0.4, 2);
});

describe('ruled out or left over', () => {
  const judgedOf = (metric: string, before: number, during: number, more: Partial<MetricSeries> = {}) =>
    figuresOf([minutesOf(stretch(before, during), metric, more)]).map((figure) => judgeFigure(figure, TROUBLE, BEFORE));
  const used = { attributes: { state: 'used' } };

  test('a figure that stayed is ruled out, one that rose or filled up is left over, a small step is no matter', () => {
    expect(judgedOf('system.memory.utilization', 0.5, 0.5, used)[0]?.verdict).toBe('usual');
    expect(judgedOf('system.memory.utilization', 0.5, 0.56, used)[0]?.verdict).toBe('usual');
    expect(judgedOf('system.memory.utilization', 0.5, 0.75, used)[0]?.verdict).toBe('raised');
    expect(judgedOf('system.memory.utilization', 0.5, 0.97, used)[0]?.verdict).toBe('full');
    expect(judgedOf('system.memory.utilization', 0.5, 0.2, used)[0]?.verdict).toBe('lowered');
  });

  test('what was full before as well is not what began', () => {
    expect(judgedOf('system.memory.utilization', 0.97, 0.97, used)[0]?.verdict).toBe('usual');
  });

  test('too few minutes tell nothing', () => {
    const short = { fromMs: 60 * MINUTE_MS, toMs: 61 * MINUTE_MS };
    const [figure] = figuresOf([minutesOf(stretch(0.5, 0.9), 'system.memory.utilization', used)]);
    expect(judgeFigure(figure as NonNullable<typeof figure>, short, BEFORE).verdict).toBe('unknown');
    expect(
      judgeFigure(figure as NonNullable<typeof figure>, TROUBLE, { fromMs: 55 * MINUTE_MS, toMs: 60 * MINUTE_MS })
        .verdict,
    ).toBe('unknown');
  });

  test('the list says what it was looked at for, what is left over first', () => {
    const judged = [
      ...judgedOf('system.memory.utilization', 0.5, 0.5, used),
      ...judgedOf('system.cpu.utilization', 0.7, 0.03, { attributes: { state: 'idle' } }),
      ...judgedOf('system.cpu.utilization', 0.7, 0.7, { host: 'mid-5', attributes: { state: 'idle' } }),
    ];
    expect(ruledOut(judged).map(({ words, isLeftOver }) => [isLeftOver, words])).toEqual([
      [true, 'CPU, coast-3: 30 % usually, 97 % now, nothing left; 1 other as usual'],
      [false, 'memory as usual on coast-3 (50 %, now 50 %)'],
    ]);
    expect(adviceFor(judged)).toEqual([
      {
        words: expect.stringContaining('processors have nothing left') as unknown,
        evidence: 'coast-3: 97 % now, 30 % usually',
      },
    ]);
  });
});

test('a process that began anew is told; the first that is known is not', () => {
  const counter = (startSeconds: number, from: number, to: number, instance: string): StoredSeries => ({
    series: series('process.cpu.time', { kind: 'counter', temporality: 'cumulative', instance }),
    points: Array.from({ length: (to - from) / 60 }, (_, i) => point(from + i * 60, i, startSeconds)),
  });
  const all = [counter(10, 60, 3600, 'a'), counter(3700, 3720, 5000, 'b')];
  expect(restartsIn(all, { fromMs: 0, toMs: 5_000_000 })).toEqual([
    { component: 'slots', host: 'coast-3', atMs: 3_700_000 },
  ]);
  expect(restartsIn(all.slice(0, 1), { fromMs: 0, toMs: 5_000_000 })).toEqual([]);
});

test('a figure is off at four spreads, not at three', () => {
  // Fifty minutes of 100 ± 6.745 ms: median deviation 6.745, so a spread of 10 (× 1.4826).
  const before = { fromMs: 0, toMs: 50 * MINUTE_MS };
  const trouble = { fromMs: 50 * MINUTE_MS, toMs: 60 * MINUTE_MS };
  const verdict = (now: number) => {
    const minutes = new Map<number, number>();
    for (let i = 0; i < 50; i++) minutes.set(i * MINUTE_MS, 100 + (i % 2 === 0 ? 6.745 : -6.745));
    for (let i = 50; i < 60; i++) minutes.set(i * MINUTE_MS, now);
    return judgeFigure({ figure: 'eventLoop', component: 'slots', host: 'coast-3', minutes } as never, trouble, before)
      .verdict;
  };
  expect([verdict(130), verdict(139), verdict(141), verdict(70), verdict(59)]).toEqual([
    'usual',
    'usual',
    'raised',
    'usual',
    'lowered',
  ]);
});
