import type { StoredIncident } from '@toplens/core/incidents';
import { LEVELS, type Level } from '@toplens/core/normal';
import type { Window } from '@toplens/core/time';
import { sliceOf } from '../reading/focus';
import type { EngineState } from '../state/engine-state';
import type { Focus } from '../state/questions';
import { hurtsSomebody, judgedIn } from './judged';

export const levelOf = (incident: StoredIncident): Level =>
  incident.parts.reduce<Level>(
    (worst, part) => (LEVELS.indexOf(part.level) > LEVELS.indexOf(worst) ? part.level : worst),
    'calm',
  );

/** The worst level of any incident of the window, by flow. */
export const levelsIn = (state: EngineState, window: Window): Map<number, Level> =>
  worstByFlow(state.register.within(window));

/** The same of what a filter leaves: an incident that hurts nobody there makes no level. */
export async function levelsFor(state: EngineState, window: Window, focus: Focus): Promise<Map<number, Level>> {
  if (!sliceOf(state, focus)) return levelsIn(state, window);
  const judged = await judgedIn(state, window, Infinity, focus);
  return worstByFlow(judged.filter(hurtsSomebody).map(({ incident }) => incident));
}

function worstByFlow(incidents: readonly StoredIncident[]): Map<number, Level> {
  const levels = new Map<number, Level>();
  for (const incident of incidents)
    for (const part of incident.parts) {
      const level = levelOf({ ...incident, parts: [part] });
      if (LEVELS.indexOf(level) > LEVELS.indexOf(levels.get(part.flow) ?? 'calm')) levels.set(part.flow, level);
    }
  return levels;
}
