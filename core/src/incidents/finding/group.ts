import type { Precedence } from '../../flows';
import type { Deviation } from '../../normal';
import { MINUTE_MS, overlap, type Window } from '../../time';

/**
 * Deviations with one origin. The first part is the root: where the trouble shows first and is not explained by
 * another.
 */
export interface DeviationGroup<T extends Deviation = Deviation> {
  parts: T[];
  onsetMs: number;
  endMs: number;
  active: boolean;
}

/** The parts that are not explained by another: slow and failing ones, or, in an outage, all that is missing. */
export function rootParts<T extends Deviation>(parts: readonly T[]): T[] {
  const bad = parts.filter((part) => part.signal !== 'missing');
  return bad.length > 0 ? bad : [...parts];
}

/**
 * When an outage of several flows began and ended. Each flow alone has few attempts a minute and tells it only roughly:
 * the median of all is closer.
 */
export function outageStretch(parts: readonly Deviation[]): Window {
  const missing = parts.filter((part) => part.signal === 'missing');
  const middle = (times: number[]) => times.sort((a, b) => a - b)[Math.floor((times.length - 1) / 2)] as number;
  return { fromMs: middle(missing.map((part) => part.onsetMs)), toMs: middle(missing.map((part) => part.endMs)) };
}

/** What stands behind a deviation and others of unlike flows, as text; undefined when nothing is known to. */
export type CauseOf<T> = (deviation: T) => string | undefined;

const SAME_ONSET_MS = 15 * MINUTE_MS;
const SAME_OUTAGE_MS = 5 * MINUTE_MS;
const MOSTLY = 0.6;
/** Share of sessions that must pass the earlier flow for its trouble to explain what is missing in the later one. */
const PRECEDES = 0.5;

const spanOf = (d: { onsetMs: number; endMs: number }) => ({ fromMs: d.onsetMs, toMs: d.endMs });
const together = (a: Deviation, b: Deviation, withinMs: number) =>
  overlap(spanOf(a), spanOf(b)) !== undefined && Math.abs(a.onsetMs - b.onsetMs) <= withinMs;

/**
 * A flow with few attempts tells only roughly when it fell silent: what counts is that the stretches share most of the
 * shorter.
 */
function overlapMostly(a: Deviation, b: Deviation): boolean {
  const shared = overlap(spanOf(a), spanOf(b));
  if (!shared) return false;
  const shorter = Math.min(a.endMs - a.onsetMs, b.endMs - b.onsetMs);
  return shared.toMs - shared.fromMs >= MOSTLY * shorter;
}

/**
 * Groups deviations that have one origin: slow and failing of one flow, or of flows with one cause, from about the same
 * time on, but never what has two causes; missing attempts of a flow whose people usually pass a troubled flow before it (they never
 * came so far); flows of one application that fall silent together.
 *
 * @param applicationOf number of the application that a flow belongs to
 * @returns groups by onset, then flow; the same for any order of the input
 */
export function groupDeviations<T extends Deviation>(
  deviations: readonly T[],
  precedes: Precedence,
  applicationOf: (flow: number) => number,
  causeOf: CauseOf<T> = () => undefined,
): DeviationGroup<T>[] {
  const ordered = [...deviations].sort(
    (a, b) => a.onsetMs - b.onsetMs || a.flow - b.flow || a.signal.localeCompare(b.signal),
  );
  const groups: T[][] = [];
  const bad = ordered.filter((d) => d.signal !== 'missing');
  for (const part of bad.filter((d) => causeOf(d) !== undefined))
    join(
      groups,
      part,
      groups.filter(
        (parts) =>
          causeOf(parts[0] as T) === causeOf(part) &&
          parts.some((other) => overlap(spanOf(other), spanOf(part)) !== undefined),
      ),
    );
  // What has no cause of its own goes with its flow; where that is in two incidents, with the one that began nearest.
  for (const part of bad.filter((d) => causeOf(d) === undefined)) {
    const own = (parts: T[]) => parts.filter((other) => other.flow === part.flow);
    const apart = (parts: T[]) => Math.min(...own(parts).map((other) => Math.abs(other.onsetMs - part.onsetMs)));
    const near = groups
      .filter((parts) => comesBack(parts, part) || own(parts).some((other) => together(other, part, SAME_ONSET_MS)))
      .sort((one, other) => apart(one) - apart(other));
    const [nearest] = near;
    const hasCause = ([first]: T[]) => causeOf(first as T) !== undefined;
    join(groups, part, nearest && hasCause(nearest) ? [nearest] : near.filter((parts) => !hasCause(parts)));
  }
  const outages: T[][] = [];
  for (const missing of ordered.filter((d) => d.signal === 'missing')) {
    const upstream = strongestUpstream(missing, groups, precedes);
    if (upstream) {
      upstream.push(missing);
      continue;
    }
    const outage = outages.find((parts) =>
      parts.some((part) => applicationOf(part.flow) === applicationOf(missing.flow) && overlapMostly(part, missing)),
    );
    if (outage) outage.push(missing);
    else outages.push([missing]);
  }
  return [...groups, ...outages]
    .map((parts) => {
      const root = rootParts(parts);
      return {
        parts,
        onsetMs: Math.min(...root.map((part) => part.onsetMs)),
        endMs: Math.max(...root.map((part) => part.endMs)),
        active: root.some((part) => part.active),
      };
    })
    .sort((a, b) => a.onsetMs - b.onsetMs || (a.parts[0] as T).flow - (b.parts[0] as T).flow);
}

/** Puts a part to the groups that it belongs to: it may tie together what stood apart before it. */
function join<T>(groups: T[][], part: T, joined: readonly T[][]): void {
  for (const parts of joined) groups.splice(groups.indexOf(parts), 1);
  groups.push([...joined.flat(), part]);
}

/** The same of the same flow anew, while the others still go on. */
const comesBack = (parts: readonly Deviation[], part: Deviation): boolean =>
  parts.some(({ flow, signal }) => flow === part.flow && signal === part.signal) &&
  parts.some((other) => overlap(spanOf(other), spanOf(part)) !== undefined);

/**
 * Did a trouble begin before attempts were missing behind it? When few come, what is missing is dated only roughly: it
 * may seem to begin a while before its cause, if otherwise both go on together.
 */
const startsBefore = (part: Deviation, missing: Deviation): boolean =>
  part.onsetMs <= missing.onsetMs + SAME_OUTAGE_MS ||
  (part.onsetMs <= missing.onsetMs + SAME_ONSET_MS && overlapMostly(part, missing));

/** The group with the most attempts gone wrong among those that can explain the missing ones. */
function strongestUpstream<T extends Deviation>(missing: T, groups: T[][], precedes: Precedence): T[] | undefined {
  const explains = (part: T) =>
    part.signal !== 'missing' &&
    startsBefore(part, missing) &&
    missing.onsetMs < part.endMs &&
    (part.flow === missing.flow || precedes(part.flow, missing.flow) >= PRECEDES);
  const excess = (parts: T[]) => Math.max(...parts.filter(explains).map((part) => part.excess));
  return groups.filter((parts) => parts.some(explains)).sort((a, b) => excess(b) - excess(a))[0];
}
