import { isLearned, type Basis, type Deviation, type LimitBy } from '../normal';
import { HOUR_MS, MINUTE_MS, overlap, type Window } from '../time';
import type { DeviationGroup } from './finding/group';

/** A part as it was judged: with the limit that judged it and from where normal was learned. */
export interface IncidentPart extends Deviation {
  judgedBy?: { basis: Basis; limitMs: number | null; limitBy: LimitBy };
}

export interface SetAside {
  reason: string;
  by: string;
  /** event time at which it comes back into the list */
  untilMs: number;
}

export interface StoredIncident {
  id: number;
  onsetMs: number;
  endMs: number;
  active: boolean;
  /** the evidence went away when late data came in: no longer listed, kept for its handoffs */
  withdrawn: boolean;
  parts: IncidentPart[];
  /** holds that share of the time, or of the failures, of the attempts gone wrong */
  component: { name: string; words: string; share: number } | null;
  /** joined by hand: its parts count in that incident */
  joinedInto: number | null;
  /** split off by hand from that incident: holds the parts of the same flow and signal */
  splitFrom: number | null;
  setAside: SetAside | null;
}

/** A gap that short does not make another incident. */
const SAME_INCIDENT_GAP_MS = 15 * MINUTE_MS;

const spanOf = (incident: { onsetMs: number; endMs: number }): Window => ({
  fromMs: incident.onsetMs - SAME_INCIDENT_GAP_MS,
  toMs: incident.endMs + SAME_INCIDENT_GAP_MS,
});
const keyOf = (part: Deviation) => `${part.flow}:${part.signal}`;

/** Begin, end and state of an incident from its parts. */
export function extent(parts: readonly Deviation[]): Pick<StoredIncident, 'onsetMs' | 'endMs' | 'active'> {
  const bad = parts.filter((part) => part.signal !== 'missing');
  const root = bad.length > 0 ? bad : parts;
  return {
    onsetMs: Math.min(...root.map((part) => part.onsetMs)),
    endMs: Math.max(...root.map((part) => part.endMs)),
    active: root.some((part) => part.active),
  };
}

/**
 * All incidents with their identity, which stays while evidence comes and goes. What people joined, split or set aside
 * stays so. Incidents as people see them (`get`, `all`, `within`) hold the parts of those joined into them.
 */
export class Register {
  readonly #byId = new Map<number, StoredIncident>();
  #next = 1;
  /** when each flow was in trouble; made anew after a change */
  #troubled: Map<number, Window[]> | undefined;

  constructor(stored: readonly StoredIncident[] = []) {
    for (const incident of stored) {
      this.#put(incident);
      this.#next = Math.max(this.#next, incident.id + 1);
    }
  }

