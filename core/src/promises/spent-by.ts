import type { Window } from '../time';
import type { StepTable } from './step-table';

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
  steps: StepTable,
  spenders: readonly Spender[],
  usualShare: number,
): { byIncident: Map<number, number>; unexplained: number } {
  const byIncident = new Map<number, number>();
  const onIn = spendersOn(spenders);
  let unexplained = 0;
  for (let at = 0; at < steps.n; at++) {
    const valid = steps.valid[at] as number;
    const bad = valid - (steps.good[at] as number);
    if (bad === 0) continue;
    const on = onIn(steps.flow[at] as number, steps.startMs[at] as number);
    const theirs = on.length === 0 ? 0 : Math.max(0, bad - usualShare * valid);
    unexplained += bad - theirs;
    for (const { id } of on) byIncident.set(id, (byIncident.get(id) ?? 0) + theirs / on.length);
  }
  return { byIncident, unexplained };
}

/** Share of bad attempts while no incident went on; 0 when one always did. */
export function usualBadShare(steps: StepTable, spenders: readonly Spender[]): number {
  let [valid, bad] = [0, 0];
  const onIn = spendersOn(spenders);
  for (let at = 0; at < steps.n; at++) {
    if (onIn(steps.flow[at] as number, steps.startMs[at] as number).length > 0) continue;
    valid += steps.valid[at] as number;
    bad += (steps.valid[at] as number) - (steps.good[at] as number);
  }
  return valid === 0 ? 0 : bad / valid;
}

const NOBODY: readonly Spender[] = [];

/** Asks which incidents go on in a flow at a time: of months of steps and many incidents few are looked at. */
export function spendersOn(spenders: readonly Spender[]): (flow: number, timeMs: number) => readonly Spender[] {
  const byFlow = new Map<number, Spender[]>();
  for (const spender of spenders)
    for (const flow of spender.flows) {
      const known = byFlow.get(flow);
      if (known) known.push(spender);
      else byFlow.set(flow, [spender]);
    }
  return (flow, timeMs) => {
    const own = byFlow.get(flow);
    return own ? own.filter(({ fromMs, toMs }) => timeMs >= fromMs && timeMs < toMs) : NOBODY;
  };
}
