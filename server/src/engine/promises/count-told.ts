import { BUCKET_MS } from '@toplens/core/flows';
import { pageOfFlow } from '@toplens/core/pages';
import { HOUR_MS, type Window } from '@toplens/core/time';
import { countedLaunches, countedViews, type ToldCount } from '../../store/promised-hours';
import type { EngineState } from '../state/engine-state';
import type { Counter, HourCount } from './hour-count';

/**
 * Counts what is told apart from attempts: vitals of page views, and crashes of launches.
 *
 * @param window whole hours
 * @returns by flow, the counts of its hours in their order
 */
export async function countTold(
  state: EngineState,
  counters: readonly Counter[],
  window: Window,
): Promise<Map<number, HourCount[]>> {
  const of = (wanted: Counter['indicator']) =>
    counters.filter(({ indicator }) => indicator === wanted).map(({ flow }) => flow);
  const hours = Array.from({ length: (window.toMs - window.fromMs) / HOUR_MS });
  const counts = new Map(counters.map(({ flow }) => [flow, hours.map(nothing)]));
  const [pages, launches] = [of('views'), of('crashFree')];
  if (pages.length > 0) {
    const flows = new Map(pages.map((id) => [pageKey(pageOf(state, id)), id]));
    for (const told of await countedViews(state.database, window, BUCKET_MS))
      add(counts.get(flows.get(pageKey(told)) ?? 0), told);
  }
  if (launches.length > 0)
    for (const told of await countedLaunches(state.database, launches, window, BUCKET_MS))
      add(counts.get(told.flow), told);
  return counts;
}

interface Page {
  application: string;
  page: string;
}

const pageKey = ({ application, page }: Page): string => JSON.stringify([application, page]);

/** The page whose loads a flow is. */
export function pageOf({ names }: EngineState, flow: number): Page {
  const { application, technicalName } = names.flow(flow);
  return { application, page: pageOfFlow(technicalName) };
}

interface TellingCount extends HourCount {
  versions: Map<number, readonly [valid: number, good: number]>;
}

const STEPS = HOUR_MS / BUCKET_MS;

const nothing = (): TellingCount => ({
  steps: new Uint32Array(2 * STEPS),
  sites: new Map(),
  versions: new Map(),
  isRough: false,
});

function add(ofHours: readonly TellingCount[] | undefined, { step: at, version, valid, good }: ToldCount): void {
  const count = ofHours?.[Math.floor(at / STEPS)];
  const step = at % STEPS;
  if (!count) return;
  count.steps[2 * step] = (count.steps[2 * step] as number) + valid;
  count.steps[2 * step + 1] = (count.steps[2 * step + 1] as number) + good;
  const [validThere, goodThere] = count.versions.get(version) ?? [0, 0];
  count.versions.set(version, [validThere + valid, goodThere + good]);
}
