/** The trace that is under way where this is called. */
export interface ActiveTrace {
  traceId: string;
  spanId: string;
}

/**
 * Where the API of OpenTelemetry keeps what is set for a process, and the active span in a context: `@opentelemetry/api`
 * 1.x, `src/internal/global-utils.ts` and `src/trace/context-utils.ts`. Read there, so that a service without it needs
 * nothing.
 */
const API = Symbol.for('opentelemetry.js.api.1');
const SPAN = Symbol.for('OpenTelemetry Context Key SPAN');

interface Api {
  context?: { active(): { getValue(key: symbol): unknown } };
}

export function activeTrace(): ActiveTrace | undefined {
  try {
    const api = (globalThis as Record<symbol, unknown>)[API] as Api | undefined;
    const span = api?.context?.active().getValue(SPAN) as { spanContext(): ActiveTrace } | undefined;
    if (!span) return undefined;
    const { traceId, spanId } = span.spanContext();
    return { traceId, spanId };
  } catch {
    return undefined;
  }
}
