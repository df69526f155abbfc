import type { Deviation } from '../../normal';
import { isToldByAttempts, type Indicator } from '../../flows';
import { countedUnits, unitOf } from '../../promises';
import { overlap, type Window } from '../../time';
import { formatMoney, percent } from '../../words';
import { eachPromised } from '../rows/promised-rows';
import type { BillContext } from './bill-context';

/** What an incident took of a promise in a window. */
export interface SpentPromise {
  name: string;
  indicator: Indicator;
  /** bad ones of what the promise counts, beyond the usual */
  bad: number;
  /** of all that may be bad in the period; 0 where nothing is expected */
  budgetShare: number;
  /** what it adds to the penalty expected, units of currency */
  penalty: number;
}

/**
 * Which promises an incident spent of in a window, by their own limits and calendars; those that it makes dearest first.
 * What probes see hurts nobody and stands on no bill; vitals and crashes are told apart from attempts, and what they
 * spend stands with the promise alone.
 */
export function spentPromises(
  parts: readonly Deviation[],
  window: Window,
  { rows, promises, normalAt }: Pick<BillContext, 'rows' | 'promises' | 'normalAt'>,
): SpentPromise[] {
  const flows = new Set(parts.map(({ flow }) => flow));
  const stretch = overlap(
    { fromMs: Math.min(...parts.map(({ onsetMs }) => onsetMs)), toMs: Math.max(...parts.map(({ endMs }) => endMs)) },
    window,
  );
  if (!stretch) return [];
  return promises
    .filter(({ indicator }) => indicator !== 'reachable' && isToldByAttempts(indicator))
    .map((promise) => {
      let bad = 0;
      for (const flow of flows) {
        if (!promise.flows.has(flow)) continue;
        const question = { flows: flow, window: stretch, isCounted: promise.isCounted, normalAt };
        eachPromised(promise, rows, question, (row, isGood) => {
          bad += ((isGood ? 0 : 1) - promise.usualShare) / promise.sharers(flow, rows.startMs[row] as number);
        });
      }
      return {
        name: promise.name,
        indicator: promise.indicator,
        bad,
        budgetShare: promise.allowed > 0 ? bad / promise.allowed : 0,
        penalty: bad * promise.price,
      };
    })
    .filter(({ bad }) => bad > 0)
    .sort((a, b) => b.penalty - a.penalty || b.budgetShare - a.budgetShare || a.name.localeCompare(b.name));
}

/** Less of a penalty is not worth a word, units of currency. */
export const LEAST_PENALTY = 0.5;

/**
 * What an incident took of a promise, in words.
 *
 * @example "“Labels”: 42 attempts outside it, 12 % of all that may be; adds €120 to the penalty expected"
 */
export function spentWords({ name, indicator, bad, budgetShare, penalty }: SpentPromise, currency: string): string {
  const outside = bad < 1 ? `less than one ${unitOf(indicator)}` : countedUnits(indicator, Math.round(bad));
  const share = budgetShare > 0 ? `, ${percent(budgetShare)} of all that may be` : '';
  const adds = penalty >= LEAST_PENALTY ? `; adds ${formatMoney(penalty, currency)} to the penalty expected` : '';
  return `“${name}”: ${outside} outside it${share}${adds}`;
}
