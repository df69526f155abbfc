import type { DeviationGroup } from '@toplens/core/incidents';
import type { Deviation } from '@toplens/core/normal';
import { MINUTE_MS, overlap, type Window } from '@toplens/core/time';

export interface StoredIncident {
  id: number;
  onsetMs: number;
  endMs: number;
  active: boolean;
  withdrawn: boolean;
  parts: Deviation[];
  component: { name: string; words: string } | null;
}

/** A gap that short does not make another incident. */
const SAME_INCIDENT_GAP_MS = 15 * MINUTE_MS;

const spanOf = (incident: { onsetMs: number; endMs: number }): Window => ({
  fromMs: incident.onsetMs - SAME_INCIDENT_GAP_MS,
  toMs: incident.endMs + SAME_INCIDENT_GAP_MS,
});

/** All incidents with their identity, which stays while evidence comes and goes. */
export class Incidents {
  readonly #byId = new Map<number, StoredIncident>();
  #next = 1;

  constructor(stored: readonly StoredIncident[]) {
    for (const incident of stored) {
      this.#byId.set(incident.id, incident);
      this.#next = Math.max(this.#next, incident.id + 1);
    }
  }

  get(id: number): StoredIncident | undefined {
    return this.#byId.get(id);
  }

  get all(): StoredIncident[] {
    return [...this.#byId.values()].filter((incident) => !incident.withdrawn);
  }

  within(window: Window): StoredIncident[] {
    return this.all.filter((incident) => overlap({ fromMs: incident.onsetMs, toMs: incident.endMs }, window) !== undefined);
  }

  /** True while a flow was in trouble: the bucket that begins then is left out of what is learned. */
  touches(flow: number, window: Window): boolean {
    for (const incident of this.#byId.values()) {
      if (incident.withdrawn || incident.onsetMs >= window.toMs || incident.endMs <= window.fromMs) continue;
      if (incident.parts.some((part) => part.flow === flow && part.onsetMs < window.toMs && part.endMs > window.fromMs)) return true;
    }
    return false;
  }

  /**
   * Puts what was judged in a window in place of what was there. A group keeps the number of the incident with the same
   * flow and signal at overlapping times; an incident without a group any more is withdrawn.
   *
   * @returns incidents that changed
   */
  replace(window: Window, groups: readonly DeviationGroup[]): StoredIncident[] {
    const before = this.within(window);
    const free = new Set([...before, ...[...this.#byId.values()].filter((incident) => incident.withdrawn)]);
    const changed: StoredIncident[] = [];
    for (const group of groups) {
      const same = [...free].filter((incident) => isSame(incident, group)).sort((a, b) => Number(a.withdrawn) - Number(b.withdrawn) || a.id - b.id)[0];
      if (same) free.delete(same);
      const { parts, onsetMs, endMs, active } = group;
      const incident: StoredIncident = { id: same?.id ?? this.#next++, onsetMs, endMs, active, withdrawn: false, parts, component: same?.component ?? null };
      this.#byId.set(incident.id, incident);
      if (!same || JSON.stringify(same) !== JSON.stringify(incident)) changed.push(incident);
    }
    for (const gone of before)
      if (free.has(gone)) {
        const withdrawn = { ...gone, withdrawn: true, active: false };
        this.#byId.set(gone.id, withdrawn);
        changed.push(withdrawn);
      }
    return changed;
  }

  setComponent(id: number, component: StoredIncident['component']): StoredIncident | undefined {
    const incident = this.#byId.get(id);
    if (!incident || JSON.stringify(incident.component) === JSON.stringify(component)) return undefined;
    const updated = { ...incident, component };
    this.#byId.set(id, updated);
    return updated;
  }
}

function isSame(incident: StoredIncident, group: DeviationGroup): boolean {
  const shared = overlap(spanOf(incident), { fromMs: group.onsetMs, toMs: group.endMs });
  return (
    shared !== undefined &&
    group.parts.some((part) => incident.parts.some((other) => other.flow === part.flow && other.signal === part.signal)) &&
    (group.parts[0]?.signal === 'missing') === (incident.parts[0]?.signal === 'missing')
  );
}
