import { flowFacts, type FlowFacts } from '@toplens/core/flows';
import type { HarmRates } from '@toplens/core/incidents';
import type { Calendar } from '@toplens/core/time';
import type { Settings } from './settings';

/** A change as it is kept: in force from its time on. */
export interface SettingChange {
  id: number;
  /** when it was made, milliseconds since the epoch */
  atMs: number;
  /** in force from then on */
  fromMs: number;
  who: string;
  key: string;
  /** null: back to the settings file */
  value: unknown;
  undoes: number | null;
}

/** What people may say of a flow in place; null takes a field back to the settings file. */
export interface FlowChange {
  name?: string | null;
  limitMs?: number | null;
  siteLimitsMs?: Record<string, number> | null;
  importance?: number | null;
}

export const RATES_KEY = 'rates';
export const CALENDAR_KEY = 'calendar';
const JOURNEY = 'journey';
/** @param steps technical names of its flows, first step first */
export const journeyKey = (application: string, steps: readonly string[]): string =>
  [JOURNEY, application, ...steps].join('\u001f');

export interface JourneyChange {
  name?: string | null;
}

export const flowKey = (application: string, technicalName: string): string =>
  `flow\u001f${application}\u001f${technicalName}`;

/** What people decided, at any time: the settings file, and the changes made in place since. */
export class SettingsBook {
  readonly #changes = new Map<string, SettingChange[]>();
  /** what the settings file says of a flow: told once, asked for with every answer */
  readonly #facts = new Map<string, FlowFacts>();

  constructor(
    readonly file: Settings,
    changes: readonly SettingChange[],
  ) {
    for (const change of [...changes].sort((a, b) => a.id - b.id)) {
      const known = this.#changes.get(change.key);
      if (known) known.push(change);
      else this.#changes.set(change.key, [change]);
    }
  }

  /** Grows with each change. */
  get number(): number {
    return Math.max(0, ...[...this.#changes.values()].flat().map(({ id }) => id));
  }

  /** Ways that people named, in the file or in place. */
  journeys(): { application: string; name: string; steps: string[] }[] {
    const named = new Map(this.file.journeys.map((one) => [journeyKey(one.application, one.steps), one]));
    for (const key of this.#changes.keys()) {
      const [kind, application = '', ...steps] = key.split('\u001f');
      if (kind !== JOURNEY) continue;
      const name = this.journeyName(application, steps);
      if (name === undefined) named.delete(key);
      else named.set(key, { application, name, steps });
    }
    return [...named.values()];
  }

  /** What people call a way; `undefined` when nobody named it. */
  journeyName(application: string, steps: readonly string[]): string | undefined {
    const key = journeyKey(application, steps);
    const inFile = this.file.journeys.find((one) => journeyKey(one.application, one.steps) === key)?.name;
    return (this.#valueAt(key, Infinity) as JourneyChange | undefined)?.name ?? inFile;
  }

  /** Changes of a key, oldest first. */
  changesOf(key: string): readonly SettingChange[] {
    return this.#changes.get(key) ?? [];
  }

  #valueAt(key: string, timeMs: number): unknown {
    return this.changesOf(key).findLast((change) => change.fromMs <= timeMs)?.value ?? undefined;
  }

  /** Key customers' tiers stay as the file names them. */
  ratesAt(timeMs: number): HarmRates {
    return { ...this.file.rates, ...(this.#valueAt(RATES_KEY, timeMs) as Partial<HarmRates> | undefined) };
  }

  calendarAt(timeMs: number): Calendar {
    return (this.#valueAt(CALENDAR_KEY, timeMs) as Calendar | undefined) ?? this.file.calendar;
  }

  flowAt(application: string, technicalName: string, timeMs: number, usualImportance = 1): FlowFacts {
    const key = flowKey(application, technicalName);
    let facts = this.#facts.get(key);
    if (!facts) this.#facts.set(key, (facts = flowFacts(this.file.flows, application, technicalName, usualImportance)));
    const change = this.#valueAt(key, timeMs) as FlowChange | undefined;
    if (!change) return facts;
    return {
      ...facts,
      name: change.name ?? facts.name,
      limitMs: change.limitMs ?? facts.limitMs,
      siteLimitsMs: change.siteLimitsMs ?? facts.siteLimitsMs,
      importance: change.importance ?? facts.importance,
    };
  }
}
