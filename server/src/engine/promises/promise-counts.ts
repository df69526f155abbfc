import { BUCKET_MS, isLaunch } from '@toplens/core/flows';
import {
  addTally,
  countedStretches,
  isCountedIn,
  NOTHING,
  StepTable,
  type ServicePromise,
  type Tally,
} from '@toplens/core/promises';
import { dayKinds, floorTo, HOUR_MS, overlap, type Window } from '@toplens/core/time';
import { isPromised } from '../../settings/promises';
import type { EngineState } from '../state/engine-state';
import type { Flow } from '../state/names';
import { countHour, countingBy } from './count-hours';
import type { Counter, HourCount } from './hour-count';

/** Attempts of a promise in a window, as far as they count. */
export interface PromiseCounts {
  flows: readonly number[];
  /** by flow and step of five minutes, only steps that count and hold an attempt */
  steps: StepTable;
  /** whole hours, all of them and what counts of each, with what is known of sites and versions */
  hours: { hourMs: number; byFlow: ReadonlyMap<number, HourCount> }[];
  /** does a step that begins then count? */
  isCounted: (startMs: number) => boolean;
  isRough: boolean;
}

/** Is it what an indicator can be about? Of attempts it is work, and loads of pages where they are named. */
function isFor({ indicator, flow }: ServicePromise, { kind, technicalName }: Flow): boolean {
  switch (indicator) {
    case 'reachable':
      return kind === 'probe' || (flow !== undefined && kind !== 'businessEvent');
    case 'views':
      return kind === 'page';
    case 'crashFree':
      return kind === 'work' && isLaunch(technicalName);
    default:
      return kind === 'work' || (kind === 'page' && flow !== undefined);
  }
}

/** Flows that a promise is about. */
export const flowsOf = ({ names }: EngineState, promise: ServicePromise): number[] =>
  names.flows.filter((flow) => isFor(promise, flow) && isPromised(promise, flow)).map(({ id }) => id);

/** By what each of its flows is counted. */
const countersOf = (state: EngineState, promise: ServicePromise): Counter[] =>
  flowsOf(state, promise).map((flow) => ({
    flow,
    indicator: promise.indicator,
    limitMs: promise.limitMs,
    personShare: promise.personShare,
  }));

/** Which steps of an hour count. */
const stepsCounted = (hourMs: number, window: Window, isCounted: (startMs: number) => boolean): boolean[] =>
  Array.from({ length: HOUR_MS / BUCKET_MS }, (_, step) => hourMs + step * BUCKET_MS).map(
    (startMs) => startMs >= window.fromMs && startMs < window.toMs && isCounted(startMs),
  );

/** Reads each hour once for several promises, each in its window: what is counted of an hour is kept. */
export async function countTogether(
  state: EngineState,
  asked: readonly { promise: ServicePromise; window: Window }[],
): Promise<void> {
  const all = asked
    // People are counted by the calendar of their own promise.
    .filter(({ promise }) => promise.indicator !== 'people')
    .map(({ promise, window }) => ({ window, countings: countingBy(state, countersOf(state, promise)) }));
  if (all.length === 0) return;
  const fromMs = floorTo(Math.min(...all.map(({ window }) => window.fromMs)), HOUR_MS);
  const toMs = Math.max(...all.map(({ window }) => window.toMs));
  for (let hourMs = fromMs; hourMs < toMs; hourMs += HOUR_MS) {
    const hour = { fromMs: hourMs, toMs: hourMs + HOUR_MS };
    await countHour(
      state,
      hourMs,
      all.filter(({ window }) => overlap(hour, window)).flatMap(({ countings }) => countings),
    );
  }
}

/** Asks whether a moment of a window counts for a promise. */
export function countedIn(state: EngineState, promise: ServicePromise, window: Window): (timeMs: number) => boolean {
  const calendar = state.settings.calendarAt(window.toMs);
  const excluded = [...promise.excluded, ...(calendar.maintenance ?? [])];
  return isCountedIn(countedStretches({ ...promise, excluded }, window, dayKinds(calendar).isHoliday));
}

/** Counts hour by hour, so that other questions get their turn in between. */
export async function countPromise(
  state: EngineState,
  promise: ServicePromise,
  window: Window,
): Promise<PromiseCounts> {
  const countings = countingBy(state, countersOf(state, promise));
  const isCounted = countedIn(state, promise, window);
  const steps = new StepTable();
  const hours: PromiseCounts['hours'] = [];
  let isRough = false;
  for (let hourMs = floorTo(window.fromMs, HOUR_MS); hourMs < window.toMs; hourMs += HOUR_MS) {
    const counted = stepsCounted(hourMs, window, isCounted);
    const byFlow = await countHour(state, hourMs, countings, counted);
    hours.push({ hourMs, byFlow });
    for (const [flow, count] of byFlow) {
      isRough ||= count.isRough;
      for (let step = 0; step < counted.length; step++) {
        const valid = count.steps[2 * step] as number;
        if (valid > 0 && counted[step])
          steps.push(flow, hourMs + step * BUCKET_MS, valid, count.steps[2 * step + 1] as number);
      }
    }
  }
  return { flows: countings.map(({ counter }) => counter.flow), steps, hours, isCounted, isRough };
}

/** Sum of the steps that begin in a window. */
export function tallyIn(steps: StepTable, { fromMs, toMs }: Window): Tally {
  let [valid, good] = [0, 0];
  for (let at = 0; at < steps.n; at++) {
    const startMs = steps.startMs[at] as number;
    if (startMs < fromMs || startMs >= toMs) continue;
    valid += steps.valid[at] as number;
    good += steps.good[at] as number;
  }
  return { valid, good };
}

/** Adds to what was counted under a key. */
export const addTo = <Key>(tallies: Map<Key, Tally>, key: Key, tally: Tally): unknown =>
  tallies.set(key, addTally(tallies.get(key) ?? NOTHING, tally));

/** Steps summed by whole hours. */
export function tallyByHour(steps: StepTable): Map<number, Tally> {
  const hours = new Map<number, Tally>();
  let [hourMs, hour]: [number, Tally] = [NaN, { valid: 0, good: 0 }];
  for (let at = 0; at < steps.n; at++) {
    const startMs = steps.startMs[at] as number;
    // Steps stand hour by hour: the same hour is asked for again and again.
    if (!(startMs >= hourMs && startMs < hourMs + HOUR_MS)) {
      hourMs = floorTo(startMs, HOUR_MS);
      hour = hours.get(hourMs) ?? { valid: 0, good: 0 };
      hours.set(hourMs, hour);
    }
    hour.valid += steps.valid[at] as number;
    hour.good += steps.good[at] as number;
  }
  return hours;
}
