import { apdexOf, BUCKET_MS, formatApdex } from '@toplens/core/flows';
import { isNextToNothing, type Level } from '@toplens/core/normal';
import { addEncodedInPlace, createHistogram, histogramQuantile, histogramSum, sum } from '@toplens/core/stats';
import type { AttemptKind } from '@toplens/core/telemetry';
import { ceilTo, floorTo, MINUTE_MS, type Window } from '@toplens/core/time';
import type { FlowRowShape, FlowTableShape } from '../../contract/flows';
import { proposeTeam } from '@toplens/core/handoffs';
import { levelsFor } from '../harm/levels';
import { LONGEST_SCAN_MS } from '../reading/each-attempt';
import { sliceOf } from '../reading/focus';
import type { AgainstQuestion, Focus, FlowsQuestion } from '../state/questions';
import { calmOf } from '../reading/learning';
import { marksByFlow, type ChangeMark } from '../reading/marks';
import { flowSums } from '../reading/flow-sums';
import { freshness } from '../state/freshness';
import { narrowedBuckets, type Narrowed } from '../reading/narrowed-buckets';
import { sparkOf, sparkWindow } from '../reading/series';
import { comparedWindow, resolveWindow } from '../reading/windows';
import type { EngineState } from '../state/engine-state';
import { remainingIn } from '../reading/remaining';
import type { FlowSums } from '../reading/sum-rows';

/** Of windows told from roll-ups, people and the longest attempt are not known. */
type Sums = Omit<FlowSums, 'people' | 'hurt' | 'maxMs' | 'outcomes'> & {
  people: number | null;
  hurt: number | null;
  maxMs: number | null;
};

/** Figures of all flows in a window, from which each row is made. */
interface Figures {
  window: Window;
  sums: ReadonlyMap<number, Sums>;
  before: ReadonlyMap<number, Sums> | undefined;
  comparedWith: string | null;
  /** time spent in all work */
  totalMs: number;
  levels: ReadonlyMap<number, Level>;
  /** what the filter leaves, for the small lines */
  narrowed: Narrowed | undefined;
  /** what was changed on its way, for the small lines */
  marks: (flow: number) => ChangeMark[];
}

/** Pages stand with People, business events with the money. */
const isWork = (kind: AttemptKind): boolean => kind === 'work' || kind === 'background';

/** @param shown flows whose small lines are drawn; all when left out */
async function figuresOf(
  state: EngineState,
  { window, against, focus }: { window: Window; against: AgainstQuestion; focus: Focus },
  shown?: ReadonlySet<number>,
): Promise<Figures> {
  const sums = await sumsOf(state, window, focus);
  const compared = await comparedWindow(state, window, against, focus.application);
  return {
    window,
    sums,
    before: compared && (await sumsOf(state, compared.window, focus)),
    comparedWith: compared?.words ?? null,
    totalMs: sum([...sums].map(([flow, one]) => (isWork(state.names.kindOf(flow)) ? one.totalMs : 0))),
    levels: await levelsFor(state, window, focus),
    narrowed: await narrowedBuckets(state, [sparkWindow(window)], focus, shown),
    marks: await marksByFlow(state, sparkWindow(window)),
  };
}

export async function flowTable(state: EngineState, question: FlowsQuestion): Promise<FlowTableShape> {
  const { focus } = question;
  const window = resolveWindow(state, question.window);
  const figures = await figuresOf(state, { window, against: question.against, focus });
  const rows = state.names.flows
    .filter(
      (flow) =>
        (focus.application === undefined || flow.application === focus.application) &&
        (focus.flow === undefined ? isWork(flow.kind) : flow.id === focus.flow),
    )
    .map((flow) => rowOf(state, flow.id, figures))
    .filter((row) => focus.team === undefined || row.team === focus.team);
  return {
    window,
    rows,
    attempts: sum(rows.map((row) => row.attempts)),
    comparedWith: figures.comparedWith,
    remaining: await remainingIn(state, window, focus),
    applications: state.names.applications,
    freshness: freshness(state),
  };
}

