import { FAILED, PROBE } from '@toplens/core/telemetry';
import { createHistogram, recordInPlace, type LogHistogram } from '@toplens/core/stats';
import { hangLimitMs, type Outcome } from '@toplens/core/flows';
import { SLOT_MS } from '@toplens/core/normal';
import { floorTo, type Window } from '@toplens/core/time';
import { flowsIn, sliceOf, type Focus } from './focus';
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

/** Marks of who was seen already, one number a person: which flow (and how) met the person last. */
let seen = new Uint32Array(1 << 16);
let hurtSeen = new Uint32Array(1 << 16);
let mark = 0;

function roomFor(person: number): void {
  const grow = (old: Uint32Array<ArrayBuffer>) => {
    const grown = new Uint32Array(Math.max(person + 1, old.length * 2));
    grown.set(old);
    return grown;
  };
  seen = grow(seen);
  hurtSeen = grow(hurtSeen);
}

/** A number that no person is marked with. */
function freshMark(): number {
  if (mark >= 0xffff_fffe) {
    seen.fill(0);
    hurtSeen.fill(0);
    mark = 0;
  }
  return ++mark;
}

/**
 * Sums of every flow over any window and slice, in one scan of the columns. Flow by flow, so that people are told apart by
 * one array of marks.
 */
export async function flowSums(world: World, window: Window, focus: Focus): Promise<Map<number, FlowSums>> {
  const holds = sliceOf(world, focus);
  const wanted = flowsIn(world, focus);
  const result = new Map<number, FlowSums>();
  for (const { id: flow } of world.names.flows) {
    if (wanted && !wanted.has(flow)) continue;
    const sums = noSums();
    const own = freshMark();
    const only = new Set([flow]);
    let slotMs = NaN;
    let limitMs = Infinity;
    let hangMs = Infinity;
    await world.hours.visit(window, only, (rows, from, to) => {
      const { startMs, durationMs, flags, person, flow: flows } = rows;
      for (let i = from; i < to; i++) {
        const atMs = startMs[i] as number;
        if (flows[i] !== flow || atMs < window.fromMs || atMs >= window.toMs || (flags[i] as number) & PROBE || (holds && !holds(rows, i))) continue;
        if (!(atMs >= slotMs && atMs < slotMs + SLOT_MS)) {
          slotMs = floorTo(atMs, SLOT_MS);
          limitMs = world.history.normalAt(flow, slotMs).limitMs ?? Infinity;
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
        if (who >= seen.length) roomFor(who);
        if (who === 0 || seen[who] !== own) {
          sums.people++;
          seen[who] = own;
        }
        if (isHurt && (who === 0 || hurtSeen[who] !== own)) {
          sums.hurt++;
          hurtSeen[who] = own;
        }
      }
    });
    sums.outcomes.failed = sums.failed;
    if (sums.attempts > 0) result.set(flow, sums);
  }
  return result;
}
