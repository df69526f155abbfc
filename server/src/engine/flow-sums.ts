import { hangLimitMs, OUTCOMES, type Outcome } from '@toplens/core/flows';
import { hasSameLimits } from '@toplens/core/incidents';
import { limitsAt, SLOT_MS, type FlowNormal } from '@toplens/core/normal';
import { addEncodedInPlace, createHistogram, encodeHistogram, recordInPlace, type LogHistogram } from '@toplens/core/stats';
import { FAILED, PROBE, type AttemptColumns, type Dimension } from '@toplens/core/telemetry';
import { floorTo, HOUR_MS, type Window } from '@toplens/core/time';
import { PeopleMet } from './distinct';
import { conditionsOf, flowsIn, type Focus } from './focus';
import { PerHour } from './per-hour';
import type { World } from './world';

/** What a flow's attempts in a window came to. */
export interface FlowSums {
  attempts: number;
  failed: number;
  /** durations of the attempts that did not fail */
  durations: LogHistogram;
  totalMs: number;
  maxMs: number;
  outcomes: Record<Outcome, number>;
  people: number;
  hurt: number;
}

const noSums = (): FlowSums => ({
  attempts: 0, failed: 0, durations: createHistogram(), totalMs: 0, maxMs: 0, outcomes: { onTime: 0, late: 0, hung: 0, failed: 0 }, people: 0, hurt: 0,
}); // prettier-ignore

const met = new PeopleMet();
const metHurt = new PeopleMet();

/** A flow's hour that is over and asked for as a whole: everything but who came is summed once. */
interface WholeHour {
  /** what judged them, by slot */
  normals: FlowNormal[];
  sums: Omit<FlowSums, 'durations' | 'people' | 'hurt'>;
  durations: Uint8Array;
  /** who made the attempts; `undefined` where it was all of them: then the column itself tells */
  people: Uint32Array | undefined;
  /** people of attempts that were not on time */
  hurt: Uint32Array;
}

const wholeHours = new PerHour<Map<number, WholeHour>>();

/**
 * Sums of every flow over any window and slice, from the columns. Flow by flow, so that people are told apart by one array
 * of marks; hours that are over and lie in the window as a whole are summed once, and only their people are walked again.
 */
export async function flowSums(world: World, window: Window, focus: Focus): Promise<Map<number, FlowSums>> {
  const conditions = conditionsOf(world, focus);
  const slice = conditions.join();
  const wanted = flowsIn(world, focus);
  const result = new Map<number, FlowSums>();
  for (const { id: flow } of world.names.flows) {
    if (wanted && !wanted.has(flow)) continue;
    const sums = noSums();
    met.reset();
    metHurt.reset();
    for (let hourMs = floorTo(window.fromMs, HOUR_MS); hourMs < window.toMs; hourMs += HOUR_MS) {
      const { columns, ranges } = await world.hours.load(hourMs);
      const [from, to] = ranges ? (ranges.get(flow) ?? [0, 0]) : [0, columns.n];
      if (from === to) continue;
      const isWhole = ranges !== undefined && hourMs >= window.fromMs && hourMs + HOUR_MS <= window.toMs;
      if (isWhole) addWhole(sums, wholeHour(world, flow, hourMs, columns, from, to, conditions, slice), columns, from, to);
      else addRows(sums, world, flow, window, columns, from, to, conditions);
    }
    sums.outcomes.failed = sums.failed;
    if (sums.attempts > 0) result.set(flow, sums);
  }
  return result;
}

