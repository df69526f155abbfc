import { OUTCOMES } from '@toplens/core/flows';
import { hasSameLimits } from '@toplens/core/incidents';
import { SLOT_MS, type FlowNormal } from '@toplens/core/normal';
import { addEncodedInPlace, encodeHistogram } from '@toplens/core/stats';
import { HOUR_MS } from '@toplens/core/time';
import { PeopleMet, type Crowd } from '../state/distinct';
import { PerHour } from '../state/per-hour';
import { addRows, noSums, type FlowRows, type FlowSums } from './sum-rows';
import type { EngineState } from '../state/engine-state';

type Summed = Omit<FlowSums, 'durations' | 'people' | 'hurt'>;

/** A flow's hour that is over and asked for as a whole: everything but who came is summed once. */
export interface WholeHour {
  /** what judged them, by slot */
  normals: FlowNormal[];
  sums: Summed;
  durations: Uint8Array;
  /** who made the attempts: a part of the hour's column where it was all of them, else a list */
  people: Uint32Array;
  /** people of attempts that were not on time */
  hurt: Uint32Array;
}

const wholeHours = new PerHour<Map<number, WholeHour>>();

/**
 * A flow's attempts of an hour, in rows `from` to `to` of its columns; all of them are judged by limits that still
 * hold.
 */
export function wholeHour(
  state: EngineState,
  {
    hourMs,
    slice,
    ...run
  }: Omit<FlowRows, 'window'> & { hourMs: number; /** a text that tells slices apart */ slice: string },
): WholeHour {
  const { flow, rows: columns, from, to } = run;
  const normals = [hourMs, hourMs + SLOT_MS].map((slotMs) => state.history.normalAt(flow, slotMs));
  const flows = wholeHours.get(columns, slice, () => new Map<number, WholeHour>());
  const known = flows.get(flow);
  if (known?.normals.every((normal, k) => hasSameLimits(normal, normals[k] as FlowNormal))) return known;
  const sums = noSums();
  const [people, hurt]: [number[], number[]] = [[], []];
  addRows(sums, state, { ...run, window: { fromMs: hourMs, toMs: hourMs + HOUR_MS } }, (person, isHurt) => {
    people.push(person);
    if (isHurt) hurt.push(person);
  });
  const { durations, people: _people, hurt: _hurt, ...rest } = sums;
  const made: WholeHour = {
    normals,
    sums: rest,
    durations: encodeHistogram(durations),
    people: sums.attempts < to - from ? Uint32Array.from(people) : columns.person.subarray(from, to),
    hurt: Uint32Array.from(hurt),
  };
  flows.set(flow, made);
  return made;
}

/**
 * Some of a flow's hours in a row, summed as one. A day is four of these: merging its hours would take most of a
 * question's time.
 */
interface Block {
  hours: readonly WholeHour[];
  sums: Summed;
  durations: Uint8Array;
  people: Crowd;
  hurt: Crowd;
}

export const BLOCK_MS = 6 * HOUR_MS;

/** Kept with the first hour of a block: a block goes when that hour is made anew. */
const blocks = new WeakMap<WholeHour, Block>();

const blockPeople = new PeopleMet();
const blockHurt = new PeopleMet();

/** @param hours at least one */
function blockOf(hours: readonly WholeHour[]): Block {
  const known = blocks.get(hours[0] as WholeHour);
  if (known && known.hours.length === hours.length && known.hours.every((hour, i) => hour === hours[i])) return known;
  const sums = noSums();
  blockPeople.reset();
  blockHurt.reset();
  for (const hour of hours) {
    addSums(sums, hour.sums, hour.durations);
    blockPeople.countNew(hour.people);
    blockHurt.countNew(hour.hurt);
  }
  const { durations, people: _people, hurt: _hurt, ...rest } = sums;
  const block = {
    hours,
    sums: rest,
    durations: encodeHistogram(durations),
    people: blockPeople.crowd(),
    hurt: blockHurt.crowd(),
  };
  blocks.set(hours[0] as WholeHour, block);
  return block;
}

/** Adds all hours of a block. */
export function addBlock(target: FlowSums, hours: readonly WholeHour[], people: PeopleMet, hurt: PeopleMet): void {
  if (hours.length === 0) return;
  const block = blockOf(hours);
  addSums(target, block.sums, block.durations);
  target.people += people.countNewOf(block.people);
  target.hurt += hurt.countNewOf(block.hurt);
}

export function addHour(target: FlowSums, hour: WholeHour, people: PeopleMet, hurt: PeopleMet): void {
  addSums(target, hour.sums, hour.durations);
  target.people += people.countNew(hour.people);
  target.hurt += hurt.countNew(hour.hurt);
}

function addSums(target: FlowSums, sums: Summed, durations: Uint8Array): void {
  target.attempts += sums.attempts;
  target.failed += sums.failed;
  target.totalMs += sums.totalMs;
  target.maxMs = Math.max(target.maxMs, sums.maxMs);
  for (const outcome of OUTCOMES) target.outcomes[outcome] += sums.outcomes[outcome];
  addEncodedInPlace(target.durations, durations);
}
