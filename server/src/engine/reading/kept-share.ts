import { type Window, overlap } from '@toplens/core/time';
import type { EngineState } from '../state/engine-state';

/** Of the usual traces of a window at least this share is kept: those below it are a fair sample of them all. */
export const keptShare = ({ shares }: EngineState, window: Window): number =>
  shares.reduce((least, one) => (overlap(one, window) ? Math.min(least, one.share) : least), 1);
