import type { Attributes } from './attributes';
import { whyTimeRejected, type TimeRange } from './time-range';

/** Kinds of the OpenTelemetry trace protocol; values this version does not know are read as INTERNAL. */
export const SpanKind = { INTERNAL: 1, SERVER: 2, CLIENT: 3, PRODUCER: 4, CONSUMER: 5 } as const;

/** A span as it came in, whatever the encoding was. */
export interface Span {
  /** 32 lower-case hexadecimal digits */
  traceId: string;
  /** 16 lower-case hexadecimal digits */
  spanId: string;
  /** empty for a root */
  parentSpanId: string;
  name: string;
  kind: number;
  /** microseconds since the epoch */
  startUs: number;
  /** microseconds; negative when the span ends before it starts */
  durationUs: number;
  /** status code ERROR was set */
  error: boolean;
  /** type of the first recorded exception, empty when there is none */
  exceptionType: string;
  /** attributes of that exception: message, stack trace */
  exception: Attributes;
  /** when a page's load came how far, by the name of its event, microseconds since the epoch; of `PAGE_MARKS` alone */
  marks?: Partial<Record<PageMark, number>>;
  attributes: Attributes;
  resource: Attributes;
}

/** Moments of a page's load by W3C Navigation Timing 2, in the order in which they come. */
export const NAVIGATION_MARKS = [
  'redirectEnd',
  'domainLookupStart',
  'domainLookupEnd',
  'connectStart',
  'secureConnectionStart',
  'connectEnd',
  'requestStart',
  'responseStart',
  'responseEnd',
  'domInteractive',
  'domContentLoadedEventEnd',
  'domComplete',
  'loadEventEnd',
] as const;

/** Events of a browser's spans that are read: as instrumentation of document loads names them. */
export const PAGE_MARKS = ['fetchStart', ...NAVIGATION_MARKS, 'firstContentfulPaint'] as const;
export type PageMark = (typeof PAGE_MARKS)[number];

const KNOWN_MARKS: ReadonlySet<string> = new Set(PAGE_MARKS);
export const isPageMark = (event: string): event is PageMark => KNOWN_MARKS.has(event);

const TRACE_ID = /^(?!0+$)[0-9a-f]{32}$/;
const SPAN_ID = /^(?!0+$)[0-9a-f]{16}$/;
const PARENT_ID = /^(?:[0-9a-f]{16})?$/;
const LONGEST_US = 24 * 3600 * 1e6;

export const isTraceId = (text: string): boolean => TRACE_ID.test(text);
export const isSpanId = (text: string): boolean => SPAN_ID.test(text);

/**
 * Why a span cannot be taken, in words for the person who runs the sender; `undefined` when it can.
 *
 * @param range in which it must begin
 */
export function whyRejected(span: Span, range: TimeRange): string | undefined {
  if (!isTraceId(span.traceId)) return 'traceId: expected 16 bytes that are not all zero';
  if (!isSpanId(span.spanId)) return 'spanId: expected 8 bytes that are not all zero';
  if (!PARENT_ID.test(span.parentSpanId)) return 'parentSpanId: expected 8 bytes, or none for a root span';
  const wrongTime = whyTimeRejected(span.startUs, range);
  if (wrongTime !== undefined) return `startTimeUnixNano: ${wrongTime}`;
  if (!Number.isFinite(span.durationUs)) return 'endTimeUnixNano: missing or not a time';
  if (span.durationUs < 0) return 'endTimeUnixNano: the span ends before it starts';
  if (span.durationUs > LONGEST_US) return 'endTimeUnixNano: the span is longer than 24 hours';
  return undefined;
}
