import { parentPort, workerData, type MessagePort } from 'node:worker_threads';
import { DAY_MS, floorTo, HOUR_MS } from '@toplens/core/time';
import type { UsuallyKept } from '../settings/retention';
import type { Settings } from '../settings/settings';
import { newestEnd } from '../store/attempts';
import { Database } from '../store/database';
import type { SettingChange } from '../settings/settings-book';
import { readBook } from '../store/settings';
import { act } from './incidents/actions';
import { attemptHosts, attemptPage } from './attempts/attempt-page';
import { attemptPerson } from './attempts/attempt-person';
import { sealEnded } from './promises/seal';
import { standing } from './promises/standing';
import { siteChange } from './sites/site-change';
import { workPerson } from './sites/person';
import { remote } from './sites/remote';
import { sites } from './sites/sites';
import { probePage } from './probes/probe-page';
import { probes } from './probes/probes';
import { probeRunPage } from './probes/run-page';
import { attemptsOutside } from './promises/attempts-outside';
import { endangeredBy, promisePage, promiseReports, promises } from './promises/promises';
import { suddenlyChanged } from './infrastructure/changes';
import { flowField, flowRegion } from './flows/flow-field';
import { flowPage } from './flows/flow-page';
import { flowTable } from './flows/flow-table';
import { componentPage } from './infrastructure/component-page';
import { flowPath } from './flows/flow-path';
import { flowSteps } from './flows/flow-steps';
import { ChangedHours } from './state/changed-hours';
import { figures, flowCounts, freshness } from './state/freshness';
import { happened } from './incidents/happened';
import { hurt } from './incidents/hurt';
import { lostByTier } from './incidents/lost-by-tier';
import { incidentHosts } from './incidents/incident-hosts';
import { incidentStatements } from './incidents/slower-statements';
import { incidentPage } from './incidents/incident-page';
import { nextTeam } from './incidents/next-team';
import { pastIncidents } from './incidents/past-incidents';
import { proof } from './incidents/proof';
import { applicationsOf, logScope } from './incidents/incident-scope';
import { journey, journeys } from './journeys/journeys';
import { journeyStep } from './journeys/journey-step';
import { earlyWarnings } from './incidents/early-warnings';
import { slowestFlows } from './flows/slowest-flows';
import { estate } from './infrastructure/estate';
import { money } from './journeys/money';
import { runCycle } from './evaluation/cycle';
import { personAttempts } from './attempts/person';
import { releases } from './infrastructure/releases';
import { serve, type Handlers } from '../threads/ask-and-serve';
import type { CommittedBatch } from '../store/committed-batch';
import type { EngineBatch, EngineNotice, Questions } from './protocol';
import type { WindowQuestion } from './state/questions';
import { sumPartHours } from './evaluation/sum-part-hours';
import { thinTraces } from './evaluation/thin-traces';
import { attemptsKeptFrom } from './state/kept';
import { Watermark } from './state/watermark';
import { trySettings } from './settings/try-settings';
import { asOfWindow, limitsTouchedBy, loadState, takeSettings, type EngineState } from './state/engine-state';
import { worstFirst } from './incidents/worst-first';

const { port, settings, segmentsDir, usualTracesAMinute, secret, usuallyKept, nowMs } = workerData as {
  port: MessagePort;
  settings: Settings;
  segmentsDir: string;
  usualTracesAMinute: number;
  secret: Uint8Array;
  usuallyKept: UsuallyKept;
  nowMs: number;
};

/** The server's clock, as its main thread tells it. */
let aheadMs = nowMs - Date.now();
const serverNow = () => Date.now() + aheadMs;
const notify = (notice: EngineNotice) => parentPort?.postMessage(notice);
const logError = (message: string, error: Error) =>
  notify({ log: { level: 'error', message, detail: { err: error } } });

/** A cycle is run at most so often; a new minute is judged well within 15 s of its end. */
const CYCLE_EVERY_MS = 1_000;
const LONGEST_REST_MS = 6_000;
const KEEP_MS = 30 * HOUR_MS;
/** Nothing is judged that is older than what is known of the past. */
const KEEP_ROLL_UPS_MS = 36 * DAY_MS;
/** Counts by minute are small; judging looks back a day and more for what is usual in a site or on a host. */
const KEEP_COUNTS_MS = 48 * HOUR_MS;

