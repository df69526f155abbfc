import { PROBE, type AttemptColumns, type Dimension } from '@toplens/core/telemetry';
import { DAY_MS, HOUR_MS, type Window } from '@toplens/core/time';
import type { World } from '../state/world';

/** Single attempts of longer windows are not walked: that would take long. */
export const LONGEST_SCAN_MS = 26 * HOUR_MS;

/** The part of a window of which single attempts are walked: the window itself, or the last day of a long one. */
export const walkedPart = (window: Window): Window =>
  window.toMs - window.fromMs > LONGEST_SCAN_MS ? { fromMs: window.toMs - DAY_MS, toMs: window.toMs } : window;

/**
 * Walks the attempts of a window, without probes.
 *
 * @param flows all flows when `undefined`
 * @param conditions of the slice (`conditionsOf`): all must hold
 */
export function eachAttempt(
  world: World,
  window: Window,
  flows: ReadonlySet<number> | undefined,
  conditions: readonly [Dimension, number][],
  see: (rows: AttemptColumns, row: number) => void,
): Promise<void> {
  return world.hours.visit(window, flows, (rows, from, to) => eachRow(rows, from, to, window, flows, conditions, see));
}

/** The same within a run of rows. */
export function eachRow(
  rows: AttemptColumns,
  from: number,
  to: number,
  window: Window,
  flows: ReadonlySet<number> | undefined,
  conditions: readonly [Dimension, number][],
  see: (rows: AttemptColumns, row: number) => void,
): void {
  const { startMs, flags, flow } = rows;
  const [first] = conditions;
  const others = conditions.slice(1);
  const firstColumn = first && rows[first[0]];
  for (let i = from; i < to; i++) {
    // What rejects most is asked first.
    if (firstColumn && firstColumn[i] !== first[1]) continue;
    if ((startMs[i] as number) < window.fromMs || (startMs[i] as number) >= window.toMs || (flags[i] as number) & PROBE) continue;
    if (others.length > 0 && others.some(([dimension, number]) => rows[dimension][i] !== number)) continue;
    if (!flows || flows.has(flow[i] as number)) see(rows, i);
  }
}
