import type { PlannedTrouble } from './plan';

/** What a planted trouble really did, told by the world that made it. */
export interface TroubleTruth {
  trouble: PlannedTrouble;
  /** who met a late, hung or failed attempt, or could not come, because of it */
  people: Set<number>;
  /** waited beyond the usual, minutes */
  minutes: number;
  /** attempts failed or hung that no second try made good */
  failed: number;
  /** people who went no further because of it */
  left: number;
  /** attempts that never came, in an outage */
  missing: number;
  /** value not earned, units of currency */
  money: number;
  /** harm of people in key tiers, minutes at the default rates */
  keyHarm: number;
}

/** Harm in minutes at the default rates. */
export const trueHarm = (truth: TroubleTruth): number =>
  truth.minutes + 5 * truth.failed + 15 * truth.left + 5 * truth.missing + 0.5 * truth.money + truth.keyHarm;
