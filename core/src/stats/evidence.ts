/** Two-sided 95 % point of the standard normal distribution. */
export const Z95 = 1.959963984540054;

const xLogRatio = (x: number, mean: number) => (x <= 0 ? 0 : x * Math.log(x / mean));

/**
 * How many standard deviations a count lies above (positive) or below (negative) its Poisson mean:
 * the signed root of the deviance with a continuity correction of one half
 * (McCullagh & Nelder, Generalized Linear Models, 1989; from memory).
 *
 * @param count observed, 0 or more
 * @param mean expected, above 0
 * @param relativeSpread standard deviation of the mean itself, as a share of it
 * @param dispersion variance of the counts around their mean, as a multiple of it; 1 for independent arrivals, more
 *   when
 *   people come with several attempts at once. Over-dispersed variance: m·dispersion + (m·relativeSpread)²
 * @returns 0 when the count is within half of the mean
 */
export function poissonZ(count: number, mean: number, relativeSpread = 0, dispersion = 1): number {
  if (!(mean > 0)) throw new RangeError(`expected a mean above 0, got: ${mean}`);
  if (Math.abs(count - mean) <= 0.5) return 0;
  const sign = count > mean ? 1 : -1;
  const corrected = Math.max(0, count - sign * 0.5);
  const deviance = 2 * (xLogRatio(corrected, mean) - (corrected - mean));
  return (sign * Math.sqrt(Math.max(0, deviance))) / Math.sqrt(dispersion + mean * relativeSpread * relativeSpread);
}

/**
 * How many standard deviations `bad` of `n` lies above or below the usual share: signed root of the binomial
 * deviance with a continuity correction of one half.
 *
 * @param usualShare between 0 and 1, both excluded
 * @param shareSpread standard deviation of the usual share itself (over-dispersion between days)
 */
export function binomialZ(bad: number, n: number, usualShare: number, shareSpread = 0): number {
  if (!(usualShare > 0 && usualShare < 1)) throw new RangeError(`expected 0 < usual share < 1, got: ${usualShare}`);
  const mean = n * usualShare;
  if (n === 0 || Math.abs(bad - mean) <= 0.5) return 0;
  const sign = bad > mean ? 1 : -1;
  const corrected = Math.min(n, Math.max(0, bad - sign * 0.5));
  const deviance = 2 * (xLogRatio(corrected, mean) + xLogRatio(n - corrected, n - mean));
  const dispersion = 1 + ((n - 1) * shareSpread * shareSpread) / (usualShare * (1 - usualShare));
  return (sign * Math.sqrt(Math.max(0, deviance))) / Math.sqrt(dispersion);
}

export interface Interval {
  estimate: number;
  low: number;
  high: number;
}

/** Estimate ± 1.96 standard errors, never below `floor`. */
export function normalInterval(estimate: number, standardError: number, floor = 0): Interval {
  const clamped = Math.max(floor, estimate);
  return {
    estimate: clamped,
    low: Math.max(floor, estimate - Z95 * standardError),
    high: Math.max(floor, estimate + Z95 * standardError),
  };
}

/**
 * Interval of a sum whose parts err independently of each other: what each side is off adds up as squares.
 *
 * @param estimate the sum itself, where it is not that of the parts because they overlap
 */
export function sumInterval(
  parts: readonly Interval[],
  estimate = parts.reduce((all, one) => all + one.estimate, 0),
): Interval {
  return {
    estimate,
    low: estimate - Math.hypot(...parts.map((one) => one.estimate - one.low)),
    high: estimate + Math.hypot(...parts.map((one) => one.high - one.estimate)),
  };
}

/**
 * Wilson score interval of a share, 95 % (method 3 of Newcombe 1998).
 *
 * @returns `undefined` for n = 0: no share can be known
 * @example wilson(81, 263) // { estimate: 0.30798…, low: 0.2552885…, high: 0.3662096… }
 */
export function wilson(count: number, n: number): Interval | undefined {
  if (n === 0) return undefined;
  const share = count / n;
  const z2 = Z95 * Z95;
  const centre = share + z2 / (2 * n);
  const half = Z95 * Math.sqrt((share * (1 - share)) / n + z2 / (4 * n * n));
  const scale = 1 + z2 / n;
  return { estimate: share, low: Math.max(0, (centre - half) / scale), high: Math.min(1, (centre + half) / scale) };
}

/**
 * The stretch of consecutive scores with the largest sum (Kadane's scan). With log-likelihood ratios as scores
 * it is the maximum-likelihood estimate of when a change began and ended.
 *
 * @returns indices, end exclusive; `undefined` when no score is above 0
 */
export function bestStretch(scores: ArrayLike<number>): { start: number; end: number; sum: number } | undefined {
  let best: { start: number; end: number; sum: number } | undefined;
  let sum = 0;
  let start = 0;
  for (let i = 0; i < scores.length; i++) {
    if (sum <= 0) {
      sum = 0;
      start = i;
    }
    sum += scores[i] as number;
    if (sum > (best?.sum ?? 0)) best = { start, end: i + 1, sum };
  }
  return best;
}