const changed = new ChangedHours();
let watermark = new Watermark(0);
let cycleBeganMs = 0;
let cycleTrouble = '';
let lastCycleMs = 0;
let lastCycleEnd = 0;
let watermarkAtCycle = 0;
let running: Promise<void> | undefined;
let thinning: Promise<void> | undefined;
/** Periods of promises that are over are written down; looked for once an hour of event time. */
let sealing: Promise<void> | undefined;
let sealedMs = 0;
/** Periods of promises are counted once before anybody asks: the first time takes seconds. */
let countedAhead: Promise<unknown> | undefined;

const loaded = loadState(new Database(port), { file: settings, segmentsDir, secret, usuallyKept, now: serverNow }).then(
  ({ state, stale }) => {
    for (const hourMs of stale) changed.add(hourMs);
    watermark = new Watermark(state.watermarkMs);
    sendFigures(state);
    return state;
  },
);

const sendFigures = (state: EngineState) =>
  notify({ figures: figures(state, { lastCycleMs, cycleBeganMs, cycleTrouble }) });

/** Old stretches get so much of a cycle; `isFinal`: all of it is wanted now. */
const DUE_MS = 1_500;

async function runOne(state: EngineState, isFinal: boolean): Promise<void> {
  const hours = changed.take(isFinal, serverNow());
  watermarkAtCycle = state.watermarkMs;
  const begun = performance.now();
  cycleBeganMs = serverNow();
  sendFigures(state);
  try {
    const left = await runCycle(state, hours, () => isFinal || performance.now() - begun < DUE_MS);
    for (const hourMs of left) changed.add(hourMs);
    cycleTrouble = '';
  } catch (error) {
    for (const hourMs of hours) changed.add(hourMs);
    cycleTrouble = (error as Error).message;
    throw error;
  } finally {
    lastCycleEnd = performance.now();
    lastCycleMs = lastCycleEnd - begun;
    cycleBeganMs = 0;
    sendFigures(state);
  }
  // What came faster than it could be judged stays until it is judged.
  state.hours.trim(Math.min(state.watermarkMs, state.judgedMs || state.watermarkMs) - KEEP_MS);
  state.hours.forgetBefore(attemptsKeptFrom(state, serverNow()));
  state.history.trim(state.watermarkMs - DAY_MS);
  for (const hourMs of state.minutes.keys()) if (hourMs < state.judgedMs - KEEP_COUNTS_MS) state.minutes.delete(hourMs);
  thinning ??= sumPartHours(state)
    .then(() => thinTraces(state, usualTracesAMinute))
    .catch((error: Error) => logError('traces cannot be thinned out; it is tried again', error))
    .finally(() => (thinning = undefined));
  // Not while older days are still to be judged: their attempts are not all counted yet.
  if (sealing === undefined && state.dueFromMs === undefined && state.judgedMs >= sealedMs + HOUR_MS) {
    sealedMs = floorTo(state.judgedMs, HOUR_MS);
    sealing = sealEnded(state)
      .catch((error: Error) => logError('periods of promises cannot be sealed; it is tried again', error))
      .finally(() => (sealing = undefined));
  }
  countedAhead ??= promises(state, { window: { lengthMs: HOUR_MS } }).catch((error: Error) =>
    logError('promises cannot be counted ahead; they are when somebody asks', error),
  );
}

/** The clock was set back: how far data goes is asked of what is stored. */
async function readClock(state: EngineState, isFinal: boolean): Promise<void> {
  const now = serverNow();
  if (watermark.isAhead(now)) {
    watermark.setBack(await newestEnd(state.database, now));
    // What was judged as complete in times that are still to come is judged when they have come.
    if (state.judgedMs > now) state.judgedMs = floorTo(watermark.at(now, true) - HOUR_MS, HOUR_MS);
    state.watermarkMs = watermark.at(now, isFinal);
    state.version++;
  }
  state.watermarkMs = Math.max(state.watermarkMs, watermark.at(now, isFinal));
}

/** One cycle at a time; whoever asks meanwhile waits for the running one and then for one of their own. */
async function settle(state: EngineState, isFinal = false): Promise<void> {
  do {
    while (running) await running.catch(() => undefined);
    await readClock(state, isFinal);
    const isChanged = changed.has(isFinal, serverNow());
    if (!isChanged && state.watermarkMs === watermarkAtCycle && state.dueFromMs === undefined) return;
    running = runOne(state, isFinal).finally(() => (running = undefined));
    await running;
  } while (isFinal && (changed.has(true, serverNow()) || state.dueFromMs !== undefined));
}

