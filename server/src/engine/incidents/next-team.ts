import type { ProposedTeam } from '@toplens/core/handoffs';
import type { Window } from '@toplens/core/time';
import { returnedBy } from '../../store/handoffs';
import { billOf, windowOf } from '../harm/bills';
import { describe } from '../harm/describe';
import { judgedIn, type Judged } from '../harm/judged';
import { proposalAfter, proposalFor } from '../harm/proposal';
import { NO_FOCUS } from '../reading/focus';
import { resolveWindow } from '../reading/windows';
import type { EngineState } from '../state/engine-state';

/** Who should get an incident now, after those who gave it back. */
export async function teamFor(
  state: EngineState,
  judged: Pick<Judged, 'incident' | 'bill'>,
  window: Window,
): Promise<ProposedTeam | null> {
  const { incident } = judged;
  const gaveBack = (await returnedBy(state.database, incident.id)).get(incident.id) ?? [];
  if (gaveBack.length === 0) return proposalFor(state, incident) ?? null;
  const { onlySite } = await describe(state, judged, window);
  return (await proposalAfter(state, incident, gaveBack, onlySite)) ?? null;
}

/** The same of an incident by its number, in the window that a brief told of. */
export async function nextTeam(
  state: EngineState,
  { id, window: asked }: { id: number; window: Window },
): Promise<ProposedTeam | null> {
  const incident = state.register.get(id);
  if (!incident || incident.withdrawn) return null;
  const window = windowOf(incident, resolveWindow(state, asked));
  const judged = (await judgedIn(state, window, window.toMs)).find((one) => one.id === incident.id);
  const bill = judged?.bill ?? (await billOf(state, incident, { window, focus: NO_FOCUS, ratesAtMs: window.toMs }));
  return teamFor(state, { incident, bill }, window);
}
