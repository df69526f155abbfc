import {
  billContext,
  harmBill,
  LEFT_LOOK_BACK_MS,
  MADE_GOOD_MS,
  PEOPLE_LOOK_BACK_MS,
  surroundingsOf,
  type BillContext,
  type BillSettings,
  type HarmBill,
  type PromiseAtStake,
  type StoredIncident,
  type Surroundings,
} from '@toplens/core/incidents';
import { LRUCache } from 'lru-cache';
import { DAY_MS, HOUR_MS, MINUTE_MS, overlap, type Window } from '@toplens/core/time';
import { promisesAtStake } from '../promises/at-stake';
import { sliceKey, sliceOf } from '../reading/focus';
import { type Focus } from '../state/questions';
import { successionIn } from '../reading/succession';
import type { EngineState } from '../state/engine-state';

/** Rates and importance as they were at a moment. Bills of past windows use what was set then, or what is set today. */
export function billSettings(state: EngineState, atMs: number, promises: readonly PromiseAtStake[]): BillSettings {
  return {
    rates: state.settings.ratesAt(atMs),
    importanceOf: (flow) => state.names.flow(flow, atMs).importance,
    isKeyTier: (tier) => state.names.isKeyTier(tier),
    promises,
  };
}

/** Of the incidents looked at last; attempts that came later change what is usual around them. */
const surroundingsKept = new LRUCache<string, Promise<Surroundings>>({ max: 500 });

function surroundings(state: EngineState, incident: StoredIncident, focus: Focus): Promise<Surroundings> {
  const { id, onsetMs, parts } = incident;
  const version = state.hours.versionOf({ fromMs: onsetMs - DAY_MS, toMs: onsetMs });
  const key = [id, onsetMs, version, sliceKey(focus), ...parts.map(({ flow }) => flow)].join(':');
  const known = surroundingsKept.get(key);
  if (known) return known;
  const made = learnSurroundings(state, incident, focus);
  surroundingsKept.set(key, made);
  made.catch(() => surroundingsKept.delete(key));
  return made;
}

async function learnSurroundings(state: EngineState, incident: StoredIncident, focus: Focus): Promise<Surroundings> {
  const { onsetMs } = incident;
  const flows = new Set(incident.parts.map((part) => part.flow));
  const applications = new Set([...flows].map((flow) => state.names.applicationOf(flow)));
  const related = new Set(
    state.names.flows.filter((flow) => applications.has(state.names.applicationOf(flow.id))).map((flow) => flow.id),
  );
  const holds = sliceOf(state, focus);
  const dayBefore = await state.hours.rows({ fromMs: onsetMs - DAY_MS, toMs: onsetMs }, flows);
  const hoursBefore = await state.hours.rows({ fromMs: onsetMs - PEOPLE_LOOK_BACK_MS, toMs: onsetMs }, flows, holds);
  const succession = await successionIn(state.hours, { fromMs: onsetMs - 6 * HOUR_MS, toMs: onsetMs }, related);
  return surroundingsOf(onsetMs, { dayBefore, hoursBefore }, succession, holds && ((row) => holds(dayBefore, row)));
}

/** What a bill is asked for. */
export interface BillQuestion {
  window: Window;
  focus: Focus;
  /** rates, importance and agreements as they were set at this moment */
  ratesAtMs: number;
  /** who left and what promises cost: left out where only the direction is wanted; with it when not said */
  withLeft?: boolean;
}

/** The harm bill of an incident over a window, from the attempts of its flows; of a slice of them when narrowed. */
export async function billOf(state: EngineState, incident: StoredIncident, question: BillQuestion): Promise<HarmBill> {
  const context = await contextOf(state, incident, question);
  return harmBill(
    incident.parts,
    question.window,
    question.withLeft === false ? { ...context, followersOf: () => new Set() } : context,
  );
}

/** What is known around an incident: its attempts, those that usually follow, and what is usual. */
export async function contextOf(
  state: EngineState,
  incident: StoredIncident,
  question: BillQuestion,
): Promise<BillContext> {
  const { window, focus, ratesAtMs, withLeft = true } = question;
  const around = await surroundings(state, incident, focus);
  const flows = new Set(
    incident.parts.flatMap((part) => [part.flow, ...(withLeft ? around.succession.followersOf(part.flow) : [])]),
  );
  const shared = sharedWindow(incident, window);
  const rows = await state.hours.rows(
    {
      fromMs: shared.fromMs - (withLeft ? LEFT_LOOK_BACK_MS : 0),
      toMs: Math.min(shared.toMs + MADE_GOOD_MS, state.watermarkMs),
    },
    flows,
    sliceOf(state, focus),
  );
  return billContext(rows, {
    knownUntilMs: state.judgedMs,
    surroundings: around,
    judge: state,
    settings: billSettings(
      state,
      ratesAtMs,
      // Money follows minutes: a direction is told without it.
      withLeft ? await promisesAtStake(state, window.toMs, ratesAtMs) : [],
    ),
  });
}

/** Flows that people usually go on to from a flow of an incident, as it was before. */
export const followersOf = async (
  state: EngineState,
  incident: StoredIncident,
  flow: number,
  focus: Focus,
): Promise<ReadonlySet<number>> => (await surroundings(state, incident, focus)).succession.followersOf(flow);

/**
 * The window that an incident is shown in: a link may show one outside the window that is looked at, then all of it is
 * shown.
 */
export function windowOf({ onsetMs, endMs }: StoredIncident, asked: Window): Window {
  const own = { fromMs: onsetMs, toMs: endMs };
  return overlap(own, asked) ? asked : own;
}

/** Part of the incident that lies in the window, at least a minute. */
export function sharedWindow(incident: StoredIncident, window: Window): Window {
  return (
    overlap({ fromMs: incident.onsetMs, toMs: incident.endMs }, window) ?? {
      fromMs: window.fromMs,
      toMs: window.fromMs + MINUTE_MS,
    }
  );
}
