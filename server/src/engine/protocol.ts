import type { Ranking } from '@toplens/core/incidents';
import type { Window } from '@toplens/core/time';
import type {
  AttemptPageShape,
  ChangeShape,
  ComponentShape,
  EstateShape,
  FieldShape,
  FlowPageShape,
  FlowTableShape,
  FreshnessShape,
  HostsShape,
  IncidentShape,
  JourneyShape,
  JourneysShape,
  LostByTierShape,
  MoneyShape,
  PathShape,
  PersonAttemptShape,
  RegionShape,
  WorstFirstShape,
} from '../api/shapes';
import type { CommittedBatch } from '../intake/intake';
import type { SettingChange } from '../settings/settings-book';
import type { ThreadMemory } from '../store/thread-memory';
import type { Action, ActionResult } from './actions';
import type { ComponentQuestion } from './component-page';
import type { FieldQuestion, RegionQuestion } from './flow-field';
import type { Focus } from './focus';
import type { Hurt, HurtQuestion } from './hurt';
import type { LostByTierQuestion } from './lost-by-tier';
import type { PersonQuestion } from './person';
import type { JourneyQuestion, JourneysQuestion } from './journeys';
import type { LogQuestion } from '../search/questions';

/** A window as asked for: with an end, or the newest `lengthMs` of what is complete. */
export type WindowQuestion = Window | { lengthMs: number };

/** With what a window is compared. */
export const AGAINST = ['nothing', 'week', 'day', 'before', 'release'] as const;
export type Against = (typeof AGAINST)[number];

export interface FlowsQuestion {
  window: WindowQuestion;
  against: Against;
  focus: Focus;
}

export interface FlowQuestion extends FlowsQuestion {
  id: number;
}

export interface WorstFirstQuestion extends FlowsQuestion {
  ranking: Ranking;
  /** rates of a past window: as they were set then, or as they are today */
  rates: 'then' | 'today';
}

export interface IncidentQuestion extends FlowsQuestion {
  id: number;
  rates: 'then' | 'today';
}

/** Ids in lower-case hexadecimal, 32 and 16 digits. */
export interface AttemptQuestion {
  traceId: string;
  spanId: string;
}

/** A question to the search through logs, and the version of the world that it was asked of. */
export interface LogScope extends LogQuestion {
  version: number;
}

export interface Questions {
  attempt: { ask: AttemptQuestion; answer: AttemptPageShape | null };
  worstFirst: { ask: WorstFirstQuestion; answer: WorstFirstShape };
  incident: { ask: IncidentQuestion; answer: IncidentShape | null };
  flows: { ask: FlowsQuestion; answer: FlowTableShape };
  field: { ask: FieldQuestion; answer: FieldShape | null };
  path: { ask: FieldQuestion; answer: PathShape | null };
  component: { ask: ComponentQuestion; answer: ComponentShape | null };
  region: { ask: RegionQuestion; answer: RegionShape | null };
  flow: { ask: FlowQuestion; answer: FlowPageShape | null };
  attemptHosts: { ask: AttemptQuestion; answer: HostsShape | null };
  /** hosts, processes and runtimes while an incident went on */
  incidentHosts: { ask: { id: number }; answer: HostsShape | null };
  /** where and when to look for lines of logs */
  logScope: { ask: { id: number }; answer: LogScope | null };
  /** everything that runs, at the end of a window */
  hurt: { ask: HurtQuestion; answer: Hurt | null };
  lostByTier: { ask: LostByTierQuestion; answer: LostByTierShape | null };
  person: { ask: PersonQuestion; answer: { fromMs: number; toMs: number; attempts: PersonAttemptShape[] } };
  journeys: { ask: JourneysQuestion; answer: JourneysShape };
  money: { ask: JourneysQuestion; answer: MoneyShape };
  journey: { ask: JourneyQuestion; answer: JourneyShape | null };
  estate: { ask: Pick<FlowsQuestion, 'window'>; answer: EstateShape };
  changes: { ask: null; answer: ChangeShape[] };
  act: { ask: Action; answer: ActionResult };
  /** settings were changed: taken over, and judged anew from where they are in force */
  settings: { ask: SettingChange; answer: null };
  freshness: { ask: null; answer: FreshnessShape };
  /** judges all that came so far; resolves when done */
  settle: { ask: null; answer: null };
  flowCounts: { ask: null; answer: FlowCount[] };
}

/** What a flow recorded since the beginning: for checks from outside. */
export interface FlowCount {
  application: string;
  name: string;
  technicalName: string;
  attempts: number;
  failed: number;
  /** mean duration, milliseconds */
  meanMs: number;
}

export interface EngineFigures {
  flows: number;
  hoursInMemory: number;
  incidents: number;
  lastPassMs: number;
  /** when the pass that is under way began, milliseconds since the epoch; 0 when none is */
  passBeganMs: number;
  /** from where old stretches are still to be judged anew; `undefined` when none are */
  dueFromMs: number | undefined;
  watermarkMs: number;
  judgedMs: number;
  memory: ThreadMemory;
}

export type ToEngine =
  | { kind: 'batch'; batch: CommittedBatch }
  | { [Name in keyof Questions]: { kind: 'ask'; id: number; name: Name; ask: Questions[Name]['ask'] } }[keyof Questions]
  | { kind: 'stop'; id: number };

export type FromEngine =
  | { kind: 'figures'; figures: EngineFigures }
  | { kind: 'answer'; id: number; ok: true; answer: unknown }
  | { kind: 'answer'; id: number; ok: false; message: string }
  | { kind: 'log'; level: 'info' | 'error'; message: string; detail: object };
