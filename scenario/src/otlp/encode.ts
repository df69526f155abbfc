import protobuf from 'protobufjs';
import type { OutLine } from './lines';
import type { OutPoint } from './points';
import { OTLP_SCHEMA } from './schema';
import type { Attribute, OutSpan } from './spans';

const { root } = protobuf.parse(OTLP_SCHEMA, { keepCase: false });
const request = (name: string) => root.lookupType(`opentelemetry.proto.${name}`);
const Traces = request('ExportTraceServiceRequest');
const Logs = request('ExportLogsServiceRequest');
const Metrics = request('ExportMetricsServiceRequest');

const bytesOf = (idWords: number[]): Uint8Array => {
  const bytes = Buffer.alloc(idWords.length * 4);
  idWords.forEach((word, i) => bytes.writeUInt32BE(word >>> 0, i * 4));
  return bytes;
};

/** Milliseconds with fractions → nanoseconds as a 64-bit number of two halves, as protobufjs takes it. */
function nanos(timeMs: number): { low: number; high: number; unsigned: boolean } {
  const whole = BigInt(Math.round(timeMs * 1000)) * 1000n;
  return { low: Number(whole & 0xffffffffn), high: Number(whole >> 32n), unsigned: true };
}

const keyValue = ([key, value]: Attribute) => ({
  key,
  value:
    typeof value === 'string'
      ? { stringValue: value }
      : Number.isInteger(value)
        ? { intValue: value }
        : { doubleValue: value },
});

/** What sends: each sender's records go under one resource. */
interface Sent {
  service: string;
  host: string;
  version: string;
  application: string;
  instance?: string;
  device?: Attribute[];
}

function byResource<Record extends Sent>(records: readonly Record[]): { resource: object; own: Record[] }[] {
  const groups = new Map<string, Record[]>();
  for (const record of records) {
    const key = `${record.service}|${record.host}|${record.version}|${record.application}|${record.instance ?? ''}|${record.device ? JSON.stringify(record.device) : ''}`;
    const group = groups.get(key);
    if (group) group.push(record);
    else groups.set(key, [record]);
  }
  return [...groups.values()].map((own) => {
    const { service, application, version, host, instance, device = [] } = own[0] as Record;
    const attributes: Attribute[] = [
      ['service.name', service],
      ['service.namespace', application],
      ['service.version', version],
      // Hosts are named after where they stand.
      ...(host === ''
        ? []
        : [
            ['host.name', host] satisfies Attribute,
            ['cloud.availability_zone', host.split('-')[0] ?? ''] satisfies Attribute,
          ]),
      ...device,
    ];
    if (instance !== undefined) attributes.push(['service.instance.id', instance]);
    return { resource: { attributes: attributes.map(keyValue) }, own };
  });
}

const scope = { name: 'pellwick' };

/** An OTLP ExportTraceServiceRequest in protobuf. */
export function encodeSpans(spans: readonly OutSpan[]): Uint8Array {
  const resourceSpans = byResource(spans).map(({ resource, own }) => ({
    resource,
    scopeSpans: [{ scope, spans: own.map(toMessage) }],
  }));
  return Traces.encode({ resourceSpans }).finish();
}

/** An OTLP ExportLogsServiceRequest in protobuf. */
export function encodeLines(lines: readonly OutLine[]): Uint8Array {
  const resourceLogs = byResource(lines).map(({ resource, own }) => ({
    resource,
    scopeLogs: [
      {
        scope,
        logRecords: own.map((line) => ({
          timeUnixNano: nanos(line.atMs),
          severityNumber: line.severity,
          body: { stringValue: line.body },
          attributes: line.attributes.map(keyValue),
          ...(line.traceId && { traceId: bytesOf(line.traceId) }),
          ...(line.spanId && { spanId: bytesOf(line.spanId) }),
          ...(line.eventName && { eventName: line.eventName }),
        })),
      },
    ],
  }));
  return Logs.encode({ resourceLogs }).finish();
}

const CUMULATIVE = 2;

/** An OTLP ExportMetricsServiceRequest in protobuf. */
export function encodePoints(points: readonly OutPoint[]): Uint8Array {
  const resourceMetrics = byResource(points).map(({ resource, own }) => ({
    resource,
    scopeMetrics: [
      {
        scope,
        metrics: own.map(({ metric, unit, kind, startMs, atMs, value, attributes }) => {
          const dataPoints = [
            {
              attributes: attributes.map(keyValue),
              startTimeUnixNano: nanos(startMs),
              timeUnixNano: nanos(atMs),
              asDouble: value,
            },
          ];
          return kind === 'gauge'
            ? { name: metric, unit, gauge: { dataPoints } }
            : {
                name: metric,
                unit,
                sum: { dataPoints, aggregationTemporality: CUMULATIVE, isMonotonic: kind === 'counter' },
              };
        }),
      },
    ],
  }));
  return Metrics.encode({ resourceMetrics }).finish();
}

function toMessage(span: OutSpan) {
  return {
    traceId: bytesOf(span.traceId),
    spanId: bytesOf(span.spanId),
    ...(span.parentSpanId && { parentSpanId: bytesOf(span.parentSpanId) }),
    name: span.name,
    kind: span.kind,
    startTimeUnixNano: nanos(span.startMs),
    endTimeUnixNano: nanos(span.startMs + span.durationMs),
    attributes: span.attributes.map(keyValue),
    ...(span.exception && {
      events: [
        {
          timeUnixNano: nanos(span.startMs + span.durationMs),
          name: 'exception',
          attributes: [['exception.type', span.exception] satisfies Attribute, ...span.details].map(keyValue),
        },
      ],
    }),
    ...(span.error && { status: { code: 2 } }),
  };
}
