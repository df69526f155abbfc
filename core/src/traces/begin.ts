import type { TraceSpan } from './trace-span';

/**
 * The span in which an attempt really began: a browser's or a phone's call has the server's entry as its child. The
 * topmost span above the entry that is known; the entry itself where nothing is above it.
 */
export function beginOf(spans: readonly Pick<TraceSpan, 'spanId' | 'parentSpanId'>[], entryId: string): string {
  const byId = new Map(spans.map((span) => [span.spanId, span]));
  const seen = new Set<string>();
  let id = entryId;
  for (;;) {
    seen.add(id);
    const parentId = byId.get(id)?.parentSpanId ?? '';
    if (!byId.has(parentId) || seen.has(parentId)) return id;
    id = parentId;
  }
}
