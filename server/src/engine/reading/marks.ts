import type { ComponentChange } from '@toplens/core/incidents';
import { HOUR_MS, type Window } from '@toplens/core/time';
import { changedComponents } from '../../store/changes';
import { flowsThrough } from '../../store/traces';
import type { EngineState } from '../state/engine-state';
import { PerVersion } from '../state/per-version';
import { changesNear, SAME_RELEASE_MS } from './origin';
import { isFirst } from './windows';

export interface ChangeMark {
  atMs: number;
  words: string;
}

/** What passes a component is told by so much time before and after its change. */
const AROUND_CHANGE_MS = HOUR_MS / 2;

const marksKept = new PerVersion<(flow: number) => ChangeMark[]>(20);

/**
 * What was changed, on the time axis: versions of the application, and releases, commits, settings and flags of the
 * components on the way.
 */
export async function marksOf(
  state: EngineState,
  { application, components }: { application: string; components: readonly string[] },
  window: Window,
): Promise<ChangeMark[]> {
  return together(state, application, await changesNear(state, components, window), window);
}

/**
 * The same for any flow, asked once for all of them: of the components that were changed it is looked up which flows
 * pass them, not of each flow which components it passes.
 */
export const marksByFlow = (state: EngineState, window: Window): Promise<(flow: number) => ChangeMark[]> =>
  marksKept.get(state, `${window.fromMs}:${window.toMs}`, async () => {
    const components = await changedComponents(state.database, window);
    const changes = await changesNear(state, components, window);
    const ofFlow = new Map<number, ComponentChange[]>();
    for (const component of components) {
      const own = changes.filter((change) => change.component === component);
      if (own.length === 0) continue;
      const { atMs } = own[0] as ComponentChange;
      const around = { fromMs: atMs - AROUND_CHANGE_MS, toMs: atMs + AROUND_CHANGE_MS };
      for (const flow of await flowsThrough(state.database, component, around))
        ofFlow.set(flow, [...(ofFlow.get(flow) ?? []), ...own]);
    }
    return (flow) => together(state, state.names.flow(flow).application, ofFlow.get(flow) ?? [], window);
  });

/** Versions of the application beside changes of components, one release named once, in the order of time. */
function together(
  state: EngineState,
  application: string,
  ofComponents: readonly ComponentChange[],
  window: Window,
): ChangeMark[] {
  const changes = ofComponents.map(({ atMs, words }) => ({
    atMs,
    // "setting of slots: …, by desk," goes on with how long before it was; here it ends.
    words: words.replace(/,$/, ''),
  }));
  const releases = state.releases
    .filter(
      (one) =>
        one.application === application &&
        one.firstMs >= window.fromMs &&
        one.firstMs < window.toMs &&
        !isFirst(state, one),
    )
    .filter(
      ({ version, firstMs }) =>
        !changes.some(({ atMs, words }) => words.includes(version) && Math.abs(atMs - firstMs) < SAME_RELEASE_MS),
    )
    .map(({ version, firstMs }) => ({ atMs: firstMs, words: `${version} released` }));
  return [...releases, ...changes].sort((a, b) => a.atMs - b.atMs || a.words.localeCompare(b.words));
}