/** One row of the table, and the sums that it was made from. */
export async function flowRow(
  state: EngineState,
  id: number,
  { window, against, values }: { window: Window; against: AgainstQuestion; values: Focus['values'] },
): Promise<{ row: FlowRowShape; sums: Sums | undefined }> {
  const figures = await figuresOf(state, { window, against, focus: { values } }, new Set([id]));
  return { row: rowOf(state, id, figures), sums: figures.sums.get(id) };
}

const sumsOf = async (state: EngineState, window: Window, focus: Focus): Promise<ReadonlyMap<number, Sums>> =>
  sliceOf(state, focus) || window.toMs - window.fromMs <= LONGEST_SCAN_MS
    ? flowSums(state, window, focus)
    : rolledSums(state, window);

function rolledSums(state: EngineState, window: Window): Map<number, Sums> {
  const result = new Map<number, Sums>();
  for (const flow of state.history.flows) {
    const sums: Sums = {
      attempts: 0,
      failed: 0,
      durations: createHistogram(),
      totalMs: 0,
      maxMs: null,
      people: null,
      hurt: null,
    };
    for (let at = floorTo(window.fromMs, BUCKET_MS); at < ceilTo(window.toMs, BUCKET_MS); at += BUCKET_MS) {
      const bucket = state.history.bucket(flow, at);
      if (!bucket) continue;
      sums.attempts += bucket.attempts;
      sums.failed += bucket.failed;
      addEncodedInPlace(sums.durations, bucket.durations);
    }
    sums.totalMs = histogramSum(sums.durations);
    if (sums.attempts > 0) result.set(flow, sums);
  }
  return result;
}

/** Nobody is known to be hurt: answers that come too quickly to be whole are not calm for all that. */
function unhurtLevel(
  state: EngineState,
  id: number,
  window: Window,
  { attempts, failed, durations }: Sums,
): FlowRowShape['level'] {
  const answers = { answered: attempts - failed, medianMs: histogramQuantile(durations, 0.5) };
  const { expectedMs } = state.history.normalAt(id, window.toMs - 1);
  return isNextToNothing(answers, expectedMs) ? 'strained' : calmOf(state, id, window);
}

function rowOf(state: EngineState, id: number, { window, totalMs, ...figures }: Figures): FlowRowShape {
  const sums = figures.sums.get(id);
  const before = figures.before?.get(id);
  const level = figures.levels.get(id);
  const flow = state.names.flow(id);
  const { limitMs, limitBy } = state.history.normalAt(id, window.toMs - 1);
  // The owner's limit is the target; without one the learned limit stands for it.
  const apdex = sums && limitMs !== undefined ? apdexOf(sums.durations, sums.failed, limitMs) : undefined;
  const q = (p: number) => (sums ? (histogramQuantile(sums.durations, p) ?? null) : null);
  return {
    id,
    name: flow.name,
    technicalName: flow.technicalName,
    application: flow.application,
    kind: flow.kind,
    team: proposeTeam(state.settings.at().ownership, { application: flow.application, flow: flow.name })?.team ?? null,
    level: sums ? (level ?? unhurtLevel(state, id, window, sums)) : 'noData',
    attempts: sums?.attempts ?? 0,
    perMinute: (sums?.attempts ?? 0) / ((window.toMs - window.fromMs) / MINUTE_MS),
    meanMs: sums && sums.attempts > sums.failed ? sums.totalMs / (sums.attempts - sums.failed) : null,
    medianMs: q(0.5),
    p95Ms: q(0.95),
    maxMs: sums?.maxMs ?? null,
    failedShare: sums ? sums.failed / sums.attempts : null,
    apdex: apdex?.score ?? null,
    apdexWords: apdex ? formatApdex(apdex) : null,
    limitMs: limitMs ?? null,
    limitBy,
    // Nobody waits for what runs in the background.
    people: flow.kind === 'background' ? null : (sums?.people ?? null),
    hurt: flow.kind === 'background' ? null : (sums?.hurt ?? null),
    shareOfTime: sums && totalMs > 0 && isWork(flow.kind) ? sums.totalMs / totalMs : null,
    importance: flow.importance,
    before: before
      ? {
          attempts: before.attempts,
          medianMs: histogramQuantile(before.durations, 0.5) ?? null,
          failedShare: before.failed / before.attempts,
        }
      : null,
    spark: sparkOf(state, { flow: id, measure: 'duration', window, narrowed: figures.narrowed }),
    marks: figures.marks(id),
  };
}
