import type { Deviation, FlowNormal } from '../normal';
import type { AttemptColumns } from '../telemetry';
import { whereItBites } from './segments';

/** Holds nearly all that went wrong, and much less of everything. */
export const isAlone = (segment: { shareOfBad: number; shareOfAll: number }): boolean => segment.shareOfBad >= 0.9 && segment.shareOfAll <= 0.5;
/** Dimensions that tell people apart; versions and hosts are the machinery's, and unlike flows have them by the same names. */
const OF_PEOPLE = new Set(['site', 'region', 'tier', 'promotion']);
const FEWEST_BAD = 8;
/** So much likelier to go wrong inside the value than outside, it is the value's trouble, whatever else goes wrong as usual. */
const LEAST_RISK = 3;

/** The values of which nearly all attempts gone wrong have, as `site:7`: for telling whether two deviations hit the same people. */
export function narrowSegments(rows: AttemptColumns, part: Deviation, normalAt: (flow: number, timeMs: number) => FlowNormal): string[] {
  if (part.excess < FEWEST_BAD) return [];
  const bites = whereItBites({
    rows,
    flows: new Set([part.flow]),
    window: { fromMs: part.onsetMs, toMs: part.endMs },
    normalAt,
    onlyFailed: part.signal === 'failing',
  });
  return bites.segments
    .filter((segment) => OF_PEOPLE.has(segment.dimension) && (isAlone(segment) || (segment.low >= LEAST_RISK && segment.shareOfAll <= 0.5)))
    .map((segment) => `${segment.dimension}:${segment.value}`);
}
