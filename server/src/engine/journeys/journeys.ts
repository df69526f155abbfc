import { sampleOfSessions, sessionsApart, type Outcome } from '@toplens/core/flows';
import { outcomeOfRow } from '@toplens/core/incidents';
import {
  discoverJourneys,
  GOES_ON_WITHIN_MS,
  isBad,
  judgeJourney,
  repairOrder,
  sessionsOf,
  type JudgedJourney,
  type Session,
} from '@toplens/core/journeys';
import type { Interval } from '@toplens/core/stats';
import type { AttemptColumns } from '@toplens/core/telemetry';
import { HOUR_MS, type Window } from '@toplens/core/time';
import type { JourneyShape, JourneysShape } from '../../contract/journeys';
import { journeyKey } from '../../settings/settings-book';
import { walkedPart } from '../reading/each-attempt';
import { finiteOrNull } from '../reading/finite-or-null';
import { flowsIn, sliceOf } from '../reading/focus';
import type { Focus, JourneysQuestion, JourneyQuestion } from '../state/questions';
import { PerVersion } from '../state/per-version';
import { resolveWindow } from '../reading/windows';
import type { EngineState } from '../state/engine-state';

/** Ways are found in so much before the end of what is looked at. */
const FOUND_IN_MS = 6 * HOUR_MS;
/** Sessions of so long before the window show who leaves as usual. */
const USUAL_FROM_MS = 3 * HOUR_MS;

/** A way, as found or as people said. */
interface Way {
  steps: readonly number[];
  application: string;
  name: string;
  isNamed: boolean;
}

const found = new PerVersion<Way[]>(20);

/** Journeys in a window: those that people named, and those that they really walk. */
export async function journeys(state: EngineState, { window: asked, focus }: JourneysQuestion): Promise<JourneysShape> {
  const window = walkedPart(resolveWindow(state, asked));
  const left = flowsIn(state, focus);
  const ways = (await waysAt(state, window.toMs)).filter(({ steps }) => !left || steps.some((flow) => left.has(flow)));
  const shown = await Promise.all(ways.map((way) => journeyShape(state, way, window, focus)));
  return {
    window,
    journeys: shown.sort((a, b) => b.beyondUsual - a.beyondUsual || b.setOut - a.setOut || a.id.localeCompare(b.id)),
  };
}

/** One journey, step by step; null when one of its flows is not known. */
export async function journey(
  state: EngineState,
  { window: asked, steps, focus }: JourneyQuestion,
): Promise<JourneyShape | null> {
  if (!steps.every((flow) => state.names.has(flow))) return null;
  const window = walkedPart(resolveWindow(state, asked));
  return journeyShape(state, wayOf(state, steps), window, focus);
}

export function waysAt(state: EngineState, toMs: number): Promise<Way[]> {
  const window = { fromMs: toMs - FOUND_IN_MS, toMs };
  // What people do changes over hours: found anew now and then, and when names change.
  return found.get({ version: state.settings.number }, String(Math.floor(toMs / HOUR_MS)), async () => {
    const { sessions } = await sessionsIn(state, window, undefined, { values: {} });
    const ways = discoverJourneys(sessions).map(({ steps }) => wayOf(state, steps));
    const named = state.settings.journeys().flatMap(({ application, steps }) => {
      const flows = steps.map(
        (technicalName) =>
          state.names.flows.find((flow) => flow.application === application && flow.technicalName === technicalName)
            ?.id,
      );
      return flows.every((flow) => flow !== undefined) ? [wayOf(state, flows)] : [];
    });
    const isNamed = new Set(named.map(({ steps }) => idOf(steps)));
    return [...named, ...ways.filter(({ steps }) => !isNamed.has(idOf(steps)))];
  });
}

export const idOf = (steps: readonly number[]): string => steps.join('-');

export function wayOf(state: EngineState, steps: readonly number[]): Way {
  const flows = steps.map((flow) => state.names.flow(flow));
  const [first, last] = [flows[0], flows.at(-1)];
  const application = first?.application ?? '';
  const name = state.settings.journeyName(
    application,
    flows.map(({ technicalName }) => technicalName),
  );
  return {
    steps,
    application,
    name: name ?? `From ${first?.name ?? ''} to ${last?.name ?? ''}`,
    isNamed: name !== undefined,
  };
}

