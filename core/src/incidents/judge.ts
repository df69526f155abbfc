import { BUCKET_MS, outcomeOf } from '../flows';
import { SLOT_MS, type FlowNormal, type MinuteSeries } from '../normal';
import { FAILED, PROBE, type AttemptColumns } from '../telemetry';
import { floorTo, MINUTE_MS, type Window } from '../time';

/**
 * Counts attempts by flow and minute and lays what is usual beside them: the input of `findDeviations`.
 * A pure function of the set of rows.
 *
 * @param window whole minutes
 * @param flows which flows to judge; a flow without attempts in the window has a series too
 */
export function minuteSeries(
  rows: AttemptColumns,
  flows: readonly number[],
  window: Window,
  normalAt: (flow: number, timeMs: number) => FlowNormal,
): Map<number, MinuteSeries> {
  const length = Math.round((window.toMs - window.fromMs) / MINUTE_MS);
  const series = new Map<number, MinuteSeries>();
  const limits = new Map<number, Float64Array>();
  const firstSlot = floorTo(window.fromMs, SLOT_MS);
  const slots = Math.ceil((window.toMs - firstSlot) / SLOT_MS);
  for (const flow of flows) {
    const normals = Array.from({ length: slots }, (_, k) => normalAt(flow, firstSlot + k * SLOT_MS));
    limits.set(
      flow,
      Float64Array.from(normals, (normal) => normal.limitMs ?? Infinity),
    );
    series.set(flow, expectations(normals, window, firstSlot, length));
  }
  for (let i = 0; i < rows.n; i++) {
    const startMs = rows.startMs[i] as number;
    const flags = rows.flags[i] as number;
    const target = series.get(rows.flow[i] as number);
    if (!target || startMs < window.fromMs || startMs >= window.toMs || flags & PROBE) continue;
    const minute = Math.floor((startMs - window.fromMs) / MINUTE_MS);
    const limit = (limits.get(rows.flow[i] as number) as Float64Array)[Math.floor((startMs - firstSlot) / SLOT_MS)] as number;
    target.attempts[minute] = (target.attempts[minute] as number) + 1;
    const outcome = outcomeOf(rows.durationMs[i] as number, (flags & FAILED) !== 0, limit);
    if (outcome === 'failed') target.failed[minute] = (target.failed[minute] as number) + 1;
    else if (outcome !== 'onTime') target.late[minute] = (target.late[minute] as number) + 1;
  }
  return series;
}

function expectations(normals: FlowNormal[], window: Window, firstSlot: number, length: number): MinuteSeries {
  const perMinute = (value: (normal: FlowNormal, timeMs: number) => number) =>
    Float64Array.from({ length }, (_, t) => {
      const timeMs = window.fromMs + t * MINUTE_MS;
      return value(normals[Math.floor((timeMs - firstSlot) / SLOT_MS)] as FlowNormal, timeMs);
    });
  const known = (normal: FlowNormal) => normal.basis !== 'none' && normal.basis !== 'ownersLimit';
  const minutesPerBucket = BUCKET_MS / MINUTE_MS;
  return {
    startMs: window.fromMs,
    attempts: new Int32Array(length),
    late: new Int32Array(length),
    failed: new Int32Array(length),
    expectedAttempts: perMinute((normal, timeMs) => (normal.volume[Math.floor((timeMs - floorTo(timeMs, SLOT_MS)) / BUCKET_MS)] as number) / minutesPerBucket),
    volumeSpread: perMinute((normal) => normal.volumeSpread),
    volumeDispersion: perMinute((normal) => normal.volumeDispersion),
    lateShare: perMinute((normal) => (known(normal) && normal.limitMs !== undefined ? normal.lateShare : NaN)),
    lateSpread: perMinute((normal) => normal.lateSpread),
    failedShare: perMinute((normal) => (known(normal) ? normal.failedShare : NaN)),
    failedSpread: perMinute((normal) => normal.failedSpread),
  };
}
