import { DAY_MS, floorTo } from '@toplens/core/time';

/** How many new names of a kind there may be within the time that attempts are kept. */
export interface NameLimits {
  ofSource: number;
  inAll: number;
}

/** Counts new names of kinds by source and day: names older than what is kept stand in nobody's way. */
export class NewNames {
  readonly #byKind = new Map<string, Map<number, Map<string, number>>>();

  constructor(
    private readonly keptMs: number,
    private readonly limitsOf: (kind: string) => NameLimits,
  ) {}

  add(kind: string, source: string, sinceMs: number): void {
    let days = this.#byKind.get(kind);
    if (!days) this.#byKind.set(kind, (days = new Map<number, Map<string, number>>()));
    const day = floorTo(sinceMs, DAY_MS);
    let sources = days.get(day);
    if (!sources) days.set(day, (sources = new Map<string, number>()));
    sources.set(source, (sources.get(source) ?? 0) + 1);
  }

  hasRoom(kind: string, source: string, nowMs: number): boolean {
    const days = this.#byKind.get(kind);
    if (!days) return true;
    let [own, all] = [0, 0];
    for (const [day, sources] of days) {
      if (day <= nowMs - this.keptMs - DAY_MS) {
        days.delete(day);
        continue;
      }
      own += sources.get(source) ?? 0;
      for (const n of sources.values()) all += n;
    }
    const { ofSource, inAll } = this.limitsOf(kind);
    return own < ofSource && all < inAll;
  }
}
