import { isLearned, usualKnownFrom, type Level } from '@toplens/core/normal';
import { HOUR_MS, type Window } from '@toplens/core/time';
import type { WorstFirstShape } from '../../contract/incidents';
import type { EngineState } from '../state/engine-state';

/** A flow without trouble: calm where it is known what is usual, still being learned else. */
export const calmOf = (
  { history }: Pick<EngineState, 'history'>,
  flow: number,
  { toMs }: Window,
): Extract<Level, 'calm'> | 'learning' => (isLearned(history.normalAt(flow, toMs - 1)) ? 'calm' : 'learning');

/**
 * Flows that people use and that are judged by their first minutes alone at the end of a window, since it is not known yet
 * what is usual; null when there are none.
 */
export function learningIn(
  { history, names }: Pick<EngineState, 'history' | 'names'>,
  { toMs }: Window,
): WorstFirstShape['learning'] {
  const used = names.flows
    .filter(({ kind }) => kind === 'work' || kind === 'page')
    .map(({ id }) => id)
    .filter((id) => history.firstMsOf(id) < toMs && history.lastMsOf(id) > toMs - HOUR_MS);
  const unknown = used.filter((id) => !isLearned(history.normalAt(id, toMs - 1)));
  if (unknown.length === 0) return null;
  const from = unknown
    .map((id) => {
      const firstMs = history.firstMsOf(id);
      const attempts = history.sumsWithin(id, { fromMs: firstMs, toMs })?.attempts ?? 0;
      return usualKnownFrom({ firstMs, attempts, nowMs: toMs });
    })
    .filter((ms) => ms !== undefined);
  return { flows: unknown.length, of: used.length, usualFromMs: from.length > 0 ? Math.min(...from) : null };
}
