import { hangLimitMs, type Outcome } from '@toplens/core/flows';
import { limitsAt, SLOT_MS, type FlowNormal } from '@toplens/core/normal';
import { createHistogram, recordInPlace, type LogHistogram } from '@toplens/core/stats';
import { FAILED, PROBE, type AttemptColumns, type Dimension } from '@toplens/core/telemetry';
import { floorTo, type Window } from '@toplens/core/time';
import type { EngineState } from '../state/engine-state';

/** What a flow's attempts in a window came to. */
export interface FlowSums {
  attempts: number;
  failed: number;
  /** durations of the attempts that did not fail */
  durations: LogHistogram;
  totalMs: number;
  maxMs: number;
  outcomes: Record<Outcome, number>;
  people: number;
  hurt: number;
}

export const noSums = (): FlowSums => ({
  attempts: 0,
  failed: 0,
  durations: createHistogram(),
  totalMs: 0,
  maxMs: 0,
  outcomes: { onTime: 0, late: 0, hung: 0, failed: 0 },
  people: 0,
  hurt: 0,
});

/** A flow's attempts among a run of rows. */
export interface FlowRows {
  flow: number;
  window: Window;
  rows: AttemptColumns;
  from: number;
  to: number;
  conditions: readonly [Dimension, number][];
}

/**
 * Adds a flow's attempts among some rows. @param meet who made an attempt, and whether it went wrong
 */
export function addRows(
  sums: FlowSums,
  state: EngineState,
  { flow, window, rows, from, to, conditions }: FlowRows,
  meet: (person: number, isHurt: boolean) => void,
): void {
  const { startMs, durationMs, flags, person, site, flow: flows } = rows;
  const [first, second] = conditions;
  const firstColumn = first && rows[first[0]];
  const secondColumn = second && rows[second[0]];
  const others = conditions.slice(2);
  let slotMs = NaN;
  let normal: FlowNormal | undefined;
  let limitMs = Infinity;
  let hangMs = Infinity;
  for (let i = from; i < to; i++) {
    // As `eachRow` does, written out: a table over ten million rows spends its time here.
    if (firstColumn && firstColumn[i] !== first[1]) continue;
    if (secondColumn && secondColumn[i] !== second[1]) continue;
    const atMs = startMs[i] as number;
    if (flows[i] !== flow || atMs < window.fromMs || atMs >= window.toMs || (flags[i] as number) & PROBE) continue;
    if (others.length > 0 && others.some(([dimension, number]) => rows[dimension][i] !== number)) continue;
    const isSameSlot = atMs >= slotMs && atMs < slotMs + SLOT_MS;
    if (!normal || !isSameSlot) {
      slotMs = floorTo(atMs, SLOT_MS);
      normal = state.history.normalAt(flow, slotMs);
    }
    if (!isSameSlot || normal.sites.size > 0) {
      limitMs = limitsAt(normal, site[i] as number).limitMs ?? Infinity;
      hangMs = hangLimitMs(limitMs);
    }
    const took = durationMs[i] as number;
    sums.attempts++;
    let isHurt = true;
    if ((flags[i] as number) & FAILED) sums.failed++;
    else {
      recordInPlace(sums.durations, took);
      sums.totalMs += took;
      if (took > sums.maxMs) sums.maxMs = took;
      if (took <= limitMs) {
        sums.outcomes.onTime++;
        isHurt = false;
      } else if (took > hangMs) sums.outcomes.hung++;
      else sums.outcomes.late++;
    }
    meet(person[i] as number, isHurt);
  }
}
