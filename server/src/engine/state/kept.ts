import { floorTo, DAY_MS, HOUR_MS } from '@toplens/core/time';
import { keptDays } from '../../settings/retention';
import type { EngineState } from './engine-state';

/**
 * The first hour whose attempts are all kept: those before are dropped, in part or whole. What was made of them stays,
 * and is never made again: there is nothing to make it of.
 */
export const attemptsKeptFrom = ({ settings, usuallyKept }: EngineState, nowMs: number): number =>
  floorTo(nowMs - keptDays(settings.at().retention, usuallyKept).attempts * DAY_MS, HOUR_MS);
