import { flowFacts, type FlowFacts } from '@toplens/core/flows';
import type { HarmRates } from '@toplens/core/incidents';
import type { Calendar } from '@toplens/core/time';
import { isSection, type Section } from './sections';
import { settingsSchema, teamsOf, type Settings } from './settings';

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
  stepLimitsMs?: Record<string, number> | null;
  importance?: number | null;
}

/** All settings at once: a file that was imported. What was changed in place before it no longer counts. */
export const ALL_KEY = 'all';
export const RATES_KEY = 'rates';
export const CALENDAR_KEY = 'calendar';
const JOURNEY = 'journey';
const FLOW = 'flow';
/** @param steps technical names of its flows, first step first */
export const journeyKey = (application: string, steps: readonly string[]): string =>
  [JOURNEY, application, ...steps].join('\u001f');

export interface JourneyChange {
  name?: string | null;
}

export const flowKey = (application: string, technicalName: string): string =>
  [FLOW, application, technicalName].join('\u001f');

const isWhole = ({ key }: SettingChange): boolean =>
  key === ALL_KEY || key === RATES_KEY || key === CALENDAR_KEY || isSection(key);

/** Changes without those that were undone, and without the undoing: as if neither had been made. */
function effective(changes: readonly SettingChange[]): SettingChange[] {
  const undone = new Set<number>();
  for (const { id, undoes } of [...changes].sort((a, b) => b.id - a.id))
    if (undoes !== null && !undone.has(id)) undone.add(undoes);
  return changes.filter(({ id, undoes }) => undoes === null && !undone.has(id)).sort((a, b) => a.id - b.id);
}

/** What follows from all changes: made once, for the book of now and for those of past moments. */
interface Timeline {
  byKey: ReadonlyMap<string, readonly SettingChange[]>;
  /** moments from which other settings are in force, in order, and what they are from each on */
  turns: readonly number[];
  settings: readonly Settings[];
  /** what rules say of a flow: told once for each turn, asked for with every answer */
  facts: Map<string, FlowFacts>;
}

function timelineOf(file: Settings, changes: readonly SettingChange[]): Timeline {
  const byKey = new Map<string, SettingChange[]>();
  const inForce = effective(changes);
  for (const change of inForce) byKey.set(change.key, [...(byKey.get(change.key) ?? []), change]);
  const whole = inForce.filter(isWhole);
  const turns = [...new Set([-Infinity, ...whole.map(({ fromMs }) => fromMs)])].sort((a, b) => a - b);
  return { byKey, turns, settings: turns.map((turnMs) => settled(file, whole, turnMs)), facts: new Map() };
}

/** What people decided, at any time: the settings file, and the changes made in place since. */
export class SettingsBook {
  /** @param asOfMs nothing later is known to the book: for what a past window looked like then */
  constructor(
    readonly file: Settings,
    private readonly changes: readonly SettingChange[],
    private readonly asOfMs: number = Infinity,
    private readonly timeline: Timeline = timelineOf(file, changes),
  ) {}

  /** Grows with each change. */
  get number(): number {
    return Math.max(0, ...this.changes.map(({ id }) => id));
  }

  /** Every change of a key, undone ones too, oldest first. */
  changesOf(key: string): SettingChange[] {
    return this.changes.filter((change) => change.key === key).sort((a, b) => a.id - b.id);
  }

  /** The book as it was at a moment, whatever was changed since. */
  asOf(timeMs: number): SettingsBook {
    return new SettingsBook(this.file, this.changes, Math.min(this.asOfMs, timeMs), this.timeline);
  }

  /** All settings but what single flows and journeys were given in place; as they are now, or were at a time. */
  at(timeMs: number = Infinity): Settings {
    return this.timeline.settings[this.#turnAt(timeMs)] as Settings;
  }

  #turnAt(timeMs: number): number {
    const atMs = Math.min(timeMs, this.asOfMs);
    return this.timeline.turns.findLastIndex((turnMs) => turnMs <= atMs);
  }

