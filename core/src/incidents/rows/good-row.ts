import { dependsOnJudge, isGoodAttempt, type Indicator } from '../../flows';
import { limitsAt, type FlowNormal } from '../../normal';
import { FAILED, type AttemptColumns } from '../../telemetry';

/**
 * Is a row a good attempt for what was promised? What is usual is asked for only where that depends on it.
 *
 * @param normalAt of a flow at a time
 */
export function isGoodRow(
  promise: { indicator: Indicator; limitMs?: number | undefined },
  rows: AttemptColumns,
  row: number,
  normalAt: (flow: number, timeMs: number) => FlowNormal,
): boolean {
  const durationMs = rows.durationMs[row] as number;
  const judgedMs = dependsOnJudge(promise, durationMs)
    ? limitsAt(normalAt(rows.flow[row] as number, rows.startMs[row] as number), rows.site[row] as number).limitMs
    : undefined;
  return isGoodAttempt(promise, { durationMs, isFailed: ((rows.flags[row] as number) & FAILED) !== 0 }, judgedMs);
}
