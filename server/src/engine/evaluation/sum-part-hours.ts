import { floorTo, HOUR_MS } from '@toplens/core/time';
import { newestPartHour, oldestWork, sumPartHour } from '../../store/part-hours';
import type { EngineState } from '../state/engine-state';

/** So long after its end an hour is summed: late spans have come, and its traces are not thinned out yet. */
const AFTER_MS = 2 * HOUR_MS;

/** Sums what every component did, hour by hour, before the hour's traces are thinned out. */
export async function sumPartHours(state: EngineState): Promise<void> {
  if (state.partHoursToMs === 0) state.partHoursToMs = await firstHour(state);
  for (; state.partHoursToMs + HOUR_MS <= state.judgedMs - AFTER_MS; state.partHoursToMs += HOUR_MS)
    await sumPartHour(state.database, state.partHoursToMs);
}

/** Begin of the first hour that is not summed; 0 before the first span. */
async function firstHour({ database, shares }: EngineState): Promise<number> {
  const newest = await newestPartHour(database);
  if (newest !== undefined) return newest + HOUR_MS;
  const oldest = await oldestWork(database);
  if (oldest === undefined) return 0;
  // Hours that were thinned out before this table was there would seem quieter than they were.
  const wholeFromMs = Math.max(oldest, shares.findLast(({ share }) => share < 1)?.toMs ?? 0);
  return floorTo(wholeFromMs + HOUR_MS - 1, HOUR_MS);
}
