import {
  FIGURE_METRICS,
  type StoredSeries,
  type JudgedFigure,
  figuresOf,
  judgeFigure,
  restartsIn,
  ruledOut,
  adviceFor,
} from '@toplens/core/hosts';
import { DAY_MS, HOUR_MS, MINUTE_MS, type Window } from '@toplens/core/time';
import type { HostFigureShape, HostsShape } from '../../contract/infrastructure';
import { loadSeries } from '../../store/metrics';
import type { EngineState } from '../state/engine-state';

/** What is usual is learned from so long before the onset. */
export const USUAL_FROM_MS = 3 * HOUR_MS;

/** A counter needs the point before its first. */
const LEAD_MS = 5 * MINUTE_MS;

const WANTED: ReadonlySet<string> = new Set(FIGURE_METRICS);

/** Which hosts and components are looked at, when, and by which time before they are judged. */
export interface HostQuestion {
  components: ReadonlySet<string>;
  hosts: ReadonlySet<string>;
  now: Window;
  before: Window;
}

/** Series of some components and hosts, and figures made of them, judged in a stretch of time by the time before. */
export async function judgeHosts(
  state: EngineState,
  { components, hosts, now, before }: HostQuestion,
): Promise<{ series: StoredSeries[]; judged: JudgedFigure[] }> {
  const series = await loadSeries(
    state.database,
    ({ metric, component, host }) => WANTED.has(metric) && (components.has(component) || hosts.has(host)),
    {
      fromMs: before.fromMs - LEAD_MS,
      toMs: now.toMs,
    },
  );
  const judged = figuresOf(series)
    // A neighbour on the same host tells of the host; its own heap is not asked for.
    .filter(({ component }) => component === '' || components.has(component))
    .map((figure) => judgeFigure(figure, now, before));
  return { series, judged };
}

/** All series of hosts and runtimes, with their points of some windows only. */
export async function loadFigures(state: EngineState, windows: readonly Window[]): Promise<StoredSeries[]> {
  const found = new Map<string, StoredSeries>();
  for (const { fromMs, toMs } of windows)
    for (const { series, points } of await loadSeries(state.database, ({ metric }) => WANTED.has(metric), {
      fromMs: fromMs - LEAD_MS,
      toMs,
    })) {
      const key = JSON.stringify(series);
      const known = found.get(key);
      found.set(key, { series, points: known ? [...known.points, ...points] : points });
    }
  return [...found.values()];
}

/** Around the same time of the day before so much is looked at on both sides. */
const AROUND_MS = HOUR_MS;

/**
 * All figures of a stretch, judged by the same time of the day before; where too little is known of that, by the time
 * before it.
 */
export async function judgeAllFigures(
  state: EngineState,
  now: Window,
  before: Window,
): Promise<(JudgedFigure & { against: 'day' | 'before' })[]> {
  const dayBefore = { fromMs: now.toMs - DAY_MS - AROUND_MS, toMs: now.toMs - DAY_MS + AROUND_MS };
  return figuresOf(await loadFigures(state, [dayBefore, before, now])).map((figure) => {
    const byDay = judgeFigure(figure, now, dayBefore);
    return byDay.verdict === 'unknown'
      ? { ...judgeFigure(figure, now, before), against: 'before' }
      : { ...byDay, against: 'day' };
  });
}

/** What was as usual in a stretch of time, and what was not. */
export async function lookAt(state: EngineState, question: HostQuestion): Promise<HostsShape> {
  const { components, now, before } = question;
  const { series: all, judged } = await judgeHosts(state, question);
  const restarts = restartsIn(
    all.filter(({ series }) => components.has(series.component)),
    { fromMs: now.fromMs - 10 * MINUTE_MS, toMs: now.toMs },
  );
  return {
    now,
    before,
    lines: ruledOut(judged).map(({ odd, ...line }) => ({ ...line, odd: odd.map(figureShape) })),
    restarts,
    advice: adviceFor(judged),
    unknown: judged.filter(({ verdict }) => verdict === 'unknown').length,
    leftOut: [],
  };
}

export const figureShape = ({ minutes, usual, now, highest, ...one }: JudgedFigure): HostFigureShape => ({
  ...one,
  usual: told(usual),
  now: told(now),
  highest: told(highest),
  points: [...minutes].map(([atMs, value]) => ({ atMs, value })),
});

const told = (value: number) => (Number.isNaN(value) ? null : value);
