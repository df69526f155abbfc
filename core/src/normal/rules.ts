import { STRAINED_SPREADS } from './range';

export interface Rule {
  minutes: number;
  z: number;
  times: number;
}

/**
 * Trailing windows in minutes, and the evidence that each must show: the shortest in 3 of 5 minutes; longer ones at
 * once, when it is overwhelming. Thresholds were set on worlds whose truth is known (docs/truth.md).
 */
export const RULES: readonly Rule[] = [
  { minutes: 1, z: STRAINED_SPREADS, times: 3 },
  { minutes: 1, z: 5.5, times: 1 },
  { minutes: 2, z: 5.1, times: 1 },
  { minutes: 3, z: 5, times: 1 },
  { minutes: 5, z: 5, times: 1 },
  { minutes: 10, z: 5, times: 1 },
  { minutes: 20, z: 5.1, times: 1 },
  { minutes: 60, z: 5.5, times: 1 },
];

export const OF_LAST = 5;

/** Volume varies for more reasons than shares do: it must show that much more. */
export const MISSING_MORE = 0.5;

/** Of many slices one stands out by chance sooner than a flow does: it must show that much more. */
export const SLICE_MORE = 0.25;

/** Longer stretches are told by the flow itself: by then a slice is no earlier. */
export const SLICE_MINUTES = 20;

/** An outage lasts for minutes and not for hours: where few attempts come it shows best over all of it. */
export const LONGEST_OUTAGE: Rule = { minutes: 40, z: 5, times: 1 };

export const MISSING_RULES = [...RULES, LONGEST_OUTAGE].map((rule) => ({ ...rule, z: rule.z + MISSING_MORE }));

export const SLICE_RULES = RULES.filter(({ minutes }) => minutes <= SLICE_MINUTES).map((rule) => ({
  ...rule,
  z: rule.z + SLICE_MORE,
}));

/**
 * How busy a day is as a whole is uncertain, most on days of which few came before; the hour before tells it. So volume
 * is also measured against that hour, in blocks of five minutes that expect enough, ending five minutes before the
 * stretch.
 */
export const LEVEL_MINUTES = 90;

export const LEVEL_BLOCK = 5;

export const LEVEL_GAP = 5;

export const LEVEL_FEWEST_BLOCKS = 9;

export const LEVEL_FEWEST_EXPECTED = 3;

/**
 * Volume drifts by so much against its usual course within an hour or two: a share of it, and more where the course
 * itself is uncertain.
 */
export const LEVEL_DRIFT = 0.06;

export const LEVEL_DRIFT_OF_SPREAD = 0.5;

/** Only a loss of more than half is told by the hour before: the course of a day that is known badly bends by less. */
export const LEVEL_LOSS = 0.5;

/** A deviation goes on while these windows still show something: its level goes back only after the calm time. */
export const HOLDS = [
  { minutes: 5, z: STRAINED_SPREADS },
  { minutes: 20, z: STRAINED_SPREADS },
] as const;

/** Minutes that must stay usual before a deviation is over. */
export const CALM_MINUTES = 10;

/** Over its whole stretch a deviation must stand out so many spreads; what does not was a moment's chance. */
export const LEAST_OVER_STRETCH = 3.5;

/** How far before the rule fired an onset is looked for, minutes. */
export const ONSET_LOOK_BACK = 70;

/**
 * A return to the usual must explain the minutes so much better than one level does: log-likelihood, 8 is four spreads.
 */
export const RETURN_GAIN = 8;

/**
 * How often something fails or is late differs from day to day by at least so much of itself, whatever few days let
 * see: an hour of a busy flow that fails a half more often than usual is a day like that.
 */
export const LEAST_SPREAD_OF_SHARE = 0.25;

/** Minimum traffic: attempts in the window, and attempts beyond the usual. */
export const FEWEST_ATTEMPTS = 4;

export const FEWEST_EXCESS = 3;

/** Volume must fall at least this far below its expectation. */
export const LARGEST_VOLUME_SHARE = 0.7;

export const BROKEN_SHARE = 0.5;
