import type { StoredIncident, Trend } from '@toplens/core/incidents';
import { MINUTE_MS, type Window } from '@toplens/core/time';
import { billOf } from './bills';
import type { Focus } from './focus';
import type { World } from './world';

/** Harm, and places in the rank, are compared over so long. */
export const TREND_MS = 10 * MINUTE_MS;

/** True when an incident goes on at the end of a window: then, which need not be now. */
export const isActiveAtEnd = (incident: StoredIncident, window: Window): boolean =>
  incident.onsetMs < window.toMs && (incident.active ? window.toMs >= incident.onsetMs : window.toMs < incident.endMs);

/** Harm of the last ten minutes against the ten before. */
export async function trendOf(world: World, incident: StoredIncident, window: Window, focus: Focus, ratesAtMs: number): Promise<Trend> {
  if (!isActiveAtEnd(incident, window)) return 'over';
  const middle = window.toMs - TREND_MS;
  if (incident.onsetMs > middle) return 'new';
  const harmIn = async (fromMs: number, toMs: number) => {
    const bill = await billOf(world, incident, { fromMs, toMs }, focus, ratesAtMs, false);
    // Money, leavers and key customers follow the others, later: minutes alone tell the direction.
    return bill.lines.filter(({ name }) => name === 'waiting' || name === 'failed' || name === 'missing').reduce((sum, line) => sum + line.harm.estimate, 0);
  };
  const [last, earlier] = await Promise.all([harmIn(middle, window.toMs), harmIn(middle - TREND_MS, middle)]);
  if (earlier <= 0) return last > 0 ? 'growing' : 'steady';
  return last > 1.25 * earlier ? 'growing' : last < 0.8 * earlier ? 'fading' : 'steady';
}
