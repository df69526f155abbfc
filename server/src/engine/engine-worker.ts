import { parentPort, workerData, type MessagePort } from 'node:worker_threads';
import { DAY_MS, floorTo, HOUR_MS } from '@toplens/core/time';
import type { Settings } from '../settings/settings';
import { newestEnd } from '../store/attempts';
import { Database } from '../store/database';
import { SettingsBook, type SettingChange } from '../settings/settings-book';
import { usableChanges } from '../settings/try-change';
import { loadChanges } from '../store/settings';
import { act } from './incidents/actions';
import { attemptHosts, attemptPage } from './attempts/attempt-page';
import { changesNow } from './infrastructure/changes';
import { flowField, flowRegion } from './flows/flow-field';
import { flowPage } from './flows/flow-page';
import { flowTable } from './flows/flow-table';
import { componentPage } from './infrastructure/component-page';
import { flowPath } from './flows/flow-path';
import { figures, flowCounts, freshness } from './state/freshness';
import { hurt } from './incidents/hurt';
import { lostByTier } from './incidents/lost-by-tier';
import { incidentHosts } from './incidents/incident-hosts';
import { incidentPage } from './incidents/incident-page';
import { logScope } from './incidents/incident-scope';
import { journey, journeys } from './journeys/journeys';
import { estate } from './infrastructure/estate';
import { money } from './journeys/money';
import { runPass } from './evaluation/pass';
import { personAttempts } from './attempts/person';
import { serve, type Handlers } from '../threads/ask-and-serve';
import type { CommittedBatch } from '../store/committed-batch';
import type { EngineBatch, EngineNotice, Questions } from './protocol';
import { thinTraces } from './evaluation/thin-traces';
import { Watermark } from './state/watermark';
import { loadWorld, takeSettings, type World } from './state/world';
import { worstFirst } from './incidents/worst-first';

const { port, settings, segmentsDir, usualTracesAMinute, nowMs } = workerData as {
  port: MessagePort;
  settings: Settings;
  segmentsDir: string;
  usualTracesAMinute: number;
  nowMs: number;
};

/** The server's clock, as its main thread tells it. */
let aheadMs = nowMs - Date.now();
const serverNow = () => Date.now() + aheadMs;
const notify = (notice: EngineNotice) => parentPort?.postMessage(notice);
const logError = (message: string, error: Error) => notify({ log: { level: 'error', message, detail: { err: error } } });

/** A pass is made at most so often; a new minute is judged well within 15 s of its end. */
const PASS_EVERY_MS = 1_000;
const LONGEST_REST_MS = 6_000;
const KEEP_MS = 30 * HOUR_MS;
/** Nothing is judged that is older than what is known of the past. */
const KEEP_ROLL_UPS_MS = 36 * DAY_MS;
/** Counts by minute are small; judging looks back a day and more for what is usual in a site or on a host. */
const KEEP_COUNTS_MS = 48 * HOUR_MS;

const changed = new Set<number>();
let watermark = new Watermark(0);
let passBeganMs = 0;
let lastPassMs = 0;
let lastPassEnd = 0;
let watermarkAtPass = 0;
let passing: Promise<void> | undefined;
let thinning: Promise<void> | undefined;

const loaded = loadWorld(new Database(port), settings, segmentsDir, nowMs).then(({ world, stale }) => {
  for (const hourMs of stale) changed.add(hourMs);
  watermark = new Watermark(world.watermarkMs);
  sendFigures(world);
  return world;
});

const sendFigures = (world: World) => notify({ figures: figures(world, { lastPassMs, passBeganMs }) });

/** Old stretches get so much of a pass; `isFinal`: all of it is wanted now. */
const DUE_MS = 1_500;

async function pass(world: World, isFinal: boolean): Promise<void> {
  const hours = [...changed];
  changed.clear();
  watermarkAtPass = world.watermarkMs;
  const begun = performance.now();
  passBeganMs = serverNow();
  sendFigures(world);
  try {
    const left = await runPass(world, hours, () => isFinal || performance.now() - begun < DUE_MS);
    for (const hourMs of left) changed.add(hourMs);
  } catch (error) {
    for (const hourMs of hours) changed.add(hourMs);
    throw error;
  } finally {
    lastPassEnd = performance.now();
    lastPassMs = lastPassEnd - begun;
    passBeganMs = 0;
  }
  sendFigures(world);
  // What came faster than it could be judged stays until it is judged.
  world.hours.trim(Math.min(world.watermarkMs, world.judgedMs || world.watermarkMs) - KEEP_MS);
  world.history.trim(world.watermarkMs - DAY_MS);
  for (const hourMs of world.minutes.keys()) if (hourMs < world.judgedMs - KEEP_COUNTS_MS) world.minutes.delete(hourMs);
  thinning ??= thinTraces(world, usualTracesAMinute)
    .catch((error: Error) => logError('traces cannot be thinned out; it is tried again', error))
    .finally(() => (thinning = undefined));
}