export interface SessionsRead {
  sessions: Session[];
  /** one of so many sessions was read */
  every: number;
  /** what they were made of */
  rows: AttemptColumns;
  outcomeOf: (row: number) => Outcome;
}

/** Sessions with an attempt of these flows (all when left out) in a window; of very many every so manieth. */
async function sessionsIn(
  state: EngineState,
  window: Window,
  flows: ReadonlySet<number> | undefined,
  focus: Focus,
): Promise<SessionsRead> {
  const holds = sliceOf(state, focus);
  let n = 0;
  await state.hours.visit(window, flows, (_rows, from, to) => (n += to - from));
  const isSampled = sampleOfSessions(n);
  const rows = await state.hours.rows(
    window,
    flows,
    (columns, row) => isSampled(columns.session[row] as number) && (!holds || holds(columns, row)),
  );
  const outcomeOf = (row: number) =>
    outcomeOfRow(rows, row, state.history.normalAt(rows.flow[row] as number, rows.startMs[row] as number));
  return { sessions: sessionsOf(rows, outcomeOf), every: sessionsApart(n), rows, outcomeOf };
}

/** Sessions of a journey's flows around a window, and what its steps are judged by. */
export async function sessionsOfWay(
  state: EngineState,
  { steps, window, focus }: { steps: readonly number[]; window: Window; focus: Focus },
): Promise<SessionsRead & { known: { window: Window; knownUntilMs: number } }> {
  const around = { fromMs: window.fromMs - USUAL_FROM_MS, toMs: window.toMs + GOES_ON_WITHIN_MS };
  const read = await sessionsIn(state, around, new Set(steps), focus);
  return { ...read, known: { window, knownUntilMs: Math.min(state.watermarkMs, around.toMs) } };
}

async function journeyShape(state: EngineState, way: Way, window: Window, focus: Focus): Promise<JourneyShape> {
  const { sessions, every, known } = await sessionsOfWay(state, { steps: way.steps, window, focus });
  const usualShareOf = (flow: number) => {
    const { lateShare, failedShare } = state.history.normalAt(flow, window.toMs - 1);
    return lateShare + failedShare;
  };
  const judged = judgeJourney(sessions, way.steps, { ...known, usualShareOf });
  const incidents = state.register.within(window);
  const { steps, application, name, isNamed } = way;
  const technicalNames = steps.map((flow) => state.names.flow(flow).technicalName);
  return {
    id: idOf(steps),
    key: journeyKey(application, technicalNames),
    window,
    name,
    isNamed,
    application,
    currency: state.settings.at().currency,
    every,
    setOut: judged.setOut * every,
    completed: judged.completed * every,
    value: judged.value * every,
    valueEach: finiteOrNull(judged.valueEach),
    beyondUsual: every * judged.steps.filter(isBad).reduce((sum, { beyondUsual }) => sum + beyondUsual.estimate, 0),
    lost: every * judged.steps.filter(isBad).reduce((sum, { value }) => sum + value.estimate, 0),
    steps: judged.steps.map((step) => ({
      flow: step.flow,
      name: state.names.flow(step.flow).name,
      people: step.people * every,
      sessions: step.sessions * every,
      wentOn: step.wentOn * every,
      undecided: step.undecided * every,
      left: step.left * every,
      exposed: step.exposed * every,
      usuallyExposed: step.usuallyExposed * every,
      beyondUsual: scaled(step.beyondUsual, every),
      lost: scaled(step.value, every),
      usualLeaving: finiteOrNull(step.usualLeaving),
      attributable: finiteOrNull(step.attributable),
      isBad: isBad(step),
      medianMs: finiteOrNull(step.medianMs),
      failedShare: step.attempts > 0 ? step.failedAttempts / step.attempts : null,
      incidents: incidents
        .filter(({ parts }) => parts.some(({ flow, signal }) => flow === step.flow && signal !== 'missing'))
        .map(({ id }) => id),
    })),
    repairs: repairsOf(judged, every),
  };
}

const repairsOf = (judged: JudgedJourney, every: number): JourneyShape['repairs'] =>
  repairOrder(judged).map(({ comeBack, hidden, completions, value, ...repair }) => ({
    ...repair,
    comeBack: comeBack * every,
    hidden: hidden * every,
    completions: completions * every,
    value: value * every,
  }));

export const scaled = ({ estimate, low, high }: Interval, by: number): Interval => ({
  estimate: estimate * by,
  low: low * by,
  high: high * by,
});
