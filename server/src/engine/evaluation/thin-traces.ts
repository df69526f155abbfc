import { floorTo, HOUR_MS, MINUTE_MS, type Window } from '@toplens/core/time';
import { countTraces, oldestSpan, thinOut, type FlowLimit } from '../../store/trace-shares';
import type { EngineState } from '../state/engine-state';

/**
 * Whole traces are thinned out by stretches of this length, so long after their end: by then nobody compares minutes
 * with them.
 */
const STRETCH_MS = 10 * MINUTE_MS;
const AFTER_MS = 4 * HOUR_MS;

/**
 * Keeps the traces of all attempts that went wrong, and of the usual ones a fair share: so many a minute.
 *
 * @param usualPerMinute traces of usual attempts that are kept of a minute, about
 */
export async function thinTraces(state: EngineState, usualPerMinute: number): Promise<void> {
  let fromMs = state.shares.at(-1)?.toMs ?? floorTo((await oldestSpan(state.database)) ?? Infinity, STRETCH_MS);
  // Judging goes on meanwhile.
  for (; fromMs + STRETCH_MS <= state.judgedMs - AFTER_MS; fromMs += STRETCH_MS) {
    const stretch = { fromMs, toMs: fromMs + STRETCH_MS };
    const limits = limitsIn(state, stretch);
    const { usual, bad } = await countTraces(state.database, stretch, limits);
    const most = (usualPerMinute * STRETCH_MS) / MINUTE_MS;
    const thinned = { ...stretch, share: usual > most ? most / usual : 1, usual, bad };
    await thinOut(state.database, thinned, limits, MINUTE_MS);
    state.shares.push(thinned);
  }
}

/** The lowest limit of each flow, its sites' included: whatever may have been late stays. */
function limitsIn({ names, history }: EngineState, { fromMs }: Window): FlowLimit[] {
  return names.flows.flatMap(({ id }) => {
    const normal = history.normalAt(id, fromMs);
    const known = [normal, ...normal.sites.values()].flatMap(({ limitMs }) => limitMs ?? []);
    return known.length > 0 ? [{ flow: id, limitMs: Math.min(...known) }] : [];
  });
}
