import type { Window } from '../time';
import type { Tally } from './service-promise';

/** Bad attempts of a flow in a step of time. */
export interface BadStep {
  flow: number;
  startMs: number;
  tally: Tally;
}

/** Trouble that may have spent a budget: when it went on, in which flows. */
export interface Spender extends Window {
  id: number;
  flows: ReadonlySet<number>;
}

/**
 * Who spent a budget: of the bad attempts in a flow and time in which incidents went on, what lies beyond the usual
 * share is theirs, in equal parts where several went on at once; what no incident explains is told apart.
 *
 * @param usualShare of bad attempts outside of incidents; told by `usualBadShare`
 * @returns bad attempts by incident, and the rest: together all of them
 */
export function spentBy(
  steps: readonly BadStep[],
  spenders: readonly Spender[],
  usualShare: number,
): { byIncident: Map<number, number>; unexplained: number } {
  const byIncident = new Map<number, number>();
  let unexplained = 0;
  for (const { flow, startMs, tally } of steps) {
    const bad = tally.valid - tally.good;
    const on = spenders.filter((one) => one.flows.has(flow) && startMs >= one.fromMs && startMs < one.toMs);
    const theirs = on.length === 0 ? 0 : Math.max(0, bad - usualShare * tally.valid);
    unexplained += bad - theirs;
    for (const { id } of on) byIncident.set(id, (byIncident.get(id) ?? 0) + theirs / on.length);
  }
  return { byIncident, unexplained };
}

/** Share of bad attempts while no incident went on; 0 when one always did. */
export function usualBadShare(steps: readonly BadStep[], spenders: readonly Spender[]): number {
  let [valid, bad] = [0, 0];
  for (const { flow, startMs, tally } of steps) {
    if (spenders.some((one) => one.flows.has(flow) && startMs >= one.fromMs && startMs < one.toMs)) continue;
    valid += tally.valid;
    bad += tally.valid - tally.good;
  }
  return valid === 0 ? 0 : bad / valid;
}
