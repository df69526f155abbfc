import { BUCKET_MS, outcomeOf } from '../../flows';
import { isJudged, limitsAt, SLOT_MS, volumeAt, type FlowNormal, type MinuteSeries } from '../../normal';
import { eachRow, FAILED, PAGE, type AttemptColumns } from '../../telemetry';
import { floorTo, HOUR_MS, MINUTE_MS, type Window } from '../../time';
import { BROKEN, countSlices, LATE, NO_SLICES, NOT_JUDGED, WELL, type SlicesOfHour } from './count-slices';
import { pairOf } from '../rows/pair-of';

type NormalAt = (flow: number, timeMs: number) => FlowNormal;

const MINUTES = HOUR_MS / MINUTE_MS;
const SLOTS = HOUR_MS / SLOT_MS;

/** What a flow's attempts of one hour came to, by minute; and what judged them. */
export interface HourOfFlow {
  attempts: Uint32Array;
  /** late and hung ones */
  late: Uint32Array;
  failed: Uint32Array;
  /** late and hung ones as usual, where sites have limits of their own: then it depends on who came */
  usualLate: Float64Array | undefined;
  /** by slot */
  normals: FlowNormal[];
  slices: SlicesOfHour;
}

/**
 * Counts an hour's attempts by flow and minute. A pure function of the set of rows. Probes are left out. Of a person's
 * loads of one page in the hour the first counts: how long a page takes is above all their device's and their line's
 * doing, so that a few people who come again would look like many.
 */
export function countMinutes(rows: AttemptColumns, hourMs: number, normalAt: NormalAt): Map<number, HourOfFlow> {
  const hours = new Map<number, HourOfFlow>();
  const firstLoads = firstLoadsIn(rows, hourMs);
  const counts = new Uint8Array(rows.n).fill(NOT_JUDGED);
  eachRow(rows, { window: { fromMs: hourMs, toMs: hourMs + HOUR_MS } }, (i) => {
    const startMs = rows.startMs[i] as number;
    const flags = rows.flags[i] as number;
    const flow = rows.flow[i] as number;
    if (flags & PAGE && rows.person[i] !== 0 && firstLoads.get(pairOf(flow, rows.person[i] as number)) !== i) return;
    let hour = hours.get(flow);
    if (!hour) hours.set(flow, (hour = emptyHour(normalsIn(flow, hourMs, normalAt))));
    const minute = Math.floor((startMs - hourMs) / MINUTE_MS);
    hour.attempts[minute] = (hour.attempts[minute] as number) + 1;
    const { limitMs, lateShare } = limitsAt(
      hour.normals[Math.floor((startMs - hourMs) / SLOT_MS)] as FlowNormal,
      rows.site[i] as number,
    );
    const outcome = outcomeOf(rows.durationMs[i] as number, (flags & FAILED) !== 0, limitMs);
    counts[i] = outcome === 'failed' ? BROKEN : outcome === 'onTime' ? WELL : LATE;
    if (outcome === 'failed') hour.failed[minute] = (hour.failed[minute] as number) + 1;
    else {
      if (outcome !== 'onTime') hour.late[minute] = (hour.late[minute] as number) + 1;
      if (hour.usualLate) hour.usualLate[minute] = (hour.usualLate[minute] as number) + lateShare;
    }
  });
  for (const [flow, slices] of countSlices(rows, counts, hourMs)) (hours.get(flow) as HourOfFlow).slices = slices;
  return hours;
}

/**
 * The row of each person's first load of each page; of loads that begin at once the longest, whatever the order of
 * rows.
 */
function firstLoadsIn(rows: AttemptColumns, hourMs: number): Map<number, number> {
  const firsts = new Map<number, number>();
  for (let i = 0; i < rows.n; i++) {
    if (!((rows.flags[i] as number) & PAGE)) continue;
    const startMs = rows.startMs[i] as number;
    const person = rows.person[i] as number;
    if (person === 0 || startMs < hourMs || startMs >= hourMs + HOUR_MS) continue;
    const key = pairOf(rows.flow[i] as number, person);
    const first = firsts.get(key);
    if (first === undefined || compareLoads(rows, i, first) < 0) firsts.set(key, i);
  }
  return firsts;
}

const compareLoads = ({ startMs, durationMs, flags }: AttemptColumns, a: number, b: number): number =>
  (startMs[a] as number) - (startMs[b] as number) ||
  (durationMs[b] as number) - (durationMs[a] as number) ||
  (flags[b] as number) - (flags[a] as number);

