import { isCountedRow, isToldByAttempts } from '@toplens/core/flows';
import { isGoodRow } from '@toplens/core/incidents';
import { BUSINESS_EVENT, eachRow } from '@toplens/core/telemetry';
import { floorTo, HOUR_MS, type Window } from '@toplens/core/time';
import type { PromiseAttemptsShape } from '../../contract/promises';
import { promisesOf } from '../../settings/promises';
import { attemptsAt } from '../../store/attempts';
import { badLaunches, badViews } from '../../store/promised-hours';
import { sampleShapeOf } from '../reading/samples';
import { resolveWindow } from '../reading/windows';
import type { EngineState } from '../state/engine-state';
import type { PromiseAttemptsQuestion } from '../state/questions';
import { pageOf } from './count-told';
import { countedAt, type Counted } from './service-level';

const MOST_LISTED = 40;

interface Found {
  flow: number;
  startMs: number;
  /** `undefined` where its begin alone tells it */
  durationMs: number | undefined;
}

/**
 * Attempts of the period that broke a promise, the newest first: those of people that were not in time, loads of page views, launches; null when
 * nothing is called that.
 */
export async function attemptsOutside(
  state: EngineState,
  { name, window: asked, site, flow }: PromiseAttemptsQuestion,
): Promise<PromiseAttemptsShape | null> {
  const promise = promisesOf(state.settings.at()).find((one) => one.name === name);
  if (!promise) return null;
  const counted = await countedAt(state, promise, resolveWindow(state, asked).toMs);
  const siteNumber = site === undefined ? undefined : (state.names.numberOf('site', site) ?? -1);
  const found: Found[] = [];
  for (const hourMs of hoursWithBad(counted, flow)) {
    const only = { hourMs, site: siteNumber, flow };
    found.push(...(await (isToldByAttempts(promise.indicator) ? badIn : badToldIn)(state, counted, only)));
    if (found.length >= MOST_LISTED) break;
  }
  return {
    all: counted.tally.valid - counted.tally.good,
    attempts: await asShapes(state, found.slice(0, MOST_LISTED)),
  };
}

/** Hours of the period in which something was bad, the newest first. */
function hoursWithBad({ steps }: Counted, flow: number | undefined): number[] {
  const hours = new Set<number>();
  for (let at = 0; at < steps.n; at++)
    if (steps.valid[at] !== steps.good[at] && (flow === undefined || steps.flow[at] === flow))
      hours.add(floorTo(steps.startMs[at] as number, HOUR_MS));
  return [...hours].sort((a, b) => b - a);
}

/** What is asked of a period. */
interface Part {
  hourMs: number;
  site: number | undefined;
  flow: number | undefined;
}

const hourIn = ({ period, nowMs }: Pick<Counted, 'period' | 'nowMs'>, hourMs: number): Window => ({
  fromMs: Math.max(period.fromMs, hourMs),
  toMs: Math.min(nowMs, hourMs + HOUR_MS),
});

const flowsIn = ({ flows }: Counted['counts'], only: Part): readonly number[] =>
  only.flow === undefined ? flows : flows.filter((flow) => flow === only.flow);

async function badIn(state: EngineState, { promise, period, nowMs, counts }: Counted, only: Part): Promise<Found[]> {
  const bad: Found[] = [];
  const normalAt = (flow: number, timeMs: number) => state.history.normalAt(flow, timeMs);
  const window = hourIn({ period, nowMs }, only.hourMs);
  const flows = new Set(flowsIn(counts, only));
  await state.hours.visit(window, flows, (rows, from, to) =>
    eachRow(rows, { flows, window, from, to, without: BUSINESS_EVENT }, (row) => {
      const site = rows.site[row] as number;
      const startMs = rows.startMs[row] as number;
      if (!isCountedRow(promise.indicator, rows.flags[row] as number) || !counts.isCounted(startMs)) return;
      if (only.site !== undefined && site !== only.site) return;
      if (isGoodRow(promise, rows, row, normalAt)) return;
      bad.push({ flow: rows.flow[row] as number, startMs, durationMs: rows.durationMs[row] });
    }),
  );
  return bad.sort((a, b) => b.startMs - a.startMs);
}

/** The same of what is told apart from attempts, which knows no sites. */
async function badToldIn(
  state: EngineState,
  { promise, period, nowMs, counts }: Counted,
  only: Part,
): Promise<Found[]> {
  if (only.site !== undefined) return [];
  const window = hourIn({ period, nowMs }, only.hourMs);
  const wanted = flowsIn(counts, only);
  const told =
    promise.indicator === 'crashFree'
      ? // Which launch a crash ended is told by all of them.
        await badLaunches(state.database, counts.flows, window)
      : await badViewsOf(state, wanted, window);
  return told
    .filter(({ flow, us }) => wanted.includes(flow) && counts.isCounted(us / 1000))
    .map(({ flow, us }) => ({ flow, startMs: us / 1000, durationMs: undefined }))
    .sort((a, b) => b.startMs - a.startMs);
}

async function badViewsOf(state: EngineState, flows: readonly number[], window: Window) {
  const found: { flow: number; us: number }[] = [];
  for (const flow of flows)
    for (const us of await badViews(state.database, { ...pageOf(state, flow), window })) found.push({ flow, us });
  return found;
}

/** Read one by one from the database, which alone knows their traces. */
async function asShapes(state: EngineState, found: readonly Found[]): Promise<PromiseAttemptsShape['attempts']> {
  const shapes: PromiseAttemptsShape['attempts'] = [];
  for (const flow of new Set(found.map((one) => one.flow))) {
    const own = found.filter((one) => one.flow === flow);
    const startsUs = own.map(({ startMs }) => Math.round(startMs * 1000));
    const lengths = new Set(
      own.flatMap(({ durationMs }) => (durationMs === undefined ? [] : [Math.fround(durationMs)])),
    );
    for (const sample of await attemptsAt(state.database, flow, startsUs))
      // Another one may have begun in the same microsecond, and have been good.
      if (lengths.size === 0 || lengths.has(Math.fround(sample.durationMs)))
        shapes.push({ flow: state.names.flow(flow).name, sample: sampleShapeOf(state, flow, sample) });
  }
  return shapes.sort(({ sample: a }, { sample: b }) => b.atMs - a.atMs || a.traceId.localeCompare(b.traceId));
}
