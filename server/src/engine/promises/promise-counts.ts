import { BUCKET_MS } from '@toplens/core/flows';
import {
  addTally,
  countedStretches,
  isCountedIn,
  NOTHING,
  type BadStep,
  type ServicePromise,
  type Tally,
} from '@toplens/core/promises';
import { dayKinds, floorTo, HOUR_MS, type Window } from '@toplens/core/time';
import { isPromised } from '../../settings/promises';
import type { EngineState } from '../state/engine-state';
import { countHour, type HourCount } from './count-hours';

/** Attempts of a promise in a window, as far as they count. */
export interface PromiseCounts {
  flows: readonly number[];
  /** by flow and step of five minutes, only steps that count and hold an attempt */
  steps: BadStep[];
  /** whole hours, all of them and what counts of each, with what is known of sites and versions */
  hours: { hourMs: number; byFlow: ReadonlyMap<number, HourCount> }[];
  /** does a step that begins then count? */
  isCounted: (startMs: number) => boolean;
  isRough: boolean;
}

/** Flows whose attempts a promise is about: work, and loads of pages where they are named. */
export const flowsOf = ({ names }: EngineState, promise: ServicePromise): number[] =>
  names.flows
    .filter(
      (flow) =>
        flow.kind !== 'businessEvent' &&
        (promise.flow !== undefined || flow.kind === 'work') &&
        isPromised(promise, flow),
    )
    .map(({ id }) => id);

/** Counts hour by hour, so that other questions get their turn in between. */
export async function countPromise(
  state: EngineState,
  promise: ServicePromise,
  window: Window,
): Promise<PromiseCounts> {
  const flows = flowsOf(state, promise);
  const counters = flows.map((flow) => ({ flow, indicator: promise.indicator, limitMs: promise.limitMs }));
  const { isHoliday } = dayKinds(state.settings.calendarAt(window.toMs));
  const isCounted = isCountedIn(countedStretches(promise, window, isHoliday));
  const steps: BadStep[] = [];
  const hours: PromiseCounts['hours'] = [];
  let isRough = false;
  for (let hourMs = floorTo(window.fromMs, HOUR_MS); hourMs < window.toMs; hourMs += HOUR_MS) {
    const byFlow = await countHour(state, hourMs, counters);
    hours.push({ hourMs, byFlow });
    for (const [flow, count] of byFlow) {
      isRough ||= count.isRough;
      for (let step = 0; step < count.steps.length / 2; step++) {
        const startMs = hourMs + step * BUCKET_MS;
        const valid = count.steps[2 * step] as number;
        if (valid === 0 || startMs < window.fromMs || startMs >= window.toMs || !isCounted(startMs)) continue;
        steps.push({ flow, startMs, tally: { valid, good: count.steps[2 * step + 1] as number } });
      }
    }
  }
  return { flows, steps, hours, isCounted, isRough };
}

/** Sum of the steps that begin in a window. */
export function tallyIn(steps: readonly BadStep[], { fromMs, toMs }: Window): Tally {
  let [valid, good] = [0, 0];
  for (const { startMs, tally } of steps) {
    if (startMs < fromMs || startMs >= toMs) continue;
    valid += tally.valid;
    good += tally.good;
  }
  return { valid, good };
}

/** Adds to what was counted under a key. */
export const addTo = <Key>(tallies: Map<Key, Tally>, key: Key, tally: Tally): unknown =>
  tallies.set(key, addTally(tallies.get(key) ?? NOTHING, tally));

/** Steps summed by whole hours. */
export function tallyByHour(steps: readonly BadStep[]): Map<number, Tally> {
  const hours = new Map<number, Tally>();
  for (const { startMs, tally } of steps) addTo(hours, floorTo(startMs, HOUR_MS), tally);
  return hours;
}
