import { DAY_MS, type Window } from '@toplens/core/time';
import { innerSteps, type StepSpan } from '@toplens/core/traces';
import type { StepsShape } from '../../contract/flows';
import { stepSpansIn } from '../../store/traces';
import { narrowedSample } from '../reading/fair-sample';
import { walkedPart } from '../reading/each-attempt';
import { resolveWindow } from '../reading/windows';
import type { EngineState } from '../state/engine-state';
import type { FieldQuestion, Focus } from '../state/questions';

const LOOKED_AT = 200;
const MOST = 20;

/**
 * The steps inside a flow against limits of their own, from a fair sample of its attempts and one of the same time of
 * the day before; null when there is no such flow.
 */
export async function flowSteps(
  state: EngineState,
  { id, window: asked, focus }: FieldQuestion,
): Promise<StepsShape | null> {
  if (!state.names.has(id)) return null;
  const window = walkedPart(resolveWindow(state, asked));
  const usualWindow = { fromMs: window.fromMs - DAY_MS, toMs: window.toMs - DAY_MS };
  const { stepLimitsMs } = state.names.flow(id, window.toMs - 1);
  const [now, usual] = [await sampled(state, id, window, focus), await sampled(state, id, usualWindow, focus)];
  const steps = innerSteps(now, usual, stepLimitsMs);
  return {
    window,
    attempts: now.entries.size,
    usualAttempts: usual.entries.size,
    limits: Object.entries(stepLimitsMs).map(([step, limitMs]) => ({ step, limitMs })),
    steps: steps.slice(0, MOST).map(({ usualMs, learnedLimitMs, ownersLimitMs, overShare, ...step }) => ({
      ...step,
      usualMs: usualMs ?? null,
      learnedLimitMs: learnedLimitMs ?? null,
      ownersLimitMs: ownersLimitMs ?? null,
      overShare: overShare ?? null,
    })),
  };
}

async function sampled(
  state: EngineState,
  flow: number,
  window: Window,
  focus: Focus,
): Promise<{ entries: Map<string, string>; spans: StepSpan[] }> {
  const sample = await narrowedSample(state, { flow, window, most: LOOKED_AT }, focus);
  const spans = await stepSpansIn(
    state.database,
    sample.map(({ traceId }) => traceId),
  );
  const told = new Set(spans.map(({ traceId }) => traceId));
  return {
    entries: new Map(sample.filter(({ traceId }) => told.has(traceId)).map(({ traceId, spanId }) => [traceId, spanId])),
    spans,
  };
}
