import { outcomeOf } from '@toplens/core/flows';
import { maskId, proposeTeam } from '@toplens/core/handoffs';
import { harmPerHour, hurtSentence, rankWorstFirst, weightOf, windowSentence, type HarmBill, type Ranking } from '@toplens/core/incidents';
import { floorTo, HOUR_MS, MINUTE_MS, overlap, type Window } from '@toplens/core/time';
import type { FreshnessShape, IncidentShape, OddShape, RowShape, SampleShape, WorstFirstShape } from '../api/shapes';
import { latestHandoffs } from '../store/handoffs';
import { sampleAttempts } from '../store/attempts';
import { billOf, sharedWindow } from './bills';
import { describeIncident, hitWords, isWholeApplication, levelOf, rootOf, type Description } from './describe';
import type { StoredIncident } from './incidents';
import type { EngineFigures, FlowCount, IncidentQuestion, WindowQuestion, WorstFirstQuestion } from './protocol';
import { seriesOf } from './series';
import type { World } from './world';

const MOVED_SINCE_MS = 10 * MINUTE_MS;
const SPARK_MS = 3 * HOUR_MS;
const CHART_LEAD_MS = 60 * MINUTE_MS;
const SILENT_AFTER_MS = 5 * MINUTE_MS;
const FEWEST_PEOPLE = 1;

/** A live window ends with the newest judged minute. */
export function resolveWindow(world: World, question: WindowQuestion): Window {
  if ('fromMs' in question) return question;
  const toMs = world.judgedMs || floorTo(world.watermarkMs, MINUTE_MS) || MINUTE_MS;
  return { fromMs: toMs - question.lengthMs, toMs };
}

interface Judged {
  id: number;
  incident: StoredIncident;
  bill: HarmBill;
}

/** Bills of a window are asked for by several people and screens: they are made once per state of the world. */
const judgedCache = new Map<string, { version: number; judged: Promise<Judged[]> }>();

function judgedIn(world: World, window: Window): Promise<Judged[]> {
  const key = `${window.fromMs}-${window.toMs}`;
  const cached = judgedCache.get(key);
  if (cached && cached.version === world.version) return cached.judged;
  const judged = Promise.all(
    world.incidents.within(window).map(async (incident) => ({ id: incident.id, incident, bill: await billOf(world, incident, window) })),
  );
  if (judgedCache.size > 50) judgedCache.clear();
  judgedCache.set(key, { version: world.version, judged });
  return judged;
}

const hurtsSomebody = ({ bill }: Judged) => bill.people.estimate >= FEWEST_PEOPLE;

export async function worstFirst(world: World, question: WorstFirstQuestion): Promise<WorstFirstShape> {
  const window = resolveWindow(world, question.window);
  const handoffs = await latestHandoffs(world.database);
  const judged = await judgedIn(world, window);
  const shown = judged.filter(({ incident }) => {
    const flow = world.names.flow(rootOf(incident).flow);
    if (question.application !== undefined && flow.application !== question.application) return false;
    return question.team === undefined || (handoffs.get(incident.id)?.team ?? proposalFor(world, incident)?.team) === question.team;
  });
  const ranked = rankWorstFirst(shown.filter(hurtsSomebody), question.ranking);
  const earlier = await ranksBefore(world, window, question.ranking);
  const rows = await Promise.all(ranked.map((entry, i) => rowOf(world, entry, i + 1, window, question.ranking, earlier)));
  for (const row of rows) row.handoff = handoffs.get(row.id) ?? null;
  const currency = world.settings.currency;
  const hurt = new Set(ranked.flatMap(({ bill }) => [...bill.hurtPersons]));
  const sentence = windowSentence({
    people: peopleOnce(ranked, hurt.size),
    harmPerHour: rows.reduce((sum, row) => sum + row.harmPerHour, 0),
    flows: new Set(ranked.flatMap(({ incident }) => incident.parts.map((part) => part.flow))).size,
    money: rows.reduce((sum, row) => sum + row.money, 0),
    currency,
    withoutTeam: rows.filter((row) => row.handoff === null || row.handoff.state === 'returned').length,
    incidents: rows.length,
  });
  const odd = await Promise.all(shown.filter((entry) => !hurtsSomebody(entry)).map((entry) => oddOf(world, entry, window)));
  return {
    window,
    ranking: question.ranking,
    ...sentence,
    currency,
    rows,
    odd,
    lastEndedMs: lastEnded(world, window),
    applications: world.names.applications,
    teams: world.settings.teams,
    freshness: freshness(world),
  };
}

/** People of two incidents count once in the total; shares beyond the usual are carried over. */
function peopleOnce(ranked: readonly Judged[], distinct: number): number {
  const seen = ranked.reduce((sum, { bill }) => sum + bill.hurtPersons.size, 0);
  const estimated = ranked.reduce((sum, { bill }) => sum + bill.people.estimate, 0);
  return seen > 0 ? estimated - (seen - distinct) * Math.min(1, estimated / seen) : estimated;
}

