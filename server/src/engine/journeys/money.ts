import { BUCKET_MS } from '@toplens/core/flows';
import { againstLikeDays, MONEY_FIGURES, shortfall, type Expected, type Revenue } from '@toplens/core/money';
import type { AttemptKind } from '@toplens/core/telemetry';
import { ceilTo, DAY_MS, floorTo, type Window } from '@toplens/core/time';
import type { MoneyFigureShape, MoneyShape, RevenueShape } from '../../contract/journeys';
import { finiteOrNull } from '../reading/finite-or-null';
import { flowsIn } from '../reading/focus';
import { waysAt } from './journeys';
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
 * five-minute roll-ups, so it tells of whole flows: what is narrowed by site or promotion is not told.
 */
export async function money(state: EngineState, { window: asked, focus }: JourneysQuestion): Promise<MoneyShape> {
  const window = wholeBuckets(state, resolveWindow(state, asked));
  const wanted = flowsIn(state, focus);
  const shape = { window, currency: state.settings.at().currency, isNarrowed: Object.keys(focus.values).length > 0 };
  if (window.toMs <= window.fromMs) return { ...shape, flows: [] };
  const ways = await waysAt(state, window.toMs);
  const flows = state.names.flows.filter(
    ({ id, kind }) => (!wanted || wanted.has(id)) && counts(state, id, kind, window.toMs),
  );
  const shapes = flows.map(({ id }) => {
    const way = ways.find(({ steps }) => steps.includes(id) && steps[0] !== id);
    return takingsOf(state, id, way?.steps[0], window);
  });
  return { ...shape, flows: shapes.sort((a, b) => (b.value.value ?? 0) - (a.value.value ?? 0) || a.flow - b.flow) };
}

/** Revenue of one flow over a stretch against like days. @param start the flow that its way begins with */
export function takingsOf(state: EngineState, flow: number, start: number | undefined, window: Window): RevenueShape {
  const earlier: Revenue[] = [];
  for (let back = 1; back <= LONGEST_MEMORY_DAYS && earlier.length < ENOUGH_DAYS; back++) {
    if (!state.history.isLikeDay(window.fromMs, back)) continue;
    const day = takingsIn(state, flow, start, {
      fromMs: window.fromMs - back * DAY_MS,
      toMs: window.toMs - back * DAY_MS,
    });
    // Nothing at all is no data, not a bad day.
    if (day && day.usable >= LEAST_USABLE && day.orders > 0) earlier.push(day);
  }
  // What began within the window is told from its begin.
  const begun = { ...window, fromMs: Math.max(window.fromMs, floorTo(state.history.firstMsOf(flow), BUCKET_MS)) };
  const now = takingsIn(state, flow, start, begun) ?? { orders: 0, value: 0, starts: NaN };
  const figures = againstLikeDays(now, earlier);
  const { name, application, kind } = state.names.flow(flow);
  const lost = shortfall(figures.value);
  return {
    flow,
    kind,
    name,
    application,
    start: start === undefined ? null : state.names.flow(start).name,
    days: earlier.length,
    ...(Object.fromEntries(MONEY_FIGURES.map((figure) => [figure, figureShape(figures[figure])])) as Pick<
      RevenueShape,
      (typeof MONEY_FIGURES)[number]
    >),
    lost,
  };
}

function takingsIn(
  state: EngineState,
  flow: number,
  start: number | undefined,
  window: Window,
): (Revenue & { usable: number }) | undefined {
  const own = state.history.sumsWithin(flow, window);
  if (!own) return undefined;
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
