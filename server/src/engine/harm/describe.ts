import {
  expectedAttempts,
  incidentTitle,
  isAlone,
  outageStretch,
  rootParts,
  whereItGoesWrong,
  type HarmBill,
  type IncidentFacts,
  type StoredIncident,
} from '@toplens/core/incidents';
import { BUCKET_MS } from '@toplens/core/flows';
import { isLearned, type Deviation } from '@toplens/core/normal';
import { createHistogram, histogramQuantile, recordInPlace } from '@toplens/core/stats';
import { CRASHED, eachRow, FAILED, type AttemptColumns } from '@toplens/core/telemetry';
import { floorTo, MINUTE_MS, type Window } from '@toplens/core/time';
import type { EngineState } from '../state/engine-state';
import { isPastWindow } from '../reading/windows';
import { sharedWindow } from './bills';
import { isActiveAtEnd } from './trend';
import type { Judged } from './judged';

/** Where the trouble shows first: the part that hurts most among those not explained by another. */
export function rootOf(incident: StoredIncident): Deviation {
  return rootParts(incident.parts).reduce((root, part) => (part.excess > root.excess ? part : root));
}

const FEWEST_EXPECTED = 3;

export interface Description {
  title: string;
  /** the one site whose people alone are hit; undefined when others are as well */
  onlySite: string | undefined;
}

/** The headline of an incident in a window. */
export function describeIncident(
  state: EngineState,
  incident: StoredIncident,
  { window, bill, rows, isOver }: { window: Window; bill: HarmBill; rows: AttemptColumns; isOver: boolean },
): Description {
  const root = rootOf(incident);
  const flow = state.names.flow(root.flow);
  const normalAt = (id: number, timeMs: number) => state.history.normalAt(id, timeMs);
  const wrong =
    root.signal === 'missing'
      ? []
      : whereItGoesWrong({ rows, flows: new Set([root.flow]), window, normalAt, onlyFailed: root.signal === 'failing' })
          .segments;
  // A version or a host names a place in the machinery; people are told apart by what they are.
  const alone = wrong
    .filter((one) => isAlone(one) && one.dimension !== 'host')
    .sort((a, b) => a.shareOfAll - b.shareOfAll)[0];
  const attempts = Object.values(bill.outcomes).reduce((sum, n) => sum + n, 0);
  const normal = normalAt(root.flow, Math.max(window.fromMs, root.onsetMs));
  const facts: IncidentFacts = {
    signal: root.signal,
    flow: flow.name,
    application: flow.application,
    isOver,
    lengthMs: window.toMs - window.fromMs,
    isPage: flow.kind === 'page',
    isCrash: isMostlyCrashes(rows, root.flow),
    wholeApplication: isWholeApplication(state, incident),
    slowness: slowness(state, root.flow, rows),
    badShare:
      attempts > 0
        ? (root.signal === 'failing' ? bill.outcomes.failed : attempts - bill.outcomes.onTime) / attempts
        : 0,
    usualShare: root.signal === 'failing' ? normal.failedShare : normal.lateShare,
    volumeShare: root.signal === 'missing' ? volumeShare(state, incident, rows) : 1,
    against: isLearned(normal) ? 'usual' : normal.basis === 'firstMinutes' ? 'first' : 'nothing',
    ...(alone && { only: { dimension: alone.dimension, value: state.names.text(alone.value) } }),
  };
  return { title: incidentTitle(facts), onlySite: facts.only?.dimension === 'site' ? facts.only.value : undefined };
}

/** Of what failed in a flow, more than half ended by a crash of the application. */
function isMostlyCrashes(rows: AttemptColumns, flow: number): boolean {
  let [failed, crashed] = [0, 0];
  for (let i = 0; i < rows.n; i++) {
    if (rows.flow[i] !== flow) continue;
    const flags = rows.flags[i] as number;
    if (flags & FAILED) failed++;
    if (flags & CRASHED) crashed++;
  }
  return 2 * crashed > failed;
}