async function ranksBefore(world: World, window: Window, ranking: Ranking): Promise<Map<number, number>> {
  const before = { fromMs: window.fromMs - MOVED_SINCE_MS, toMs: window.toMs - MOVED_SINCE_MS };
  const judged = await judgedIn(world, before);
  return new Map(rankWorstFirst(judged.filter(hurtsSomebody), ranking).map(({ id }, i) => [id, i + 1]));
}

async function rowOf(world: World, entry: Judged, rank: number, window: Window, ranking: Ranking, earlier: Map<number, number>): Promise<RowShape> {
  const { incident, bill } = entry;
  const root = rootOf(incident);
  const shared = sharedWindow(incident, window);
  const description = await describe(world, incident, shared, bill);
  const before = earlier.get(incident.id);
  const inTroubleNow = incident.active && window.toMs >= incident.endMs;
  return {
    id: incident.id,
    rank,
    moved: before === undefined ? null : before - rank,
    title: description.title,
    application: world.names.flow(root.flow).application,
    flows: [...new Set(incident.parts.map((part) => world.names.flow(part.flow).name))],
    signal: root.signal,
    level: levelOf(incident),
    onsetMs: incident.onsetMs,
    endMs: incident.endMs,
    inTroubleNow,
    trend: inTroubleNow ? await trendOf(world, incident, window) : 'over',
    outcomes: bill.outcomes,
    missingAttempts: Math.round(bill.missingAttempts),
    harmPerHour: harmPerHour(bill, window),
    harm: bill.harm,
    people: bill.people,
    money: quantityOf(bill, 'money'),
    keyCustomers: quantityOf(bill, 'keyCustomers'),
    weight: weightOf(bill, ranking),
    spark: seriesOf(world, root.flow, measureOf(root.signal), { fromMs: window.toMs - Math.max(SPARK_MS, window.toMs - window.fromMs), toMs: window.toMs }),
    proposedTeam: proposalFor(world, incident)?.team ?? null,
    handoff: null,
  };
}

const measureOf = (signal: string): 'duration' | 'failures' | 'attempts' => (signal === 'slow' ? 'duration' : signal === 'failing' ? 'failures' : 'attempts');
const quantityOf = (bill: HarmBill, name: string) => bill.lines.find((line) => line.name === name)?.quantity.estimate ?? 0;

async function describe(world: World, incident: StoredIncident, window: Window, bill: HarmBill): Promise<Description> {
  const rows = await world.hours.rows(window, new Set([rootOf(incident).flow]));
  return describeIncident(world, incident, window, bill, rows);
}

/** Harm of the last ten minutes against the ten before. */
async function trendOf(world: World, incident: StoredIncident, window: Window): Promise<RowShape['trend']> {
  const middle = window.toMs - MOVED_SINCE_MS;
  if (incident.onsetMs > middle) return 'new';
  const harmIn = async (from: number, to: number) => {
    const bill = await billOf(world, incident, { fromMs: from, toMs: to });
    // Money and key customers follow the others: minutes alone tell the direction.
    return bill.lines.filter((line) => line.name !== 'money' && line.name !== 'keyCustomers').reduce((sum, line) => sum + line.harm.estimate, 0);
  };
  const [last, earlier] = await Promise.all([harmIn(middle, window.toMs), harmIn(middle - MOVED_SINCE_MS, middle)]);
  if (earlier <= 0) return last > 0 ? 'growing' : 'steady';
  return last > 1.25 * earlier ? 'growing' : last < 0.8 * earlier ? 'fading' : 'steady';
}

async function oddOf(world: World, { incident, bill }: Judged, window: Window): Promise<OddShape> {
  const { title } = await describe(world, incident, sharedWindow(incident, window), bill);
  const { application } = world.names.flow(rootOf(incident).flow);
  return { id: incident.id, title, application, onsetMs: incident.onsetMs, inTroubleNow: incident.active && window.toMs >= incident.endMs };
}

function lastEnded(world: World, window: Window): number | null {
  const ended = world.incidents.all.filter((incident) => incident.endMs <= window.toMs).map((incident) => incident.endMs);
  return ended.length > 0 ? Math.max(...ended) : null;
}

function proposalFor(world: World, incident: StoredIncident) {
  const flow = world.names.flow(rootOf(incident).flow);
  const component = incident.component?.name;
  return proposeTeam(world.settings.ownership, {
    application: flow.application,
    ...(!isWholeApplication(world, incident) && { flow: flow.name }),
    ...(component !== undefined && { component }),
  });
}

export function freshness(world: World): FreshnessShape {
  const silent: FreshnessShape['silent'] = [];
  for (const application of world.names.applications) {
    const flows = world.names.flows.filter((flow) => flow.application === application && !flow.background);
    const lastMs = Math.max(0, ...flows.map((flow) => lastBucket(world, flow.id)));
    if (lastMs > 0 && world.judgedMs - lastMs > SILENT_AFTER_MS) silent.push({ application, sinceMs: lastMs });
  }
  return { watermarkMs: world.watermarkMs || null, judgedMs: world.judgedMs || null, silent };
}