const emptyHour = (normals: FlowNormal[]): HourOfFlow => ({
  attempts: new Uint32Array(MINUTES),
  late: new Uint32Array(MINUTES),
  failed: new Uint32Array(MINUTES),
  usualLate: normals.some((normal) => normal.sites.size > 0) ? new Float64Array(MINUTES) : undefined,
  normals,
  slices: NO_SLICES,
});

const normalsIn = (flow: number, hourMs: number, normalAt: NormalAt) =>
  Array.from({ length: SLOTS }, (_, k) => normalAt(flow, hourMs + k * SLOT_MS));

/** True when other limits judge now than those that judged when the minutes were counted. */
export const isOutdated = (hours: ReadonlyMap<number, HourOfFlow>, hourMs: number, normalAt: NormalAt): boolean =>
  [...hours].some(([flow, hour]) =>
    normalsIn(flow, hourMs, normalAt).some((normal, k) => !hasSameLimits(normal, hour.normals[k] as FlowNormal)),
  );

/** True when both judge every attempt alike. */
export const hasSameLimits = (a: FlowNormal, b: FlowNormal): boolean =>
  a === b ||
  (a.limitMs === b.limitMs &&
    a.sites.size === b.sites.size &&
    [...a.sites].every(([site, { limitMs }]) => b.sites.get(site)?.limitMs === limitMs));

/**
 * Lays what is usual beside what happened, minute by minute: the input of `findDeviations`.
 *
 * @param window whole minutes
 * @param flows which flows to judge; a flow without attempts in the window has a series too
 * @param hourOf counts of a flow's hour; `undefined` when nothing happened
 */
export function minuteSeries(
  flows: readonly number[],
  window: Window,
  hourOf: (flow: number, hourMs: number) => HourOfFlow | undefined,
  normalAt: NormalAt,
): Map<number, MinuteSeries> {
  const length = Math.round((window.toMs - window.fromMs) / MINUTE_MS);
  const series = new Map<number, MinuteSeries>();
  for (const flow of flows) {
    const one = expectations(flow, window, length, normalAt);
    for (let hourMs = floorTo(window.fromMs, HOUR_MS); hourMs < window.toMs; hourMs += HOUR_MS) {
      const hour = hourOf(flow, hourMs);
      if (!hour) continue;
      const first = Math.round((hourMs - window.fromMs) / MINUTE_MS);
      for (let minute = Math.max(0, -first); minute < MINUTES && first + minute < length; minute++) {
        one.attempts[first + minute] = hour.attempts[minute] as number;
        one.late[first + minute] = hour.late[minute] as number;
        one.failed[first + minute] = hour.failed[minute] as number;
        const judged = (hour.attempts[minute] as number) - (hour.failed[minute] as number);
        if (hour.usualLate && judged > 0 && !Number.isNaN(one.lateShare[first + minute]))
          one.lateShare[first + minute] = (hour.usualLate[minute] as number) / judged;
      }
    }
    series.set(flow, one);
  }
  return series;
}

function expectations(flow: number, window: Window, length: number, normalAt: NormalAt): MinuteSeries {
  const one: MinuteSeries = {
    startMs: window.fromMs,
    attempts: new Int32Array(length),
    late: new Int32Array(length),
    failed: new Int32Array(length),
    expectedAttempts: new Float64Array(length),
    volumeSpread: new Float64Array(length),
    volumeDispersion: new Float64Array(length),
    lateShare: new Float64Array(length),
    lateSpread: new Float64Array(length),
    failedShare: new Float64Array(length),
    failedSpread: new Float64Array(length),
  };
  let normal: FlowNormal | undefined;
  let slotMs = NaN;
  for (let t = 0; t < length; t++) {
    const timeMs = window.fromMs + t * MINUTE_MS;
    if (!normal || floorTo(timeMs, SLOT_MS) !== slotMs) {
      slotMs = floorTo(timeMs, SLOT_MS);
      normal = normalAt(flow, slotMs);
    }
    const isKnown = isJudged(normal);
    one.expectedAttempts[t] = (volumeAt(normal, timeMs) * MINUTE_MS) / BUCKET_MS;
    one.volumeSpread[t] = normal.volumeSpread;
    one.volumeDispersion[t] = normal.volumeDispersion;
    one.lateShare[t] = isKnown && normal.limitMs !== undefined ? normal.lateShare : NaN;
    one.lateSpread[t] = normal.lateSpread;
    one.failedShare[t] = isKnown ? normal.failedShare : NaN;
    one.failedSpread[t] = normal.failedSpread;
  }
  return one;
}
