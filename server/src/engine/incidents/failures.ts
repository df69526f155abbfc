import { maskText } from '@toplens/core/masking';
import { rootParts, type StoredIncident } from '@toplens/core/incidents';
import { MINUTE_MS, type Window } from '@toplens/core/time';
import type { IncidentShape } from '../../contract/incidents';
import { failurePlaces } from '../../store/failures';
import { conditionsOf } from '../reading/focus';
import type { EngineState } from '../state/engine-state';
import type { Focus } from '../state/questions';

/** Enough attempts to tell what they share; the newest, of the last half hour of the incident. */
const LOOK = 2_000;
const LOOK_MS = 30 * MINUTE_MS;
const MOST = 4;

/** What an incident's failing attempts have in common: what was thrown, and at which place of the code. */
export async function failuresIn(
  state: EngineState,
  incident: StoredIncident,
  { fromMs, toMs }: Window,
  focus: Focus,
): Promise<IncidentShape['failures']> {
  const flows = rootParts(incident.parts).flatMap(({ flow, signal }) => (signal === 'failing' ? [flow] : []));
  if (flows.length === 0) return [];
  const rows = await failurePlaces(state.database, {
    flows,
    window: { fromMs: Math.max(fromMs, toMs - LOOK_MS), toMs },
    conditions: conditionsOf(state, focus),
    look: LOOK,
    most: MOST,
  });
  return rows.map(({ component, failure, class_name, method, file, line, message, ...counts }) => ({
    component: state.names.text(component),
    type: state.names.text(failure),
    className: class_name,
    method,
    file,
    line,
    message: maskText(message),
    ...counts,
  }));
}
