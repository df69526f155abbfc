import type { LogRecord } from '../formats';
import { isUserSide, numberOf, textOf, type Span } from '../telemetry';
import { PAGE_VIEW_EVENT } from './page-view';

/** Names that the OpenTelemetry instrumentation of document loads gives its spans. */
const LOAD = 'documentLoad';
const PARTS_OF_LOAD: ReadonlySet<string> = new Set(['documentFetch', 'resourceFetch']);

/** Spans of a request, loads of pages told apart: each as the event by which a page tells of its view. */
export interface SpansAndLoads {
  spans: Span[];
  views: LogRecord[];
}

/**
 * Loads of pages among spans, as the event that `viewOfRecord` reads. A load is a span `documentLoad` of a browser; the
 * page itself (`documentFetch`) and what it fetched (`resourceFetch`) are spans below it in the same request, and go with
 * it: the view tells all that they tell. What answered the page is the parent of the load, which the page learned from
 * its `traceparent` (W3C Trace Context).
 *
 * Moments are told since the fetch began; the event counts them from there, since a load does not tell of what was before.
 */
export function loadsAmong(all: readonly Span[]): SpansAndLoads {
  const loads = all.filter((span) => span.name === LOAD && isUserSide(span.resource));
  if (loads.length === 0) return { spans: [...all], views: [] };
  const partsOf = new Map(loads.map((load): [string, Span[]] => [idOf(load.traceId, load.spanId), []]));
  const spans = all.filter((span) => {
    if (partsOf.has(idOf(span.traceId, span.spanId))) return false;
    const parts = PARTS_OF_LOAD.has(span.name) ? partsOf.get(idOf(span.traceId, span.parentSpanId)) : undefined;
    parts?.push(span);
    return parts === undefined;
  });
  return {
    spans,
    views: loads.map((load) => viewRecord(load, partsOf.get(idOf(load.traceId, load.spanId)) as Span[])),
  };
}

const idOf = (traceId: string, spanId: string): string => `${traceId}:${spanId}`;

const urlOf = ({ attributes }: Span): URL | undefined => {
  try {
    return new URL(textOf(attributes['url.full']) ?? textOf(attributes['http.url']) ?? '');
  } catch {
    return undefined;
  }
};

function viewRecord(load: Span, parts: readonly Span[]): LogRecord {
  const { attributes, resource, startUs, durationUs } = load;
  const url = urlOf(load);
  const marks = { ...parts.find(({ name }) => name === 'documentFetch')?.marks, ...load.marks };
  const since = (atUs: number) => (atUs - startUs) / 1000;
  const timing = Object.fromEntries(
    Object.entries(marks).map(([mark, atUs]) => [`toplens.timing.${mark}`, since(atUs)]),
  );
  // Instrumentation that was told to leave events out tells when the load ended all the same.
  timing['toplens.timing.loadEventEnd'] ??= durationUs / 1000;
  const resources = parts
    .filter(({ name }) => name === 'resourceFetch')
    .map((span) => [
      urlOf(span)?.href ?? '',
      '',
      Math.max(0, since(span.startUs)),
      Math.max(0, span.durationUs / 1000),
      numberOf(span.attributes['http.response_content_length']) ??
        numberOf(span.attributes['http.response.body.size']) ??
        0,
      span.error ? 1 : 0,
    ]);
  const isAnswered = load.parentSpanId !== '';
  return {
    atUs: startUs,
    severity: 0,
    body: '',
    traceId: isAnswered ? load.traceId : '',
    spanId: isAnswered ? load.parentSpanId : '',
    eventName: PAGE_VIEW_EVENT,
    attributes: {
      ...attributes,
      ...timing,
      'toplens.view.id': load.spanId,
      'toplens.view.sequence': 1,
      'url.path': url?.pathname ?? '',
      'server.address': url?.hostname ?? '',
      'user_agent.original': textOf(attributes['user_agent.original']) ?? textOf(attributes['http.user_agent']) ?? '',
      'toplens.resources': JSON.stringify(resources),
      ...(marks.responseStart !== undefined && { 'toplens.vital.ttfb': since(marks.responseStart) }),
      ...(marks.firstContentfulPaint !== undefined && { 'toplens.vital.fcp': since(marks.firstContentfulPaint) }),
    },
    resource,
  };
}
