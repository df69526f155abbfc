import type { Window } from '@toplens/core/time';
import { isFirst } from './windows';
import type { EngineState } from '../state/engine-state';

/** Releases on the time axis. */
export const marksOf = (state: EngineState, application: string, window: Window): { atMs: number; words: string }[] =>
  state.releases
    .filter(
      (one) =>
        one.application === application &&
        one.firstMs >= window.fromMs &&
        one.firstMs < window.toMs &&
        !isFirst(state, one),
    )
    .map((one) => ({ atMs: one.firstMs, words: `${one.version} released` }));
