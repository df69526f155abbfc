import { DIMENSION_WORDS } from '@toplens/core/telemetry';
import {
  harmPerHour,
  hurtSentence,
  isAbout,
  nearTies,
  priorityOf,
  quantityOf,
  rankStability,
  hitWords,
  whoIsHitMost,
  type Contrast,
  type HitSegment,
  type MostHit,
  type StoredIncident,
} from '@toplens/core/incidents';
import { GOES_ON_WITHIN_MS } from '@toplens/core/journeys';
import { failuresIn } from './failures';
import { originShape, outageShape } from './origin-shape';
import { HOUR_MS, MINUTE_MS, type Window } from '@toplens/core/time';
import type { MostHitShape, IncidentShape, PartShape, SegmentShape } from '../../contract/incidents';
import { decisionsOf } from '../../store/incidents';
import { billOf, followersOf, sharedWindow, windowOf } from '../harm/bills';
import { rootOf, describe } from '../harm/describe';
import { levelOf } from '../harm/levels';
import { finiteOrNull } from '../reading/finite-or-null';
import { sliceOf } from '../reading/focus';
import type { Focus, IncidentQuestion } from '../state/questions';
import { judgedIn, rankedOf } from '../harm/judged';
import { sampleShapes } from '../reading/samples';
import { remainingIn } from '../reading/remaining';
import { narrowedBuckets, withShifted } from '../reading/narrowed-buckets';
import { measureOf, seriesOf } from '../reading/series';
import { isActiveAtEnd, trendOf } from '../harm/trend';
import { comparedWindow, resolveWindow, ratesAt } from '../reading/windows';
import type { EngineState } from '../state/engine-state';
import { marksOf } from '../reading/marks';
import { scopeOf } from './incident-scope';
import { teamFor } from './next-team';

/** Before the onset so much is drawn as context. */
const CHART_LEAD_MS = 60 * MINUTE_MS;
const SAMPLES = 3;
const NEARBY_MS = 30 * MINUTE_MS;

export async function incidentPage(state: EngineState, question: IncidentQuestion): Promise<IncidentShape | null> {
  const incident = state.register.get(question.id);
  if (!incident || incident.withdrawn) return null;
  const { focus } = question;
  const window = windowOf(incident, resolveWindow(state, question.window));
  const atMs = ratesAt(question, window);
  const judged = await judgedIn(state, window, atMs, focus);
  const bill =
    judged.find(({ id }) => id === incident.id)?.bill ??
    (await billOf(state, incident, { window, focus, ratesAtMs: atMs }));
  const ranked = rankedOf(judged, window, 'harm');
  const place = ranked.findIndex(({ id }) => id === incident.id);
  const stability = rankStability(ranked).get(incident.id);
  const root = rootOf(incident);
  const flow = state.names.flow(root.flow);
  const perHour = harmPerHour(bill, window);
  const trend = await trendOf(state, incident, { window, focus, ratesAtMs: atMs });
  const ownBill = async (one: StoredIncident) =>
    one.id === incident.id
      ? bill
      : (judged.find(({ id }) => id === one.id)?.bill ??
        billOf(state, one, { window: windowOf(one, window), focus, ratesAtMs: atMs }));
  const titleOf = async (one: StoredIncident) =>
    (await describe(state, { incident: one, bill: await ownBill(one) }, window)).title;
  const shared = sharedWindow(incident, window);
  const joined = state.register.joinedInto(incident.id);
  return {
    id: incident.id,
    window,
    title: await titleOf(incident),
    sentence: hurtSentence({
      people: bill.people.estimate,
      keyPeople: bill.keyPeople,
      gaveUp: quantityOf(bill, 'failed'),
      left: quantityOf(bill, 'left'),
      missing: quantityOf(bill, 'left') > 0 ? 0 : bill.missingAttempts,
      signal: root.signal,
      isAbout: isAbout(bill),
    }),
    application: flow.application,
    signal: root.signal,
    level: levelOf(incident),
    priority: priorityOf(bill, perHour, trend),
    trend,
    onsetMs: incident.onsetMs,
    detectedMs: Math.min(...incident.parts.map(({ firedMs }) => firedMs)),
    endMs: incident.endMs,
    activeAtEnd: isActiveAtEnd(incident, window),
    inTroubleNow: incident.active,
    currency: state.settings.at().currency,
    parts: incident.parts.map((part) => partOf(state, part, shared)),
    bill: bill.lines,
    penalties: bill.penalties,
    promises: bill.promises,
    harm: bill.harm,
    harmPerHour: perHour,
    rank: place < 0 ? null : place + 1,
    best: stability?.best ?? null,
    worst: stability?.worst ?? null,
    nearTie: nearTies(ranked).has(incident.id),
    people: bill.people,
    isAbout: isAbout(bill),
    keyPeople: bill.keyPeople,
    outcomes: bill.outcomes,
    charts: await chartsOf(state, incident, window, question),
    marks: await marksOf(
      state,
      { application: flow.application, components: (await scopeOf(state, incident)).components },
      withOnset(window, incident.onsetMs),
    ),
    mostHit: await mostHitIn(state, incident, shared, focus),
    samples:
      root.signal === 'missing'
        ? []
        : await sampleShapes(state, {
            flow: root.flow,
            window: shared,
            failures: root.signal === 'failing',
            onlyLate: true,
            most: SAMPLES,
            focus,
          }),
    component: incident.component && { name: incident.component.name, words: incident.component.words },
    origin: await originShape(state, root, shared),
    outage: root.signal === 'missing' ? await outageShape(state, root) : null,
    proposedTeam: await teamFor(state, incident),
    teams: state.settings.at().teams,
    remaining: await remainingIn(state, shared, { ...focus, flow: root.flow }),
    setAside: incident.setAside,
    failures: await failuresIn(state, incident, shared, focus),
    joined: await Promise.all(joined.map(async (one) => ({ id: one.id, title: await titleOf(one) }))),
    nearby: await Promise.all(
      state.register
        .within({ fromMs: incident.onsetMs - NEARBY_MS, toMs: incident.endMs + NEARBY_MS })
        .filter((one) => one.id !== incident.id)
        .map(async (one) => ({ id: one.id, title: await titleOf(one) })),
    ),
    decisions: await decisionsOf(state.database, incident.id),
  };
}