/** An outage in which every flow of the application that usually has attempts at that time is missing them. */
export function isWholeApplication(state: EngineState, incident: StoredIncident): boolean {
  if (incident.parts.some((part) => part.signal !== 'missing')) return false;
  const missing = new Set(incident.parts.map((part) => part.flow));
  const application = state.names.flow(rootOf(incident).flow).application;
  const others = state.names.flows.filter(
    (flow) => flow.application === application && flow.kind === 'work' && !missing.has(flow.id),
  );
  return others.every((flow) => expectedIn(state, flow.id, outageStretch(incident.parts)) < FEWEST_EXPECTED);
}

/** Attempts that a flow usually has in a window. */
function expectedIn({ history }: EngineState, flow: number, window: Window): number {
  return expectedAttempts(flow, window, {
    normalAt: (id, timeMs) => history.normalAt(id, timeMs),
    shareOfFlow: () => 1,
  }).mean;
}

/** Begin and end of an outage are known to a minute: at the edges normal minutes may be mixed in. */
function withoutEdges({ fromMs, toMs }: Window): Window {
  return toMs - fromMs >= 5 * MINUTE_MS ? { fromMs: fromMs + MINUTE_MS, toMs: toMs - MINUTE_MS } : { fromMs, toMs };
}

/** Share of the expected attempts that still came to the root flow while the outage lasted. */
function volumeShare(state: EngineState, incident: StoredIncident, rows: AttemptColumns): number {
  const { flow } = rootOf(incident);
  const stretch = withoutEdges(outageStretch(incident.parts));
  const expected = expectedIn(state, flow, stretch);
  let came = 0;
  for (let i = 0; i < rows.n; i++) {
    const startMs = rows.startMs[i] as number;
    if (rows.flow[i] === flow && startMs >= stretch.fromMs && startMs < stretch.toMs) came++;
  }
  return expected > 0 ? came / expected : 1;
}

/** How much longer than expected the middle attempt of a flow takes that did not fail; 1 where that is not known. */
function slowness(state: EngineState, flow: number, rows: AttemptColumns): number {
  const durations = createHistogram();
  let [expected, n] = [0, 0];
  eachRow(rows, { flows: flow }, (i) => {
    if ((rows.flags[i] as number) & FAILED) return;
    recordInPlace(durations, rows.durationMs[i] as number);
    const usual = state.history.normalAt(flow, rows.startMs[i] as number).expectedMs;
    if (usual === undefined) return;
    expected += usual;
    n++;
  });
  const median = histogramQuantile(durations, 0.5);
  return median !== undefined && n > 0 ? median / (expected / n) : 1;
}

const ENOUGH_ROWS = 10_000;

export async function describe(
  state: EngineState,
  { incident, bill }: Pick<Judged, 'incident' | 'bill'>,
  window: Window,
): Promise<Description> {
  const shared = sharedWindow(incident, window);
  const { flow } = rootOf(incident);
  // For a headline a part of many attempts is enough: every so manieth.
  const attempts = attemptsIn(state, flow, shared);
  const every = Math.max(1, Math.floor(attempts / ENOUGH_ROWS));
  const isWanted =
    every === 1 || rootOf(incident).signal === 'missing'
      ? undefined
      : (_rows: AttemptColumns, row: number) => row % every === 0;
  const rows = await state.hours.rows(shared, new Set([flow]), isWanted);
  const isOver = !isActiveAtEnd(incident, window) || isPastWindow(state, window);
  return describeIncident(state, incident, { window: shared, bill, rows, isOver });
}

/** Attempts of a flow in a window, from its roll-ups. */
function attemptsIn(state: EngineState, flow: number, window: Window): number {
  let attempts = 0;
  for (let at = floorTo(window.fromMs, BUCKET_MS); at < window.toMs; at += BUCKET_MS)
    attempts += state.history.bucket(flow, at)?.attempts ?? 0;
  return attempts;
}
