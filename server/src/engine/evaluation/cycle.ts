import { learnSuccession, rollUp } from '@toplens/core/flows';
import {
  deviationsIn,
  judgeStretch,
  SLICE_PAST_MS,
  type HourOfFlow,
  type Judge,
  type StoredIncident,
  type Suspects,
} from '@toplens/core/incidents';
import type { Deviation } from '@toplens/core/normal';
import { emptyColumns, type AttemptColumns } from '@toplens/core/telemetry';
import { DAY_MS, floorTo, HOUR_MS, MINUTE_MS, type Window } from '@toplens/core/time';
import type { Statement } from '../../store/database';
import { saveIncident } from '../../store/incidents';
import { saveRelease } from '../../store/releases';
import { saveDue } from '../../store/judging-due';
import { replaceHour } from '../../store/roll-ups';
import { findComponent } from './component';
import { countedMinutes } from '../reading/counted-minutes';
import { originOf } from '../reading/origin';
import { successionIn } from '../reading/succession';
import type { EngineState } from '../state/engine-state';

/** How far before the first changed minute judging begins: longer than any rule looks back. */
const LOOK_BACK_MS = 6 * HOUR_MS;
/** Senders collect for a moment before they send: a minute is complete that long after its end. */
export const LATENESS_MS = 6_000;
/** An hour that is so long over is written down by flow. */
const SEALED_AFTER_MS = 20 * MINUTE_MS;

/**
 * Lets what waits meanwhile, questions above all, have its turn: a cycle over many hours is answered through, not
 * waited for.
 */
const giveWay = () => new Promise<void>((resolve) => setImmediate(resolve));

/** What changed longer ago than this is judged beside what is live, a part in each cycle. */
const LIVE_MS = 2 * DAY_MS;
/** So many changed hours are rolled up in a cycle, the newest first; the others wait for the next one. */
const MOST_HOURS = 96;

/**
 * One evaluation cycle over what changed: roll-ups of the changed hours, then judgement from before the first change to
 * the last complete minute. The result depends on the stored attempts alone, not on the cycles that led there: once
 * nothing is due any more, all from the oldest change on was judged in the order of time.
 *
 * What changed long ago keeps nobody waiting: the last day is judged first, then old days one by one, as long as
 * `mayGoOn` says.
 *
 * @returns hours that are left for the next cycle
 */
export async function runCycle(
  state: EngineState,
  changedHours: readonly number[],
  mayGoOn: () => boolean = () => true,
): Promise<number[]> {
  await state.names.refresh();
  const newestFirst = [...changedHours].sort((a, b) => b - a);
  const hours = newestFirst.slice(0, MOST_HOURS).reverse();
  const left = newestFirst.slice(MOST_HOURS);
  const statements: Statement[] = [];
  for (const hourMs of hours) {
    await giveWay();
    const { columns, batch } = await state.hours.load(hourMs);
    await state.names.learn(columns);
    const buckets = rollUp(columns);
    state.history.putHour(hourMs, buckets);
    state.minutes.delete(hourMs);
    statements.push(...replaceHour(hourMs, buckets, batch), ...newReleases(state, columns));
  }
  await state.database.transaction(statements);
  const completeMs = floorTo(state.watermarkMs - LATENESS_MS, MINUTE_MS);
  const changedMs = Math.min(hours[0] ?? Infinity, state.judgedMs || Infinity);
  const liveFromMs = completeMs - LIVE_MS;
  if (changedMs < liveFromMs) await setDue(state, Math.min(changedMs, state.dueFromMs ?? Infinity));
  const liveChangedMs = Math.max(
    liveFromMs,
    Math.min(hours.find((hourMs) => hourMs >= liveFromMs) ?? Infinity, state.judgedMs || Infinity),
  );
  if (liveChangedMs < completeMs || (changedMs < completeMs && state.judgedMs === 0)) {
    await judge(state, Math.min(liveChangedMs, completeMs) - LOOK_BACK_MS, completeMs);
    state.judgedMs = completeMs;
    state.version++;
    state.hours.seal(completeMs - SEALED_AFTER_MS);
  }
  while (state.dueFromMs !== undefined && state.judgedMs > 0 && left.length === 0) {
    await judgeDue(state);
    if (!mayGoOn()) break;
  }
  return left;
}

async function setDue(state: EngineState, fromMs: number | undefined): Promise<void> {
  if (fromMs === state.dueFromMs) return;
  state.dueFromMs = fromMs;
  await state.database.transaction([saveDue(fromMs)]);
}

/** Judges the oldest day that is due. */
async function judgeDue(state: EngineState): Promise<void> {
  const fromMs = state.dueFromMs as number;
  const dayMs = floorTo(fromMs - LOOK_BACK_MS, DAY_MS) + DAY_MS;
  const toMs = Math.min(dayMs, state.judgedMs);
  await judge(state, fromMs - LOOK_BACK_MS, toMs);
  state.version++;
  // The evening before belongs to each day: the next one begins where this one ended.
  await setDue(state, toMs >= state.judgedMs ? undefined : toMs + LOOK_BACK_MS);
}

