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

/** Whether traces or people join deviations of unlike flows. */
export type IsRelated = (a: Deviation, b: Deviation) => boolean;

const SAME_ONSET_MS = 15 * MINUTE_MS;
/** A flow with few attempts is found late: related ones may begin further apart. */
const RELATED_ONSET_MS = 60 * MINUTE_MS;
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
 * Groups deviations that have one origin: slow and failing of one flow, or of flows that traces or people join, from
 * about the same time on; missing attempts of a flow whose people usually pass a troubled flow before it (they never
 * came so far); flows of one application that fall silent together.
 *
 * @param applicationOf number of the application that a flow belongs to
 * @returns groups by onset, then flow; the same for any order of the input
 */
export function groupDeviations<T extends Deviation>(
  deviations: readonly T[],
  precedes: Precedence,
  applicationOf: (flow: number) => number,
  isRelated: IsRelated = () => false,
): DeviationGroup<T>[] {
  const ordered = [...deviations].sort(
    (a, b) => a.onsetMs - b.onsetMs || a.flow - b.flow || a.signal.localeCompare(b.signal),
  );
  let groups: T[][] = [];
  const belongs = (part: T, bad: T) =>
    part.flow === bad.flow
      ? together(part, bad, SAME_ONSET_MS)
      : together(part, bad, RELATED_ONSET_MS) && isRelated(part, bad);
  for (const bad of ordered.filter((d) => d.signal !== 'missing')) {
    // A new part may tie together what stood apart before it.
    const joined = groups.filter((parts) => parts.some((part) => belongs(part, bad)));
    groups = [...groups.filter((parts) => !joined.includes(parts)), [...joined.flat(), bad]];
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
