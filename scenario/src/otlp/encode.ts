import protobuf from 'protobufjs';
import { TRACE_SCHEMA } from './schema';
import type { Attribute, OutSpan } from './spans';

const Request = protobuf.parse(TRACE_SCHEMA, { keepCase: false }).root.lookupType('opentelemetry.proto.ExportTraceServiceRequest');

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
  value: typeof value === 'string' ? { stringValue: value } : Number.isInteger(value) ? { intValue: value } : { doubleValue: value },
});

/** An OTLP ExportTraceServiceRequest in protobuf, spans grouped by what sent them. */
export function encodeRequest(spans: readonly OutSpan[]): Uint8Array {
  const groups = new Map<string, OutSpan[]>();
  for (const span of spans) {
    const key = `${span.service}|${span.host}|${span.version}|${span.application}`;
    const group = groups.get(key);
    if (group) group.push(span);
    else groups.set(key, [span]);
  }
  const resourceSpans = [...groups.values()].map((group) => {
    const first = group[0] as OutSpan;
    return {
      resource: {
        attributes: [
          keyValue(['service.name', first.service]),
          keyValue(['service.namespace', first.application]),
          keyValue(['service.version', first.version]),
          keyValue(['host.name', first.host]),
        ],
      },
      scopeSpans: [{ scope: { name: 'pellwick' }, spans: group.map(toMessage) }],
    };
  });
  return Request.encode({ resourceSpans }).finish();
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
