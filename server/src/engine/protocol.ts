import type { Ranking } from '@toplens/core/incidents';
import type { Window } from '@toplens/core/time';
import type { FreshnessShape, IncidentShape, WorstFirstShape } from '../api/shapes';
import type { CommittedBatch } from '../intake/intake';

/** A window as asked for: with an end, or the newest `lengthMs` of what is complete. */
export type WindowQuestion = Window | { lengthMs: number };

export interface WorstFirstQuestion {
  window: WindowQuestion;
  ranking: Ranking;
  application?: string;
  team?: string;
}

export interface IncidentQuestion {
  id: number;
  window: WindowQuestion;
}

export interface Questions {
  worstFirst: { ask: WorstFirstQuestion; answer: WorstFirstShape };
  incident: { ask: IncidentQuestion; answer: IncidentShape | null };
  freshness: { ask: null; answer: FreshnessShape };
  figures: { ask: null; answer: EngineFigures };
  /** judges all that came so far; resolves when done */
  settle: { ask: null; answer: null };
  flows: { ask: null; answer: FlowCount[] };
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
  watermarkMs: number;
  judgedMs: number;
}

export type ToEngine =
  | { kind: 'batch'; batch: CommittedBatch }
  | { [Name in keyof Questions]: { kind: 'ask'; id: number; name: Name; ask: Questions[Name]['ask'] } }[keyof Questions]
  | { kind: 'stop'; id: number };

export type FromEngine =
  | { kind: 'answer'; id: number; ok: true; answer: unknown }
  | { kind: 'answer'; id: number; ok: false; message: string }
  | { kind: 'log'; level: 'info' | 'error'; message: string; detail: object };
