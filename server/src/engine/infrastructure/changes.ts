import { changeWords } from '@toplens/core/estate';
import {
  activityOf,
  noStretches,
  recordInPlace,
  suddenChanges,
  withSums,
  type RecentActivity,
  type Stretches,
} from '@toplens/core/normal';
import { FAILED, SpanKind } from '@toplens/core/telemetry';
import type { Window } from '@toplens/core/time';
import type { ChangeShape } from '../../contract/incidents';
import { spanActivity } from '../../store/activity';
import { eachAttempt } from '../reading/each-attempt';
import { finiteOrNull } from '../reading/finite-or-null';
import { BEFORE_MINUTES, LAST_MINUTES, lastMinutes } from '../reading/last-minutes';
import type { EngineState } from '../state/engine-state';

interface Subject {
  kind: 'flow' | 'component';
  name: string;
  id: number | null;
}

/** The last five minutes against the hour before, for every flow and component. */
export async function changesNow(state: EngineState): Promise<ChangeShape[]> {
  const toMs = state.judgedMs;
  if (toMs === 0) return [];
  const { window, before } = lastMinutes(toMs);
  const flows = await flowActivity(state, before, window);
  const components = await componentActivity(state, before, window);
  return suddenChanges([...flows, ...components], LAST_MINUTES, BEFORE_MINUTES).map(({ subject, measure, ratio }) => ({
    ...subject,
    measure,
    ratio: finiteOrNull(ratio),
    words: changeWords(measure, ratio),
  }));
}

/** Work of each component on its own hosts, entries among it, and calls to stores. */
async function componentActivity(
  state: EngineState,
  before: Window,
  window: Window,
): Promise<RecentActivity<Subject>[]> {
  const activity = new Map<string, Stretches>();
  for (const { component, kind, peer, isLast, sums } of await spanActivity(state.database, before, window, 1)) {
    if (kind === SpanKind.CLIENT && peer !== '') continue;
    activity.set(component, withSums(activity.get(component) ?? noStretches(), isLast, sums));
  }
  return [...activity].map(([name, own]) => activityOf<Subject>({ kind: 'component', name, id: null }, own));
}

async function flowActivity(state: EngineState, before: Window, window: Window): Promise<RecentActivity<Subject>[]> {
  const activity = new Map<number, Stretches>();
  await eachAttempt(state, { window: { fromMs: before.fromMs, toMs: window.toMs } }, (rows, i) => {
    const flow = rows.flow[i] as number;
    let own = activity.get(flow);
    if (!own) activity.set(flow, (own = noStretches()));
    const isFailed = ((rows.flags[i] as number) & FAILED) !== 0;
    recordInPlace(
      (rows.startMs[i] as number) >= window.fromMs ? own.last : own.before,
      rows.durationMs[i] as number,
      isFailed,
    );
  });
  return [...activity].map(([id, own]) =>
    activityOf<Subject>({ kind: 'flow', name: state.names.flow(id).name, id }, own),
  );
}
