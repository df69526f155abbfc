import {
  DEFAULT_LIMITS,
  type Distribution,
  type MetricPoint,
  type MetricSeries,
  type NamedValues,
} from '../../telemetry';
import { exponentialDistribution } from './exponential';
import { messageFromJson } from './message-json';
import { messageFromProtobuf } from './message-protobuf';
import type { Message } from './shape';

/** opentelemetry/proto/metrics/v1/metrics.proto (OTLP 1.x). */
const TIMES = { startTimeUnixNano: [2, 'time'], timeUnixNano: [3, 'time'] } as const;
const NUMBER_POINT = {
  ...TIMES,
  asDouble: [4, 'double'],
  asInt: [6, 'signedCount'],
  attributes: [7, 'attributes'],
  flags: [8, 'integer'],
} as const;
const HISTOGRAM_POINT = {
  ...TIMES,
  attributes: [9, 'attributes'],
  count: [4, 'count'],
  sum: [5, 'double'],
  bucketCounts: [6, 'count', 'many'],
  explicitBounds: [7, 'double', 'many'],
  flags: [10, 'integer'],
  min: [11, 'double'],
  max: [12, 'double'],
} as const;
const BUCKETS = { offset: [1, 'zigzag'], bucketCounts: [2, 'integer', 'many'] } as const;
const EXPONENTIAL_POINT = {
  ...TIMES,
  attributes: [1, 'attributes'],
  count: [4, 'count'],
  sum: [5, 'double'],
  scale: [6, 'zigzag'],
  zeroCount: [7, 'count'],
  positive: [8, BUCKETS],
  negative: [9, BUCKETS],
  flags: [10, 'integer'],
  min: [12, 'double'],
  max: [13, 'double'],
  zeroThreshold: [14, 'double'],
} as const;
const SUMMARY_POINT = {
  ...TIMES,
  attributes: [7, 'attributes'],
  count: [4, 'count'],
  sum: [5, 'double'],
  flags: [8, 'integer'],
} as const;
const METRIC = {
  name: [1, 'text'],
  unit: [3, 'text'],
  gauge: [5, { dataPoints: [1, NUMBER_POINT, 'many'] }],
  sum: [7, { dataPoints: [1, NUMBER_POINT, 'many'], aggregationTemporality: [2, 'integer'], isMonotonic: [3, 'flag'] }],
  histogram: [9, { dataPoints: [1, HISTOGRAM_POINT, 'many'], aggregationTemporality: [2, 'integer'] }],
  exponentialHistogram: [10, { dataPoints: [1, EXPONENTIAL_POINT, 'many'], aggregationTemporality: [2, 'integer'] }],
  summary: [11, { dataPoints: [1, SUMMARY_POINT, 'many'] }],
} as const;
const METRICS_REQUEST = {
  resourceMetrics: [
    1,
    { resource: [1, { attributes: [1, 'attributes'] }], scopeMetrics: [2, { metrics: [2, METRIC, 'many'] }, 'many'] },
    'many',
  ],
} as const;

/** A point whose sender says that nothing was recorded: data_point_flags.proto, NO_RECORDED_VALUE. */
const NO_RECORDED_VALUE = 1;

/** @throws MalformedTelemetry naming the field, when this is no ExportMetricsServiceRequest */
export const readMetricsJson = (json: unknown, limits = DEFAULT_LIMITS): MetricPoint[] =>
  pointsOf(messageFromJson(json, METRICS_REQUEST, limits));

/** @throws MalformedTelemetry when this is no ExportMetricsServiceRequest */
export const readMetricsProtobuf = (bytes: Uint8Array, limits = DEFAULT_LIMITS): MetricPoint[] =>
  pointsOf(messageFromProtobuf(bytes, METRICS_REQUEST, limits));

function pointsOf(request: Message<typeof METRICS_REQUEST>): MetricPoint[] {
  const points: MetricPoint[] = [];
  for (const { resource, scopeMetrics } of request.resourceMetrics)
    for (const { metrics } of scopeMetrics)
      for (const metric of metrics) addPoints(metric, resource?.attributes ?? {}, points);
  return points;
}

const temporalityOf = (number: number | undefined): MetricSeries['temporality'] =>
  number === 1 ? 'delta' : number === 2 ? 'cumulative' : '';

type Told = Pick<MetricSeries, 'kind' | 'temporality'>;
type AnyPoint = Pick<Message<typeof NUMBER_POINT>, 'attributes' | 'startTimeUnixNano' | 'timeUnixNano' | 'flags'>;

function addPoints(metric: Message<typeof METRIC>, resource: NamedValues, points: MetricPoint[]): void {
  const { gauge, sum, histogram, exponentialHistogram, summary } = metric;
  const seriesOf = ({ kind, temporality }: Told, attributes: NamedValues): MetricSeries => ({
    metric: metric.name ?? '',
    unit: metric.unit ?? '',
    kind,
    temporality,
    component: textIn(resource, 'service.name') || 'unknown service',
    host: textIn(resource, 'host.name'),
    instance: textIn(resource, 'service.instance.id') || textIn(resource, 'process.pid'),
    attributes,
  });
  const add = (point: AnyPoint, told: Told, value: number, distribution?: Distribution) => {
    if (((point.flags ?? 0) & NO_RECORDED_VALUE) !== 0) return;
    const series = seriesOf(told, point.attributes ?? {});
    points.push({ series, startUs: point.startTimeUnixNano ?? 0, atUs: point.timeUnixNano ?? 0, value, distribution });
  };
  for (const point of gauge?.dataPoints ?? []) add(point, { kind: 'gauge', temporality: '' }, numberIn(point));
  for (const point of sum?.dataPoints ?? []) {
    const kind = sum?.isMonotonic ? 'counter' : 'upDownCounter';
    add(point, { kind, temporality: temporalityOf(sum?.aggregationTemporality) }, numberIn(point));
  }
  for (const point of histogram?.dataPoints ?? []) {
    const temporality = temporalityOf(histogram?.aggregationTemporality);
    add(point, { kind: 'histogram', temporality }, point.sum ?? NaN, explicitDistribution(point));
  }
  for (const point of exponentialHistogram?.dataPoints ?? []) {
    const temporality = temporalityOf(exponentialHistogram?.aggregationTemporality);
    add(point, { kind: 'histogram', temporality }, point.sum ?? NaN, exponentialDistribution(point));
  }
  for (const point of summary?.dataPoints ?? []) {
    const { count = 0, sum: total = NaN } = point;
    const whole = { count, sum: total, min: null, max: null, bounds: [], counts: [count] };
    add(point, { kind: 'summary', temporality: 'cumulative' }, total, whole);
  }
}

const textIn = (values: NamedValues, name: string): string => (values[name] === undefined ? '' : String(values[name]));

const numberIn = ({ asDouble, asInt }: Message<typeof NUMBER_POINT>): number => asDouble ?? asInt ?? NaN;

const explicitDistribution = ({
  count = 0,
  sum = NaN,
  min,
  max,
  explicitBounds,
  bucketCounts,
}: Message<typeof HISTOGRAM_POINT>): Distribution => ({
  count,
  sum,
  min: min ?? null,
  max: max ?? null,
  // Without buckets the count alone is known.
  bounds: bucketCounts.length > 0 ? explicitBounds : [],
  counts: bucketCounts.length > 0 ? bucketCounts : [count],
});
