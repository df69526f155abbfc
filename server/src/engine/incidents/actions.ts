import type { StoredIncident } from '@toplens/core/incidents';
import { addDecision, saveIncident } from '../../store/incidents';
import type { EngineState } from '../state/engine-state';
import type { Action, ActionResult } from '../state/questions';

/** Carries a decision out and keeps it with who and when. */
export async function act(state: EngineState, action: Action): Promise<ActionResult> {
  let changed: StoredIncident[];
  let detail = '';
  try {
    switch (action.what) {
      case 'join':
        changed = [state.register.join(action.id, action.into)];
        detail = `incident ${action.id} into ${changed[0]?.joinedInto}`;
        break;
      case 'unjoin':
        changed = [state.register.unjoin(action.id)];
        detail = `incident ${action.id} stands alone again`;
        break;
      case 'split':
        changed = state.register.split(action.id, new Set(action.flows));
        detail = `incident ${changed[1]?.id} with ${action.flows.map((flow) => state.names.flow(flow).name).join(', ')}`;
        break;
      case 'setAside':
        changed = [
          state.register.setAside(action.id, { reason: action.reason, by: action.who, untilMs: action.untilMs }),
        ];
        detail = `${action.reason}, until ${new Date(action.untilMs).toISOString().slice(0, 16).replace('T', ' ')} UTC`;
        break;
      case 'takeBack':
        changed = [state.register.setAside(action.id, null)];
        break;
    }
  } catch (error) {
    if (error instanceof RangeError) return { ok: false, why: error.message };
    throw error;
  }
  // The incident that stays is written before those that point to it.
  const first = changed[0] as StoredIncident;
  const shownIn = state.register.get(first.id)?.id ?? first.id;
  const told = new Set([first.id, shownIn]);
  await state.database.transaction([
    ...changed.map(saveIncident),
    ...[...told].map((id) => addDecision(id, { who: action.who, what: action.what, detail })),
  ]);
  state.version++;
  return { ok: true, id: shownIn };
}
