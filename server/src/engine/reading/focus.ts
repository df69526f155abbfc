import { DIMENSIONS, type AttemptColumns, type Dimension } from '@toplens/core/telemetry';
import type { EngineState } from '../state/engine-state';
import type { Focus } from '../state/questions';

export const NO_FOCUS: Focus = { values: {} };

/** The dimensions that narrow, each with the number of its value; a value that never came holds for no row. */
export const conditionsOf = (state: EngineState, { values }: Focus): [Dimension, number][] =>
  DIMENSIONS.flatMap((dimension): [Dimension, number][] => {
    const value = values[dimension];
    return value === undefined ? [] : [[dimension, state.names.numberOf(dimension, value) ?? -1]];
  });

/** Tells whether a row lies in the slice; `undefined` when no dimension narrows it. */
export function sliceOf(
  state: EngineState,
  focus: Focus,
): ((rows: AttemptColumns, row: number) => boolean) | undefined {
  const wanted = conditionsOf(state, focus);
  if (wanted.length === 0) return undefined;
  return (rows, row) => {
    for (const [dimension, number] of wanted) if (rows[dimension][row] !== number) return false;
    return true;
  };
}

/** Flows that a focus leaves. */
export function flowsIn(state: EngineState, { application, flow }: Focus): Set<number> | undefined {
  if (application === undefined && flow === undefined) return undefined;
  const flows = state.names.flows.filter(
    (one) => (application === undefined || one.application === application) && (flow === undefined || one.id === flow),
  );
  return new Set(flows.map((one) => one.id));
}

export const sliceKey = ({ values }: Focus): string =>
  DIMENSIONS.map((dimension) => values[dimension] ?? '').join('\u001f');
