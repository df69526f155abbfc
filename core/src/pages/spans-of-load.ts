import { SpanKind } from '../telemetry';
import type { TraceSpan } from '../traces';
import { hostOfUrl } from './host-of';
import { PARTS, type Part, type Parts } from './navigation-parts';
import type { ViewResource } from './page-view';

/** A load as far as it is needed to tell where its time went and what failed. */
export interface Load {
  /** 16 hexadecimal digits */
  id: string;
  atUs: number;
  component: string;
  /** that served the page */
  host: string;
  parts: Parts;
  resources: readonly Pick<ViewResource, 'url' | 'startMs' | 'durationMs' | 'missing' | 'traceId'>[];
}

const BEFORE_ANSWER: readonly Part[] = ['redirect', 'cache', 'lookup', 'connect', 'tls'];
const ANSWER: readonly Part[] = ['waiting', 'transfer'];

/** The id of the span in which the browser waited for the page itself: what the server did is below it. */
export const answerSpanOf = (load: string): string => `${load}:answer`;

/**
 * A load told as spans, so that its origin is found as that of any attempt: the browser's own time, one call for the
 * page, and one for each of its resources; whoever was called holds what the call took. Background calls are attempts
 * of their own. What comes after the load event took none of its time; it may fail all the same.
 */
export function spansOfLoad({ id, atUs, component, host, parts, resources }: Load): TraceSpan[] {
  const of = (some: readonly Part[]) => some.reduce((sum, part) => sum + (parts[PARTS.indexOf(part)] as number), 0);
  const endMs = of(PARTS);
  const base = { component, host: '', peer: '', name: '', statement: '', ranOn: '', isUserSide: true, failure: '' };
  const call = (
    spanId: string,
    peer: string,
    { fromMs, toMs, failed }: { fromMs: number; toMs: number; failed: boolean },
  ): TraceSpan => {
    const [from, to] = [Math.min(fromMs, endMs), Math.min(Math.max(fromMs, toMs), endMs)];
    return {
      ...base,
      spanId,
      parentSpanId: id,
      kind: SpanKind.CLIENT,
      peer,
      failed,
      startUs: atUs + Math.round(from * 1000),
      durationUs: Math.round((to - from) * 1000),
    };
  };
  const askedMs = of(BEFORE_ANSWER);
  const fetched = resources.filter(({ traceId }) => traceId === '');
  return [
    {
      ...base,
      spanId: id,
      parentSpanId: '',
      kind: SpanKind.INTERNAL,
      failed: fetched.some(({ missing }) => missing),
      startUs: atUs,
      durationUs: Math.round(endMs * 1000),
    },
    call(answerSpanOf(id), host, { fromMs: askedMs, toMs: askedMs + of(ANSWER), failed: false }),
    ...fetched.map(({ url, startMs, durationMs, missing }, i) =>
      call(`${id}:${i}`, hostOfUrl(url) || host, { fromMs: startMs, toMs: startMs + durationMs, failed: missing }),
    ),
  ];
}
