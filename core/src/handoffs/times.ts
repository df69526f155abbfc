import { median } from '../stats';

/** How long each stage of a handoff took, milliseconds; null for what has not happened, or is not known. */
export interface StageTimes {
  /** from the onset until it was known */
  detect: number | null;
  /** until it was sent */
  send: number | null;
  /** until the team accepted it */
  accept: number | null;
  /** until the team's fix was in, the last one */
  fix: number | null;
  /** until the figures proved it */
  prove: number | null;
}

export const STAGES = ['detect', 'send', 'accept', 'fix', 'prove'] as const satisfies readonly (keyof StageTimes)[];

export interface HandoffMoments {
  onsetMs: number;
  detectedMs: number | null;
  sentMs: number;
  /** since when the newest fix is in, and when the figures proved it; null before */
  fixedMs: number | null;
  provenMs: number | null;
  events: readonly { what: string; atMs: number }[];
}

/** The stages of one handoff, from what happened to it. */
export function stageTimes({ onsetMs, detectedMs, sentMs, fixedMs, provenMs, events }: HandoffMoments): StageTimes {
  const accepted = events.find(({ what }) => what === 'taken')?.atMs ?? null;
  // Clocks differ, and people report late: nothing takes less than no time.
  const between = (from: number | null, to: number | null) =>
    from === null || to === null ? null : Math.max(0, to - from);
  return {
    detect: between(onsetMs, detectedMs),
    send: between(detectedMs ?? onsetMs, sentMs),
    accept: between(sentMs, accepted),
    fix: between(accepted ?? sentMs, fixedMs),
    prove: between(fixedMs, provenMs),
  };
}

export interface TimedHandoff extends StageTimes {
  team: string;
  flow: string;
  /** ISO 8601, UTC */
  createdAt: string;
  state: string;
}

/** Of an ISO 8601 date: "2026-03". */
const MONTH = 7;

/** Handoffs of one team, flow or month. */
export interface TimesOfGroup extends StageTimes {
  name: string;
  handoffs: number;
  returned: number;
  proven: number;
}

/**
 * Medians by team, by flow or by month, those with most handoffs first; months in order of time. A median is of those
 * handoffs alone that came so far.
 */
export function timesBy(all: readonly TimedHandoff[], by: 'team' | 'flow' | 'month'): TimesOfGroup[] {
  const groups = new Map<string, TimedHandoff[]>();
  for (const one of all) {
    const name = by === 'month' ? one.createdAt.slice(0, MONTH) : one[by];
    const group = groups.get(name);
    if (group) group.push(one);
    else groups.set(name, [one]);
  }
  const made = [...groups].map(([name, some]): TimesOfGroup => {
    const middle = (stage: keyof StageTimes) => {
      const known = some.map((one) => one[stage]).filter((ms): ms is number => ms !== null);
      return median(known) ?? null;
    };
    return {
      name,
      handoffs: some.length,
      returned: some.filter(({ state }) => state === 'returned').length,
      proven: some.filter(({ state }) => state === 'proven').length,
      detect: middle('detect'),
      send: middle('send'),
      accept: middle('accept'),
      fix: middle('fix'),
      prove: middle('prove'),
    };
  });
  return by === 'month'
    ? made.sort((a, b) => (a.name < b.name ? -1 : 1))
    : made.sort((a, b) => b.handoffs - a.handoffs || (a.name < b.name ? -1 : 1));
}
