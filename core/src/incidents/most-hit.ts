import { outcomeOf } from '../flows';
import type { FlowNormal } from '../normal';
import { binomialZ } from '../stats';
import { DIMENSIONS, FAILED, PROBE, type AttemptColumns, type Dimension } from '../telemetry';
import type { Window } from '../time';

/** A value that holds more of the attempts gone wrong than of all attempts. */
export interface MostHit {
  dimension: Dimension;
  /** dictionary number of the value */
  value: number;
  /** attempts with this value that went wrong */
  bad: number;
  shareOfBad: number;
  shareOfAll: number;
  /** risk inside the value against the rest; Infinity when nothing went wrong elsewhere */
  relativeRisk: number;
}

const FEWEST_BAD = 5;
const LEAST_RISK = 1.5;
/** Spreads by which the value must stand out: with some fifty values looked at, less would often be chance. */
const LEAST_Z = 3.5;

/**
 * Per dimension the value most over-represented among the attempts gone wrong, if any stands out.
 *
 * @param onlyFailed look at failures and hung attempts alone, not at late ones
 */
export function mostHit(
  rows: AttemptColumns,
  flows: ReadonlySet<number>,
  window: Window,
  normalAt: (flow: number, timeMs: number) => FlowNormal,
  onlyFailed: boolean,
): MostHit[] {
  const counts = new Map<Dimension, Map<number, { bad: number; all: number }>>(DIMENSIONS.map((d) => [d, new Map()]));
  let bad = 0;
  let all = 0;
  for (let i = 0; i < rows.n; i++) {
    const flow = rows.flow[i] as number;
    const startMs = rows.startMs[i] as number;
    const flags = rows.flags[i] as number;
    if (!flows.has(flow) || startMs < window.fromMs || startMs >= window.toMs || flags & PROBE) continue;
    const outcome = outcomeOf(rows.durationMs[i] as number, (flags & FAILED) !== 0, normalAt(flow, startMs).limitMs);
    const isBad = onlyFailed ? outcome === 'failed' || outcome === 'hung' : outcome !== 'onTime';
    all++;
    if (isBad) bad++;
    for (const dimension of DIMENSIONS) {
      const value = rows[dimension][i] as number;
      const values = counts.get(dimension) as Map<number, { bad: number; all: number }>;
      const count = values.get(value) ?? { bad: 0, all: 0 };
      count.all++;
      if (isBad) count.bad++;
      values.set(value, count);
    }
  }
  return DIMENSIONS.flatMap((dimension) => {
    const candidates = [...(counts.get(dimension) as Map<number, { bad: number; all: number }>)]
      .filter(([value, count]) => value !== 0 && count.bad >= FEWEST_BAD && count.all < all)
      .map(([value, count]): MostHit => {
        const outside = all - count.all > 0 ? (bad - count.bad) / (all - count.all) : 0;
        return {
          dimension,
          value,
          bad: count.bad,
          shareOfBad: count.bad / bad,
          shareOfAll: count.all / all,
          relativeRisk: outside > 0 ? count.bad / count.all / outside : Infinity,
        };
      })
      .filter((hit) => hit.relativeRisk >= LEAST_RISK && binomialZ(hit.bad, bad, hit.shareOfAll) >= LEAST_Z)
      .sort((a, b) => b.bad * (b.shareOfBad - b.shareOfAll) - a.bad * (a.shareOfBad - a.shareOfAll) || a.value - b.value);
    return candidates.slice(0, 1);
  });
}