function wholeHour(
  world: World,
  flow: number,
  hourMs: number,
  columns: AttemptColumns,
  from: number,
  to: number,
  conditions: readonly [Dimension, number][],
  slice: string,
): WholeHour {
  const normals = [hourMs, hourMs + SLOT_MS].map((slotMs) => world.history.normalAt(flow, slotMs));
  const flows = wholeHours.get(columns, slice, () => new Map<number, WholeHour>());
  const known = flows.get(flow);
  if (known?.normals.every((normal, k) => hasSameLimits(normal, normals[k] as FlowNormal))) return known;
  const sums = noSums();
  const collected = { people: [] as number[], hurt: [] as number[] };
  addRows(sums, world, flow, { fromMs: hourMs, toMs: hourMs + HOUR_MS }, columns, from, to, conditions, collected);
  const { durations, people: _people, hurt: _hurt, ...rest } = sums;
  const people = sums.attempts < to - from ? Uint32Array.from(collected.people) : undefined;
  const made: WholeHour = { normals, sums: rest, durations: encodeHistogram(durations), people, hurt: Uint32Array.from(collected.hurt) };
  flows.set(flow, made);
  return made;
}

function addWhole(target: FlowSums, { sums, durations, people, hurt }: WholeHour, columns: AttemptColumns, from: number, to: number): void {
  target.attempts += sums.attempts;
  target.failed += sums.failed;
  target.totalMs += sums.totalMs;
  target.maxMs = Math.max(target.maxMs, sums.maxMs);
  for (const outcome of OUTCOMES) target.outcomes[outcome] += sums.outcomes[outcome];
  addEncodedInPlace(target.durations, durations);
  target.people += people ? met.countNew(people) : met.countNew(columns.person, from, to);
  target.hurt += metHurt.countNew(hurt);
}

/** @param collected people of the attempts, and of those that were not on time, go there, and nobody is counted */
function addRows(
  sums: FlowSums,
  world: World,
  flow: number,
  window: Window,
  rows: AttemptColumns,
  from: number,
  to: number,
  conditions: readonly [Dimension, number][],
  collected?: { people: number[]; hurt: number[] },
): void {
  const { startMs, durationMs, flags, person, site, flow: flows } = rows;
  const [first, second] = conditions;
  const firstColumn = first && rows[first[0]];
  const secondColumn = second && rows[second[0]];
  const others = conditions.slice(2);
  let slotMs = NaN;
  let normal: FlowNormal | undefined;
  let limitMs = Infinity;
  let hangMs = Infinity;
  for (let i = from; i < to; i++) {
    // What rejects most is asked first.
    if (firstColumn && firstColumn[i] !== first[1]) continue;
    if (secondColumn && secondColumn[i] !== second[1]) continue;
    const atMs = startMs[i] as number;
    if (flows[i] !== flow || atMs < window.fromMs || atMs >= window.toMs || (flags[i] as number) & PROBE) continue;
    if (others.length > 0 && others.some(([dimension, number]) => rows[dimension][i] !== number)) continue;
    const isSameSlot = atMs >= slotMs && atMs < slotMs + SLOT_MS;
    if (!normal || !isSameSlot) {
      slotMs = floorTo(atMs, SLOT_MS);
      normal = world.history.normalAt(flow, slotMs);
    }
    if (!isSameSlot || normal.sites.size > 0) {
      limitMs = limitsAt(normal, site[i] as number).limitMs ?? Infinity;
      hangMs = hangLimitMs(limitMs);
    }
    const took = durationMs[i] as number;
    sums.attempts++;
    let isHurt = true;
    if ((flags[i] as number) & FAILED) sums.failed++;
    else {
      recordInPlace(sums.durations, took);
      sums.totalMs += took;
      if (took > sums.maxMs) sums.maxMs = took;
      if (took <= limitMs) {
        sums.outcomes.onTime++;
        isHurt = false;
      } else if (took > hangMs) sums.outcomes.hung++;
      else sums.outcomes.late++;
    }
    const who = person[i] as number;
    if (collected) {
      collected.people.push(who);
      if (isHurt) collected.hurt.push(who);
      continue;
    }
    if (met.isNew(who)) sums.people++;
    if (isHurt && metHurt.isNew(who)) sums.hurt++;
  }
}
