import { JsonMetricsSerializer, ProtobufMetricsSerializer } from '@opentelemetry/otlp-transformer';
import { resourceFromAttributes } from '@opentelemetry/resources';
import * as sdk from '@opentelemetry/sdk-metrics';
import fc from 'fast-check';
import { whyPointRejected, type MetricPoint } from '../../telemetry';
import { exponentialDistribution } from './exponential';
import { MalformedTelemetry, readMetricsJson, readMetricsProtobuf } from './index';
import { upTo } from '../../fixtures/time-range';

type Meter = ReturnType<sdk.MeterProvider['getMeter']>;

/** What the OpenTelemetry SDK exports after `record` ran, read from both encodings. */
async function exported(
  temporality: 'delta' | 'cumulative',
  record: (meter: Meter) => void,
  kind = sdk.AggregationType.DEFAULT,
): Promise<MetricPoint[]> {
  class Reader extends sdk.MetricReader {
    protected override async onShutdown(): Promise<void> {}
    protected override async onForceFlush(): Promise<void> {}
  }
  const reader = new Reader({
    aggregationTemporalitySelector: () =>
      temporality === 'delta' ? sdk.AggregationTemporality.DELTA : sdk.AggregationTemporality.CUMULATIVE,
  });
  const provider = new sdk.MeterProvider({
    resource: resourceFromAttributes({ 'service.name': 'slots', 'host.name': 'coast-3', 'service.instance.id': 'a1' }),
    readers: [reader],
    views: kind === sdk.AggregationType.DEFAULT ? [] : [{ instrumentName: '*', aggregation: { type: kind } }],
  });
  record(provider.getMeter('test'));
  const { resourceMetrics } = await reader.collect();
  const json = readMetricsJson(
    JSON.parse(Buffer.from(JsonMetricsSerializer.serializeRequest(resourceMetrics) as Uint8Array).toString()),
  );
  expect(readMetricsProtobuf(ProtobufMetricsSerializer.serializeRequest(resourceMetrics) as Uint8Array)).toEqual(json);
  for (const point of json) expect(whyPointRejected(point, upTo(Infinity))).toBeUndefined();
  return json;
}

describe('metrics of the OpenTelemetry SDK, the same from protobuf and JSON', () => {
  test.each(['delta', 'cumulative'] as const)('counters and up-down counters, %s', async (temporality) => {
    const points = await exported(temporality, (meter) => {
      meter.createCounter('requests', { unit: '{request}' }).add(5, { route: '/a' });
      meter.createUpDownCounter('in.flight').add(-2);
    });
    expect(
      points.map(({ series, value }) => [
        series.metric,
        series.unit,
        series.kind,
        series.temporality,
        value,
        { ...series.attributes },
      ]),
    ).toEqual([
      ['requests', '{request}', 'counter', temporality, 5, { route: '/a' }],
      ['in.flight', '', 'upDownCounter', temporality, -2, {}],
    ]);
    expect(points[0]?.series).toMatchObject({ component: 'slots', host: 'coast-3', instance: 'a1' });
  });

  test('observed gauges, whole and not', async () => {
    const points = await exported('cumulative', (meter) => {
      meter.createObservableGauge('share').addCallback((result) => result.observe(0.25, { state: 'user' }));
      meter.createGauge('level').record(-7);
    });
    expect(points.map(({ series, value }) => [series.metric, series.kind, series.temporality, value]).sort()).toEqual([
      ['level', 'gauge', '', -7],
      ['share', 'gauge', '', 0.25],
    ]);
  });

  test('histograms with bounds', async () => {
    const [point] = await exported('delta', (meter) => {
      const histogram = meter.createHistogram('took', { advice: { explicitBucketBoundaries: [10, 20] } });
      for (const value of [5, 15, 16, 99]) histogram.record(value);
    });
    expect(point?.distribution).toEqual({ count: 4, sum: 135, min: 5, max: 99, bounds: [10, 20], counts: [1, 2, 1] });
  });

  test('exponential histograms: each value lies in its bucket, and the bounds ascend', async () => {
    await fc.assert(
      fc.asyncProperty(
        fc.array(fc.oneof(fc.constant(0), fc.double({ min: 1e-3, max: 1e6, noNaN: true })), {
          minLength: 1,
          maxLength: 40,
        }),
        async (values) => {
          const [point] = await exported(
            'cumulative',
            (meter) => {
              const histogram = meter.createHistogram('took');
              for (const value of values) histogram.record(value);
            },
            sdk.AggregationType.EXPONENTIAL_HISTOGRAM,
          );
          const { bounds, counts, count } = point?.distribution as NonNullable<MetricPoint['distribution']>;
          expect(count).toBe(values.length);
          // How many are at most so large must agree with the values, but for those that lie on a bound to the last
          // digit.
          let upTo = 0;
          bounds.forEach((bound, i) => {
            upTo += counts[i] as number;
            expect(upTo).toBeGreaterThanOrEqual(values.filter((value) => value < bound * (1 - 1e-9)).length);
            expect(upTo).toBeLessThanOrEqual(values.filter((value) => value <= bound * (1 + 1e-9)).length);
          });
          expect(upTo).toBe(count);
        },
      ),
      { numRuns: 20 },
    );
  });
});

