import { keptDays, keptFrom } from '../../settings/retention';
import type { EngineState } from './engine-state';

/**
 * The first hour whose attempts are all kept: those before are dropped, in part or whole. What was made of them stays,
 * and is never made again: there is nothing to make it of.
 */
export const attemptsKeptFrom = ({ settings, usuallyKept }: EngineState, nowMs: number): number =>
  keptFrom(keptDays(settings.at().retention, usuallyKept), nowMs).attempts;
