import { addUnderWayInPlace, BUCKET_MS, underWay } from '@toplens/core/flows';
import { floorTo, HOUR_MS, type Window } from '@toplens/core/time';
import type { SeriesShape } from '../../contract/common';
import type { EngineState } from '../state/engine-state';
import type { Focus } from '../state/questions';
import { eachAttempt } from './each-attempt';
import { conditionsOf } from './focus';

/** Attempts that began so long before a window may still run in it; longer ones are rare and few. */
const BEFORE_MS = HOUR_MS;

/** How many attempts of a flow were under way at once, failed ones too, in steps of five minutes. */
export async function underWaySeries(
  state: EngineState,
  { flow, window, shiftMs, focus }: { flow: number; window: Window; shiftMs?: number | undefined; focus: Focus },
): Promise<SeriesShape> {
  const startMs = floorTo(window.fromMs, BUCKET_MS);
  const n = Math.max(0, Math.floor((Math.min(window.toMs, state.judgedMs) - startMs) / BUCKET_MS));
  const read = async (shift: number) => {
    const sums = { startMs: startMs - shift, stepMs: BUCKET_MS, spentMs: new Float64Array(n) };
    const walked = { fromMs: sums.startMs - BEFORE_MS, toMs: sums.startMs + n * BUCKET_MS };
    const firstMs = state.history.firstMsOf(flow);
    await eachAttempt(state, { flows: flow, window: walked, conditions: conditionsOf(state, focus) }, (rows, row) =>
      addUnderWayInPlace(sums, rows.startMs[row] as number, rows.durationMs[row] as number),
    );
    // Before anything came of it nothing is known, and that is not nothing.
    return underWay(sums).map((count, i) => (sums.startMs + i * BUCKET_MS < firstMs ? null : count));
  };
  const unknown = () => new Array<null>(n).fill(null);
  return {
    startMs,
    stepMs: BUCKET_MS,
    values: await read(0),
    low: unknown(),
    high: unknown(),
    other: shiftMs === undefined ? null : await read(shiftMs),
  };
}
