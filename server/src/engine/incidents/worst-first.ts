import { isWithTeam } from '@toplens/core/handoffs';
import {
  harmPerHour,
  isAbout,
  nearTies,
  priorityOf,
  quantityOf,
  rankStability,
  weightOf,
  windowSentence,
  type Ranking,
  type Stability,
} from '@toplens/core/incidents';
import { sumInterval, type Interval } from '@toplens/core/stats';
import { DIMENSIONS } from '@toplens/core/telemetry';
import { hoursOf, type Window } from '@toplens/core/time';
import type {
  ComparedShape,
  EarlyWarningShape,
  RowShape,
  SetAsideShape,
  WorstFirstShape,
} from '../../contract/incidents';
import { promisesOf } from '../../settings/promises';
import { latestHandoffs, returnedBy } from '../../store/handoffs';
import { describe, isWholeApplication, rootOf } from '../harm/describe';
import { levelOf } from '../harm/levels';
import type { Focus, WorstFirstQuestion } from '../state/questions';
import { freshness } from '../state/freshness';
import { hurtsSomebody, isSetAside, judgedIn, peopleOnce, rankedOf, type Judged } from '../harm/judged';
import { PerVersion } from '../state/per-version';
import { proposalFor } from '../harm/proposal';
import { learningIn } from '../reading/learning';
import { remainingIn } from '../reading/remaining';
import { narrowedBuckets, type Narrowed } from '../reading/narrowed-buckets';
import { measureOf, sparkOf, sparkWindow } from '../reading/series';
import { marksByFlow } from '../reading/marks';
import { isActiveAtEnd, TREND_MS, trendOf } from '../harm/trend';
import { comparedWindow, isPastWindow, momentOf, ratesAt, resolveWindow } from '../reading/windows';
import type { EngineState } from '../state/engine-state';
import { teamFor } from './next-team';

export async function worstFirst(state: EngineState, question: WorstFirstQuestion): Promise<WorstFirstShape> {
  const { focus, ranking } = question;
  const window = resolveWindow(state, question.window);
  const atMs = ratesAt(question, window);
  const moment = momentOf(question.window);
  const handoffs = await latestHandoffs(state.database);
  const then = moment === Infinity ? handoffs : await latestHandoffs(state.database, moment);
  const belongs = ({ incident }: Judged) => {
    const flow = state.names.flow(rootOf(incident).flow);
    if (focus.application !== undefined && flow.application !== focus.application) return false;
    if (focus.flow !== undefined && !incident.parts.some((part) => part.flow === focus.flow)) return false;
    return (
      focus.team === undefined || (handoffs.get(incident.id)?.team ?? proposalFor(state, incident)?.team) === focus.team
    );
  };
  const shown = (await judgedIn(state, window, atMs, focus)).filter(belongs);
  const ranked = rankedOf(shown, window, ranking);
  const byHarm = rankedOf(shown, window, 'harm');
  const asked = { window, ranking, focus, atMs };
  const order = { stability: rankStability(byHarm), tied: nearTies(byHarm), earlier: await ranksBefore(state, asked) };
  const made = await rowsMade.get(state, JSON.stringify([question, window, ranked.map(({ id }) => id)]), async () => {
    const narrowed = await narrowedFor(state, ranked, window, focus);
    return Promise.all(
      ranked.map((entry, i) => rowOf(state, { ...entry, rank: i + 1 }, { ...asked, narrowed }, order)),
    );
  });
  const rows = made.map((row) => ({ ...row }));
  const returned = await returnedBy(state.database);
  for (const row of rows) {
    row.handoff = handoffs.get(row.id) ?? null;
    row.handoffThen = then.get(row.id) ?? null;
    const entry = returned.has(row.id) && ranked.find(({ id }) => id === row.id);
    if (entry) row.proposedTeam = (await teamFor(state, entry.incident))?.team ?? null;
  }
  const { currency } = state.settings.at();
  const together = togetherOf(ranked, window);
  const learning = learningIn(state, window);
  const sentence = windowSentence({
    people: together.people.estimate,
    isAbout: ranked.some(({ bill }) => isAbout(bill)),
    harmPerHour: together.harmPerHour.estimate,
    flows: new Set(ranked.flatMap(({ incident }) => incident.parts.map((part) => part.flow))).size,
    money: together.money.estimate,
    currency,
    withoutTeam: rows.filter(({ handoffThen }) => handoffThen === null || !isWithTeam(handoffThen.state)).length,
    incidents: rows.length,
    isPast: isPastWindow(state, window),
    hasData: state.watermarkMs > 0,
    isJudged: state.judgedMs > 0,
    learning,
  });
  const harmless = shown.filter((entry) => !hurtsSomebody(entry) && !isSetAside(entry.incident, window));
  return {
    window,
    ranking,
    ...sentence,
    together,
    currency,
    // A ranking lists what weighs something in it; the sentence is about all that hurts.
    rows: rows.filter(
      ({ weight, promiseSpent }) =>
        ranking === 'harm' || ranking === 'people' || weight > 0 || (ranking === 'promises' && promiseSpent !== null),
    ),
    learning,
    hasPromises: promisesOf(state.settings.at()).length > 0,
    earlyWarnings: await Promise.all(harmless.map((entry) => earlyWarningOf(state, entry, window))),
    setAside: await Promise.all(
      shown.filter(({ incident }) => isSetAside(incident, window)).map((entry) => setAsideOf(state, entry, window)),
    ),
    compared: await comparedOf(state, window, question, atMs),
    remaining: await remainingIn(state, window, focus),
    lastEndedMs: lastEnded(state, window),
    applications: state.names.applications,
    teams: state.settings.at().teams,
    flows: state.names.flows
      .filter(({ kind }) => kind === 'work' || kind === 'page')
      .map(({ id, name, application }) => ({ id, name, application })),
    dimensions: DIMENSIONS.map((dimension) => ({ dimension, values: state.names.valuesOf(dimension) })).filter(
      ({ values }) => values.length > 0,
    ),
    freshness: freshness(state),
  };
}

