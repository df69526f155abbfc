/** A span as far as its part of the time needs it; times in microseconds on one clock. */
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

/** Microseconds during which at least one of the spans runs. */
export function unionUs(spans: readonly Pick<TimedSpan, 'startUs' | 'durationUs'>[]): number {
  let covered = 0;
  let reached = -Infinity;
  for (const { startUs, durationUs } of [...spans].sort((a, b) => a.startUs - b.startUs)) {
    const from = Math.max(reached, startUs);
    const to = startUs + durationUs;
    if (to <= from) continue;
    covered += to - from;
    reached = to;
  }
  return covered;
}
