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
import type { ChangesShape } from '../../contract/incidents';
import { spanActivity } from '../../store/activity';
import { eachAttempt } from '../reading/each-attempt';
import { finiteOrNull } from '../reading/finite-or-null';
import { lastStretch, minutesOf } from '../reading/last-stretch';
import { resolveWindow } from '../reading/windows';
import type { EngineState } from '../state/engine-state';
import type { FlowsQuestion } from '../state/questions';

interface Subject {
  kind: 'flow' | 'component';
  name: string;
  id: number | null;
}

/** The end of a window against the longer time before it, for every flow and component. */
export async function suddenlyChanged(
  state: EngineState,
  { window: asked }: Pick<FlowsQuestion, 'window'>,
): Promise<ChangesShape> {
  const { last, before } = lastStretch(resolveWindow(state, asked));
  const flows = await flowActivity(state, before, last);
  const components = await componentActivity(state, before, last);
  const changes = suddenChanges([...flows, ...components], minutesOf(last), minutesOf(before));
  return {
    window: last,
    before,
    changes: changes.map(({ subject, measure, ratio }) => ({
      ...subject,
      measure,
      ratio: finiteOrNull(ratio),
      words: changeWords(measure, ratio, 'before'),
    })),
  };
}

/** Work of each component on its own hosts, entries among it, and calls to stores. */
async function componentActivity(
  state: EngineState,
  before: Window,
  window: Window,
): Promise<RecentActivity<Subject>[]> {
  const activity = new Map<string, Stretches>();
  for (const { component, kind, peer, when, sums } of await spanActivity(state.database, before, window, 1)) {
    if (kind === SpanKind.CLIENT && peer !== '') continue;
    activity.set(component, withSums(activity.get(component) ?? noStretches(), when === 'last', sums));
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
