/** What a unit of each kind of harm weighs, in minutes. Settings with history; these are the defaults of the model. */
export interface HarmRates {
  /** per minute waited longer than usual */
  waiting: number;
  /** per failed or hung attempt that no later try made good */
  failed: number;
  /** per person who left a journey beyond the usual */
  left: number;
  /** per attempt that never came */
  missing: number;
  /** per unit of currency not earned */
  money: number;
  /** harm of people in key tiers counts this many times */
  keyMultiplier: number;
  /** tiers whose people are key customers */
  keyTiers: string[];
}

export const DEFAULT_RATES: HarmRates = {
  waiting: 1,
  failed: 5,
  left: 15,
  missing: 5,
  money: 0.5,
  keyMultiplier: 2,
  keyTiers: [],
};
