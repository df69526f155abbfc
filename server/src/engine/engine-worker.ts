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
import type { FromEngine, ToEngine } from './protocol';
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
const send = (message: FromEngine) => parentPort?.postMessage(message);

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

const sendFigures = (world: World) => send({ kind: 'figures', figures: figures(world, { lastPassMs, passBeganMs }) });

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
    .catch((error: Error) => send({ kind: 'log', level: 'error', message: 'traces cannot be thinned out; it is tried again', detail: { error: error.stack } }))
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

async function answer(world: World, message: Extract<ToEngine, { kind: 'ask' }>): Promise<unknown> {
  switch (message.name) {
    case 'worstFirst':
      return worstFirst(world, message.ask);
    case 'attempt':
      return attemptPage(world, message.ask);
    case 'incident':
      return incidentPage(world, message.ask);
    case 'attemptHosts':
      return attemptHosts(world, message.ask);
    case 'incidentHosts':
      return incidentHosts(world, message.ask);
    case 'logScope':
      return logScope(world, message.ask);
    case 'freshness':
      return freshness(world);
    case 'flows':
      return flowTable(world, message.ask);
    case 'field':
      return flowField(world, message.ask);
    case 'path':
      return flowPath(world, message.ask);
    case 'component':
      return componentPage(world, message.ask);
    case 'region':
      return flowRegion(world, message.ask);
    case 'flow':
      return flowPage(world, message.ask);
    case 'hurt':
      return hurt(world, message.ask);
    case 'lostByTier':
      return lostByTier(world, message.ask);
    case 'person':
      return personAttempts(world, message.ask);
    case 'journeys':
      return journeys(world, message.ask);
    case 'money':
      return money(world, message.ask);
    case 'journey':
      return journey(world, message.ask);
    case 'estate':
      return estate(world, message.ask);
    case 'changes':
      return changesNow(world);
    case 'act':
      return act(world, message.ask);
    case 'settings':
      await changeSettings(world, message.ask);
      return null;
    case 'flowCounts':
      return flowCounts(world);
    case 'settle':
      await settle(world, true);
      return null;
  }
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

async function receive(message: ToEngine): Promise<void> {
  const world = await loaded;
  switch (message.kind) {
    case 'batch': {
      const { columns, batch } = message.batch;
      for (const hourMs of world.hours.append(columns, batch)) changed.add(hourMs);
      aheadMs = message.batch.nowMs - Date.now();
      watermark.add(columns, serverNow());
      return;
    }
    case 'ask': {
      const reply = await answer(world, message).then(
        (result): FromEngine => ({ kind: 'answer', id: message.id, ok: true, answer: result }),
        (error: Error): FromEngine => ({ kind: 'answer', id: message.id, ok: false, message: error.stack ?? error.message }),
      );
      return send(reply);
    }
    case 'stop':
      clearInterval(timer);
      while (passing) await passing.catch(() => undefined);
      await thinning;
      return send({ kind: 'answer', id: message.id, ok: true, answer: null });
  }
}

const timer = setInterval(() => {
  void loaded.then((world) => {
    // While passes are long, as when history is loaded, four fifths of the time belong to the intake.
    const restMs = Math.min(LONGEST_REST_MS, 4 * lastPassMs);
    if (passing || performance.now() - lastPassEnd < restMs) return;
    return settle(world).catch((error: Error) =>
      send({ kind: 'log', level: 'error', message: 'a pass failed; it is tried again', detail: { error: error.stack } }),
    );
  });
}, PASS_EVERY_MS);

parentPort?.on('message', (message: ToEngine) => {
  receive(message).catch((error: Error) => send({ kind: 'log', level: 'error', message: 'a message to the engine failed', detail: { error: error.stack } }));
});
