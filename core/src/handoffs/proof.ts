import { excessOf, type Signal, type Tally } from '../normal';

/** One flow and signal of an incident, before a fix and after it. */
export interface WatchedPart {
  signal: Signal;
  /** harm of one attempt that goes wrong beyond the usual, harm points */
  weight: number;
  /** while it went on, up to the fix */
  before: Tally;
  /** since the fix, in order of time, in stretches of any length */
  after: readonly Tally[];
}

export const VERDICTS = ['watching', 'proven', 'inPart', 'notProven'] as const;
export type Verdict = (typeof VERDICTS)[number];

/** How much of the harm goes on, as a share of what went on before the fix; NaN while nothing came to tell. */
export interface Remaining {
  share: number;
  low: number;
  high: number;
}

export interface Proof {
  verdict: Verdict;
  remaining: Remaining;
  /** the same after each stretch, as it was told then, up to where it was proven */
  course: Remaining[];
  /** the same of each part by itself, in the order given */
  parts: Remaining[];
  /** so many times the traffic that came since the fix would tell, if all were as usual; 1 or less: enough came */
  trafficNeeded: number;
}

/** Both errors together, however often it is looked: told as fixed what is not, or the other way round. */
const ALPHA = 0.02;
/** Harm below a tenth is back to normal. */
export const BACK_TO_NORMAL = 0.1;
/** Above this share it goes on as before. */
const AS_BEFORE = 0.9;
/** With so much left, and no less, nothing was fixed; a part of an incident with so much left still goes on. */
const STILL_THERE = 0.5;
/** A level may lie so many of its usual spreads beside its centre, on a day like any other. */
const USUAL_SPREADS = 2;
/** u(v)² / v at the variance for which the bound is made tightest. */
const TIGHTEST = 11.2;
/** Rho for each unit of that variance. */
const RHO_SHARE = 0.1;

/**
 * Bound on a sum of centred terms that holds at all times at once: Robbins' normal mixture (Ann. Math. Statist. 41,
 * 1970, 1397–1409; eq. 14 of Howard, Ramdas, McAuliffe, Sekhon, Ann. Statist. 49, 2021, 1055–1080; both from memory).
 *
 * @param variance of the sum so far
 * @param rho around this variance, times ten, it is tightest; > 0, chosen before the first look
 * @param alpha chance that the sum ever leaves ± the bound
 * @throws RangeError
 */
export function mixtureBound(variance: number, rho: number, alpha: number): number {
  if (!(variance >= 0) || !(rho > 0) || !(alpha > 0 && alpha < 1))
    throw new RangeError(`expected variance >= 0, rho > 0, 0 < alpha < 1, got: ${variance}, ${rho}, ${alpha}`);
  return Math.sqrt((variance + rho) * Math.log((variance + rho) / (rho * alpha * alpha)));
}

/**
 * Tests whether a fix took the harm away, from the incident's own figures against what is usual at each time: the share
 * of its harm that remains, with a range that stays true however often it is asked. *Proven*: below a tenth. *In part*:
 * less than before, and not gone. *Not proven*: most of it is still there.
 *
 * @param parts whose `before` shows no harm are left out: nothing can be told by them
 * @param state `watchedMs` since the fix took effect; `calmMs`: nothing is told sooner; `goesOn`: it is in trouble now
 */
export function judgeFix(
  parts: readonly WatchedPart[],
  { watchedMs, calmMs, goesOn }: { watchedMs: number; calmMs: number; goesOn: boolean },
): Proof {
  const telling = parts.filter(({ before, signal }) => before.n > 0 && excessOf(signal, before) > 0);
  const steps = Math.max(0, ...telling.map(({ after }) => after.length));
  const course: Remaining[] = [];
  let each = parts.map(() => UNKNOWN);
  let verdict: Verdict = 'watching';
  // What is proven stays proven: whoever looks later tells what was told first.
  for (let step = 1; step <= steps && verdict !== 'proven'; step++) {
    const remaining = remainingOf(telling, step);
    course.push(remaining);
    each = parts.map((part) => (telling.includes(part) ? remainingOf([part], step) : UNKNOWN));
    const goesOnThere = each.some(({ low }) => low > STILL_THERE);
    verdict = (watchedMs * step) / steps < calmMs ? 'watching' : verdictOf(remaining, { goesOn, goesOnThere });
  }
  return { verdict, remaining: course.at(-1) ?? UNKNOWN, course, parts: each, trafficNeeded: trafficNeeded(telling) };
}