/** The clock was set back: how far data goes is asked of what is stored. */
async function readClock(world: World, isFinal: boolean): Promise<void> {
  const now = serverNow();
  if (watermark.isAhead(now)) {
    watermark.setBack(await newestEnd(world.database, now));
    // What was judged as complete in times that are still to come is judged when they have come.
    if (world.judgedMs > now) world.judgedMs = floorTo(watermark.at(now, true) - HOUR_MS, HOUR_MS);
    world.watermarkMs = watermark.at(now, isFinal);
    world.version++;
  }
  world.watermarkMs = Math.max(world.watermarkMs, watermark.at(now, isFinal));
}

/** One pass at a time; whoever asks meanwhile waits for the running one and then for one of their own. */
async function settle(world: World, isFinal = false): Promise<void> {
  do {
    while (passing) await passing.catch(() => undefined);
    await readClock(world, isFinal);
    if (changed.size === 0 && world.watermarkMs === watermarkAtPass && world.dueFromMs === undefined) return;
    passing = pass(world, isFinal).finally(() => (passing = undefined));
    await passing;
  } while (isFinal && (changed.size > 0 || world.dueFromMs !== undefined));
}

/** From where a limit is in force, everything is judged anew; rates and names need no judging. */
async function changeSettings(world: World, change: SettingChange): Promise<void> {
  takeSettings(world, new SettingsBook(settings, usableChanges(settings, await loadChanges(world.database))), change.key);
  const from = Math.min(change.fromMs, world.judgedMs);
  const earliest = world.watermarkMs - KEEP_ROLL_UPS_MS;
  if (world.names.flowOfKey(change.key) !== undefined && world.judgedMs > 0) changed.add(floorTo(Math.max(from, earliest), HOUR_MS));
  // What is long ago is judged beside: nobody waits for it.
  await settle(world);
}

const handlersFor = (world: World): Handlers<Questions> => ({
  worstFirst: (question) => worstFirst(world, question),
  attempt: (question) => attemptPage(world, question),
  incident: (question) => incidentPage(world, question),
  attemptHosts: (question) => attemptHosts(world, question),
  incidentHosts: (question) => incidentHosts(world, question),
  logScope: (question) => logScope(world, question),
  freshness: () => freshness(world),
  flows: (question) => flowTable(world, question),
  field: (question) => flowField(world, question),
  path: (question) => flowPath(world, question),
  component: (question) => componentPage(world, question),
  region: (question) => flowRegion(world, question),
  flow: (question) => flowPage(world, question),
  hurt: (question) => hurt(world, question),
  lostByTier: (question) => lostByTier(world, question),
  person: (question) => personAttempts(world, question),
  journeys: (question) => journeys(world, question),
  money: (question) => money(world, question),
  journey: (question) => journey(world, question),
  estate: (question) => estate(world, question),
  changes: () => changesNow(world),
  act: (action) => act(world, action),
  settings: async (change) => {
    await changeSettings(world, change);
    return null;
  },
  flowCounts: () => flowCounts(world),
  settle: async () => {
    await settle(world, true);
    return null;
  },
  stop: async () => {
    clearInterval(timer);
    while (passing) await passing.catch(() => undefined);
    await thinning;
    return null;
  },
});

function takeBatch(world: World, { columns, batch, nowMs: serverMs }: CommittedBatch): void {
  for (const hourMs of world.hours.append(columns, batch)) changed.add(hourMs);
  aheadMs = serverMs - Date.now();
  watermark.add(columns, serverNow());
}

const timer = setInterval(() => {
  void loaded.then((world) => {
    // While passes are long, as when history is loaded, four fifths of the time belong to the intake.
    const restMs = Math.min(LONGEST_REST_MS, 4 * lastPassMs);
    if (passing || performance.now() - lastPassEnd < restMs) return;
    return settle(world).catch((error: Error) => logError('a pass failed; it is tried again', error));
  });
}, PASS_EVERY_MS);

const main = parentPort as MessagePort;
const served = loaded.then((world) => ({ world, take: serve<Questions>(main, handlersFor(world)) }));

main.on('message', (message: EngineBatch | object) => {
  served
    .then(({ world, take }) => {
      if (take(message)) return;
      if ('batch' in message) takeBatch(world, message.batch);
    })
    .catch((error: Error) => logError('a message to the engine failed', error));
});
