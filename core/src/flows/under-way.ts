/** Steps of equal length, and in each the time that attempts spent in it, milliseconds. */
export interface UnderWay {
  startMs: number;
  stepMs: number;
  spentMs: Float64Array;
}

/** Counts an attempt in all the steps that it ran through, also where it began before the first of them. */
export function addUnderWayInPlace({ startMs, stepMs, spentMs }: UnderWay, beganMs: number, durationMs: number): void {
  const endMs = beganMs + durationMs;
  const first = Math.max(0, Math.floor((beganMs - startMs) / stepMs));
  for (let step = first; step < spentMs.length; step++) {
    const fromMs = startMs + step * stepMs;
    if (endMs <= fromMs) return;
    spentMs[step] = (spentMs[step] as number) + Math.min(endMs, fromMs + stepMs) - Math.max(beganMs, fromMs);
  }
}

/**
 * How many attempts were under way at once, on average over each step: the time spent in a step over its length.
 * Over long steps this is L = λW, the rate times the mean time in the system (J. D. C. Little, "A proof for the queuing
 * formula", Operations Research 9(3), 1961).
 */
export const underWay = ({ stepMs, spentMs }: UnderWay): number[] => Array.from(spentMs, (ms) => ms / stepMs);