function partOf(state: EngineState, part: StoredIncident['parts'][number], shared: Window): PartShape {
  const flow = state.names.flow(part.flow);
  const normal = state.history.normalAt(part.flow, Math.max(part.onsetMs, shared.fromMs));
  return {
    flowId: part.flow,
    flow: flow.name,
    technicalName: flow.technicalName,
    signal: part.signal,
    level: part.level,
    onsetMs: part.onsetMs,
    endMs: part.endMs,
    active: part.active,
    basis: normal.basis,
    limitMs: normal.limitMs ?? null,
    limitBy: normal.limitBy,
    learnedLimitMs: normal.learnedLimitMs ?? null,
    expectedMs: normal.expectedMs ?? null,
  };
}

/**
 * A window with the onset and what was before it, as far as they are near: all charts of the page share one time axis,
 * and what happened in the window takes half of it at least.
 */
function withOnset({ fromMs, toMs }: Window, onsetMs: number): Window {
  const earliestMs = fromMs - (toMs - fromMs);
  return { fromMs: Math.max(earliestMs, Math.min(fromMs, onsetMs - CHART_LEAD_MS)), toMs };
}

async function chartsOf(
  state: EngineState,
  incident: StoredIncident,
  window: Window,
  { against, focus }: IncidentQuestion,
): Promise<IncidentShape['charts']> {
  const root = rootOf(incident);
  const flow = state.names.flow(root.flow);
  const compared = await comparedWindow(state, window, against, flow.application);
  const shiftMs = compared && window.toMs - compared.window.toMs;
  const chartWindow = withOnset(window, incident.onsetMs);
  const narrowed = await narrowedBuckets(
    state,
    withShifted(chartWindow, shiftMs),
    focus,
    new Set(incident.parts.map((part) => part.flow)),
  );
  const isNarrowed = narrowed !== undefined;
  const order = ['duration', 'failures', 'attempts'] as const;
  const first = measureOf(root.signal);
  const charts: IncidentShape['charts'] = [first, ...order.filter((name) => name !== first)].map((name) => ({
    name,
    flow: flow.name,
    series: seriesOf(state, { flow: root.flow, measure: name, window: chartWindow, shiftMs, narrowed }),
    comparedWith: compared?.words ?? null,
    isNarrowed,
  }));
  const missing = incident.parts.find((part) => part.signal === 'missing' && part.flow !== root.flow);
  if (missing)
    charts.push({
      name: 'attempts',
      flow: state.names.flow(missing.flow).name,
      series: seriesOf(state, { flow: missing.flow, measure: 'attempts', window: chartWindow, shiftMs, narrowed }),
      comparedWith: compared?.words ?? null,
      isNarrowed,
    });
  return charts;
}

/** What is usual for each site, version … is learned from so long before the onset. */
const USUAL_MS = 3 * HOUR_MS;

async function mostHitIn(
  state: EngineState,
  incident: StoredIncident,
  window: Window,
  focus: Focus,
): Promise<MostHitShape> {
  const { flow, signal } = rootOf(incident);
  if (signal === 'missing') return { segments: [], spared: [], ruledOut: [], measures: [], bad: 0, all: 0 };
  const before = { fromMs: incident.onsetMs - USUAL_MS, toMs: incident.onsetMs };
  const followers = await followersOf(state, incident, flow, focus);
  const rowsIn = ({ fromMs, toMs }: Window) =>
    state.hours.rows(
      { fromMs, toMs: Math.min(toMs + GOES_ON_WITHIN_MS, state.watermarkMs) },
      new Set([flow, ...followers]),
      sliceOf(state, focus),
    );
  const mostHit = whoIsHitMost({
    rows: await rowsIn(window),
    flow,
    window,
    before: { rows: await rowsIn(before), window: before },
    followers,
    knownUntilMs: state.judgedMs,
    normalAt: (id, timeMs) => state.history.normalAt(id, timeMs),
    onlyFailed: signal === 'failing',
  });
  return mostHitShape(state, mostHit);
}

const contrastShape = (contrast: Contrast | null) =>
  contrast && { ...contrast, low: finiteOrNull(contrast.low), high: finiteOrNull(contrast.high) };

function mostHitShape(state: EngineState, mostHit: MostHit): MostHitShape {
  const shape = (one: HitSegment): SegmentShape => {
    const { value, relativeRisk, high, waited, left, p: _p, ...facts } = one;
    const name = state.names.text(value);
    return {
      ...facts,
      value: name,
      relativeRisk: finiteOrNull(relativeRisk),
      high: finiteOrNull(high),
      waited: contrastShape(waited),
      left: contrastShape(left),
      words: `${DIMENSION_WORDS[one.dimension]} ${name}: ${hitWords(one)}`,
    };
  };
  return {
    ...mostHit,
    segments: mostHit.segments.map(shape),
    spared: mostHit.spared.map(shape),
    ruledOut: mostHit.ruledOut.map(({ dimension, why, value }) => ({
      dimension,
      why,
      value: value === undefined ? null : state.names.text(value),
    })),
  };
}