  #put(incident: StoredIncident): void {
    this.#byId.set(incident.id, incident);
    this.#troubled = undefined;
  }

  #stored(): StoredIncident[] {
    return [...this.#byId.values()].filter((incident) => !incident.withdrawn);
  }

  /** The incident as people see it; one that was joined into another is seen as that other. */
  get(id: number): StoredIncident | undefined {
    let incident = this.#byId.get(id);
    for (let steps = 0; incident && incident.joinedInto !== null && steps < 100; steps++)
      incident = this.#byId.get(incident.joinedInto);
    return incident && this.#withJoined(incident);
  }

  get all(): StoredIncident[] {
    const stored = this.#stored();
    const holdsOthers = new Set(stored.map((incident) => incident.joinedInto));
    return stored
      .filter((incident) => incident.joinedInto === null)
      .map((incident) => (holdsOthers.has(incident.id) ? this.#withJoined(incident) : incident));
  }

  within(window: Window): StoredIncident[] {
    return this.all.filter(
      (incident) => overlap({ fromMs: incident.onsetMs, toMs: incident.endMs }, window) !== undefined,
    );
  }

  #withJoined(incident: StoredIncident): StoredIncident {
    const joined = this.joinedInto(incident.id);
    if (joined.length === 0) return incident;
    const parts = [incident, ...joined].flatMap((one) => one.parts);
    return { ...incident, parts, ...extent(parts) };
  }

  /** Incidents whose parts count in this one, directly or by way of another. */
  joinedInto(id: number): StoredIncident[] {
    return this.#stored()
      .filter((incident) => incident.joinedInto === id)
      .flatMap((incident) => [incident, ...this.joinedInto(incident.id)]);
  }

  /** True while a flow was in trouble: the bucket that begins then is left out of what is learned. */
  touches(flow: number, window: Window): boolean {
    this.#troubled ??= troubledTimes(this.#stored());
    return (
      this.#troubled.get(flow)?.some((trouble) => trouble.fromMs < window.toMs && trouble.toMs > window.fromMs) ?? false
    );
  }

  /** When each flow was in trouble up to a moment, as a text to compare. */
  troubledBefore(timeMs: number): Map<number, string> {
    this.#troubled ??= troubledTimes(this.#stored());
    const times = new Map<number, string>();
    for (const [flow, windows] of this.#troubled) {
      const until = windows
        .filter((one) => one.fromMs < timeMs)
        .map((one) => `${one.fromMs}-${Math.min(one.toMs, timeMs)}`);
      if (until.length > 0) times.set(flow, until.sort().join());
    }
    return times;
  }

  /**
   * Puts what was judged in a window in place of what was there. A group keeps the number of the incident with the same
   * flow and signal at overlapping times; an incident without a group any more is withdrawn.
   *
   * @returns incidents that changed
   */
  replace(window: Window, groups: readonly DeviationGroup<IncidentPart>[]): StoredIncident[] {
    const before = this.#stored().filter(
      (incident) => overlap({ fromMs: incident.onsetMs, toMs: incident.endMs }, window) !== undefined,
    );
    const free = new Set([...before, ...[...this.#byId.values()].filter((incident) => incident.withdrawn)]);
    const changed: StoredIncident[] = [];
    const put = (
      id: number,
      known: StoredIncident | undefined,
      parts: IncidentPart[],
      more: Partial<StoredIncident> = {},
    ) => {
      const blank = { component: null, joinedInto: null, splitFrom: null, setAside: null };
      const incident: StoredIncident = { ...blank, ...known, ...more, id, withdrawn: false, parts, ...extent(parts) };
      this.#put(incident);
      if (!known || JSON.stringify(known) !== JSON.stringify(incident)) changed.push(incident);
    };
    for (const group of groups) {
      const matches = [...free].filter((incident) => incident.splitFrom === null && isSame(incident, group));
      const same = matches.sort((a, b) => Number(a.withdrawn) - Number(b.withdrawn) || a.id - b.id)[0];
      if (same) free.delete(same);
      let rest: IncidentPart[] = group.parts;
      for (const child of same ? [...this.#byId.values()].filter((incident) => incident.splitFrom === same.id) : []) {
        const keys = new Set(child.parts.map(keyOf));
        const own = rest.filter((part) => keys.has(keyOf(part)));
        // Something must stay behind: a split that would take all takes nothing.
        if (own.length === 0 || own.length === rest.length) continue;
        rest = rest.filter((part) => !keys.has(keyOf(part)));
        free.delete(child);
        put(child.id, child, own);
      }
      put(same?.id ?? this.#next++, same, rest);
    }
    for (const gone of before)
      if (free.has(gone)) {
        const withdrawn = { ...gone, withdrawn: true, active: false };
        this.#put(withdrawn);
        changed.push(withdrawn);
      }
    return changed;
  }

  #change(id: number, change: Partial<StoredIncident>): StoredIncident {
    const incident = this.#byId.get(id);
    if (!incident || incident.withdrawn) throw new RangeError(`there is no incident ${id}`);
    const changed = { ...incident, ...change };
    this.#put(changed);
    return changed;
  }

  setComponent(id: number, component: StoredIncident['component']): StoredIncident | undefined {
    const incident = this.#byId.get(id);
    if (!incident || JSON.stringify(incident.component) === JSON.stringify(component)) return undefined;
    return this.#change(id, { component });
  }

  /** @throws RangeError when they are one already, or one of them is not there */
  join(id: number, into: number): StoredIncident {
    const target = this.get(into);
    if (!target || this.get(id)?.id === target.id)
      throw new RangeError(`incidents ${id} and ${into} are one already, or one of them is gone`);
    return this.#change(id, { joinedInto: target.id });
  }

  /** Takes a join back. */
  unjoin(id: number): StoredIncident {
    return this.#change(id, { joinedInto: null });
  }

  /**
   * Makes the parts of some flows an incident of their own.
   * @returns the incident that stays, and the new one
   * @throws RangeError when nothing would be left on one side
   */
  split(id: number, flows: ReadonlySet<number>): StoredIncident[] {
    const incident = this.#byId.get(id);
    if (!incident || incident.withdrawn) throw new RangeError(`there is no incident ${id}`);
    const own = incident.parts.filter((part) => flows.has(part.flow));
    const rest = incident.parts.filter((part) => !flows.has(part.flow));
    if (own.length === 0 || rest.length === 0)
      throw new RangeError('expected some parts to split off and some to stay');
    const child: StoredIncident = {
      ...incident,
      id: this.#next++,
      parts: own,
      ...extent(own),
      component: null,
      splitFrom: id,
      joinedInto: null,
    };
    this.#put(child);
    return [this.#change(id, { parts: rest, ...extent(rest) }), child];
  }

  setAside(id: number, setAside: SetAside | null): StoredIncident {
    return this.#change(id, { setAside });
  }
}

/** What was judged by first minutes alone and lasts for so long was no trouble: the flow is like that. */
const LONGEST_FIRST_TROUBLE_MS = 12 * HOUR_MS;

const isLikeThat = ({ onsetMs, endMs, judgedBy }: IncidentPart): boolean =>
  judgedBy !== undefined && !isLearned(judgedBy) && endMs - onsetMs > LONGEST_FIRST_TROUBLE_MS;

function troubledTimes(incidents: readonly StoredIncident[]): Map<number, Window[]> {
  const times = new Map<number, Window[]>();
  for (const { parts } of incidents)
    for (const { flow, onsetMs, endMs } of parts.filter((part) => !isLikeThat(part))) {
      const known = times.get(flow);
      if (known) known.push({ fromMs: onsetMs, toMs: endMs });
      else times.set(flow, [{ fromMs: onsetMs, toMs: endMs }]);
    }
  return times;
}

function isSame(incident: StoredIncident, group: DeviationGroup): boolean {
  const shared = overlap(spanOf(incident), { fromMs: group.onsetMs, toMs: group.endMs });
  return (
    shared !== undefined &&
    group.parts.some((part) =>
      incident.parts.some((other) => other.flow === part.flow && other.signal === part.signal),
    ) &&
    (group.parts[0]?.signal === 'missing') === (incident.parts[0]?.signal === 'missing')
  );
}
