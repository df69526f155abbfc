import { isCountedRow } from '@toplens/core/flows';
import { isGoodRow } from '@toplens/core/incidents';
import { BUSINESS_EVENT, eachRow } from '@toplens/core/telemetry';
import { floorTo, HOUR_MS } from '@toplens/core/time';
import type { PromiseAttemptsShape } from '../../contract/promises';
import { promisesOf } from '../../settings/promises';
import { attemptsAt } from '../../store/attempts';
import { sampleShapeOf } from '../reading/samples';
import { resolveWindow } from '../reading/windows';
import type { EngineState } from '../state/engine-state';
import type { PromiseAttemptsQuestion } from '../state/questions';
import { countedAt, type Counted } from './service-level';

const MOST_LISTED = 40;

interface Found {
  flow: number;
  startMs: number;
  durationMs: number;
}

/** Attempts of the period that broke a promise, the newest first; null when nothing is called that. */
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
    found.push(...(await badIn(state, counted, { hourMs, site: siteNumber, flow })));
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

async function badIn(
  state: EngineState,
  { promise, period, nowMs, counts }: Counted,
  only: { hourMs: number; site: number | undefined; flow: number | undefined },
): Promise<Found[]> {
  const bad: Found[] = [];
  const normalAt = (flow: number, timeMs: number) => state.history.normalAt(flow, timeMs);
  const window = { fromMs: Math.max(period.fromMs, only.hourMs), toMs: Math.min(nowMs, only.hourMs + HOUR_MS) };
  const flows = new Set(only.flow === undefined ? counts.flows : counts.flows.filter((flow) => flow === only.flow));
  await state.hours.visit(window, flows, (rows, from, to) =>
    eachRow(rows, { flows, window, from, to, without: BUSINESS_EVENT }, (row) => {
      const site = rows.site[row] as number;
      const startMs = rows.startMs[row] as number;
      if (!isCountedRow(promise.indicator, rows.flags[row] as number) || !counts.isCounted(startMs)) return;
      if (only.site !== undefined && site !== only.site) return;
      if (isGoodRow(promise, rows, row, normalAt)) return;
      bad.push({ flow: rows.flow[row] as number, startMs, durationMs: rows.durationMs[row] as number });
    }),
  );
  return bad.sort((a, b) => b.startMs - a.startMs);
}

/** Read one by one from the database, which alone knows their traces. */
async function asShapes(state: EngineState, found: readonly Found[]): Promise<PromiseAttemptsShape['attempts']> {
  const shapes: PromiseAttemptsShape['attempts'] = [];
  for (const flow of new Set(found.map((one) => one.flow))) {
    const own = found.filter((one) => one.flow === flow);
    const startsUs = own.map(({ startMs }) => Math.round(startMs * 1000));
    const lengths = new Set(own.map(({ durationMs }) => Math.fround(durationMs)));
    for (const sample of await attemptsAt(state.database, flow, startsUs))
      // Another one may have begun in the same microsecond, and have been good.
      if (lengths.has(Math.fround(sample.durationMs)))
        shapes.push({ flow: state.names.flow(flow).name, sample: sampleShapeOf(state, flow, sample) });
  }
  return shapes.sort(({ sample: a }, { sample: b }) => b.atMs - a.atMs || a.traceId.localeCompare(b.traceId));
}
