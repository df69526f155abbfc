import { holderOf, type TraceSpan } from './trace-span';

/** Calls from one component to another in some traces. */
export interface Hop {
  /** '' for what begins a trace */
  from: string;
  to: string;
  calls: number;
  failed: number;
  /** of all calls together, microseconds, waiting for others included */
  totalUs: number;
  longestUs: number;
  /** traces with such a call */
  traces: number;
  /** steps below the begin of a trace, mean over the calls */
  depth: number;
}

/**
 * Which component calls which, from the spans of traces. Work inside a component is no hop; a call that left a span on
 * both sides is one hop; one whose other side sends nothing goes to whom it names.
 *
 * @returns in order of depth, then of calls
 */
export function hopsOf(traces: readonly (readonly TraceSpan[])[]): Hop[] {
  const hops = new Map<string, Hop & { depths: number; seenIn: number }>();
  traces.forEach((spans, t) => {
    const byId = new Map(spans.map((span) => [span.spanId, span]));
    const parents = new Set(spans.map(({ parentSpanId }) => parentSpanId));
    for (const span of spans) {
      const parent = byId.get(span.parentSpanId);
      const to = holderOf(span, parents.has(span.spanId));
      const from = parent?.component ?? '';
      if (from === to) continue;
      const key = JSON.stringify([from, to]);
      let hop = hops.get(key);
      if (!hop)
        hops.set(
          key,
          (hop = {
            from,
            to,
            calls: 0,
            failed: 0,
            totalUs: 0,
            longestUs: 0,
            traces: 0,
            depth: 0,
            depths: 0,
            seenIn: -1,
          }),
        );
      hop.calls++;
      if (span.failed) hop.failed++;
      hop.totalUs += span.durationUs;
      hop.longestUs = Math.max(hop.longestUs, span.durationUs);
      hop.depths += depthOf(span, byId);
      if (hop.seenIn !== t) hop.traces++;
      hop.seenIn = t;
    }
  });
  return [...hops.values()]
    .map(({ depths, seenIn: _seenIn, ...hop }) => ({ ...hop, depth: depths / hop.calls }))
    .sort((a, b) => a.depth - b.depth || b.calls - a.calls || a.from.localeCompare(b.from) || a.to.localeCompare(b.to));
}

/** How many components lie above a span. Parents that go in a circle end the walk. */
function depthOf(span: TraceSpan, byId: ReadonlyMap<string, TraceSpan>): number {
  let depth = 0;
  const seen = new Set<string>([span.spanId]);
  for (
    let at = span, parent = byId.get(at.parentSpanId);
    parent && !seen.has(parent.spanId);
    at = parent, parent = byId.get(at.parentSpanId)
  ) {
    seen.add(parent.spanId);
    if (parent.component !== at.component) depth++;
  }
  return depth;
}
