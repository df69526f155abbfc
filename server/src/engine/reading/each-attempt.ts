import { eachRow, type AttemptColumns, type RowQuestion } from '@toplens/core/telemetry';
import { DAY_MS, HOUR_MS, type Window } from '@toplens/core/time';
import type { EngineState } from '../state/engine-state';

/** Single attempts of longer windows are not walked: that would take long. */
export const LONGEST_SCAN_MS = 26 * HOUR_MS;

/** The part of a window of which single attempts are walked: the window itself, or the last day of a long one. */
export const walkedPart = (window: Window): Window =>
  window.toMs - window.fromMs > LONGEST_SCAN_MS ? { fromMs: window.toMs - DAY_MS, toMs: window.toMs } : window;

/** Walks the attempts of a window, as `eachRow` does. */
export function eachAttempt(
  state: EngineState,
  { window, ...question }: RowQuestion & { window: Window },
  see: (rows: AttemptColumns, row: number) => void,
): Promise<void> {
  const { flows } = question;
  const wanted = typeof flows === 'number' ? new Set([flows]) : flows;
  return state.hours.visit(window, wanted, (rows, from, to) =>
    eachRow(rows, { ...question, window, from, to }, (row) => see(rows, row)),
  );
}
