import type { Deviation } from '../../normal';
import { MINUTE_MS } from '../../time';

/** A cause that comes so near the likeliest of a deviation, and is no worse than that, may well be its cause. */
const NEARLY = 0.6;
const LEAST_SCORE = 0.3;
/** Of a deviation that has another cause besides, the one that others have for certain explains at least so much. */
const LEAST_PART = 0.2;
/** What begins within so long may have begun together: a flow with few attempts is dated roughly. */
const SAME_ONSET_MS = 60 * MINUTE_MS;
/** What began later went on with the others for so much of the shorter of both, or it only came before they were over. */
const MOSTLY = 0.5;

/**
 * What may stand behind a deviation, each with a score from 0 to 1: a component that its traces lead to, a site whose
 * people it is about, a machine.
 */
export type Explanations = ReadonlyMap<string, number>;

/**
 * The cause of each deviation, told for all of them together: traces of one flow may point at the shared service, those
 * of another at whom it asks or at who asks it. The cause that explains most of what began at about the same time
 * explains it all; what it leaves is explained by the next. A deviation that has two causes is given to one of them, so
 * that it never joins the two.
 *
 * @returns of deviations that share a cause with another flow, that cause; the same for any order of the input
 */
export function sharedCauses<T extends Deviation>(explained: ReadonlyMap<T, Explanations>): Map<T, string> {
  const open = new Map(explained);
  const behind = new Map<T, string>();
  for (;;) {
    const clusters = clustersOf(open).filter(isShared);
    if (clusters.length === 0) return behind;
    const best = clusters.reduce((a, b) => (isStronger(b, a) ? b : a));
    for (const deviation of best.deviations) {
      behind.set(deviation, best.cause);
      open.delete(deviation);
    }
  }
}

interface Cluster<T> {
  cause: string;
  deviations: T[];
  /** flows of those whose likeliest cause it is, or nearly */
  certain: Set<number>;
  score: number;
}

const isShared = ({ certain }: Cluster<unknown>) => certain.size > 1;

const isStronger = (a: Cluster<unknown>, b: Cluster<unknown>) =>
  a.score > b.score || (a.score === b.score && a.cause < b.cause);

/** Began with the others, or went on with one of them for most of its time: one cause is not there twice at a time. */
const goesOn = ({ deviations }: Cluster<Deviation>, later: Deviation): boolean =>
  later.onsetMs - (deviations[0] as Deviation).onsetMs <= SAME_ONSET_MS ||
  deviations.some((one) => togetherShare(one, later) >= MOSTLY);

/** Share of the shorter of two, in which both went on. */
function togetherShare(a: Deviation, b: Deviation): number {
  const togetherMs = Math.min(a.endMs, b.endMs) - Math.max(a.onsetMs, b.onsetMs);
  return togetherMs / Math.max(MINUTE_MS, Math.min(a.endMs - a.onsetMs, b.endMs - b.onsetMs));
}

/** By cause, the deviations that it explains and that began together. */
function clustersOf<T extends Deviation>(open: ReadonlyMap<T, Explanations>): Cluster<T>[] {
  const ordered = [...open].sort(
    ([a], [b]) => a.onsetMs - b.onsetMs || a.flow - b.flow || a.signal.localeCompare(b.signal),
  );
  const clusters: Cluster<T>[] = [];
  for (const cause of new Set(ordered.flatMap(([, scores]) => [...scores.keys()]))) {
    let last: Cluster<T> | undefined;
    for (const [deviation, scores] of ordered) {
      const score = scores.get(cause);
      if (score === undefined || score < LEAST_PART) continue;
      if (!last || !goesOn(last, deviation))
        clusters.push((last = { cause, deviations: [], certain: new Set(), score: 0 }));
      last.deviations.push(deviation);
      last.score += score;
      if (score >= LEAST_SCORE && score >= NEARLY * Math.max(...scores.values())) last.certain.add(deviation.flow);
    }
  }
  return clusters;
}
