/** Records as OTLP in its JSON encoding (opentelemetry-proto 1.x, "JSON Protobuf Encoding"). */
export type Attributes = Readonly<Record<string, string | number | undefined>>;

export interface SpanRecord {
  traceId: string;
  spanId: string;
  parentSpanId?: string;
  name: string;
  /** as in OTLP: 1 internal, 3 client */
  kind: 1 | 3;
  startTimeUnixNano: string;
  endTimeUnixNano: string;
  attributes: object[];
  status: { code?: 2 };
}

export interface EventRecord {
  timeUnixNano: string;
  eventName: string;
  traceId?: string;
  spanId?: string;
  attributes: object[];
}

/** Milliseconds since the epoch as nanoseconds: beyond what a number can hold. */
export const nanos = (ms: number): string => `${Math.round(ms * 1000)}000`;

/** What is not told is left out. */
export const keyValues = (attributes: Attributes): object[] =>
  Object.entries(attributes)
    .filter(([, value]) => value !== undefined && value !== '')
    .map(([key, value]) => ({
      key,
      value:
        typeof value === 'string'
          ? { stringValue: value }
          : Number.isInteger(value)
            ? { intValue: String(value) }
            : { doubleValue: value },
    }));

export const tracesRequest = (resource: Attributes, spans: readonly SpanRecord[]): object => ({
  resourceSpans: [{ resource: { attributes: keyValues(resource) }, scopeSpans: [{ spans }] }],
});

export const logsRequest = (resource: Attributes, logRecords: readonly EventRecord[]): object => ({
  resourceLogs: [{ resource: { attributes: keyValues(resource) }, scopeLogs: [{ logRecords }] }],
});

/** So many random hexadecimal digits, not all zero. */
export function randomHex(digits: number): string {
  let text = '';
  while (text.length < digits)
    text += Math.floor((1 + Math.random()) * 0x10000)
      .toString(16)
      .slice(1);
  return /^0*$/.test(text) ? '1'.padStart(digits, '0') : text;
}