test('the bounds of an exponential histogram as its definition gives them', () => {
  // OpenTelemetry data model, "ExponentialHistogram": at scale 1 the base is the square root of 2; at scale 0 it is 2.
  const { bounds, counts } = exponentialDistribution({
    count: 3,
    scale: 0,
    zeroCount: 1,
    positive: { offset: 1, bucketCounts: [0, 2] },
  });
  expect(bounds).toEqual([0, 2, 4, 8]);
  expect(counts).toEqual([1, 0, 0, 2, 0]);
  expect(
    exponentialDistribution({ count: 1, scale: 1, positive: { offset: 0, bucketCounts: [1] } }).bounds.at(-1),
  ).toBeCloseTo(Math.SQRT2, 12);
  const negative = exponentialDistribution({
    count: 3,
    scale: 0,
    zeroCount: 0,
    negative: { offset: 0, bucketCounts: [1, 2] },
  });
  expect(negative.bounds).toEqual([-2, -1, 0]);
  expect(negative.counts).toEqual([2, 1, 0, 0]);
});

test('summaries and points without a value', () => {
  const times = { startTimeUnixNano: '1000', timeUnixNano: '5000' };
  const points = readMetricsJson({
    resourceMetrics: [
      {
        scopeMetrics: [
          {
            metrics: [
              {
                name: 'old',
                summary: {
                  dataPoints: [{ ...times, count: '4', sum: 10, quantileValues: [{ quantile: 0.5, value: 2 }] }],
                },
              },
              { name: 'gone', gauge: { dataPoints: [{ ...times, flags: 1 }] } },
              { name: 'odd', gauge: { dataPoints: [{ ...times, asDouble: 'NaN' }] } },
            ],
          },
        ],
      },
    ],
  });
  expect(points.map(({ series, value }) => [series.metric, series.kind, value])).toEqual([
    ['old', 'summary', 10],
    ['odd', 'gauge', NaN],
  ]);
  expect(whyPointRejected(points[1] as MetricPoint, upTo(Infinity))).toBe(
    'asDouble, asInt: missing, or not a finite number',
  );
});

test('points that cannot be are refused, and the field is named', () => {
  const series = {
    metric: 'm',
    unit: '',
    kind: 'histogram',
    temporality: 'delta',
    component: 'c',
    host: '',
    instance: '',
    attributes: {},
  } as const;
  const point = {
    series,
    startUs: 1,
    atUs: 2,
    value: 3,
    distribution: { count: 2, sum: 3, min: null, max: null, bounds: [1, 2], counts: [1, 1, 0] },
  };
  const whyOf = (change: Partial<MetricPoint>) => whyPointRejected({ ...point, ...change }, upTo(10));
  expect(whyOf({})).toBeUndefined();
  expect(whyOf({ atUs: 11 })).toMatch(/^timeUnixNano/);
  expect(whyOf({ distribution: { ...point.distribution, counts: [1, 1] } })).toMatch(/^bucketCounts/);
  expect(whyOf({ distribution: { ...point.distribution, bounds: [2, 1] } })).toMatch(/^explicitBounds/);
  expect(whyOf({ distribution: { ...point.distribution, count: 3 } })).toMatch(/^count/);
  expect(whyOf({ series: { ...series, temporality: '' } })).toMatch(/^aggregationTemporality/);
});

test('random bytes never do more than be refused', () => {
  fc.assert(
    fc.property(fc.uint8Array({ maxLength: 300 }), (noise) => {
      try {
        readMetricsProtobuf(noise);
      } catch (error) {
        expect(error).toBeInstanceOf(MalformedTelemetry);
      }
    }),
    { numRuns: 500 },
  );
});
