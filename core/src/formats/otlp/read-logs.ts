import { DEFAULT_LIMITS, type NamedValues } from '../../telemetry';
import { messageFromJson } from './message-json';
import { messageFromProtobuf } from './message-protobuf';
import type { Message } from './shape';

/** opentelemetry/proto/logs/v1/logs.proto, common.proto, resource.proto (OTLP 1.x). */
const LOG_RECORD = {
  timeUnixNano: [1, 'time'],
  severityNumber: [2, 'integer'],
  severityText: [3, 'text'],
  body: [5, 'value'],
  attributes: [6, 'attributes'],
  traceId: [9, 'id'],
  spanId: [10, 'id'],
  observedTimeUnixNano: [11, 'time'],
  eventName: [12, 'text'],
} as const;
const RESOURCE = { attributes: [1, 'attributes'] } as const;
const LOGS_REQUEST = {
  resourceLogs: [
    1,
    { resource: [1, RESOURCE], scopeLogs: [2, { logRecords: [2, LOG_RECORD, 'many'] }, 'many'] },
    'many',
  ],
} as const;

/** A log record as it came in, whatever the encoding was. */
export interface LogRecord {
  atUs: number;
  severity: number;
  body: string;
  /** hexadecimal; empty when not told */
  traceId: string;
  spanId: string;
  /** empty for a plain line */
  eventName: string;
  attributes: NamedValues;
  resource: NamedValues;
}

/** @throws MalformedTelemetry naming the field, when this is no ExportLogsServiceRequest */
export const readLogsJson = (json: unknown, limits = DEFAULT_LIMITS): LogRecord[] =>
  recordsOf(messageFromJson(json, LOGS_REQUEST, limits));

/** @throws MalformedTelemetry when this is no ExportLogsServiceRequest */
export const readLogsProtobuf = (bytes: Uint8Array, limits = DEFAULT_LIMITS): LogRecord[] =>
  recordsOf(messageFromProtobuf(bytes, LOGS_REQUEST, limits));

function recordsOf(request: Message<typeof LOGS_REQUEST>): LogRecord[] {
  const records: LogRecord[] = [];
  for (const { resource, scopeLogs } of request.resourceLogs)
    for (const { logRecords } of scopeLogs)
      for (const record of logRecords) records.push(recordOf(record, resource?.attributes ?? {}));
  return records;
}

function recordOf(record: Message<typeof LOG_RECORD>, resource: NamedValues): LogRecord {
  const severity = record.severityNumber ?? 0;
  return {
    // 0 is what senders write that do not know when it happened.
    atUs: record.timeUnixNano || (record.observedTimeUnixNano ?? 0),
    severity: severity >= 1 && severity <= 24 ? severity : severityOfText(record.severityText ?? ''),
    body: record.body ?? '',
    traceId: record.traceId ?? '',
    spanId: record.spanId ?? '',
    eventName: record.eventName ?? '',
    attributes: record.attributes ?? {},
    resource,
  };
}

const WORDS: readonly [pattern: RegExp, severity: number][] = [
  [/^(?:fatal|crit|emerg|alert|panic)/i, 21],
  [/^err/i, 17],
  [/^warn/i, 13],
  [/^(?:info|notice)/i, 9],
  [/^debug/i, 5],
  [/^trace/i, 1],
];

/** Senders that only hand a text on: its first letters tell. */
const severityOfText = (text: string): number => WORDS.find(([pattern]) => pattern.test(text))?.[1] ?? 0;