/** From where a limit is in force, everything is judged anew; rates and names need no judging. */
async function changeSettings(state: EngineState, change: SettingChange): Promise<void> {
  takeSettings(state, await readBook(state.database, settings), change.key);
  const from = Math.min(change.fromMs, state.judgedMs);
  const earliest = Math.max(state.watermarkMs - KEEP_ROLL_UPS_MS, attemptsKeptFrom(state, serverNow()));
  if (limitsTouchedBy(state, change.key).length > 0 && state.judgedMs > 0)
    changed.add(floorTo(Math.max(from, earliest), HOUR_MS));
  // What is long ago is judged beside: nobody waits for it.
  await settle(state);
}

/** A past window is answered with names, owners and settings as they were at its end. */
const handlersFor = (state: EngineState): Handlers<Questions> => {
  const then = ({ window }: { window: WindowQuestion }) => asOfWindow(state, window);
  return {
    worstFirst: (question) => worstFirst(then(question), question),
    attempt: (question) => attemptPage(state, question),
    incident: (question) => incidentPage(then(question), question),
    attemptPerson: (question) => attemptPerson(state, question),
    attemptHosts: (question) => attemptHosts(state, question),
    incidentHosts: (question) => incidentHosts(state, question),
    incidentStatements: (question) => incidentStatements(state, question),
    applicationsOf: (question) => applicationsOf(state, question),
    logScope: (question) => logScope(state, question),
    freshness: () => freshness(state),
    flows: (question) => flowTable(then(question), question),
    slowestFlows: (question) => slowestFlows(then(question), question),
    field: (question) => flowField(then(question), question),
    path: (question) => flowPath(then(question), question),
    steps: (question) => flowSteps(then(question), question),
    component: (question) => componentPage(then(question), question),
    region: (question) => flowRegion(then(question), question),
    flow: (question) => flowPage(then(question), question),
    hurt: (question) => hurt(then(question), question),
    lostByTier: (question) => lostByTier(then(question), question),
    person: (question) => personAttempts(state, question),
    journeys: (question) => journeys(then(question), question),
    money: (question) => money(then(question), question),
    journey: (question) => journey(then(question), question),
    journeyStep: (question) => journeyStep(then(question), question),
    promises: (question) => promises(then(question), question),
    promiseReports: (question) => promiseReports(then(question), question),
    endangered: (question) => endangeredBy(then(question), question),
    happened: (question) => happened(then(question), question),
    proof: (question) => proof(state, question),
    nextTeam: (question) => nextTeam(state, question),
    pastIncidents: (question) => pastIncidents(state, question),
    sites: (question) => sites(then(question), question),
    siteChange: (question) => siteChange(state, question),
    workPerson: (question) => workPerson(state, question),
    remote: (question) => remote(state, question),
    probes: (question) => probes(then(question), question),
    probe: (question) => probePage(then(question), question),
    probeRun: (question) => probeRunPage(state, question),
    standing: (question) => standing(then(question), question),
    promise: (question) => promisePage(then(question), question),
    promiseAttempts: (question) => attemptsOutside(then(question), question),
    earlyWarnings: (question) => earlyWarnings(then(question), question),
    estate: (question) => estate(then(question), question),
    changes: (question) => suddenlyChanged(then(question), question),
    releases: (question) => releases(state, question),
    act: (action) => act(state, action),
    trySettings: (question) => trySettings(state, question),
    settings: async (change) => {
      await changeSettings(state, change);
      return null;
    },
    flowCounts: () => flowCounts(state),
    settle: async () => {
      await settle(state, true);
      return null;
    },
    stop: async () => {
      clearInterval(timer);
      while (running) await running.catch(() => undefined);
      await thinning;
      return null;
    },
  };
};

function takeBatch(state: EngineState, { columns, batch, nowMs: serverMs }: CommittedBatch): void {
  aheadMs = serverMs - Date.now();
  for (const hourMs of state.hours.append(columns, batch)) changed.touch(hourMs, serverNow());
  state.comingIn.add(columns);
  watermark.add(columns, serverNow());
}

const timer = setInterval(() => {
  void loaded.then((state) => {
    // While cycles are long, as when history is loaded, four fifths of the time belong to the intake.
    const restMs = Math.min(LONGEST_REST_MS, 4 * lastCycleMs);
    if (running || performance.now() - lastCycleEnd < restMs) return;
    return settle(state).catch((error: Error) => logError('an evaluation cycle failed; it is tried again', error));
  });
}, CYCLE_EVERY_MS);

const main = parentPort as MessagePort;
const served = loaded.then((state) => ({ state, take: serve<Questions>(main, handlersFor(state)) }));

main.on('message', (message: EngineBatch | object) => {
  served
    .then(({ state, take }) => {
      if (take(message)) return;
      if ('batch' in message) takeBatch(state, message.batch);
    })
    .catch((error: Error) => logError('a message to the engine failed', error));
});