function newReleases(state: EngineState, rows: AttemptColumns): Statement[] {
  const firsts = new Map<string, { application: string; version: string; firstMs: number }>();
  for (let i = 0; i < rows.n; i++) {
    const version = rows.version[i] as number;
    const application = state.names.applicationOf(rows.flow[i] as number);
    const startMs = rows.startMs[i] as number;
    const key = `${application}:${version}`;
    const known = firsts.get(key);
    if (version === 0 || (known && known.firstMs <= startMs)) continue;
    firsts.set(key, {
      application: state.names.flow(rows.flow[i] as number).application,
      version: state.names.text(version),
      firstMs: startMs,
    });
  }
  const fresh = [...firsts.values()].filter(
    (one) =>
      !state.releases.some(
        (known) =>
          known.application === one.application && known.version === one.version && known.firstMs <= one.firstMs,
      ),
  );
  for (const one of fresh) {
    state.releases = state.releases.filter(
      (known) => known.application !== one.application || known.version !== one.version,
    );
    state.releases.push(one);
  }
  if (fresh.length > 0)
    state.releases.sort((a, b) => a.firstMs - b.firstMs || a.application.localeCompare(b.application));
  return fresh.map(saveRelease);
}

/** Judging begins where nothing was wrong, so that no incident is cut in two; but never more than two days before. */
function beginOf(state: EngineState, fromMs: number): number {
  const earliest = floorTo(fromMs - 2 * DAY_MS, HOUR_MS);
  let begin = floorTo(fromMs, HOUR_MS);
  for (;;) {
    const onsets = state.register.within({ fromMs: begin, toMs: begin + 1 }).map((incident) => incident.onsetMs);
    const before = floorTo(Math.min(begin, ...onsets.filter((onsetMs) => onsetMs < begin)), HOUR_MS);
    if (before >= begin || before < earliest) return begin;
    begin = before - HOUR_MS;
  }
}

/**
 * Day by day, since what was trouble yesterday must be left out of what is normal today. Each day begins with the
 * evening before, so that trouble at midnight is one incident.
 */
async function judge(state: EngineState, fromMs: number, toMs: number): Promise<void> {
  for (let dayMs = floorTo(fromMs, DAY_MS); dayMs < toMs; dayMs += DAY_MS) {
    const begin = beginOf(state, Math.max(fromMs, dayMs - LOOK_BACK_MS));
    await judgeWindow(state, { fromMs: begin, toMs: Math.min(toMs, dayMs + DAY_MS) });
  }
}

async function judgeWindow(state: EngineState, window: Window): Promise<void> {
  const { history, register, names } = state;
  const hours = new Map<number, ReadonlyMap<number, HourOfFlow>>();
  for (let hourMs = floorTo(window.fromMs, HOUR_MS) - SLICE_PAST_MS; hourMs < window.toMs; hourMs += HOUR_MS) {
    await giveWay();
    hours.set(hourMs, await countedMinutes(state, hourMs));
  }
  const applicationOf = (flow: number) => names.applicationOf(flow);
  const kindOf = (flow: number) => names.kindOf(flow);
  const deviations = deviationsIn(window, (flow, hourMs) => hours.get(hourMs)?.get(flow), {
    history,
    applicationOf,
    kindOf,
  });
  await giveWay();
  const before = register.within(window);
  if (deviations.length === 0 && before.length === 0) return;
  const suspects = await suspectsOf(state, deviations);
  const judged: Judge = { history, register, applicationOf, suspectsOf: (deviation) => suspects.get(deviation) ?? [] };
  const changed = judgeStretch(deviations, {
    rows: await rowsAround(state, deviations),
    succession: deviations.length === 0 ? learnSuccession(emptyColumns(0)) : await successionIn(state.hours, window),
    window,
    judge: judged,
  });
  await state.database.transaction(changed.map(saveIncident));
  await nameComponents(state, window);
}

/**
 * Attempts while something deviated, of the applications that it belongs to: what deviations are told apart and tied
 * together by.
 */
async function rowsAround({ hours, names }: EngineState, deviations: readonly Deviation[]): Promise<AttemptColumns> {
  if (deviations.length === 0) return emptyColumns(0);
  const window = {
    fromMs: Math.min(...deviations.map((deviation) => deviation.onsetMs)),
    toMs: Math.max(...deviations.map((deviation) => deviation.endMs)),
  };
  const applications = new Set(deviations.map((deviation) => names.applicationOf(deviation.flow)));
  const flows = names.flows.filter((flow) => applications.has(names.applicationOf(flow.id))).map((flow) => flow.id);
  return hours.rows(window, new Set(flows));
}

/** Looked up only where deviations of unlike flows might belong together. */
async function suspectsOf(state: EngineState, deviations: readonly Deviation[]): Promise<Map<Deviation, Suspects>> {
  const bad = deviations.filter((deviation) => deviation.signal !== 'missing');
  const suspects = new Map<Deviation, Suspects>();
  if (new Set(bad.map((deviation) => deviation.flow)).size < 2) return suspects;
  for (const deviation of bad) suspects.set(deviation, (await originOf(state, deviation))?.candidates ?? []);
  return suspects;
}

async function nameComponents(state: EngineState, window: Window): Promise<void> {
  for (const incident of state.register.within(window)) {
    if (!incident.active && incident.component !== null) continue;
    const updated: StoredIncident | undefined = state.register.setComponent(
      incident.id,
      await findComponent(state, incident),
    );
    if (updated) await state.database.transaction([saveIncident(updated)]);
  }
}
