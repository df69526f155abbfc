import { addSums, noSums, type RecentSums } from '../normal';
import { SpanKind } from '../telemetry';

/**
 * service: work on a host of its own; store: told by those who ask it, as a component; outside: only named by those who
 * call it.
 */
export const PART_KINDS = ['service', 'store', 'outside'] as const;
export type PartKind = (typeof PART_KINDS)[number];

/** Something that runs: a component on one of its hosts, a store, an outside service. */
export interface Part {
  kind: PartKind;
  component: string;
  /** '' for stores and outside services: whoever calls tells its own host */
  host: string;
}

/** Sums of the last stretch, of the longer time before it, and of the same time of earlier days, yesterday first. */
export interface Activity {
  last: RecentSums;
  before: RecentSums;
  days: readonly RecentSums[];
}

export interface PartActivity extends Part, Activity {
  /** the same by what was asked of it: a store's mean hides that one statement of many is slow */
  operations: ReadonlyMap<string, Activity>;
}

/** What spans of one kind came to: sums of a component on a host, of calls to a peer. */
export interface SpanSums {
  component: string;
  host: string;
  /** whom calls went to, where they say so; '' else */
  peer: string;
  kind: number;
  /** what was asked: name of the span */
  operation: string;
  /** the last stretch, the time before it, or the place of an earlier day in the list of those that are known */
  when: 'last' | 'before' | number;
  sums: RecentSums;
}

/**
 * All that runs, told apart from sums of spans. A component that only others' calls tell of is a store. Who is named by
 * calls, and tells nothing of itself, is an outside service; calls to those who do tell are theirs to count.
 *
 * @param days how many earlier days are known. Of a part those count since it was first seen: from then on a day on
 * which it did nothing counts as nothing
 * @returns in order of kind, component, host
 */
export function partsOf(spans: readonly SpanSums[], days: number): PartActivity[] {
  const services = new Set(spans.filter(({ kind }) => kind !== SpanKind.CLIENT).map(({ component }) => component));
  const parts = new Map<string, Part & Activity & { operations: Map<string, Activity> }>();
  for (const { component, host, peer, kind, operation, when, sums } of spans) {
    const part = partFor(component, host, { peer, kind, services });
    if (!part) continue;
    const key = JSON.stringify([part.kind, part.component, part.host]);
    const known = parts.get(key) ?? { ...part, ...noActivity(days), operations: new Map<string, Activity>() };
    known.operations.set(operation, withMore(known.operations.get(operation) ?? noActivity(days), when, sums));
    parts.set(key, { ...known, ...withMore(known, when, sums) });
  }
  return [...parts.values()]
    .map(sinceFirstSeen)
    .sort(
      (a, b) =>
        PART_KINDS.indexOf(a.kind) - PART_KINDS.indexOf(b.kind) ||
        a.component.localeCompare(b.component) ||
        a.host.localeCompare(b.host),
    );
}

/** Days before a part was first seen say nothing of it: who was measured since yesterday did not do nothing before. */
function sinceFirstSeen<One extends Part & Activity & { operations: Map<string, Activity> }>(part: One): One {
  const known = part.days.findLastIndex(({ attempts }) => attempts > 0) + 1;
  const cut = <A extends Activity>(activity: A): A => ({ ...activity, days: activity.days.slice(0, known) });
  return {
    ...cut(part),
    operations: new Map([...part.operations].map(([name, activity]) => [name, cut(activity)])),
  };
}

const noActivity = (days: number): Activity => ({
  last: noSums(),
  before: noSums(),
  days: Array.from({ length: days }, noSums),
});

function withMore({ last, before, days }: Activity, when: SpanSums['when'], sums: RecentSums): Activity {
  if (when === 'last') return { last: addSums(last, sums), before, days };
  if (when === 'before') return { last, before: addSums(before, sums), days };
  return { last, before, days: days.map((day, i) => (i === when ? addSums(day, sums) : day)) };
}

function partFor(
  component: string,
  host: string,
  { peer, kind, services }: { peer: string; kind: number; services: ReadonlySet<string> },
): Part | undefined {
  if (kind !== SpanKind.CLIENT) return { kind: 'service', component, host };
  if (peer !== '') return services.has(peer) ? undefined : { kind: 'outside', component: peer, host: '' };
  return services.has(component) ? undefined : { kind: 'store', component, host: '' };
}
