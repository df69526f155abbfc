import { proposeNext, proposeTeam, type ProposedTeam, type ReturnedBy } from '@toplens/core/handoffs';
import type { StoredIncident } from '@toplens/core/incidents';
import { originOf } from '../reading/origin';
import { isWholeApplication, rootOf } from './describe';
import type { EngineState } from '../state/engine-state';

/** The team that the ownership rules name for an incident, with the reason. */
export function proposalFor(state: EngineState, incident: StoredIncident): ProposedTeam | undefined {
  return proposeTeam(state.settings.at().ownership, subjectOf(state, incident, incident.component?.name));
}

/** The same after teams returned it: the owner of the next likely origin, and of the flow when none is left. */
export async function proposalAfter(
  state: EngineState,
  incident: StoredIncident,
  returned: readonly ReturnedBy[],
  onlySite: string | undefined,
): Promise<ProposedTeam | undefined> {
  const origin = await originOf(state, rootOf(incident));
  const components = [
    incident.component?.name,
    ...(origin?.candidates ?? []).map(({ component }) => component),
    // Where one site alone is hit it may be its line.
    ...(onlySite === undefined ? [] : [`line of ${onlySite}`]),
  ];
  const subjects = [...new Set([...components.filter((name) => name !== undefined), undefined])].map((component) =>
    subjectOf(state, incident, component),
  );
  return proposeNext(state.settings.at().ownership, subjects, returned);
}

function subjectOf(state: EngineState, incident: StoredIncident, component: string | undefined) {
  const flow = state.names.flow(rootOf(incident).flow);
  return {
    application: flow.application,
    ...(!isWholeApplication(state, incident) && { flow: flow.name }),
    ...(component !== undefined && { component }),
  };
}
