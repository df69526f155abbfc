import type { StoredIncident } from '@toplens/core/incidents';
import { LEVELS, type Level } from '@toplens/core/normal';
import type { Window } from '@toplens/core/time';
import type { EngineState } from '../state/engine-state';

export const levelOf = (incident: StoredIncident): Level =>
  incident.parts.reduce<Level>(
    (worst, part) => (LEVELS.indexOf(part.level) > LEVELS.indexOf(worst) ? part.level : worst),
    'calm',
  );

/** The worst level of any incident of the window, by flow. */
export function levelsIn(state: EngineState, window: Window): Map<number, Level> {
  const levels = new Map<number, Level>();
  for (const incident of state.register.within(window))
    for (const part of incident.parts) {
      const level = levelOf({ ...incident, parts: [part] });
      if (LEVELS.indexOf(level) > LEVELS.indexOf(levels.get(part.flow) ?? 'calm')) levels.set(part.flow, level);
    }
  return levels;
}
