import { BUCKET_MS } from '@toplens/core/flows';
import { againstLikeDays, MONEY_FIGURES, shortfall, type Expected, type Revenue } from '@toplens/core/money';
import type { AttemptKind } from '@toplens/core/telemetry';
import { ceilTo, DAY_MS, floorTo, type Window } from '@toplens/core/time';
import type { MoneyFigureShape, MoneyShape, RevenueShape } from '../../contract/journeys';
import { finiteOrNull } from '../reading/finite-or-null';
import { flowsIn, sliceKey, sliceOf } from '../reading/focus';
import { idOf, waysAt } from './journeys';
import { LONGEST_NARROWED_MS, narrowedTakings, type Slice } from './narrowed-takings';
import { type JourneysQuestion } from '../state/questions';
import { resolveWindow } from '../reading/windows';
import type { EngineState } from '../state/engine-state';

/** Days back that are looked at, and like days that are enough. */
const LONGEST_MEMORY_DAYS = 35;
const ENOUGH_DAYS = 12;
/** A day of which less is fit to learn from is passed over. */
const LEAST_USABLE = 0.9;

/**
 * Orders, value, size and conversion of each flow that has values, against the same hours of like days. From the
 * five-minute roll-ups; of a slice of up to eight hours from single attempts. Of a slice of a longer window it tells of
 * whole flows, and says so.
 */
export async function money(state: EngineState, { window: asked, focus }: JourneysQuestion): Promise<MoneyShape> {
  const window = wholeBuckets(state, resolveWindow(state, asked));
  const wanted = flowsIn(state, focus);
  const holds = sliceOf(state, focus);
  const slice =
    holds && window.toMs - window.fromMs <= LONGEST_NARROWED_MS ? { holds, key: sliceKey(focus) } : undefined;
  const shape = {
    window,
    currency: state.settings.at().currency,
    isNarrowed: holds !== undefined && slice === undefined,
  };
  if (window.toMs <= window.fromMs) return { ...shape, flows: [] };
  const ways = await waysAt(state, window.toMs);
  const flows = state.names.flows.filter(
    ({ id, kind }) => (!wanted || wanted.has(id)) && counts(state, id, kind, window.toMs),
  );
  const shapes: RevenueShape[] = [];
  for (const { id } of flows) {
    const way = ways.find(({ steps }) => steps.includes(id) && steps[0] !== id);
    const takings = await takingsOf(
      state,
      { flow: id, start: way?.steps[0], journey: way ? idOf(way.steps) : null },
      window,
      slice,
    );
    // What the slice never brings anything to is not its business.
    if (!slice || takings.days > 0 || (takings.orders.value ?? 0) > 0) shapes.push(takings);
  }
  return { ...shape, flows: shapes.sort((a, b) => (b.value.value ?? 0) - (a.value.value ?? 0) || a.flow - b.flow) };
}

/** A flow, and the one that its way begins with. */
interface Earning {
  flow: number;
  start: number | undefined;
  /** the way, as its address tells it */
  journey: string | null;
}

/** Revenue of one flow, or of a slice of it, over a stretch against like days. */
async function takingsOf(
  state: EngineState,
  earning: Earning,
  window: Window,
  slice: Slice | undefined,
): Promise<RevenueShape> {
  const { flow, start, journey } = earning;
  const earlier: Revenue[] = [];
  for (let back = 1; back <= LONGEST_MEMORY_DAYS && earlier.length < ENOUGH_DAYS; back++) {
    if (!state.history.isLikeDay(window.fromMs, back)) continue;
    const then = { fromMs: window.fromMs - back * DAY_MS, toMs: window.toMs - back * DAY_MS };
    const day = await takingsIn(state, earning, then, slice);
    // Nothing at all is no data, not a bad day.
    if (day && day.usable >= LEAST_USABLE && day.orders > 0) earlier.push(day);
  }
  // What began within the window is told from its begin.
  const begun = { ...window, fromMs: Math.max(window.fromMs, floorTo(state.history.firstMsOf(flow), BUCKET_MS)) };
  const now = (await takingsIn(state, earning, begun, slice)) ?? { orders: 0, value: 0, starts: NaN };
  const figures = againstLikeDays(now, earlier);
  const { name, application, kind } = state.names.flow(flow);
  const lost = shortfall(figures.value);
  return {
    flow,
    kind,
    name,
    application,
    start: start === undefined ? null : state.names.flow(start).name,
    journey,
    days: earlier.length,
    ...(Object.fromEntries(MONEY_FIGURES.map((figure) => [figure, figureShape(figures[figure])])) as Pick<
      RevenueShape,
      (typeof MONEY_FIGURES)[number]
    >),
    lost,
  };
}

async function takingsIn(
  state: EngineState,
  earning: Earning,
  window: Window,
  slice: Slice | undefined,
): Promise<(Revenue & { usable: number }) | undefined> {
  const { flow, start } = earning;
  const own = state.history.sumsWithin(flow, window);
  if (!own) return undefined;
  if (slice) return { ...(await narrowedTakings(state, earning, window, slice)), usable: own.usable };
  const first = start === undefined ? undefined : state.history.sumsWithin(start, window);
  return {
    orders: own.attempts - own.failed,
    value: own.valueMinor / 100,
    starts: first?.attempts ?? NaN,
    usable: own.usable,
  };
}

const figureShape = ({ value, expected, low, high, verdict }: Expected): MoneyFigureShape => ({
  value: finiteOrNull(value),
  expected: finiteOrNull(expected),
  low: finiteOrNull(low),
  high: finiteOrNull(high),
  verdict,
});

/** Did anybody bring money with it in the last day? Business events count without a value, too. */
function counts({ history }: EngineState, flow: number, kind: AttemptKind, toMs: number): boolean {
  const fromMs = Math.max(floorTo(toMs, BUCKET_MS) - DAY_MS, ceilTo(history.firstMsOf(flow), BUCKET_MS));
  const day = history.sumsWithin(flow, { fromMs, toMs });
  return kind === 'businessEvent' ? (day?.attempts ?? 0) > 0 : (day?.valueMinor ?? 0) > 0;
}

/** Whole roll-ups within a window; the one that is still filling would look like a loss. */
function wholeBuckets(state: EngineState, { fromMs, toMs }: Window): Window {
  const end = floorTo(Math.min(toMs, state.judgedMs || toMs), BUCKET_MS);
  return { fromMs: Math.min(end, floorTo(fromMs, BUCKET_MS)), toMs: end };
}
