import { floorTo, HOUR_MS, type Window } from '@toplens/core/time';
import { PeopleMet } from '../state/distinct';
import { conditionsOf, flowsIn } from './focus';
import { type Focus } from '../state/questions';
import type { Hour } from '../state/hours';
import { addRows, noSums, type FlowSums } from './sum-rows';
import { addBlock, addHour, BLOCK_MS, wholeHour, type WholeHour } from './whole-hours';
import type { EngineState } from '../state/engine-state';

const met = new PeopleMet();
const metHurt = new PeopleMet();

/**
 * Sums of every flow over any window and slice, from the columns. Flow by flow, so that people are told apart by one
 * array of marks; hours that are over and lie in the window as a whole are summed once, and so are blocks of them.
 */
export async function flowSums(state: EngineState, window: Window, focus: Focus): Promise<Map<number, FlowSums>> {
  const conditions = conditionsOf(state, focus);
  const slice = conditions.join();
  const wanted = flowsIn(state, focus);
  const result = new Map<number, FlowSums>();
  const hours: [hourMs: number, hour: Hour][] = [];
  for (let hourMs = floorTo(window.fromMs, HOUR_MS); hourMs < window.toMs; hourMs += HOUR_MS)
    hours.push([hourMs, await state.hours.load(hourMs)]);
  for (const { id: flow } of state.names.flows) {
    if (wanted && !wanted.has(flow)) continue;
    const sums = noSums();
    met.reset();
    metHurt.reset();
    const meet = (person: number, isHurt: boolean) => {
      if (met.isNew(person)) sums.people++;
      if (isHurt && metHurt.isNew(person)) sums.hurt++;
    };
    let block: WholeHour[] = [];
    for (const [hourMs, { columns, ranges }] of hours) {
      const blockMs = floorTo(hourMs, BLOCK_MS);
      const range = ranges ? ranges.get(flow) : ([0, columns.n] as const);
      const isWhole = ranges !== undefined && hourMs >= window.fromMs && hourMs + HOUR_MS <= window.toMs;
      if (range && !isWhole)
        addRows(sums, state, { flow, window, rows: columns, from: range[0], to: range[1], conditions }, meet);
      else if (range) {
        const hour = wholeHour(state, { flow, hourMs, rows: columns, from: range[0], to: range[1], conditions, slice });
        if (blockMs >= window.fromMs && blockMs + BLOCK_MS <= window.toMs) block.push(hour);
        else addHour(sums, hour, met, metHurt);
      }
      if (hourMs + HOUR_MS < blockMs + BLOCK_MS) continue;
      addBlock(sums, block, met, metHurt);
      block = [];
    }
    sums.outcomes.failed = sums.failed;
    if (sums.attempts > 0) result.set(flow, sums);
  }
  return result;
}