  /** Ways that people named, in the file or in place. */
  journeys(): { application: string; name: string; steps: string[] }[] {
    const named = new Map(this.at().journeys.map((one) => [journeyKey(one.application, one.steps), one]));
    for (const key of this.timeline.byKey.keys()) {
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
    const inFile = this.at().journeys.find((one) => journeyKey(one.application, one.steps) === key)?.name;
    return (this.#inPlace(key, Infinity) as JourneyChange | undefined)?.name ?? inFile;
  }

  /** The newest value of a flow or journey; `undefined` where none is in force, or a file was imported after it. */
  #inPlace(key: string, timeMs: number): unknown {
    const atMs = Math.min(timeMs, this.asOfMs);
    const isInForce = ({ fromMs }: SettingChange) => fromMs <= atMs;
    const change = this.timeline.byKey.get(key)?.findLast(isInForce);
    const imported = this.timeline.byKey.get(ALL_KEY)?.findLast(isInForce);
    return change && change.id > (imported?.id ?? 0) ? (change.value ?? undefined) : undefined;
  }

  /** Rates of any time, whatever moment the book is of: a past window can be billed by the rates of today. */
  ratesAt(timeMs: number): HarmRates {
    return (this.timeline.settings[this.timeline.turns.findLastIndex((turnMs) => turnMs <= timeMs)] as Settings).rates;
  }

  calendarAt(timeMs: number): Calendar {
    return this.at(timeMs).calendar;
  }

  flowAt(application: string, technicalName: string, timeMs: number, usualImportance = 1): FlowFacts {
    const key = flowKey(application, technicalName);
    const turn = this.#turnAt(timeMs);
    const kept = `${turn}\u001f${key}`;
    let facts = this.timeline.facts.get(kept);
    if (!facts) {
      const { flows } = this.timeline.settings[turn] as Settings;
      this.timeline.facts.set(kept, (facts = flowFacts(flows, application, technicalName, usualImportance)));
    }
    const change = this.#inPlace(key, timeMs) as FlowChange | undefined;
    if (!change) return facts;
    return {
      ...facts,
      name: change.name ?? facts.name,
      limitMs: change.limitMs ?? facts.limitMs,
      siteLimitsMs: change.siteLimitsMs ?? facts.siteLimitsMs,
      stepLimitsMs: change.stepLimitsMs ?? facts.stepLimitsMs,
      importance: change.importance ?? facts.importance,
    };
  }

  /** All settings in one file, with what single flows and journeys were given in place as rules of their own. */
  export(): Omit<Settings, 'teams'> {
    const { teams: _teams, ...settings } = this.at();
    const ownRules = [...this.timeline.byKey.keys()].flatMap((key) => {
      const [kind, application = '', technicalName = ''] = key.split('\u001f');
      if (kind !== FLOW || this.#inPlace(key, Infinity) === undefined) return [];
      const facts = this.flowAt(application, technicalName, Infinity, NaN);
      return [
        {
          application,
          technicalName,
          ...(facts.name !== technicalName && { name: facts.name }),
          ...(facts.limitMs !== undefined && { limitMs: facts.limitMs }),
          ...(Object.keys(facts.siteLimitsMs).length > 0 && { siteLimitsMs: { ...facts.siteLimitsMs } }),
          ...(Object.keys(facts.stepLimitsMs).length > 0 && { stepLimitsMs: { ...facts.stepLimitsMs } }),
          ...(!Number.isNaN(facts.importance) && { importance: facts.importance }),
          ...(facts.agreement && { agreement: facts.agreement }),
        },
      ];
    });
    return { ...settings, flows: [...ownRules, ...settings.flows], journeys: this.journeys() };
  }
}

/** The settings from a moment on: the file, or what was imported last, with the newest change of each part over it. */
function settled(file: Settings, whole: readonly SettingChange[], atMs: number): Settings {
  let base = file;
  let settings = file;
  for (const { key, value } of whole.filter(({ fromMs }) => fromMs <= atMs)) {
    if (key === ALL_KEY) {
      // What an older version exported lacks what came since: it is as usual then.
      base = settings = value === null ? file : withTeams({ ...settingsSchema.cast(value), teams: [] });
    } else if (key === RATES_KEY) {
      const { keyTiers } = settings.rates;
      settings = { ...settings, rates: { ...base.rates, ...(value as Partial<HarmRates> | null), keyTiers } };
    } else if (key === 'keyTiers') {
      const keyTiers = (value as string[] | null) ?? base.rates.keyTiers;
      settings = { ...settings, rates: { ...settings.rates, keyTiers } };
    } else {
      const part = key as Exclude<Section, 'keyTiers'> | typeof CALENDAR_KEY;
      settings = withTeams({ ...settings, [part]: value ?? base[part] });
    }
  }
  return settings;
}

const withTeams = (settings: Settings): Settings => ({ ...settings, teams: teamsOf(settings.ownership) });
