import { byName } from '../../by-name';
import { outcomeOf } from '@toplens/core/flows';
import { type Window, stepsOf } from '@toplens/core/time';
import {
  beginOf,
  errorsWithSlow,
  hopsOf,
  LAYERS,
  layersOf,
  layOut,
  type Layer,
  type MetErrors,
  type TraceSpan,
} from '@toplens/core/traces';
import type { PathShape } from '../../contract/flows';
import { loadPaths } from '../../store/traces';
import { narrowedSample } from '../reading/fair-sample';
import { finiteOrNull } from '../reading/finite-or-null';
import { hopShape, TRACES_LOOKED_AT } from '../reading/hops';
import type { FieldQuestion } from '../state/questions';
import { resolveWindow } from '../reading/windows';
import type { EngineState } from '../state/engine-state';

/**
 * The components that a flow goes through, with volume, time and failures on each hop; null when there is no such flow.
 */
export async function flowPath(
  state: EngineState,
  { id, window: asked, focus }: FieldQuestion,
): Promise<PathShape | null> {
  if (!state.names.has(id)) return null;
  const window = resolveWindow(state, asked);
  const sample = await narrowedSample(state, { flow: id, window, most: TRACES_LOOKED_AT }, focus);
  const paths = await loadPaths(
    state.database,
    sample.map(({ traceId }) => traceId),
  );
  const traces = [...paths.values()].filter((spans) => spans.length > 1);
  const told = sample.flatMap(({ traceId, spanId, startMs }) => {
    const spans = paths.get(traceId) ?? [];
    return spans.length > 1 && spans.some((span) => span.spanId === spanId)
      ? [{ startMs, layers: layersOf(layOut(spans, beginOf(spans, spanId)).rows) }]
      : [];
  });
  return {
    window,
    traces: traces.length,
    hops: hopsOf(traces).map((hop) => hopShape(hop, traces.length)),
    layers: layersOverTime(window, told),
    slowErrors: errorsWithSlow(metErrors(state, id, sample, paths)).map(({ ratio, ...error }) => ({
      ...error,
      ratio: finiteOrNull(ratio.ratio),
      low: ratio.low,
      high: finiteOrNull(ratio.high),
    })),
  };
}

/** Attempts that did not fail, with what failed on their way. */
function metErrors(
  state: EngineState,
  flow: number,
  sample: readonly { traceId: string; spanId: string; startMs: number }[],
  paths: ReadonlyMap<string, readonly TraceSpan[]>,
): MetErrors[] {
  return sample.flatMap(({ traceId, spanId, startMs }) => {
    const spans = paths.get(traceId) ?? [];
    const entry = spans.find((span) => span.spanId === spanId);
    if (!entry || entry.failed || spans.length < 2) return [];
    const durationMs = entry.durationUs / 1000;
    const { limitMs } = state.history.normalAt(flow, startMs);
    const errors = spans
      .filter(({ failed }) => failed)
      .map(({ component, failure }) => `${component}: ${failure || 'error without a type'}`);
    return [{ durationMs, isSlow: outcomeOf(durationMs, false, limitMs) !== 'onTime', errors: new Set(errors) }];
  });
}

const LAYER_STEPS = 16;

/** Mean time of an attempt in each layer, step by step. */
function layersOverTime(
  window: Window,
  told: readonly { startMs: number; layers: Record<Layer, number> }[],
): PathShape['layers'] {
  const { startMs, stepMs, n } = stepsOf(window, LAYER_STEPS);
  const attempts = new Array<number>(n).fill(0);
  const sums = byName(LAYERS, () => new Array<number>(n).fill(0));
  for (const { startMs: atMs, layers } of told) {
    const step = Math.floor((atMs - startMs) / stepMs);
    if (step < 0 || step >= n) continue;
    attempts[step] = (attempts[step] as number) + 1;
    for (const layer of LAYERS) sums[layer][step] = (sums[layer][step] as number) + layers[layer] / 1000;
  }
  const meansOf = (layer: Layer) =>
    sums[layer].map((sum, step) => ((attempts[step] as number) > 0 ? sum / (attempts[step] as number) : 0));
  return { startMs, stepMs, attempts, means: LAYERS.map((layer) => ({ layer, ms: meansOf(layer) })) };
}
