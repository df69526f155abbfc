/**
 * Logarithm of the gamma function: Lanczos' approximation, g = 7, nine terms (relative error below 1e-13; from memory).
 */
export function logGamma(x: number): number {
  const C = [
    0.99999999999980993, 676.5203681218851, -1259.1392167224028, 771.32342877765313, -176.61502916214059,
    12.507343278686905, -0.13857109526572012, 9.9843695780195716e-6, 1.5056327351493116e-7,
  ];
  if (x < 0.5) return Math.log(Math.PI / Math.sin(Math.PI * x)) - logGamma(1 - x);
  let sum = C[0] as number;
  for (let i = 1; i < C.length; i++) sum += (C[i] as number) / (x - 1 + i);
  const t = x + 6.5;
  return 0.5 * Math.log(2 * Math.PI) + (x - 0.5) * Math.log(t) - t + Math.log(sum);
}

const EPSILON = 1e-15;
const TINY = 1e-300;

/** Upper regularised incomplete gamma function Q(a, x): series below a + 1, continued fraction (Lentz) above. */
export function gammaQ(a: number, x: number): number {
  if (!(a > 0) || !(x >= 0)) throw new RangeError(`expected a > 0 and x >= 0, got: ${a}, ${x}`);
  if (x === 0) return 1;
  if (x === Infinity) return 0;
  const front = Math.exp(a * Math.log(x) - x - logGamma(a));
  if (x < a + 1) {
    let term = 1 / a;
    let sum = term;
    for (let n = 1; n < 1000 && Math.abs(term) > Math.abs(sum) * EPSILON; n++) sum += term *= x / (a + n);
    return 1 - front * sum;
  }
  let b = x + 1 - a;
  let c = 1 / TINY;
  let d = 1 / b;
  let h = d;
  for (let n = 1; n < 1000; n++) {
    const an = -n * (n - a);
    b += 2;
    d = 1 / notZero(an * d + b);
    c = notZero(b + an / c);
    h *= d * c;
    if (Math.abs(d * c - 1) < EPSILON) break;
  }
  return front * h;
}

const notZero = (x: number) => (Math.abs(x) < TINY ? TINY : x);

/** Regularised incomplete beta function I_x(a, b), by its continued fraction (Lentz). */
export function betaI(x: number, a: number, b: number): number {
  if (!(a > 0 && b > 0) || !(x >= 0 && x <= 1))
    throw new RangeError(`expected a > 0, b > 0, 0 <= x <= 1, got: ${a}, ${b}, ${x}`);
  if (x === 0 || x === 1) return x;
  const front = Math.exp(logGamma(a + b) - logGamma(a) - logGamma(b) + a * Math.log(x) + b * Math.log1p(-x));
  return x < (a + 1) / (a + b + 2) ? (front * betaFraction(x, a, b)) / a : 1 - (front * betaFraction(1 - x, b, a)) / b;
}

function betaFraction(x: number, a: number, b: number): number {
  let c = 1;
  let d = 1 / notZero(1 - ((a + b) * x) / (a + 1));
  let h = d;
  for (let m = 1; m < 1000; m++) {
    const even = (m * (b - m) * x) / ((a + 2 * m - 1) * (a + 2 * m));
    d = 1 / notZero(1 + even * d);
    c = notZero(1 + even / c);
    h *= d * c;
    const odd = (-(a + m) * (a + b + m) * x) / ((a + 2 * m) * (a + 2 * m + 1));
    d = 1 / notZero(1 + odd * d);
    c = notZero(1 + odd / c);
    h *= d * c;
    if (Math.abs(d * c - 1) < EPSILON) break;
  }
  return h;
}

/** P(Z > z) of a standard normal variable. */
export const normalTail = (z: number): number =>
  z >= 0 ? gammaQ(0.5, (z * z) / 2) / 2 : 1 - gammaQ(0.5, (z * z) / 2) / 2;

/** P(|Z| > |z|): the two-sided p-value of a number of spreads. */
export const twoSidedP = (z: number): number => Math.min(1, 2 * normalTail(Math.abs(z)));

/** P(X > x) of a χ² variable with `df` degrees of freedom. */
export const chiSquareTail = (x: number, df: number): number => gammaQ(df / 2, x / 2);

/** P(X <= k) of a binomial count. */
export const binomialCdf = (k: number, n: number, p: number): number =>
  k < 0 ? 0 : k >= n ? 1 : betaI(1 - p, n - k, k + 1);

const logChoose = (n: number, k: number) => logGamma(n + 1) - logGamma(k + 1) - logGamma(n - k + 1);
export const binomialPmf = (k: number, n: number, p: number): number =>
  Math.exp(logChoose(n, k) + k * Math.log(p) + (n - k) * Math.log1p(-p));

/** The x in [low, high] at which an increasing function reaches `target`, by halving. */
export function invertIncreasing(f: (x: number) => number, target: number, low: number, high: number): number {
  let [a, b] = [low, high];
  for (let i = 0; i < 200 && b - a > 1e-15 * Math.max(1, Math.abs(a)); i++) {
    const middle = (a + b) / 2;
    if (f(middle) < target) a = middle;
    else b = middle;
  }
  return (a + b) / 2;
}
