/** What the engine is asked: types alone. What it answers is in the contract, or beside the question's handler. */

import type { Subject } from '@toplens/core/alerts';
import type { Ranking } from '@toplens/core/incidents';
import type { HappeningKind } from '@toplens/core/happened';
import type { RemoteDimension } from '@toplens/core/remote';
import type { WorkDimension } from '@toplens/core/sites';
import type { Dimension } from '@toplens/core/telemetry';
import type { Window, Against } from '@toplens/core/time';
import type { RegionKind } from '../../contract/flows';
import type { StepPart } from '@toplens/core/journeys';
import type { LogQuestion } from '../../store/log-question';

/** A window as asked for: with an end, or the newest `lengthMs` of what is complete. */
export type WindowQuestion = Window | { lengthMs: number };

/** With what a window is compared; before which release, where one was chosen. */
export type AgainstQuestion = Against | { releaseMs: number };

export interface FlowsQuestion {
  window: WindowQuestion;
  against: AgainstQuestion;
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

/** One promise, by its name. */
export interface PromiseQuestion {
  name: string;
  window: WindowQuestion;
  /** of the period so many before the one that goes on; 0 when left out */
  periodsBack?: number | undefined;
}

/** Reports of one promise, or of all. */
export interface ReportQuestion {
  name: string | undefined;
  window: WindowQuestion;
  periodsBack: number;
}

/** Attempts outside a promise: of a site or a flow alone, or of all. */
export interface PromiseAttemptsQuestion extends PromiseQuestion {
  site?: string | undefined;
  flow?: number | undefined;
}

/** Ids in lower-case hexadecimal, 32 and 16 digits. */
export interface AttemptQuestion {
  traceId: string;
  spanId: string;
  /** ids and texts as they were sent: for who may see persons */
  isUnmasked?: boolean;
}

/** A question to the search through logs, and the version of the state that it was asked of. */
export interface LogScope extends LogQuestion {
  version: number;
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

/** What a view is narrowed to. Values of dimensions by their text; several dimensions must all hold. */
export interface Focus {
  application?: string;
  team?: string;
  /** number of a flow */
  flow?: number;
  values: Partial<Record<Dimension, string>>;
}

export interface FieldQuestion extends Pick<FlowsQuestion, 'window' | 'focus'> {
  id: number;
}

/** A part of the field: attempts that began in the window and took so long. */
export interface RegionQuestion extends FieldQuestion {
  fromDurationMs: number;
  /** null: however long */
  toDurationMs: number | null;
  /** undefined: all of them */
  only: RegionKind | undefined;
}

export interface HurtQuestion extends Pick<FlowsQuestion, 'window' | 'focus'> {
  id: number;
}

export interface LostByTierQuestion extends Pick<FlowsQuestion, 'window' | 'focus'> {
  id: number;
}

export interface PersonQuestion extends Pick<FlowsQuestion, 'window'> {
  /** dictionary numbers */
  persons: readonly number[];
}

export type JourneysQuestion = Pick<FlowsQuestion, 'window' | 'focus'>;

export interface JourneyQuestion extends JourneysQuestion {
  /** numbers of its flows, first step first */
  steps: readonly number[];
}

/** Those who came to a step of a journey: all, what became of them, or who met trouble there. */
export interface JourneyStepQuestion extends JourneyQuestion {
  /** from 0 */
  step: number;
  of: StepPart;
}

export interface ComponentQuestion extends Pick<FlowsQuestion, 'window'> {
  name: string;
}

/** What a person may decide about an incident. */
export type Action =
  | { what: 'join'; id: number; into: number; who: string }
  | { what: 'unjoin'; id: number; who: string }
  | { what: 'split'; id: number; flows: number[]; who: string }
  | { what: 'setAside'; id: number; reason: string; untilMs: number; who: string }
  | { what: 'takeBack'; id: number; who: string };

export type ActionResult = { ok: true; id: number } | { ok: false; why: string };

/** What people at work do, told apart by something. */
export interface SitesQuestion extends Pick<FlowsQuestion, 'window' | 'focus'> {
  by: WorkDimension;
}

/** One probe, from all its sites or with steps and runs of one. */
export interface ProbeQuestion extends Pick<FlowsQuestion, 'window'> {
  name: string;
  site: string | undefined;
}

/** One person at work, by the name of their device. */
export interface WorkPersonQuestion extends Pick<FlowsQuestion, 'window' | 'focus'> {
  host: string;
}

/** Sessions on remote desktops, told apart by something. */
export interface RemoteQuestion extends Pick<FlowsQuestion, 'window' | 'focus'> {
  by: RemoteDimension;
}

/** What became of groups that had a change, against those that did not. */
export interface SiteChangeQuestion extends Omit<SitesQuestion, 'window'> {
  atMs: number;
  /** when it was done, where it took a while */
  untilMs: number | undefined;
  /** so long before and after at most */
  days: number;
  /** names of the groups that had it */
  changed: readonly string[];
}

/** An incident as a rule of alerts would have seen it. */
export type PastIncident = Omit<Subject, 'chance' | 'withTeam' | 'isAccepted' | 'goesOn'>;

/** What the figures of an incident say since a reported fix. */
export interface ProofQuestion {
  id: number;
  fixMs: number;
  /** it was told that this fix did not do, or not all: what is calm since then counts anew */
  wasTold: boolean;
}

/** What happened; of one kind, or of all. */
export interface HappenedQuestion extends Pick<FlowsQuestion, 'window' | 'focus'> {
  kind: HappeningKind | undefined;
}
