import { proposeTeam } from '@toplens/core/handoffs';
import { changeWords, originReasons, originTrust } from '@toplens/core/incidents';
import type { Deviation } from '@toplens/core/normal';
import type { Window } from '@toplens/core/time';
import type { OriginShape, OutageShape } from '../../contract/incidents';
import { flowsThrough } from '../../store/traces';
import { levelsIn } from '../harm/levels';
import { originOf } from '../reading/origin';
import { outageOf } from '../reading/outage';
import { calmOf } from '../reading/learning';
import { PerVersion } from '../state/per-version';
import type { EngineState } from '../state/engine-state';

const MOST_CANDIDATES = 5;

/** The likely origin as people see it: candidates with reasons, the way down, and who else depends on the first. */
export async function originShape(state: EngineState, root: Deviation, window: Window): Promise<OriginShape | null> {
  const origin = await originOf(state, root);
  if (!origin || origin.bad === 0) return null;
  const { application } = state.names.flow(root.flow);
  const { ownership } = state.settings.at();
  const [first] = origin.candidates;
  return {
    candidates: origin.candidates.slice(0, MOST_CANDIDATES).map((candidate) => ({
      component: candidate.component,
      score: candidate.score,
      reasons: originReasons(candidate, origin, root.onsetMs),
      team: proposeTeam(ownership, { application, component: candidate.component })?.team ?? null,
    })),
    changes: origin.changes.map((change) => changeWords(change, root.onsetMs)),
    second: origin.second,
    trust: originTrust(origin) ?? null,
    rungs: origin.rungs,
    bad: origin.bad,
    usual: origin.usual,
    shared: first ? await sharedWith(state, first.component, root.flow, window) : [],
  };
}

/** Where an outage may come from, as people see it. */
export async function outageShape(state: EngineState, root: Deviation): Promise<OutageShape> {
  const { words, path, changes } = await outageOf(state, root);
  return {
    words,
    path: path.map(({ hosts: _hosts, ...one }) => one),
    changes: changes.map((change) => changeWords(change, root.onsetMs)),
  };
}

const through = new PerVersion<number[]>(60);

async function sharedWith(
  state: EngineState,
  component: string,
  own: number,
  window: Window,
): Promise<OriginShape['shared']> {
  const flows = await through.get(state, JSON.stringify([component, window]), () =>
    flowsThrough(state.database, component, window),
  );
  const levels = levelsIn(state, window);
  return flows
    .filter((id) => id !== own && state.names.has(id))
    .map((id) => {
      const { name, application } = state.names.flow(id);
      return { id, name, application, level: levels.get(id) ?? calmOf(state, id, window) };
    });
}
