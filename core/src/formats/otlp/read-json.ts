import { cleanAttribute, cleanText, DEFAULT_LIMITS, isPageMark, isProbeState, isRead } from '../../telemetry';
import type { AttributeName, Attributes, AttributeValue, Span, TextLengths } from '../../telemetry';
import { asArray, asObject, readTime, type Json } from './json-values';
import { RecordCount } from './malformed';

/**
 * Spans of an OTLP ExportTraceServiceRequest in the JSON mapping of the OTLP specification 1.x: ids in
 * hexadecimal, 64-bit numbers as decimal text or number, unknown keys ignored.
 *
 * @param request what JSON.parse gave
 * @throws MalformedTelemetry naming the field, when the shape is not that of the protocol
 */
export function readTracesJson(request: unknown, { records, lengths } = DEFAULT_LIMITS): Span[] {
  const spans: Span[] = [];
  const count = new RecordCount(records);
  const root = asObject(request, 'request body');
  asArray(root.resourceSpans, 'resourceSpans').forEach((entry, r) => {
    const path = `resourceSpans[${r}]`;
    const resourceSpans = asObject(entry, path);
    const resource = readAttributes(
      asObject(resourceSpans.resource ?? {}, `${path}.resource`).attributes,
      `${path}.resource.attributes`,
      lengths,
    );
    asArray(resourceSpans.scopeSpans, `${path}.scopeSpans`).forEach((scopeEntry, s) => {
      const scopePath = `${path}.scopeSpans[${s}]`;
      const list = asArray(asObject(scopeEntry, scopePath).spans, `${scopePath}.spans`);
      list.forEach((span, i) => {
        count.add(`${scopePath}.spans`);
        spans.push(
          readSpan(asObject(span, `${scopePath}.spans[${i}]`), { resource, path: `${scopePath}.spans[${i}]`, lengths }),
        );
      });
    });
  });
  return spans;
}

function readSpan(
  span: Json,
  { resource, path, lengths }: { resource: Attributes; path: string; lengths: TextLengths },
): Span {
  const start = readTime(span.startTimeUnixNano);
  const end = readTime(span.endTimeUnixNano);
  const status = asObject(span.status ?? {}, `${path}.status`);
  const kind = Number(span.kind ?? 1);
  const exception = firstException(span.events, path, lengths);
  const marks = pageMarks(span.events);
  const attributes = readAttributes(span.attributes, `${path}.attributes`, lengths);
  if (typeof span.traceState === 'string' && isProbeState(span.traceState))
    attributes['user_agent.synthetic.type'] ??= 'test';
  return {
    traceId: readId(span.traceId),
    spanId: readId(span.spanId),
    parentSpanId: readId(span.parentSpanId),
    name: cleanText(typeof span.name === 'string' ? span.name : '', lengths.text),
    kind: kind >= 1 && kind <= 5 ? kind : 1,
    startUs: start,
    durationUs: end - start,
    error: status.code === 2,
    exceptionType: typeof exception['exception.type'] === 'string' ? exception['exception.type'] : '',
    exception,
    ...(marks && { marks }),
    attributes,
    resource,
  };
}

/** Attributes of the first exception that has a type, else of the first. */
function firstException(events: unknown, path: string, lengths: TextLengths): Attributes {
  let first: Attributes | undefined;
  for (const entry of asArray(events, `${path}.events`)) {
    const event = asObject(entry, `${path}.events`);
    if (event.name !== 'exception') continue;
    const attributes = readAttributes(event.attributes, `${path}.events.attributes`, lengths);
    if (typeof attributes['exception.type'] === 'string' && attributes['exception.type'] !== '') return attributes;
    first ??= attributes;
  }
  return first ?? {};
}

/** Moments of a page's load; `undefined` without, as with nearly all spans. */
function pageMarks(events: unknown): Span['marks'] {
  if (!Array.isArray(events)) return undefined;
  let marks: Span['marks'];
  for (const { name, timeUnixNano } of events as Json[])
    if (typeof name === 'string' && isPageMark(name)) (marks ??= {})[name] ??= readTime(timeUnixNano);
  return marks;
}

const readId = (id: unknown): string => (typeof id === 'string' ? id.toLowerCase() : '');

function readAttributes(list: unknown, path: string, lengths: TextLengths): Attributes {
  const attributes: Attributes = {};
  const entries = asArray(list, path);
  for (const entry of entries) {
    const { key, value } = asObject(entry, path);
    if (typeof key !== 'string' || !isRead(key)) continue;
    const read = readValue(key, value, lengths);
    if (read !== undefined) attributes[key] = read;
  }
  return attributes;
}

function readValue(name: AttributeName, value: unknown, lengths: TextLengths): AttributeValue | undefined {
  if (value === null || typeof value !== 'object') return undefined;
  const any = value as Json;
  if (typeof any.stringValue === 'string') return cleanAttribute(name, any.stringValue, lengths);
  if (typeof any.boolValue === 'boolean') return any.boolValue;
  const number = any.intValue ?? any.doubleValue;
  if (typeof number !== 'number' && typeof number !== 'string') return undefined;
  const finite = Number(number);
  return Number.isFinite(finite) ? finite : undefined;
}
