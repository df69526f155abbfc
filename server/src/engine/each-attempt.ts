import { PROBE, type AttemptColumns } from '@toplens/core/telemetry';
import { HOUR_MS, type Window } from '@toplens/core/time';
import type { World } from './world';

/** Single attempts of longer windows are not walked: that would take long. */
export const LONGEST_SCAN_MS = 26 * HOUR_MS;

/**
 * Walks the attempts of a window, without probes.
 *
 * @param flows all flows when `undefined`
 * @param holds tells the rows of a slice; all when `undefined`
 */
export function eachAttempt(
  world: World,
  window: Window,
  flows: ReadonlySet<number> | undefined,
  holds: ((rows: AttemptColumns, row: number) => boolean) | undefined,
  see: (rows: AttemptColumns, row: number) => void,
): Promise<void> {
  return world.hours.visit(window, flows, (rows, from, to) => {
    for (let i = from; i < to; i++) {
      const startMs = rows.startMs[i] as number;
      if (startMs < window.fromMs || startMs >= window.toMs || (rows.flags[i] as number) & PROBE) continue;
      if ((flows && !flows.has(rows.flow[i] as number)) || (holds && !holds(rows, i))) continue;
      see(rows, i);
    }
  });
}
