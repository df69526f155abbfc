import type { Deviation } from '../../normal';
import type { AttemptColumns } from '../../telemetry';
import { countsBy, shareOf, type Counts, type CountsByValue, type NormalAt } from './counts-by';
import { PLACES, type Telling } from './narrow';

/** Places that deviations of unlike flows have in common, though each alone has too few bad attempts to show it. */
export interface CommonPlace extends Telling {
  /** by deviation, the share of what went wrong in it that was met there */
  shares: Map<Deviation, number>;
}

/** Told of many values and flows at once: far more than could be chance. */
const LEAST_Z_COMMON = 5;
/** Of one of the flows, it must not speak against it. */
const LEAST_Z_OF_ONE = 1;
/** A machine may serve more than half of a flow: what counts is that nearly nothing goes wrong elsewhere. */
const LEAST_SHARE_COMMON = 0.85;
const MOST_OF_ALL = 0.7;

/**
 * Places at which nearly all went wrong that went wrong in several flows, though each of them has too few bad attempts
 * to show it, or is served there for the most part. Parts of unlike times are told together: what was not there at one
 * time is not joined by it.
 *
 * @param parts slow and failing ones
 * @param rowsOf attempts of a flow while something deviated
 */
export function commonPlaces(
  parts: readonly Deviation[],
  rowsOf: (flow: number) => AttemptColumns,
  normalAt: NormalAt,
): CommonPlace[] {
  if (new Set(parts.map(({ flow }) => flow)).size < 2) return [];
  const found: CommonPlace[] = [];
  const byPart = parts.map((part) => {
    const window = { fromMs: part.onsetMs, toMs: part.endMs };
    return { part, by: countsBy(rowsOf(part.flow), part, { dimensions: PLACES, window, normalAt }) };
  });
  for (const [place, dimension] of PLACES.entries()) {
    const counted = byPart.map(({ part, by }) => ({ part, counts: by[place] as CountsByValue }));
    for (const value of new Set(counted.flatMap(({ counts }) => [...counts.of.keys()]))) {
      if (value === 0) continue;
      for (const signal of ['slow', 'failing'] as const) {
        const alike = counted.filter(({ part }) => part.signal === signal);
        const telling = alike.filter(({ counts }) => shareOf(value, counts, LEAST_Z_OF_ONE) !== undefined);
        if (!isCommon(telling, value)) continue;
        const shares = alike.flatMap(({ part, counts: { all, of } }): [Deviation, number][] => {
          const share = all.bad > 0 ? (of.get(value)?.bad ?? 0) / all.bad : 0;
          return share >= LEAST_SHARE_COMMON ? [[part, share]] : [];
        });
        found.push({ dimension, value, shares: new Map(shares) });
      }
    }
  }
  return found;
}

function isCommon(telling: readonly { part: Deviation; counts: CountsByValue }[], value: number): boolean {
  if (new Set(telling.map(({ part }) => part.flow)).size < 2) return false;
  const sums = { bad: 0, inside: 0, expected: 0, variance: 0, n: 0, insideN: 0 };
  for (const { counts } of telling) {
    const inside = counts.of.get(value) as Counts;
    const usual = inside.n / counts.all.n;
    sums.bad += counts.all.bad;
    sums.inside += inside.bad;
    sums.expected += counts.all.bad * usual;
    sums.variance += counts.all.bad * usual * (1 - usual);
    sums.n += counts.all.n;
    sums.insideN += inside.n;
  }
  return (
    (sums.inside - sums.expected) / Math.sqrt(sums.variance) >= LEAST_Z_COMMON &&
    sums.inside / sums.bad >= LEAST_SHARE_COMMON &&
    sums.insideN / sums.n <= MOST_OF_ALL
  );
}
