import type { Window } from '@toplens/core/time';
import type { EngineState } from '../state/engine-state';
import { changesNear, SAME_RELEASE_MS } from './origin';
import { isFirst } from './windows';

export interface ChangeMark {
  atMs: number;
  words: string;
}

/**
 * What was changed, on the time axis: versions of the application, and releases, commits, settings and flags of the
 * components on the way.
 */
export async function marksOf(
  state: EngineState,
  { application, components }: { application: string; components: readonly string[] },
  window: Window,
): Promise<ChangeMark[]> {
  const changes = (await changesNear(state, components, window)).map(({ atMs, words }) => ({
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
