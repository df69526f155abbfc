import { BUCKET_MS } from '@toplens/core/flows';
import { Register, type HourOfFlow } from '@toplens/core/incidents';
import { History } from '@toplens/core/normal';
import { DAY_MS, dayKinds, floorTo, HOUR_MS } from '@toplens/core/time';
import { Pseudonyms } from '../../names/pseudonyms';
import type { UsuallyKept } from '../../settings/retention';
import type { Settings } from '../../settings/settings';
import { ALL_KEY, type SettingsBook } from '../../settings/settings-book';
import { loadHour, newestEnd, storedHours } from '../../store/attempts';
import type { Database } from '../../store/database';
import { loadIncidents } from '../../store/incidents';
import { loadReleases, type Release } from '../../store/releases';
import { loadDue } from '../../store/judging-due';
import { loadRollUps, staleHours } from '../../store/roll-ups';
import { readBook } from '../../store/settings';
import { loadShares, type TraceShare } from '../../store/trace-shares';
import { ComingIn } from './coming-in';
import type { WindowQuestion } from './questions';
import { Hours } from './hours';
import { Names } from './names';
import { Segments } from './segments';

/** All that the engine knows: shared by judging and answering. */
export interface EngineState {
  database: Database;
  names: Names;
  /** what persons are called to whoever may not know who they are */
  pseudonyms: Pseudonyms;
  /** how long telemetry is kept where settings say nothing */
  usuallyKept: UsuallyKept;
  settings: SettingsBook;
  hours: Hours;
  segments: Segments;
  history: History;
  register: Register;
  releases: Release[];
  comingIn: ComingIn;
  /** stretches of which traces were thinned out, in order of time */
  shares: TraceShare[];
  /** hours of what components do are summed up to here; 0 before the first look */
  partHoursToMs: number;
  /** attempts by flow and minute, of the hours that were judged */
  minutes: Map<number, Map<number, HourOfFlow>>;
  /** up to when data is complete; 0 before the first data */
  watermarkMs: number;
  /** up to when minutes are judged */
  judgedMs: number;
  /** old stretches are judged anew from here on, day by day, beside what is live; `undefined` when none are */
  dueFromMs: number | undefined;
  /** grows with everything that changes an answer: answers made under an older one are made again */
  version: number;
}

const MEMORY_DAYS = 36;

/** Reads from the database what a restart needs. @returns the state, and hours whose roll-ups are to be made again */
export async function loadState(
  database: Database,
  {
    file,
    segmentsDir,
    secret,
    usuallyKept,
    now,
  }: {
    file: Settings;
    segmentsDir: string;
    secret: Uint8Array;
    usuallyKept: UsuallyKept;
    now: () => number;
  },
): Promise<{ state: EngineState; stale: number[] }> {
  const stale = await staleHours(database);
  const settings = await readBook(database, file);
  const names = new Names(database, settings);
  await names.refresh();
  const register = new Register(await loadIncidents(database));
  const isMasked = (flow: number, startMs: number) =>
    register.touches(flow, { fromMs: startMs, toMs: startMs + BUCKET_MS });
  const history = new History({
    isMasked,
    ownersLimit: (flow, timeMs) => names.flow(flow, timeMs).limitMs,
    siteLimits: (flow, timeMs) => names.siteLimits(flow, timeMs),
    isWaitedFor: (flow) => names.kindOf(flow) !== 'background',
    atOnceMs: (timeMs) => names.settings.at(timeMs).atOnceMs,
    kinds: dayKinds(settings.calendarAt(Infinity)),
  });
  const watermarkMs = await newestEnd(database, now());
  for (
    let dayMs = floorTo(watermarkMs - MEMORY_DAYS * DAY_MS, DAY_MS);
    watermarkMs > 0 && dayMs <= watermarkMs;
    dayMs += DAY_MS
  )
    history.load(await loadRollUps(database, dayMs, dayMs + DAY_MS));
  const segments = new Segments(segmentsDir);
  // What was touched and not judged may be newer than its file.
  for (const { hourMs } of stale) segments.drop(hourMs);
  const newestBatch = Math.max(0, ...stale.map((hour) => hour.batch));
  const hours = new Hours(await storedHours(database), (hourMs) => loadHour(database, hourMs), segments, newestBatch);
  const state: EngineState = {
    database,
    names,
    pseudonyms: new Pseudonyms(secret),
    usuallyKept,
    settings,
    hours,
    segments,
    history,
    register,
    watermarkMs,
    releases: await loadReleases(database),
    comingIn: new ComingIn(now),
    shares: await loadShares(database),
    partHoursToMs: 0,
    minutes: new Map(),
    judgedMs: 0,
    version: 1,
    dueFromMs: await loadDue(database),
  };
  // The last hour is judged once more: the process may have ended between a commit and its judgement.
  if (watermarkMs > 0) state.judgedMs = floorTo(watermarkMs - HOUR_MS, HOUR_MS);
  return { state, stale: stale.map((hour) => hour.hourMs) };
}

/** The state with names, owners and settings as they were at the end of a past window; of a live one, as they are. */
export function asOfWindow(state: EngineState, window: WindowQuestion): EngineState {
  if (!('fromMs' in window)) return state;
  const settings = state.settings.asOf(window.toMs);
  return { ...state, settings, names: state.names.under(settings) };
}

/** Flows whose limits a change may touch: what went wrong is judged anew. */
export function limitsTouchedBy({ names }: EngineState, key: string): number[] {
  if (key === ALL_KEY || key === 'flows' || key === 'atOnceMs') return names.flows.map(({ id }) => id);
  const flow = names.flowOfKey(key);
  return flow === undefined ? [] : [flow];
}

/** Takes over what people changed. */
export function takeSettings(state: EngineState, settings: SettingsBook, key: string): void {
  state.settings = state.names.settings = settings;
  const flows = limitsTouchedBy(state, key);
  for (const flow of flows) state.history.changed({ what: 'limit', flow });
  if (flows.length === 0 || key === ALL_KEY)
    state.history.changed({ what: 'calendar', kinds: dayKinds(settings.calendarAt(Infinity)) });
  state.version++;
}
