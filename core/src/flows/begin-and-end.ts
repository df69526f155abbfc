import type { LogRecord } from '../formats';
import {
  cleanAttribute,
  eventOf,
  isRead,
  isTraceId,
  numberOf,
  RecordRefused,
  Severity,
  SpanKind,
  textOf,
  whyTimeRejected,
  type Attempt,
  type AttributeName,
  type AttributeValue,
  type Attributes,
  type NamedValues,
  type TimeRange,
} from '../telemetry';
import { lengthWords } from '../words';
import { toAttempt } from './discover';

/** Events by which an application says itself where an attempt begins and ends, also where no span could tell it. */
export const BEGIN_EVENT = 'toplens.begin';
export const END_EVENT = 'toplens.end';

export const isBeginOrEnd = (record: LogRecord): boolean => [BEGIN_EVENT, END_EVENT].includes(eventOf(record));

/** How long an attempt may be without an end, unless its begin says otherwise. Common practice, no source. */
const USUAL_IDLE_MS = 15 * 60_000;
const [SHORTEST_IDLE_MS, LONGEST_IDLE_MS] = [10_000, 24 * 3600_000];
/** What becomes of it then: it failed, and this is the reason. */
export const NEVER_ENDED = 'never ended';

/** Begin or end of an attempt, as the application told it. */
export interface AttemptMark {
  /** of the attempt, 16 hexadecimal digits: begin and end of one attempt have the same, told again it stays the same */
  id: string;
  isEnd: boolean;
  atUs: number;
  /** without an end for so long it is closed, milliseconds; of ends 0 */
  idleMs: number;
  traceId: string;
  failed: boolean;
  attributes: Attributes;
  resource: Attributes;
}

/**
 * The begin or end that a log record tells of: `toplens.attempt.id` says of which attempt, and is the application's own
 * choice; a begin names its flow (`toplens.flow`). All else is as on spans, on either of them.
 *
 * @param idOf 16 hexadecimal digits for a text
 * @throws RecordRefused naming the attribute
 */
export function beginOrEndOf(record: LogRecord, range: TimeRange, idOf: (text: string) => string): AttemptMark {
  const { atUs, attributes, resource, severity, traceId } = record;
  const isEnd = eventOf(record) === END_EVENT;
  const own = textOf(attributes['toplens.attempt.id']);
  if (own === undefined)
    throw new RecordRefused('toplens.attempt.id: missing: it says which begin and end belong together');
  if (!isEnd && textOf(attributes['toplens.flow']) === undefined)
    throw new RecordRefused('toplens.flow: missing: what is begun?');
  const wrongTime = whyTimeRejected(atUs, range);
  if (wrongTime !== undefined) throw new RecordRefused(`timeUnixNano: ${wrongTime}`);
  const component = textOf(resource['service.name']) ?? 'unknown service';
  return {
    id: idOf(`${component}\u001f${own}`),
    isEnd,
    atUs,
    idleMs: isEnd ? 0 : idleOf(attributes['toplens.idle']),
    traceId: isTraceId(traceId) ? traceId : '',
    failed: severity >= Severity.ERROR || textOf(attributes['exception.type']) !== undefined,
    attributes: readOf(attributes),
    resource: readOf(resource),
  };
}

/** @param value seconds */
function idleOf(value: NamedValues[string] | undefined): number {
  if (value === undefined) return USUAL_IDLE_MS;
  const ms = (numberOf(value) ?? NaN) * 1000;
  if (!(ms >= SHORTEST_IDLE_MS && ms <= LONGEST_IDLE_MS))
    throw new RecordRefused('toplens.idle: expected 10 to 86400 seconds');
  return ms;
}

const readOf = (values: NamedValues): Attributes =>
  Object.fromEntries(
    Object.entries(values)
      .filter((pair): pair is [AttributeName, AttributeValue] => isRead(pair[0]))
      .map(([name, value]) => [name, typeof value === 'string' ? cleanAttribute(name, value) : value]),
  );

/** The attempt between its begin and its end; what the end tells comes over what the begin told. */
export const attemptBetween = (begin: AttemptMark, end: AttemptMark): Attempt =>
  attemptOf(begin, {
    durationUs: Math.max(0, end.atUs - begin.atUs),
    failed: begin.failed || end.failed,
    attributes: { ...begin.attributes, ...end.attributes },
    resource: { ...begin.resource, ...end.resource },
  });

/** An attempt whose end never came: it failed, and lasts as long as was waited for its end, which nobody measured. */
export const unendedAttempt = (begin: AttemptMark): Attempt =>
  attemptOf(begin, {
    durationUs: begin.idleMs * 1000,
    failed: true,
    attributes: {
      ...begin.attributes,
      'error.type': NEVER_ENDED,
      'exception.message': `No end came for ${lengthWords(begin.idleMs)}: how long it took is not known.`,
    },
    resource: begin.resource,
  });

function attemptOf(
  { id, atUs, traceId }: AttemptMark,
  {
    durationUs,
    failed,
    attributes,
    resource,
  }: { durationUs: number; failed: boolean; attributes: Attributes; resource: Attributes },
): Attempt {
  return toAttempt({
    traceId: traceId || id.repeat(2),
    spanId: id,
    parentSpanId: '',
    name: '',
    kind: SpanKind.INTERNAL,
    startUs: atUs,
    durationUs,
    error: failed,
    exceptionType: textOf(attributes['exception.type']) ?? '',
    exception: attributes,
    attributes,
    resource,
  });
}
