import { hoursOf, type Window } from '../time';
import type { HarmBill } from './bill';

/** By what the list can be ordered. */
export const RANKINGS = ['harm', 'people', 'money', 'keyCustomers'] as const;
export type Ranking = (typeof RANKINGS)[number];

/** Minutes of harm for each hour of the window: windows of different length compare, and two halves add up. */
export const harmPerHour = (bill: HarmBill, window: Window): number => bill.harm.estimate / hoursOf(window);

/** What a bill weighs under a ranking, in the unit of that ranking. */
export function weightOf(bill: HarmBill, ranking: Ranking): number {
  if (ranking === 'harm') return bill.harm.estimate;
  if (ranking === 'people') return bill.people.estimate;
  return bill.lines.find((line) => line.name === ranking)?.quantity.estimate ?? 0;
}

/** Worst first; equal weights by id, so that the order never depends on the order of the input. */
export function rankWorstFirst<T extends { id: number; bill: HarmBill }>(incidents: readonly T[], ranking: Ranking = 'harm'): T[] {
  return [...incidents].sort((a, b) => weightOf(b.bill, ranking) - weightOf(a.bill, ranking) || a.id - b.id);
}