function lastBucket(world: World, flow: number): number {
  const step = 5 * MINUTE_MS;
  for (let at = floorTo(world.judgedMs, step); at > world.judgedMs - 24 * HOUR_MS; at -= step) if (world.history.bucket(flow, at)) return at + step;
  return 0;
}

export async function incidentPage(world: World, question: IncidentQuestion): Promise<IncidentShape | null> {
  const incident = world.incidents.get(question.id);
  if (!incident || incident.withdrawn) return null;
  const asked = resolveWindow(world, question.window);
  // A link may show an incident outside the window that is looked at: then all of it is shown.
  const window = overlap({ fromMs: incident.onsetMs, toMs: incident.endMs }, asked) ? asked : { fromMs: incident.onsetMs, toMs: incident.endMs };
  const shared = sharedWindow(incident, window);
  const bill = (await judgedIn(world, window)).find(({ id }) => id === incident.id)?.bill ?? (await billOf(world, incident, window));
  const root = rootOf(incident);
  const flow = world.names.flow(root.flow);
  const { title, hits } = await describe(world, incident, shared, bill);
  const proposal = proposalFor(world, incident);
  const chartWindow = { fromMs: Math.min(window.fromMs, incident.onsetMs - CHART_LEAD_MS), toMs: window.toMs };
  const order = ['duration', 'failures', 'attempts'] as const;
  const first = measureOf(root.signal);
  const measures = [first, ...order.filter((name) => name !== first)].map((name) => ({
    name,
    flow: flow.name,
    series: seriesOf(world, root.flow, name, chartWindow),
  }));
  const missing = incident.parts.find((part) => part.signal === 'missing' && part.flow !== root.flow);
  if (missing) measures.push({ name: 'attempts', flow: world.names.flow(missing.flow).name, series: seriesOf(world, missing.flow, 'attempts', chartWindow) });
  return {
    id: incident.id,
    window,
    title,
    sentence: hurtSentence({
      people: bill.people.estimate,
      keyPeople: bill.keyPeople,
      gaveUp: quantityOf(bill, 'failed'),
      missing: bill.missingAttempts,
      signal: root.signal,
    }),
    application: flow.application,
    signal: root.signal,
    level: levelOf(incident),
    onsetMs: incident.onsetMs,
    endMs: incident.endMs,
    inTroubleNow: incident.active && window.toMs >= incident.endMs,
    currency: world.settings.currency,
    parts: incident.parts.map((part) => {
      const partFlow = world.names.flow(part.flow);
      const normal = world.history.normalAt(part.flow, Math.max(part.onsetMs, shared.fromMs));
      return {
        flow: partFlow.name,
        technicalName: partFlow.technicalName,
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
    }),
    bill: bill.lines,
    harm: bill.harm,
    harmPerHour: harmPerHour(bill, window),
    people: bill.people,
    keyPeople: bill.keyPeople,
    outcomes: bill.outcomes,
    charts: measures,
    mostHit: hits.map((hit) => {
      const value = world.names.text(hit.value);
      return {
        dimension: hit.dimension,
        value,
        bad: hit.bad,
        shareOfBad: hit.shareOfBad,
        shareOfAll: hit.shareOfAll,
        words: hitWords(hit.dimension, value, hit),
      };
    }),
    samples: await samplesOf(world, root.flow, root.signal, shared),
    component: incident.component,
    proposedTeam: proposal ?? null,
    teams: world.settings.teams,
  };
}

const SAMPLES = 3;

async function samplesOf(world: World, flow: number, signal: string, window: Window): Promise<SampleShape[]> {
  if (signal === 'missing') return [];
  const limitMs = world.history.normalAt(flow, window.fromMs).limitMs ?? 0;
  const samples = await sampleAttempts(world.database, { flow, ...window, failures: signal === 'failing', limitMs, most: SAMPLES });
  return samples.map((sample) => ({
    atMs: sample.startMs,
    durationMs: sample.durationMs,
    outcome: outcomeOf(sample.durationMs, sample.failed, world.history.normalAt(flow, sample.startMs).limitMs),
    failure: sample.failure,
    traceId: sample.traceId,
    person: maskId(sample.person),
    component: sample.component,
  }));
}

export function figures(world: World, lastPassMs: number): EngineFigures {
  return {
    flows: world.names.flows.length,
    hoursInMemory: world.hours.inMemory,
    incidents: world.incidents.all.length,
    lastPassMs,
    watermarkMs: world.watermarkMs,
    judgedMs: world.judgedMs,
  };
}

export async function flowCounts(world: World): Promise<FlowCount[]> {
  const rows = await world.database.query<{ flow: number; attempts: number; failed: number; mean: number }>(
    'SELECT flow, count(*)::int AS attempts, (count(*) FILTER (WHERE flags & 1 = 1))::int AS failed, (avg(duration_us) / 1000)::float8 AS mean FROM attempt GROUP BY flow ORDER BY flow',
  );
  await world.names.refresh();
  return rows.map(({ flow, attempts, failed, mean }) => {
    const { application, name, technicalName } = world.names.flow(flow);
    return { application, name, technicalName, attempts, failed, meanMs: mean };
  });
}