const UNKNOWN: Remaining = { share: NaN, low: NaN, high: NaN };

function verdictOf(
  { low, high }: Remaining,
  { goesOn, goesOnThere }: { goesOn: boolean; goesOnThere: boolean },
): Verdict {
  if (high < BACK_TO_NORMAL && !goesOnThere) return goesOn ? 'watching' : 'proven';
  if ((low > BACK_TO_NORMAL || goesOnThere) && high < AS_BEFORE) return 'inPart';
  return low > STILL_THERE ? 'notProven' : 'watching';
}

/** True for a part of which so much is left that it still goes on. */
export const isStillThere = ({ low }: Remaining): boolean => low > BACK_TO_NORMAL;

interface Sums {
  /** attempts gone wrong beyond the usual, weighted */
  excess: number;
  /** as many as there would be if nothing had been fixed */
  asBefore: number;
  variance: number;
  /** by how much a usual day may differ */
  tolerance: number;
}

function remainingOf(parts: readonly WatchedPart[], steps: number): Remaining {
  const { excess, asBefore, variance, tolerance } = sumOf(parts, steps);
  if (!(asBefore > 0)) return UNKNOWN;
  const bound = mixtureBound(variance, rhoOf(parts), ALPHA);
  return {
    share: excess / asBefore,
    low: (excess - bound - tolerance) / asBefore,
    high: (excess + bound) / asBefore,
  };
}

function sumOf(parts: readonly WatchedPart[], steps: number): Sums {
  const sums: Sums = { excess: 0, asBefore: 0, variance: 0, tolerance: 0 };
  for (const { signal, weight, before, after } of parts) {
    const all = addTallies(after.slice(0, steps));
    sums.excess += weight * excessOf(signal, all);
    sums.asBefore += weight * all.n * rateOf(signal, before);
    sums.variance += weight ** 2 * varianceOf(signal, all);
    sums.tolerance += weight * USUAL_SPREADS * all.spread * all.n;
  }
  return sums;
}

/** Attempts gone wrong beyond the usual, of each one (for what is missing: of each one expected). */
const rateOf = (signal: Signal, tally: Tally): number => excessOf(signal, tally) / tally.n;

function varianceOf(signal: Signal, { n, bad, dispersion }: Tally): number {
  if (signal === 'missing') return (bad + 0.5) * dispersion;
  const share = (bad + 0.5) / (n + 1);
  return n * share * (1 - share);
}

/** Variance that a usual day brings, an attempt. */
const usualVariance = (signal: Signal, { n, usual, dispersion }: Tally): number => {
  const share = (usual + 0.5) / (n + 1);
  return signal === 'missing' ? dispersion : share * (1 - share);
};

/** The bound is tightest where a fix that took all away is just told: known from before the fix alone. */
function rhoOf(parts: readonly WatchedPart[]): number {
  let [variance, harm] = [0, 0];
  for (const { signal, weight, before } of parts) {
    variance += weight ** 2 * before.n * usualVariance(signal, before);
    harm += weight * excessOf(signal, before);
  }
  return RHO_SHARE * TIGHTEST * (variance / (BACK_TO_NORMAL * harm)) ** 2;
}

function trafficNeeded(parts: readonly WatchedPart[]): number {
  let [variance, asBefore] = [0, 0];
  for (const { signal, weight, before, after } of parts) {
    const all = addTallies(after);
    variance += weight ** 2 * all.n * usualVariance(signal, before);
    asBefore += weight * all.n * rateOf(signal, before);
  }
  return (TIGHTEST * variance) / (BACK_TO_NORMAL * asBefore) ** 2;
}

function addTallies(tallies: readonly Tally[]): Tally {
  const sum: Tally = { n: 0, bad: 0, usual: 0, spread: 0, dispersion: 1, known: true };
  for (const one of tallies) {
    sum.n += one.n;
    sum.bad += one.bad;
    sum.usual += one.usual;
    sum.spread = Math.max(sum.spread, one.spread);
    sum.dispersion = Math.max(sum.dispersion, one.dispersion);
  }
  return sum;
}
