import { learnPrecedence, rollUp } from '@toplens/core/flows';
import { groupDeviations, minuteSeries } from '@toplens/core/incidents';
import { findDeviations, type Deviation } from '@toplens/core/normal';
import { DAY_MS, floorTo, HOUR_MS, MINUTE_MS, type Window } from '@toplens/core/time';
import { saveIncident } from '../store/incidents';
import { replaceHour } from '../store/roll-ups';
import type { Statement } from '../store/database';
import { findComponent } from './component';
import type { StoredIncident } from './incidents';
import type { World } from './world';

/** How far before the first changed minute judging begins: longer than any rule looks back. */
const LOOK_BACK_MS = 6 * HOUR_MS;
/** Sessions of so long before show which flow people pass before which. */
const PRECEDENCE_MS = 6 * HOUR_MS;
/** Senders collect for a moment before they send: a minute is complete that long after its end. */
export const LATENESS_MS = 6_000;

/**
 * One pass over what changed: roll-ups of the changed hours, then judgement from before the first change to the last
 * complete minute. The result depends on the stored attempts alone, not on the passes that led there.
 */
export async function runPass(world: World, changedHours: readonly number[]): Promise<void> {
  await world.names.refresh();
  const hours = [...changedHours].sort((a, b) => a - b);
  const statements: Statement[] = [];
  for (const hourMs of hours) {
    const { columns, batch } = await world.hours.load(hourMs);
    const buckets = rollUp(columns);
    world.history.putHour(hourMs, buckets);
    statements.push(...replaceHour(hourMs, buckets, batch));
  }
  await world.database.transaction(statements);
  const completeMs = floorTo(world.watermarkMs - LATENESS_MS, MINUTE_MS);
  const changedMs = Math.min(hours[0] ?? Infinity, world.judgedMs || Infinity);
  if (!(changedMs < completeMs)) return;
  await judge(world, changedMs - LOOK_BACK_MS, completeMs);
  world.judgedMs = completeMs;
  world.version++;
}

/** Judging begins where nothing was wrong, so that no incident is cut in two; but never more than two days before. */
function beginOf(world: World, fromMs: number): number {
  const earliest = floorTo(fromMs - 2 * DAY_MS, HOUR_MS);
  let begin = floorTo(fromMs, HOUR_MS);
  for (;;) {
    const onsets = world.incidents.within({ fromMs: begin, toMs: begin + 1 }).map((incident) => incident.onsetMs);
    const before = floorTo(Math.min(begin, ...onsets.filter((onsetMs) => onsetMs < begin)), HOUR_MS);
    if (before >= begin || before < earliest) return begin;
    begin = before - HOUR_MS;
  }
}

/**
 * Day by day, since what was trouble yesterday must be left out of what is normal today. Each day begins with the
 * evening before, so that trouble at midnight is one incident.
 */
async function judge(world: World, fromMs: number, toMs: number): Promise<void> {
  for (let dayMs = floorTo(fromMs, DAY_MS); dayMs < toMs; dayMs += DAY_MS) {
    const begin = beginOf(world, Math.max(fromMs, dayMs - LOOK_BACK_MS));
    await judgeStretch(world, { fromMs: begin, toMs: Math.min(toMs, dayMs + DAY_MS) });
  }
}

async function judgeStretch(world: World, window: Window): Promise<void> {
  const flows = world.history.flows.filter((flow) => world.history.firstMsOf(flow) < window.toMs);
  const rows = await world.hours.rows({ fromMs: window.fromMs - PRECEDENCE_MS, toMs: window.toMs });
  const series = minuteSeries(rows, flows, window, (flow, timeMs) => world.history.normalAt(flow, timeMs));
  const deviations: Deviation[] = [];
  for (const [flow, minutes] of series) deviations.push(...findDeviations(flow, minutes));
  const groups = deviations.length === 0 ? [] : groupDeviations(deviations, learnPrecedence(rows), (flow) => world.names.applicationOf(flow));
  const before = world.incidents.within(window);
  const changed = world.incidents.replace(window, groups);
  if (changed.length === 0 && before.length === 0) return;
  await world.database.transaction(changed.map(saveIncident));
  // What is trouble today is left out of what is normal from tomorrow on.
  if (changed.length > 0) world.history.forgetNormalsFrom(floorTo(Math.min(...changed.map((incident) => incident.onsetMs)), DAY_MS) + DAY_MS);
  await nameComponents(world, window);
}

async function nameComponents(world: World, window: Window): Promise<void> {
  for (const incident of world.incidents.within(window)) {
    if (!incident.active && incident.component !== null) continue;
    const updated: StoredIncident | undefined = world.incidents.setComponent(incident.id, await findComponent(world, incident));
    if (updated) await world.database.transaction([saveIncident(updated)]);
  }
}
