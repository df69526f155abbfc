/** A span as far as own time needs it; times in microseconds on one clock. */
export interface TimedSpan {
  spanId: string;
  parentSpanId: string;
  component: string;
  startUs: number;
  durationUs: number;
  failed: boolean;
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