/** All incidents of the list together; somebody whom two of them hurt counts once. */
function togetherOf(ranked: readonly Judged[], window: Window): WorstFirstShape['together'] {
  const hours = hoursOf(window);
  const sumOf = (parts: Interval[], estimate?: number): Interval => {
    const all = sumInterval(parts, estimate);
    return { ...all, low: Math.max(0, all.low) };
  };
  const anHour = ({ estimate, low, high }: Interval): Interval => ({
    estimate: estimate / hours,
    low: low / hours,
    high: high / hours,
  });
  return {
    people: sumOf(
      ranked.map(({ bill }) => bill.people),
      peopleOnce(ranked),
    ),
    harmPerHour: anHour(sumOf(ranked.map(({ bill }) => bill.harm))),
    money: sumOf(
      ranked.flatMap(({ bill }) => bill.lines.filter(({ name }) => name === 'money').map(({ quantity }) => quantity)),
    ),
  };
}

const narrowedFor = (state: EngineState, ranked: readonly Judged[], window: Window, focus: Focus) =>
  narrowedBuckets(state, [sparkWindow(window)], focus, new Set(ranked.map(({ incident }) => rootOf(incident).flow)));

/** Rows without their handoffs. */
const rowsMade = new PerVersion<RowShape[]>(60);

async function ranksBefore(state: EngineState, { window, ranking, focus, atMs }: Asked): Promise<Map<number, number>> {
  const before = { fromMs: window.fromMs - TREND_MS, toMs: window.toMs - TREND_MS };
  return new Map(rankedOf(await judgedIn(state, before, atMs, focus), before, ranking).map(({ id }, i) => [id, i + 1]));
}

/** What the list is asked for, with its window resolved. */
interface Asked {
  window: Window;
  ranking: Ranking;
  focus: Focus;
  /** the moment whose rates count */
  atMs: number;
}

/** What a row shows of its place among the others. */
interface Order {
  stability: ReadonlyMap<number, Stability>;
  tied: ReadonlySet<number>;
  /** ranks ten minutes before */
  earlier: ReadonlyMap<number, number>;
}

