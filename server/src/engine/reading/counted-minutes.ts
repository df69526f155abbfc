import { countMinutes, isOutdated, type HourOfFlow } from '@toplens/core/incidents';
import type { EngineState } from '../state/engine-state';

/** Counts by minute of an hour; made anew when its attempts or the limits that judge them changed. */
export async function countedMinutes(state: EngineState, hourMs: number): Promise<ReadonlyMap<number, HourOfFlow>> {
  const normalAt = (flow: number, timeMs: number) => state.history.normalAt(flow, timeMs);
  const known = state.minutes.get(hourMs);
  if (known && !isOutdated(known, hourMs, normalAt)) return known;
  const { columns } = await state.hours.load(hourMs);
  await state.names.learn(columns);
  const counted = countMinutes(columns, hourMs, normalAt);
  state.minutes.set(hourMs, counted);
  return counted;
}
