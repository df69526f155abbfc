import { wilson, type Interval } from '../stats';
import { HOUR_MS, MINUTE_MS } from '../time';
import type { Tally } from './service-promise';

/** Share of the attempts that were good, with its 95 % interval (Wilson). `undefined` without any: nothing is known. */
export const keptShare = ({ valid, good }: Tally): Interval | undefined => wilson(good, valid);

/** How many attempts of a period may be bad, and how many were. */
export interface Budget {
  /** attempts */
  allowed: number;
  spent: number;
  /** below 0: broken, whatever comes, unless more attempts come than expected */
  left: number;
  /** of what is allowed; `undefined` where nothing is expected to come */
  leftShare: number | undefined;
}

/**
 * @param expectedValid attempts of the whole period: those that came and those that are expected
 * @example budgetOf({ valid: 600, good: 597 }, 1000, 0.995) // allowed 5, spent 3, left 2, leftShare 0.4
 */
export function budgetOf({ valid, good }: Tally, expectedValid: number, target: number): Budget {
  const allowed = (1 - target) * expectedValid;
  const spent = valid - good;
  const left = allowed - spent;
  return { allowed, spent, left, leftShare: allowed > 0 ? left / allowed : undefined };
}

/** Windows over which the pace is told. */
export const BURN_WINDOWS_MS = [5 * MINUTE_MS, 30 * MINUTE_MS, HOUR_MS, 6 * HOUR_MS, 72 * HOUR_MS] as const;

/**
 * How fast a budget is spent: 1 spends it in just the period; 14.4 spends 2 % of thirty days in an hour.
 *
 * @returns `undefined` without attempts, or where nothing may be bad
 */
export const burnRate = ({ valid, good }: Tally, target: number): number | undefined =>
  valid === 0 || target >= 1 ? undefined : (valid - good) / valid / (1 - target);

/**
 * Paces that alert, for a period of thirty days: share of the budget spent in the long window, while the short one, a
 * twelfth of it, says that it goes on (the multi-window, multi-burn-rate table of "The Site Reliability Workbook",
 * O'Reilly 2018, ch. 5; from memory): rate = share × 720 h / window.
 */
export const BURN_ALERTS = [
  { pace: 'fast', longMs: HOUR_MS, shortMs: 5 * MINUTE_MS, spentShare: 0.02 },
  { pace: 'medium', longMs: 6 * HOUR_MS, shortMs: 30 * MINUTE_MS, spentShare: 0.05 },
  { pace: 'slow', longMs: 72 * HOUR_MS, shortMs: 6 * HOUR_MS, spentShare: 0.1 },
] as const;
export type Pace = (typeof BURN_ALERTS)[number]['pace'];

const TABLE_PERIOD_MS = 720 * HOUR_MS;

/** Burn rate from which a pace alerts: 14.4, 6, 1. */
export const alertRate = ({ spentShare, longMs }: (typeof BURN_ALERTS)[number]): number =>
  (spentShare * TABLE_PERIOD_MS) / longMs;

/** Fewer attempts in the long window alert nobody: one bad one of three is no pace. */
const FEWEST_ATTEMPTS = 20;

/** The fastest pace that alerts; `undefined` when none does. @param tallyOf attempts of so long up to now */
export const alertingPace = (tallyOf: (lengthMs: number) => Tally, target: number): Pace | undefined =>
  BURN_ALERTS.find(
    (alert) =>
      tallyOf(alert.longMs).valid >= FEWEST_ATTEMPTS &&
      [alert.longMs, alert.shortMs].every((lengthMs) => (burnRate(tallyOf(lengthMs), target) ?? 0) >= alertRate(alert)),
  )?.pace;
