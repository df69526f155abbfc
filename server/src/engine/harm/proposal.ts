import { proposeTeam, type ProposedTeam } from '@toplens/core/handoffs';
import type { StoredIncident } from '@toplens/core/incidents';
import { isWholeApplication, rootOf } from './describe';
import type { World } from '../state/world';

/** The team that the ownership rules name for an incident, with the reason. */
export function proposalFor(world: World, incident: StoredIncident): ProposedTeam | undefined {
  const flow = world.names.flow(rootOf(incident).flow);
  const component = incident.component?.name;
  return proposeTeam(world.settings.file.ownership, {
    application: flow.application,
    ...(!isWholeApplication(world, incident) && { flow: flow.name }),
    ...(component !== undefined && { component }),
  });
}
