import type { Window } from '@toplens/core/time';
import { isFirst } from './windows';
import type { World } from '../state/world';

/** Releases on the time axis. */
export const marksOf = (world: World, application: string, window: Window): { atMs: number; words: string }[] =>
  world.releases
    .filter((one) => one.application === application && one.firstMs >= window.fromMs && one.firstMs < window.toMs && !isFirst(world, one))
    .map((one) => ({ atMs: one.firstMs, words: `${one.version} released` }));
