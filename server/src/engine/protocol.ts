import type { AttemptPageShape, AttemptPersonShape } from '../contract/attempts';
import type { FreshnessShape } from '../contract/common';
import type {
  FieldShape,
  FlowPageShape,
  FlowTableShape,
  PathShape,
  StepsShape,
  RegionShape,
  SlowestFlowsShape,
} from '../contract/flows';
import type {
  ChangesShape,
  IncidentShape,
  LostByTierShape,
  ReleasesShape,
  WorstFirstShape,
  SlowerStatementsShape,
} from '../contract/incidents';
import type { ComponentShape, EarlyWarningsShape, EstateShape, HostsShape } from '../contract/infrastructure';
import type { JourneyShape, JourneysShape, JourneyStepPageShape, MoneyShape } from '../contract/journeys';
import type { PersonAttemptShape } from '../contract/persons';
import type {
  EndangeredPromisesShape,
  PromiseAttemptsShape,
  PromisePageShape,
  PromisesShape,
} from '../contract/promises';
import type { HappenedShape } from '../contract/happened';
import type { ProofShape } from '../contract/handoffs';
import type { ProbePageShape, ProbeRunPageShape, ProbesShape } from '../contract/probes';
import type { RemoteShape, SiteChangeShape, SitesShape, WorkPersonShape } from '../contract/sites';
import type { StandingShape } from '../contract/standing';
import type { ProposedTeam } from '@toplens/core/handoffs';
import type { PeriodReport } from '@toplens/core/promises';
import type { CommittedBatch } from '../store/committed-batch';
import type { TriedSettingShape } from '../contract/settings';
import type { Settings } from '../settings/settings';
import type { SettingChange } from '../settings/settings-book';
import type {
  Action,
  ActionResult,
  WorstFirstQuestion,
  LogScope,
  IncidentQuestion,
  FlowsQuestion,
  FlowQuestion,
  FlowCount,
  AttemptQuestion,
  ComponentQuestion,
  FieldQuestion,
  RegionQuestion,
  HurtQuestion,
  LostByTierQuestion,
  PersonQuestion,
  HappenedQuestion,
  PastIncident,
  ProofQuestion,
  SiteChangeQuestion,
  ProbeQuestion,
  RemoteQuestion,
  WorkPersonQuestion,
  SitesQuestion,
  PromiseAttemptsQuestion,
  ReportQuestion,
  PromiseQuestion,
  WindowQuestion,
  JourneyQuestion,
  JourneyStepQuestion,
  JourneysQuestion,
} from './state/questions';
import type { Hurt } from './incidents/hurt';
import type { EngineFigures } from './state/freshness';

/** What the engine is asked, and what it answers. */
export interface Questions {
  attempt: { ask: AttemptQuestion; answer: AttemptPageShape | null };
  worstFirst: { ask: WorstFirstQuestion; answer: WorstFirstShape };
  incident: { ask: IncidentQuestion; answer: IncidentShape | null };
  flows: { ask: FlowsQuestion; answer: FlowTableShape };
  slowestFlows: { ask: FlowsQuestion; answer: SlowestFlowsShape };
  field: { ask: FieldQuestion; answer: FieldShape | null };
  path: { ask: FieldQuestion; answer: PathShape | null };
  steps: { ask: FieldQuestion; answer: StepsShape | null };
  component: { ask: ComponentQuestion; answer: ComponentShape | null };
  region: { ask: RegionQuestion; answer: RegionShape | null };
  flow: { ask: FlowQuestion; answer: FlowPageShape | null };
  attemptPerson: { ask: AttemptQuestion; answer: AttemptPersonShape | null };
  attemptHosts: { ask: AttemptQuestion; answer: HostsShape | null };
  /** hosts, processes and runtimes while an incident went on */
  incidentHosts: { ask: { id: number }; answer: HostsShape | null };
  /** statements that explain why an incident is slow */
  incidentStatements: { ask: { id: number }; answer: SlowerStatementsShape | null };
  /** the applications whose flows are part of an incident; empty where there is none */
  applicationsOf: { ask: { id: number }; answer: string[] };
  /** where and when to look for lines of logs */
  logScope: { ask: { id: number }; answer: LogScope | null };
  /** everything that runs, at the end of a window */
  hurt: { ask: HurtQuestion; answer: Hurt | null };
  lostByTier: { ask: LostByTierQuestion; answer: LostByTierShape | null };
  person: { ask: PersonQuestion; answer: { fromMs: number; toMs: number; attempts: PersonAttemptShape[] } };
  journeys: { ask: JourneysQuestion; answer: JourneysShape };
  money: { ask: JourneysQuestion; answer: MoneyShape };
  promises: { ask: { window: WindowQuestion }; answer: PromisesShape };
  promiseReports: { ask: ReportQuestion; answer: PeriodReport[] };
  endangered: { ask: { id: number; window: WindowQuestion }; answer: EndangeredPromisesShape | null };
  happened: { ask: HappenedQuestion; answer: HappenedShape };
  proof: { ask: ProofQuestion; answer: ProofShape | null };
  /** who should get an incident after it was given back */
  nextTeam: { ask: { id: number }; answer: ProposedTeam | null };
  pastIncidents: { ask: { days: number }; answer: PastIncident[] };
  sites: { ask: SitesQuestion; answer: SitesShape };
  siteChange: { ask: SiteChangeQuestion; answer: SiteChangeShape };
  workPerson: { ask: WorkPersonQuestion; answer: WorkPersonShape | null };
  remote: { ask: RemoteQuestion; answer: RemoteShape };
  probes: { ask: Pick<FlowsQuestion, 'window'>; answer: ProbesShape };
  probe: { ask: ProbeQuestion; answer: ProbePageShape | null };
  probeRun: { ask: { id: string }; answer: ProbeRunPageShape | null };
  standing: { ask: { window: WindowQuestion }; answer: StandingShape };
  promise: { ask: PromiseQuestion; answer: PromisePageShape | null };
  promiseAttempts: { ask: PromiseAttemptsQuestion; answer: PromiseAttemptsShape | null };
  journey: { ask: JourneyQuestion; answer: JourneyShape | null };
  journeyStep: { ask: JourneyStepQuestion; answer: JourneyStepPageShape | null };
  earlyWarnings: { ask: Pick<FlowsQuestion, 'window'>; answer: EarlyWarningsShape };
  estate: { ask: Pick<FlowsQuestion, 'window'>; answer: EstateShape };
  changes: { ask: Pick<FlowsQuestion, 'window'>; answer: ChangesShape };
  /** releases that a window can be compared with */
  releases: { ask: Pick<FlowsQuestion, 'window'>; answer: ReleasesShape };
  act: { ask: Action; answer: ActionResult };
  /** what settings would match, before they are saved */
  trySettings: { ask: { key: string; settings: Settings }; answer: TriedSettingShape['lines'] };
  /** settings were changed: taken over, and judged anew from where they are in force */
  settings: { ask: SettingChange; answer: null };
  freshness: { ask: null; answer: FreshnessShape };
  /** judges all that came so far; resolves when done */
  settle: { ask: null; answer: null };
  flowCounts: { ask: null; answer: FlowCount[] };
  /** ends the cycle that is under way, and begins no other */
  stop: { ask: null; answer: null };
}

/** What the engine is told, without an answer. */
export interface EngineBatch {
  batch: CommittedBatch;
}

/** What the engine says by itself. */
export type EngineNotice =
  { figures: EngineFigures } | { log: { level: 'info' | 'error'; message: string; detail: object } };
