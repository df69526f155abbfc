import { cleanAttribute, cleanText, DEFAULT_LIMITS, isPageMark, isProbeState, isRead } from '../../telemetry';
import type { AttributeName, Attributes, AttributeValue, Span, TextLengths } from '../../telemetry';
import { RecordCount } from './malformed';
import { Reader } from './reader';

/**
 * Spans of an OTLP ExportTraceServiceRequest in protobuf, read selectively: fields that Top Lens does not use are
 * skipped by their length, unread. About three times the speed of a general decoder; checked against protobufjs
 * with the published schema on random messages in read-protobuf.property.test.ts.
 *
 * Field numbers: opentelemetry/proto/trace/v1/trace.proto, common.proto, resource.proto (OTLP 1.x).
 *
 * @throws MalformedTelemetry when the bytes end early or a length is impossible
 */
export function readTracesProtobuf(bytes: Uint8Array, { records, lengths } = DEFAULT_LIMITS): Span[] {
  const reading = { reader: new Reader(bytes), lengths, count: new RecordCount(records) };
  const { reader } = reading;
  const spans: Span[] = [];
  reader.message(bytes.length, (field) => {
    if (field !== 1) return false;
    readResourceSpans(reading, spans);
    return true;
  });
  return spans;
}

interface Reading {
  reader: Reader;
  lengths: TextLengths;
  count: RecordCount;
}

function readResourceSpans(reading: Reading, spans: Span[]): void {
  const { reader, count } = reading;
  // The resource may come behind its spans: they share this object, filled whenever it comes.
  const resource: Attributes = {};
  reader.message(reader.length(), (field) => {
    if (field === 1) {
      reader.message(reader.length(), (inner) => inner === 1 && readAttribute(reading, resource));
      return true;
    }
    if (field !== 2) return false;
    reader.message(reader.length(), (inner) => {
      if (inner !== 2) return false;
      count.add('spans');
      spans.push(readSpan(reading, resource));
      return true;
    });
    return true;
  });
}

function readSpan(reading: Reading, resource: Attributes): Span {
  const { reader, lengths } = reading;
  const span: Span = {
    traceId: '',
    spanId: '',
    parentSpanId: '',
    name: '',
    kind: 1,
    startUs: 0,
    durationUs: 0,
    error: false,
    exceptionType: '',
    exception: NO_ATTRIBUTES,
    attributes: {},
    resource,
  };
  let endUs = 0;
  let isProbes = false;
  reader.message(reader.length(), (field) => {
    switch (field) {
      case 1:
        span.traceId = reader.hex();
        return true;
      case 2:
        span.spanId = reader.hex();
        return true;
      case 3:
        isProbes = isProbeState(reader.text());
        return true;
      case 4:
        span.parentSpanId = reader.hex();
        return true;
      case 5:
        span.name = cleanText(reader.text(), lengths.text);
        return true;
      case 6: {
        const kind = reader.varint();
        span.kind = kind >= 1 && kind <= 5 ? kind : 1;
        return true;
      }
      case 7:
        span.startUs = reader.nanosAsMicros();
        return true;
      case 8:
        endUs = reader.nanosAsMicros();
        return true;
      case 9:
        return readAttribute(reading, span.attributes);
      case 11: {
        const { name, atUs, attributes: exception } = readEvent(reading);
        if (isPageMark(name)) (span.marks ??= {})[name] ??= atUs;
        if (name !== 'exception' || span.exceptionType !== '') return true;
        const type = exception['exception.type'];
        if (typeof type === 'string') span.exceptionType = type;
        // The first that has a type, else the first.
        if (span.exceptionType !== '' || span.exception === NO_ATTRIBUTES) span.exception = exception;
        return true;
      }
      case 15:
        reader.message(reader.length(), (inner) => {
          if (inner !== 3) return false;
          span.error = reader.varint() === 2;
          return true;
        });
        return true;
      default:
        return false;
    }
  });
  span.durationUs = endUs - span.startUs;
  if (isProbes) span.attributes['user_agent.synthetic.type'] ??= 'test';
  return span;
}

const NO_ATTRIBUTES: Attributes = {};

function readEvent(reading: Reading): { name: string; atUs: number; attributes: Attributes } {
  const { reader } = reading;
  const attributes: Attributes = {};
  let name = '';
  let atUs = 0;
  reader.message(reader.length(), (field) => {
    switch (field) {
      case 1:
        atUs = reader.nanosAsMicros();
        return true;
      case 2:
        name = reader.text();
        return true;
      case 3:
        return readAttribute(reading, attributes);
      default:
        return false;
    }
  });
  return { name, atUs, attributes };
}

/** KeyValue: the value is read only when the key is one that Top Lens uses. */
function readAttribute({ reader, lengths }: Reading, into: Attributes): true {
  let key: AttributeName | undefined;
  let value: AttributeValue | undefined;
  reader.message(reader.length(), (field) => {
    if (field === 1) {
      const name = reader.text();
      key = isRead(name) ? name : undefined;
      return true;
    }
    // A value in front of its key is legal, if unusual.
    if (field !== 2) return false;
    value = readAnyValue(reader);
    return true;
  });
  if (key !== undefined && value !== undefined)
    into[key] = typeof value === 'string' ? cleanAttribute(key, value, lengths) : value;
  return true;
}

function readAnyValue(reader: Reader): AttributeValue | undefined {
  let value: AttributeValue | undefined;
  reader.message(reader.length(), (field) => {
    switch (field) {
      case 1:
        value = reader.text();
        return true;
      case 2:
        value = reader.varint() !== 0;
        return true;
      case 3:
        value = reader.signedVarint();
        return true;
      case 4: {
        const number = reader.double();
        value = Number.isFinite(number) ? number : undefined;
        return true;
      }
      default:
        return false;
    }
  });
  return value;
}
