import { hoursOf, type Window } from '../time';
import { BILL_LINES, quantityOf, type HarmBill } from './bill/bill';

/**
 * By what the list can be ordered; each: harm of one hurt person, on average; promises: what it adds to the penalties
 * expected, then the share of a budget that it took.
 */
export const RANKINGS = ['harm', 'each', 'people', 'money', 'promises', 'keyCustomers'] as const;
export type Ranking = (typeof RANKINGS)[number];

/** Minutes of harm for each hour of the window: windows of different length compare, and two halves add up. */
export const harmPerHour = (bill: HarmBill, window: Window): number => bill.harm.estimate / hoursOf(window);

/** What a bill weighs under a ranking, in the unit of that ranking. */
export function weightOf(bill: HarmBill, ranking: Ranking): number {
  if (ranking === 'harm') return bill.harm.estimate;
  if (ranking === 'people') return bill.people.estimate;
  // Fewer than one person: what there is counts as one, or a trace of harm would lead the list.
  if (ranking === 'each') return bill.harm.estimate / Math.max(1, bill.people.estimate);
  if (ranking === 'promises') return bill.penalties;
  return quantityOf(bill, ranking);
}

export interface Ranked {
  id: number;
  bill: HarmBill;
}

/** Worst first; equal weights by id, so that the order never depends on the order of the input. */
export function rankWorstFirst<T extends Ranked>(incidents: readonly T[], ranking: Ranking = 'harm'): T[] {
  return [...incidents].sort(
    (a, b) =>
      weightOf(b.bill, ranking) - weightOf(a.bill, ranking) ||
      (ranking === 'promises' ? budgetTaken(b.bill) - budgetTaken(a.bill) : 0) ||
      a.id - b.id,
  );
}

/** The largest share that it took of the budget of any promise, 0 to 1 and more. */
export const budgetTaken = ({ promises }: Pick<HarmBill, 'promises'>): number =>
  Math.max(0, ...promises.map(({ budgetShare }) => budgetShare));

export interface Stability {
  /** best and worst rank by harm while each rate in turn is halved and doubled */
  best: number;
  worst: number;
}

/** How far other opinions about the rates would move each incident. */
export function rankStability(incidents: readonly Ranked[]): Map<number, Stability> {
  const stability = new Map<number, Stability>();
  const consider = (harmOf: (bill: HarmBill) => number) => {
    const order = [...incidents].sort((a, b) => harmOf(b.bill) - harmOf(a.bill) || a.id - b.id);
    order.forEach(({ id }, i) => {
      const known = stability.get(id);
      stability.set(id, { best: Math.min(known?.best ?? Infinity, i + 1), worst: Math.max(known?.worst ?? 0, i + 1) });
    });
  };
  consider((bill) => bill.harm.estimate);
  for (const name of BILL_LINES)
    for (const factor of [0.5, 2])
      consider(
        (bill) =>
          bill.harm.estimate + (factor - 1) * (bill.lines.find((line) => line.name === name)?.harm.estimate ?? 0),
      );
  return stability;
}

/** Incidents next to each other in the rank whose 95 % ranges overlap: their order is not certain. */
export function nearTies(ranked: readonly Ranked[]): Set<number> {
  const tied = new Set<number>();
  for (let i = 1; i < ranked.length; i++) {
    const [above, below] = [ranked[i - 1] as Ranked, ranked[i] as Ranked];
    if (below.bill.harm.high < above.bill.harm.low) continue;
    tied.add(above.id);
    tied.add(below.id);
  }
  return tied;
}

export const PRIORITIES = ['P1', 'P2', 'P3', 'P4'] as const;
export type Priority = (typeof PRIORITIES)[number];
export type Trend = 'growing' | 'steady' | 'fading' | 'new' | 'over';

/** Harm of a stretch, minutes, and the people whom it hurt. */
export interface Moment {
  harm: number;
  people: number;
}

/**
 * So much more or less is a change, when it is more than chance: 1.645 standard errors, five of a hundred on each side.
 */
const CHANGED = 1.25;
const CHANCE = 1.645;

/**
 * How harm moves from one stretch to the next of equal length. People are hurt one by one: of n of them the logarithm
 * of the harm is known to 1/√n, so that seven after four tell nothing yet. Half a person is added to both sides
 * (Haldane 1956, from memory).
 */
export function directionOf(earlier: Moment, last: Moment): 'growing' | 'steady' | 'fading' {
  const harm = earlier.harm + last.harm;
  if (!(harm > 0)) return 'steady';
  const half = (0.5 * harm) / Math.max(1, earlier.people + last.people);
  const change = Math.log((last.harm + half) / (earlier.harm + half));
  const error = Math.sqrt(1 / (last.people + 0.5) + 1 / (earlier.people + 0.5));
  if (Math.abs(change) < Math.max(Math.log(CHANGED), CHANCE * error)) return 'steady';
  return change > 0 ? 'growing' : 'fading';
}

/** Minutes of harm an hour from which the impact is high, and medium. */
export const IMPACT_FROM = { high: 300, medium: 60 } as const;

/**
 * Priority for the ticket by impact × urgency, the matrix of service management: both high P1, both low P4 (common
 * practice, no source). Impact is harm an hour, or key customers hurt; urgency is how the harm moves.
 */
export function priorityOf(bill: HarmBill, perHour: number, trend: Trend): Priority {
  const impact = perHour >= IMPACT_FROM.high ? 0 : perHour >= IMPACT_FROM.medium || bill.keyPeople > 0 ? 1 : 2;
  const urgency = trend === 'growing' || trend === 'new' ? 0 : trend === 'steady' ? 1 : 2;
  const matrix: readonly (readonly Priority[])[] = [
    ['P1', 'P1', 'P3'],
    ['P2', 'P2', 'P3'],
    ['P3', 'P3', 'P4'],
  ];
  return (matrix[impact] as readonly Priority[])[urgency] as Priority;
}
