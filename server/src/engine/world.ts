import type { Settings } from '../settings/settings';
import type { Database } from '../store/database';
import { loadHour, storedHours } from '../store/attempts';
import { loadIncidents } from '../store/incidents';
import { loadRollUps, staleHours } from '../store/roll-ups';
import { BUCKET_MS } from '@toplens/core/flows';
import { DAY_MS, floorTo, HOUR_MS } from '@toplens/core/time';
import { History } from './history';
import { Hours } from './hours';
import { Incidents } from './incidents';
import { Names } from './names';

/** All that the engine knows: shared by judging and answering. */
export interface World {
  database: Database;
  settings: Settings;
  names: Names;
  hours: Hours;
  history: History;
  incidents: Incidents;
  /** up to when data is complete; 0 before the first data */
  watermarkMs: number;
  /** up to when minutes are judged */
  judgedMs: number;
  /** grows with every pass that changed something: answers made under an older one are made again */
  version: number;
}

const MEMORY_DAYS = 36;

/** Reads from the database what a restart needs. @returns the world, and hours whose roll-ups are to be made again */
export async function loadWorld(database: Database, settings: Settings): Promise<{ world: World; stale: number[] }> {
  const stale = await staleHours(database);
  const names = new Names(database, settings);
  await names.refresh();
  const incidents = new Incidents(await loadIncidents(database));
  const history = new History(
    (flow, startMs) => incidents.touches(flow, { fromMs: startMs, toMs: startMs + BUCKET_MS }),
    (flow) => names.flow(flow).limitMs,
  );
  const [newest] = await database.query<{ ms: number | null }>(`SELECT max(started_us + duration_us)::float8 / 1000 AS ms FROM attempt`);
  const watermarkMs = newest?.ms ?? 0;
  for (const bucket of await loadRollUps(database, Math.floor(watermarkMs) - MEMORY_DAYS * DAY_MS)) history.put(bucket);
  const newestBatch = Math.max(0, ...stale.map((hour) => hour.batch));
  const hours = new Hours(await storedHours(database), (hourMs) => loadHour(database, hourMs), newestBatch);
  const world: World = { database, settings, names, hours, history, incidents, watermarkMs, judgedMs: 0, version: 1 };
  // The last hour is judged once more: the process may have ended between a commit and its judgement.
  if (watermarkMs > 0) world.judgedMs = floorTo(watermarkMs - HOUR_MS, HOUR_MS);
  return { world, stale: stale.map((hour) => hour.hourMs) };
}
