import { proposeTeam, type ProposedTeam } from '@toplens/core/handoffs';
import type { StoredIncident } from '@toplens/core/incidents';
import { isWholeApplication, rootOf } from './describe';
import type { EngineState } from '../state/engine-state';

/** The team that the ownership rules name for an incident, with the reason. */
export function proposalFor(state: EngineState, incident: StoredIncident): ProposedTeam | undefined {
  const flow = state.names.flow(rootOf(incident).flow);
  const component = incident.component?.name;
  return proposeTeam(state.settings.at().ownership, {
    application: flow.application,
    ...(!isWholeApplication(state, incident) && { flow: flow.name }),
    ...(component !== undefined && { component }),
  });
}
