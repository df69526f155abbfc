import { harmPerHour } from '@toplens/core/incidents';
import { DAY_MS } from '@toplens/core/time';
import { describe, rootOf } from '../harm/describe';
import { sharedWindow } from '../harm/bills';
import { judgedIn } from '../harm/judged';
import { levelOf } from '../harm/levels';
import { proposalFor } from '../harm/proposal';
import type { EngineState } from '../state/engine-state';
import type { PastIncident } from '../state/questions';

/** Incidents of the last days with what each did, newest first: what rules of alerts are tried on. */
export async function pastIncidents(state: EngineState, { days }: { days: number }): Promise<PastIncident[]> {
  const window = { fromMs: state.judgedMs - days * DAY_MS, toMs: state.judgedMs };
  const judged = await judgedIn(state, window, Infinity);
  const told = await Promise.all(
    judged.map(async (one): Promise<PastIncident> => ({
      kind: 'incident',
      id: `incident-${one.id}`,
      title: (await describe(state, one, window)).title,
      application: state.names.flow(rootOf(one.incident).flow).application,
      team: proposalFor(state, one.incident)?.team ?? '',
      path: `/incident/${one.id}`,
      sinceMs: one.incident.onsetMs,
      points: harmPerHour(one.bill, sharedWindow(one.incident, window)),
      people: one.bill.people.estimate,
      level: levelOf(one.incident),
      priority: '',
    })),
  );
  return told.sort((a, b) => b.sinceMs - a.sinceMs);
}
