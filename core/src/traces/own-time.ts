/** A span as far as own time needs it; times in microseconds on one clock. */
export interface TimedSpan {
  spanId: string;
  parentSpanId: string;
  component: string;
  startUs: number;
  durationUs: number;
  failed: boolean;
}

/**
 * Own time of each component in one attempt: duration of a span minus the union of its children (parallel children are
 * not counted twice; what a child does after its parent's end belongs to the child alone).
 *
 * @returns microseconds by component
 * @example parent 0–100, children 10–40 and 30–60 → parent 50, children 30 and 30
 */
export function ownTimes(spans: readonly TimedSpan[]): Map<string, number> {
  const children = new Map<string, TimedSpan[]>();
  for (const span of spans) {
    const siblings = children.get(span.parentSpanId);
    if (siblings) siblings.push(span);
    else children.set(span.parentSpanId, [span]);
  }
  const own = new Map<string, number>();
  for (const span of spans) {
    const covered = unionWithin({ startUs: span.startUs, endUs: span.startUs + span.durationUs }, children.get(span.spanId) ?? []);
    own.set(span.component, (own.get(span.component) ?? 0) + span.durationUs - covered);
  }
  return own;
}

/** From and to, microseconds. */
export interface Stretch {
  fromUs: number;
  toUs: number;
}

/** Microseconds of the bounds during which at least one of the spans runs. */
export function unionWithin(bounds: { startUs: number; endUs: number }, spans: readonly Pick<TimedSpan, 'startUs' | 'durationUs'>[]): number {
  let covered = 0;
  let reached = bounds.startUs;
  for (const span of [...spans].sort((a, b) => a.startUs - b.startUs)) {
    const from = Math.max(reached, span.startUs);
    const to = Math.min(bounds.endUs, span.startUs + span.durationUs);
    if (to <= from) continue;
    covered += to - from;
    reached = to;
  }
  return covered;
}

/** Component of the deepest failing span; `undefined` when none failed. */
export function deepestFailing(spans: readonly TimedSpan[]): string | undefined {
  const byId = new Map(spans.map((span) => [span.spanId, span]));
  const depth = (span: TimedSpan) => {
    let steps = 0;
    for (let at: TimedSpan | undefined = span; at && steps <= spans.length; at = byId.get(at.parentSpanId)) steps++;
    return steps;
  };
  const failing = spans.filter((span) => span.failed).sort((a, b) => depth(b) - depth(a) || a.startUs - b.startUs);
  return failing[0]?.component;
}

export interface ComponentShare {
  component: string;
  /** share of the added time, or of the failing attempts, 0 to 1 */
  share: number;
  by: 'time' | 'failures';
  /** attempts looked at */
  attempts: number;
}

/** The component that holds most of the time, or most of the failures, of the attempts gone wrong. */
export function heaviestComponent(attempts: readonly (readonly TimedSpan[])[], by: 'time' | 'failures'): ComponentShare | undefined {
  const weights = new Map<string, number>();
  let total = 0;
  for (const spans of attempts) {
    if (by === 'failures') {
      const component = deepestFailing(spans);
      if (component === undefined) continue;
      weights.set(component, (weights.get(component) ?? 0) + 1);
      total++;
      continue;
    }
    for (const [component, us] of ownTimes(spans)) {
      weights.set(component, (weights.get(component) ?? 0) + us);
      total += us;
    }
  }
  const [first] = [...weights].sort((a, b) => b[1] - a[1] || a[0].localeCompare(b[0]));
  return first && total > 0 ? { component: first[0], share: first[1] / total, by, attempts: attempts.length } : undefined;
}