async function rowOf(
  state: EngineState,
  entry: Judged & { rank: number },
  /** @param asked `narrowed`: what the filter leaves, for the small lines */
  asked: Asked & { narrowed: Narrowed | undefined },
  { stability, tied, earlier }: Order,
): Promise<RowShape> {
  const { window, ranking, focus, atMs, narrowed } = asked;
  const { incident, bill, rank } = entry;
  const root = rootOf(incident);
  const before = earlier.get(incident.id);
  const trend = await trendOf(state, incident, { window, focus, ratesAtMs: atMs });
  const perHour = harmPerHour(bill, window);
  return {
    id: incident.id,
    rank,
    moved: before === undefined ? null : before - rank,
    title: (await describe(state, entry, window)).title,
    application: state.names.flow(root.flow).application,
    flows: [...new Set(incident.parts.map((part) => state.names.flow(part.flow).name))],
    signal: root.signal,
    level: levelOf(incident),
    priority: priorityOf(bill, perHour, trend),
    onsetMs: incident.onsetMs,
    endMs: incident.endMs,
    activeAtEnd: isActiveAtEnd(incident, window),
    inTroubleNow: incident.active,
    trend,
    outcomes: bill.outcomes,
    missingAttempts: Math.round(bill.missingAttempts),
    harmPerHour: perHour,
    harm: bill.harm,
    people: bill.people,
    isAbout: isAbout(bill),
    money: quantityOf(bill, 'money'),
    keyCustomers: quantityOf(bill, 'keyCustomers'),
    weight: weightOf(bill, ranking),
    promiseSpent: mostSpent(bill),
    best: stability.get(incident.id)?.best ?? rank,
    worst: stability.get(incident.id)?.worst ?? rank,
    nearTie: tied.has(incident.id),
    spark: sparkOf(state, { flow: root.flow, measure: measureOf(root.signal), window, narrowed }),
    marks: (await marksByFlow(state, sparkWindow(window)))(root.flow),
    proposedTeam: proposalFor(state, incident)?.team ?? null,
    handoff: null,
    handoffThen: null,
  };
}

/** The promise of whose budget it took most; null when of none. */
function mostSpent({ promises }: Judged['bill']): RowShape['promiseSpent'] {
  const [most] = [...promises].sort((a, b) => b.budgetShare - a.budgetShare);
  return most && most.budgetShare > 0 ? { name: most.name, budgetShare: most.budgetShare } : null;
}

async function earlyWarningOf(state: EngineState, entry: Judged, window: Window): Promise<EarlyWarningShape> {
  const { incident } = entry;
  const { application, kind } = state.names.flow(rootOf(incident).flow);
  return {
    id: incident.id,
    title: (await describe(state, entry, window)).title,
    application,
    onsetMs: incident.onsetMs,
    inTroubleNow: incident.active,
    mayBecome:
      kind === 'background'
        ? 'Nobody waits for it.'
        : isWholeApplication(state, incident)
          ? 'Nobody was missing so far.'
          : 'If it goes on, people who come this way will feel it.',
  };
}

async function setAsideOf(state: EngineState, entry: Judged, window: Window): Promise<SetAsideShape> {
  const { id, setAside } = entry.incident;
  const { reason = '', by = '', untilMs = 0 } = setAside ?? {};
  return { id, title: (await describe(state, entry, window)).title, reason, by, untilMs };
}

/** The same figures of another window. */
async function comparedOf(
  state: EngineState,
  window: Window,
  { against, focus }: WorstFirstQuestion,
  atMs: number,
): Promise<ComparedShape | null> {
  const other = await comparedWindow(state, window, against, focus.application);
  if (!other) return null;
  const ranked = rankedOf(await judgedIn(state, other.window, atMs, focus), other.window, 'harm');
  return {
    words: other.words,
    ...other.window,
    harmPerHour: ranked.reduce((sum, { bill }) => sum + harmPerHour(bill, other.window), 0),
    people: peopleOnce(ranked),
    incidents: ranked.length,
    isKnown: state.history.flows.some((flow) => state.history.firstMsOf(flow) < other.window.fromMs),
  };
}

function lastEnded(state: EngineState, window: Window): number | null {
  const ended = state.register.all
    .filter((incident) => !incident.active && incident.endMs <= window.toMs)
    .map((incident) => incident.endMs);
  return ended.length > 0 ? Math.max(...ended) : null;
}
