import { median } from '../stats';
import { SpanKind } from '../telemetry';
import type { TraceSpan } from './trace-span';

/** Offsets within which a callee's clock agrees with its caller's, microseconds. */
interface Bounds {
  low: number;
  high: number;
  middles: number[];
}

/**
 * How far the clock of each host lies behind that of the attempt's first host, microseconds to be added to its times.
 * What was waited for cannot begin before its call nor end after it: each call between two hosts bounds the offset
 * between them (the bounds of round-trip time: Cristian 1989, from memory). Clocks that fit stay as they are; others go
 * to the middle of what all calls allow. Messages bound one side only: they are consumed after they were sent.
 *
 * @returns hosts that are off; those not named need nothing
 */
export function clockOffsets(spans: readonly TraceSpan[]): Map<string, number> {
  const byId = new Map(spans.map((span) => [span.spanId, span]));
  const pairs = new Map<string, Map<string, Bounds>>();
  for (const callee of spans) {
    const caller = byId.get(callee.parentSpanId);
    if (!caller || caller.host === '' || callee.host === '' || caller.host === callee.host) continue;
    const bounds = boundsOf(caller, callee);
    if (!bounds) continue;
    narrow(pairs, caller.host, callee.host, bounds);
    narrow(pairs, callee.host, caller.host, { low: -bounds.high, high: -bounds.low });
  }
  const offsets = new Map<string, number>();
  for (const root of spans) {
    if (byId.has(root.parentSpanId) || root.host === '' || offsets.has(root.host)) continue;
    offsets.set(root.host, 0);
    const open = [root.host];
    for (let host = open.shift(); host !== undefined; host = open.shift())
      for (const [other, bounds] of pairs.get(host) ?? []) {
        if (offsets.has(other)) continue;
        offsets.set(other, (offsets.get(host) as number) + offsetWithin(bounds));
        open.push(other);
      }
  }
  return new Map([...offsets].filter(([, us]) => us !== 0));
}

function boundsOf(caller: TraceSpan, callee: TraceSpan): { low: number; high: number } | undefined {
  const low = caller.startUs - callee.startUs;
  if (callee.kind === SpanKind.CONSUMER || caller.kind === SpanKind.PRODUCER) return { low, high: Infinity };
  const high = caller.startUs + caller.durationUs - (callee.startUs + callee.durationUs);
  // A callee that takes longer than its call was not waited for: only its begin tells something.
  return high < low ? { low, high: Infinity } : { low, high };
}

function narrow(
  pairs: Map<string, Map<string, Bounds>>,
  from: string,
  to: string,
  { low, high }: { low: number; high: number },
): void {
  let others = pairs.get(from);
  if (!others) pairs.set(from, (others = new Map<string, Bounds>()));
  let bounds = others.get(to);
  if (!bounds) others.set(to, (bounds = { low: -Infinity, high: Infinity, middles: [] }));
  bounds.low = Math.max(bounds.low, low);
  bounds.high = Math.min(bounds.high, high);
  bounds.middles.push(
    Number.isFinite(low) && Number.isFinite(high) ? (low + high) / 2 : Number.isFinite(low) ? low : high,
  );
}

function offsetWithin({ low, high, middles }: Bounds): number {
  if (low <= 0 && high >= 0) return 0;
  if (low > high) return Math.round(median(middles) as number);
  if (Number.isFinite(low) && Number.isFinite(high)) return Math.round((low + high) / 2);
  return Math.round(Number.isFinite(low) ? low : high);
}

/** The same spans on one clock. */
export const onOneClock = <Span extends TraceSpan>(
  spans: readonly Span[],
  offsets: ReadonlyMap<string, number>,
): Span[] =>
  offsets.size === 0
    ? [...spans]
    : spans.map((span) => ({ ...span, startUs: span.startUs + (offsets.get(span.host) ?? 0) }));
