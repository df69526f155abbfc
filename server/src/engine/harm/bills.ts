import { expectedPenalty } from '@toplens/core/flows';
import {
  billContext, harmBill, LEFT_LOOK_BACK_MS, MADE_GOOD_MS, PEOPLE_LOOK_BACK_MS, surroundingsOf,
  type BillContext, type BillSettings, type HarmBill, type StoredIncident, type Surroundings,
} from '@toplens/core/incidents'; // prettier-ignore
import { DAY_MS, HOUR_MS, MINUTE_MS, overlap, type Window } from '@toplens/core/time';
import { sliceKey, sliceOf } from '../reading/focus';
import { type Focus } from '../state/questions';
import { successionIn } from '../reading/succession';
import type { World } from '../state/world';

/** Rates and importance as they were at a moment. Bills of past windows use what was set then, or what is set today. */
export function billSettings(world: World, atMs: number): BillSettings {
  return {
    rates: world.settings.ratesAt(atMs),
    importanceOf: (flow) => world.names.flow(flow, atMs).importance,
    isKeyTier: (tier) => world.names.isKeyTier(tier),
    penaltyOf: (flow, outside) => expectedPenalty(world.names.flow(flow, atMs).agreement, outside, attemptsADay(world, flow)),
  };
}

function attemptsADay(world: World, flow: number): number {
  const dayMs = Math.floor(world.judgedMs / DAY_MS) * DAY_MS;
  const totals = [1, 2, 3, 4, 5, 6, 7].map((back) => world.history.totalOf(flow, dayMs - back * DAY_MS)).filter((total) => total !== undefined);
  return totals.length > 0 ? totals.reduce((sum, total) => sum + total, 0) / totals.length : 0;
}

const surroundingsCache = new Map<string, { onsetMs: number; made: Promise<Surroundings> }>();

function surroundings(world: World, incident: StoredIncident, focus: Focus): Promise<Surroundings> {
  const key = `${incident.id}:${incident.parts.length}:${sliceKey(focus)}`;
  const cached = surroundingsCache.get(key);
  if (cached && cached.onsetMs === incident.onsetMs) return cached.made;
  if (surroundingsCache.size > 500) surroundingsCache.clear();
  const made = learnSurroundings(world, incident, focus);
  surroundingsCache.set(key, { onsetMs: incident.onsetMs, made });
  return made;
}

async function learnSurroundings(world: World, incident: StoredIncident, focus: Focus): Promise<Surroundings> {
  const { onsetMs } = incident;
  const flows = new Set(incident.parts.map((part) => part.flow));
  const applications = new Set([...flows].map((flow) => world.names.applicationOf(flow)));
  const related = new Set(world.names.flows.filter((flow) => applications.has(world.names.applicationOf(flow.id))).map((flow) => flow.id));
  const holds = sliceOf(world, focus);
  const dayBefore = await world.hours.rows({ fromMs: onsetMs - DAY_MS, toMs: onsetMs }, flows);
  const hoursBefore = await world.hours.rows({ fromMs: onsetMs - PEOPLE_LOOK_BACK_MS, toMs: onsetMs }, flows, holds);
  const succession = await successionIn(world.hours, { fromMs: onsetMs - 6 * HOUR_MS, toMs: onsetMs }, related);
  return surroundingsOf(onsetMs, { dayBefore, hoursBefore }, succession, holds && ((row) => holds(dayBefore, row)));
}

/**
 * The harm bill of an incident over a window, from the attempts of its flows; of a slice of them when narrowed.
 *
 * @param withLeft who left is told from hours of sessions: left out where only the direction is wanted
 */
export async function billOf(world: World, incident: StoredIncident, window: Window, focus: Focus, ratesAtMs: number, withLeft = true): Promise<HarmBill> {
  const context = await contextOf(world, incident, window, focus, ratesAtMs, withLeft);
  return harmBill(incident.parts, window, withLeft ? context : { ...context, followersOf: () => new Set() });
}

/** What is known around an incident: its attempts, those that usually follow, and what is usual. */
export async function contextOf(
  world: World,
  incident: StoredIncident,
  window: Window,
  focus: Focus,
  ratesAtMs: number,
  withLeft = true,
): Promise<BillContext> {
  const around = await surroundings(world, incident, focus);
  const flows = new Set(incident.parts.flatMap((part) => [part.flow, ...(withLeft ? around.succession.followersOf(part.flow) : [])]));
  const shared = sharedWindow(incident, window);
  const rows = await world.hours.rows(
    { fromMs: shared.fromMs - (withLeft ? LEFT_LOOK_BACK_MS : 0), toMs: Math.min(shared.toMs + MADE_GOOD_MS, world.watermarkMs) },
    flows,
    sliceOf(world, focus),
  );
  return billContext(rows, world.judgedMs, around, world, billSettings(world, ratesAtMs));
}

/** The window that an incident is shown in: a link may show one outside the window that is looked at, then all of it is shown. */
export function windowOf({ onsetMs, endMs }: StoredIncident, asked: Window): Window {
  const own = { fromMs: onsetMs, toMs: endMs };
  return overlap(own, asked) ? asked : own;
}

/** Part of the incident that lies in the window, at least a minute. */
export function sharedWindow(incident: StoredIncident, window: Window): Window {
  return overlap({ fromMs: incident.onsetMs, toMs: incident.endMs }, window) ?? { fromMs: window.fromMs, toMs: window.fromMs + MINUTE_MS };
}
