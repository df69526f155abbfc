import type { LogRecord } from '../formats';
import { cleanText, isTraceId, isSpanId, whyTimeRejected, type LogLine, type TimeRange } from '../telemetry';

/** Why a record cannot be taken, in words for the person who runs the sender; `undefined` when it can. */
export function whyLineRejected(
  { atUs, traceId, spanId, body, attributes }: LogRecord,
  range: TimeRange,
): string | undefined {
  const wrongTime = whyTimeRejected(atUs, range);
  if (wrongTime !== undefined)
    return `timeUnixNano: ${wrongTime}${atUs > 0 ? '' : ', and observedTimeUnixNano as well'}`;
  if (traceId !== '' && !isTraceId(traceId)) return 'traceId: expected 16 bytes that are not all zero, or none';
  if (spanId !== '' && !isSpanId(spanId)) return 'spanId: expected 8 bytes that are not all zero, or none';
  if (body === '' && attributes['exception.type'] === undefined && attributes['exception.message'] === undefined)
    return 'body: empty, and no exception';
  return undefined;
}

/** The line that a record tells of, as if no other were like it. */
export function toLogLine(record: LogRecord): LogLine {
  const { attributes, resource } = record;
  const text = (name: string) => cleanText(String(attributes[name] ?? resource[name] ?? ''));
  const failure = text('exception.type');
  return {
    atUs: record.atUs,
    component: text('service.name') || 'unknown service',
    host: text('host.name'),
    severity: record.severity,
    traceId: record.traceId,
    spanId: record.spanId,
    failure,
    body: record.body || [failure, text('exception.message')].filter(Boolean).join(': '),
    repeat: 0,
  };
}
