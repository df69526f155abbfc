import { betaI, binomialCdf, binomialPmf, invertIncreasing } from './distributions';

export interface RateRatio {
  /** rate of the first over rate of the second; Infinity when nothing was counted in the second */
  ratio: number;
  low: number;
  high: number;
  /** two-sided */
  p: number;
}

/**
 * Ratio of two Poisson rates with the exact conditional test: given the sum, the first count is binomial
 * (as R `poisson.test`; two-sided p by the method of small probabilities, interval after Clopper & Pearson 1934).
 *
 * @param a, b counts
 * @param exposureA, exposureB how long (or of how many) they were counted, same unit
 * @returns `undefined` when nothing was counted at all
 * @example rateRatio(11, 800, 21, 3011) // ratio 1.9715, p 0.0797, 0.858 to 4.277
 */
export function rateRatio(a: number, exposureA: number, b: number, exposureB: number): RateRatio | undefined {
  if (!(exposureA > 0 && exposureB > 0))
    throw new RangeError(`expected exposures above 0, got: ${exposureA}, ${exposureB}`);
  const n = a + b;
  if (n === 0) return undefined;
  const share = exposureA / (exposureA + exposureB);
  const odds = (p: number) => (p >= 1 ? Infinity : ((p / (1 - p)) * exposureB) / exposureA);
  // P(X >= a) grows with p, and so does P(X > a).
  const low = a === 0 ? 0 : invertIncreasing((p) => 1 - binomialCdf(a - 1, n, p), 0.025, 0, 1);
  const high = a === n ? 1 : invertIncreasing((p) => 1 - binomialCdf(a, n, p), 0.975, 0, 1);
  return {
    ratio: b === 0 ? Infinity : a / exposureA / (b / exposureB),
    low: odds(low),
    high: odds(high),
    p: smallProbabilities(a, n, share),
  };
}

/** Sum of the probabilities of all outcomes no likelier than the one seen. */
function smallProbabilities(a: number, n: number, share: number): number {
  const seen = binomialPmf(a, n, share) * (1 + 1e-7);
  const mean = n * share;
  if (a === mean) return 1;
  const below = a < mean;
  const step = below ? 1 : -1;
  // The pmf falls on both sides of its mode: the far tail begins at the first outcome as unlikely as the one seen.
  let other = below ? n + 1 : -1;
  for (let k = Math.round(mean); k >= 0 && k <= n; k += step)
    if ((below ? k > mean : k < mean) && binomialPmf(k, n, share) <= seen) {
      other = k;
      break;
    }
  const lower = below ? a : other;
  const upper = below ? other : a;
  return Math.min(1, binomialCdf(lower, n, share) + atLeast(upper, n, share));
}

/** P(X >= k) of a binomial count, exact also where it is tiny. */
const atLeast = (k: number, n: number, p: number): number => (k > n ? 0 : k <= 0 ? 1 : betaI(p, k, n - k + 1));
