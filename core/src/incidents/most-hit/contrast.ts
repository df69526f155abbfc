import { benjaminiHochberg, twoSidedP, Z95 } from '../../stats';
import type { Dimension } from '../../telemetry';
import { pickNarrowest, type Place } from './narrowest';

/** How much more of something there is than usual, with one value and with all others. */
export interface Contrast {
  here: number;
  elsewhere: number;
  /** 95 % range of how much more it is here than elsewhere */
  low: number;
  high: number;
}

/** One thing that was measured: a row’s values, then what was measured, in the trouble or before it. */
export interface Measured {
  valueOf: (dimension: Dimension) => number;
  isBefore: boolean;
  x: number;
}

export interface ContrastRules {
  /** a value needs so many measured in the trouble, and so many before it to have a usual of its own */
  fewest: number;
  fewestBefore: number;
  /** stands out from so much more on than elsewhere: as a difference, and as a ratio */
  least: number;
  leastRatio: number;
}

/** A value of a dimension with its contrast; `excess`: what is more than it would be with the others’ mean. */
export interface Contrasted extends Place {
  contrast: Contrast;
  /** adjusted for all values tried */
  p: number;
}

export interface Contrasts {
  /** those that stand out, without what another explains */
  picked: Contrasted[];
  /** all that were tried */
  tried: Contrasted[];
}

const FALSE_DISCOVERY = 0.05;

/** Count, sum and sum of squares. */
class Moments {
  n = 0;
  #sum = 0;
  #squares = 0;

  add(x: number): void {
    this.n++;
    this.#sum += x;
    this.#squares += x * x;
  }

  without(other: Moments): Moments {
    const rest = new Moments();
    rest.n = this.n - other.n;
    rest.#sum = this.#sum - other.#sum;
    rest.#squares = this.#squares - other.#squares;
    return rest;
  }

  get mean(): number {
    return this.n > 0 ? this.#sum / this.n : 0;
  }

  /** of the mean; a little is always left unknown */
  get variance(): number {
    if (this.n < 2) return Infinity;
    return Math.max(0, this.#squares / this.n - this.mean ** 2) / (this.n - 1);
  }
}

interface Both {
  now: Moments;
  before: Moments;
}
const both = (): Both => ({ now: new Moments(), before: new Moments() });

/**
 * Whether those with a value got more of something, beyond their own usual, than all others beyond theirs: the
 * difference of two differences of means (Welch’s unequal variances), for each value of each dimension, with control of
 * false discoveries (Benjamini & Hochberg 1995). A value seen too rarely before has the usual of all.
 */
export function contrastValues(
  measured: readonly Measured[],
  dimensions: readonly Dimension[],
  rules: ContrastRules,
): Contrasts {
  const tried = contrastAll(measured, dimensions, rules);
  const tryWithout = (picked: readonly Place[]) =>
    contrastAll(
      measured.filter((one) => !picked.some(({ dimension, value }) => one.valueOf(dimension) === value)),
      dimensions,
      rules,
    );
  return { picked: pickNarrowest(tried, (one) => isOver(one, rules), tryWithout), tried };
}

const isOver = ({ contrast: { here, elsewhere, low }, p }: Contrasted, { least, leastRatio }: ContrastRules): boolean =>
  p <= FALSE_DISCOVERY && low > 0 && here - elsewhere >= least && (elsewhere <= 0 || here >= leastRatio * elsewhere);

function contrastAll(
  measured: readonly Measured[],
  dimensions: readonly Dimension[],
  { fewest, fewestBefore }: ContrastRules,
): Contrasted[] {
  const all = both();
  const byPlace = new Map<Dimension, Map<number, Both>>(dimensions.map((dimension) => [dimension, new Map()]));
  for (const { valueOf, isBefore, x } of measured) {
    const which = isBefore ? 'before' : 'now';
    all[which].add(x);
    for (const [dimension, values] of byPlace) {
      const value = valueOf(dimension);
      if (value === 0) continue;
      let own = values.get(value);
      if (!own) values.set(value, (own = both()));
      own[which].add(x);
    }
  }
  const added = ({ now, before }: Both) => {
    const usual = before.n >= fewestBefore ? before : all.before;
    const isKnown = usual.n >= fewestBefore;
    return {
      mean: now.mean - (isKnown ? usual.mean : 0),
      variance: now.variance + (isKnown ? usual.variance : 0),
    };
  };
  const contrasted = [...byPlace].flatMap(([dimension, values]) =>
    [...values]
      .filter(([, { now }]) => now.n >= fewest && all.now.n - now.n >= fewest)
      .map(([value, own]) => {
        const rest = { now: all.now.without(own.now), before: all.before.without(own.before) };
        const [here, elsewhere] = [added(own), added(rest)];
        const difference = here.mean - elsewhere.mean;
        const error = Math.sqrt(here.variance + elsewhere.variance);
        return {
          dimension,
          value,
          shareOfAll: own.now.n / all.now.n,
          excess: own.now.n * difference,
          contrast: {
            here: here.mean,
            elsewhere: elsewhere.mean,
            low: difference - Z95 * error,
            high: difference + Z95 * error,
          },
          p: error > 0 ? twoSidedP(difference / error) : 1,
        };
      }),
  );
  const adjusted = benjaminiHochberg(contrasted.map(({ p }) => p));
  return contrasted.map((one, i) => ({ ...one, p: adjusted[i] as number }));
}
