import { studentPoint, sum } from '../stats';

/** What a flow with a value brought in a stretch of time. */
export interface Revenue {
  /** completed attempts */
  orders: number;
  /** sum of their values, units of currency */
  value: number;
  /** attempts of the step that the way to it begins with; NaN when no way is known */
  starts: number;
}

export const MONEY_FIGURES = ['orders', 'value', 'size', 'conversion'] as const;
export type MoneyFigure = (typeof MONEY_FIGURES)[number];

export const MONEY_VERDICTS = ['usual', 'below', 'above', 'notKnown'] as const;
export type MoneyVerdict = (typeof MONEY_VERDICTS)[number];

export interface Expected {
  /** NaN when it cannot be told, as the size of no order */
  value: number;
  /** what like days brought: centre and the range in which a new day lies with 95 %; NaN when too few are known */
  expected: number;
  low: number;
  high: number;
  verdict: MoneyVerdict;
}

const FEWEST_DAYS = 3;
/** The floor that chance sets is eased by so much: with few days the factor before it is wide already. */
const FLOOR_EASED = 1.5;

/**
 * Spread by chance of one order, relative: of counts as of Poisson's; a mean of values varies less, by about half (an
 * assumption, no source).
 */
const CHANCE: Readonly<Record<MoneyFigure, number>> = { orders: 1, value: 1, size: 0.5, conversion: 1 };

const FIGURES: Readonly<Record<MoneyFigure, (revenue: Revenue) => number>> = {
  orders: ({ orders }) => orders,
  value: ({ value }) => value,
  size: ({ orders, value }) => (orders > 0 ? value / orders : NaN),
  conversion: ({ orders, starts }) => (starts > 0 ? orders / starts : NaN),
};

/**
 * Orders, value, size of an order and share of those who began, each against the same hours of like days: the range in
 * which a new observation lies with 95 % (prediction interval of a normal sample, mean ± t·s·√(1 + 1/n), on the log
 * scale, since sums of money vary by shares). A few days may look alike by chance: the spread is never much below what
 * chance brings to so many orders.
 *
 * @param earlier the same stretch on earlier days of the same kind, without trouble; at least three
 */
export function againstLikeDays(now: Revenue, earlier: readonly Revenue[]): Record<MoneyFigure, Expected> {
  const figures = Object.entries(FIGURES).map(([name, of]): [string, Expected] => {
    const known = earlier.map(of).filter((value) => value > 0);
    return [name, predicted(of(now), known, CHANCE[name as MoneyFigure] / Math.sqrt(Math.max(1, now.orders)))];
  });
  return Object.fromEntries(figures) as Record<MoneyFigure, Expected>;
}

/** @param byChance relative spread that chance alone brings */
function predicted(value: number, earlier: readonly number[], byChance: number): Expected {
  if (earlier.length < FEWEST_DAYS || Number.isNaN(value))
    return { value, expected: NaN, low: NaN, high: NaN, verdict: 'notKnown' };
  const logs = earlier.map(Math.log);
  const n = logs.length;
  const mean = sum(logs) / n;
  const between = Math.sqrt(sum(logs.map((log) => (log - mean) ** 2)) / (n - 1));
  const expected = Math.exp(mean);
  const half = pointOf(n - 1) * Math.max(between, byChance / FLOOR_EASED) * Math.sqrt(1 + 1 / n);
  const [low, high] = [expected * Math.exp(-half), expected * Math.exp(half)];
  return { value, expected, low, high, verdict: value < low ? 'below' : value > high ? 'above' : 'usual' };
}

/** Points are asked for again and again, for a few numbers of days. */
const points = new Map<number, number>();

function pointOf(df: number): number {
  const known = points.get(df);
  if (known !== undefined) return known;
  const point = studentPoint(df, 0.95);
  points.set(df, point);
  return point;
}

/** What is missing to what was expected, and how sure that is; nothing when it is as usual. Units of the figure. */
export function shortfall({ value, expected, low, high, verdict }: Expected): {
  estimate: number;
  low: number;
  high: number;
} {
  if (verdict !== 'below') return { estimate: 0, low: 0, high: 0 };
  return { estimate: expected - value, low: Math.max(0, low - value), high: high - value };
}
