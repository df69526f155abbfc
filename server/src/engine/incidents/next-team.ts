import type { ProposedTeam } from '@toplens/core/handoffs';
import type { StoredIncident } from '@toplens/core/incidents';
import { returnedBy } from '../../store/handoffs';
import { billOf } from '../harm/bills';
import { describe } from '../harm/describe';
import { proposalAfter, proposalFor } from '../harm/proposal';
import { NO_FOCUS } from '../reading/focus';
import type { EngineState } from '../state/engine-state';

/** Who should get an incident now, after those who gave it back: by all that it was, whatever window is looked at. */
export async function teamFor(state: EngineState, incident: StoredIncident): Promise<ProposedTeam | null> {
  const gaveBack = (await returnedBy(state.database, incident.id)).get(incident.id) ?? [];
  if (gaveBack.length === 0) return proposalFor(state, incident) ?? null;
  const window = { fromMs: incident.onsetMs, toMs: incident.endMs };
  const bill = await billOf(state, incident, { window, focus: NO_FOCUS, ratesAtMs: window.toMs });
  const { onlySite } = await describe(state, { incident, bill }, window);
  return (await proposalAfter(state, incident, gaveBack, onlySite)) ?? null;
}

/** The same of an incident by its number; null for one that is not there any more. */
export async function nextTeam(state: EngineState, { id }: { id: number }): Promise<ProposedTeam | null> {
  const incident = state.register.get(id);
  return incident && !incident.withdrawn ? teamFor(state, incident) : null;
}
