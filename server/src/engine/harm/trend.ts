import { directionOf, type Moment, type StoredIncident, type Trend } from '@toplens/core/incidents';
import { sum } from '@toplens/core/stats';
import { MINUTE_MS, type Window } from '@toplens/core/time';
import { billOf, type BillQuestion } from './bills';
import type { EngineState } from '../state/engine-state';

/** Harm, and places in the rank, are compared over so long. */
export const TREND_MS = 10 * MINUTE_MS;

/** True when an incident goes on at the end of a window: then, which need not be now. */
export const isActiveAtEnd = (incident: StoredIncident, window: Window): boolean =>
  incident.onsetMs < window.toMs && (incident.active ? window.toMs >= incident.onsetMs : window.toMs < incident.endMs);

/** Harm of the last ten minutes against the ten before. */
export async function trendOf(
  state: EngineState,
  incident: StoredIncident,
  { window, focus, ratesAtMs }: BillQuestion,
): Promise<Trend> {
  if (!isActiveAtEnd(incident, window)) return 'over';
  const middle = window.toMs - TREND_MS;
  if (incident.onsetMs > middle) return 'new';
  const momentOf = async (fromMs: number, toMs: number): Promise<Moment> => {
    const { lines, people } = await billOf(state, incident, {
      window: { fromMs, toMs },
      focus,
      ratesAtMs,
      withLeft: false,
    });
    // Money, leavers and key customers follow the others, later: minutes alone tell the direction.
    const harm = lines
      .filter(({ name }) => name === 'waiting' || name === 'failed' || name === 'missing')
      .map((line) => line.harm.estimate);
    return { harm: sum(harm), people: people.estimate };
  };
  return directionOf(...(await Promise.all([momentOf(middle - TREND_MS, middle), momentOf(middle, window.toMs)])));
}
