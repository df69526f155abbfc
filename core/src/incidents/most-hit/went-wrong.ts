import type { FlowNormal } from '../../normal';
import { benjaminiHochberg, twoSidedP, Z95 } from '../../stats';
import { DIMENSIONS, eachRow, type AttemptColumns, type Dimension } from '../../telemetry';
import { pickNarrowest, type Place } from './narrowest';
import type { Window } from '../../time';
import { outcomeOfRow } from '../rows/row-outcome';

/** A value that holds more (or less) of the attempts gone wrong than of all attempts. */
export interface Segment {
  dimension: Dimension;
  /** dictionary number of the value */
  value: number;
  all: number;
  /** attempts with this value that went wrong */
  bad: number;
  shareOfBad: number;
  shareOfAll: number;
  /** risk inside the value against the rest, with its 95 % range; Infinity when nothing went wrong elsewhere */
  relativeRisk: number;
  low: number;
  high: number;
  /** attempts gone wrong beyond what the rest's risk would have brought */
  excess: number;
  people: number;
  /** adjusted for all the values tried */
  p: number;
}

export interface WentWrong {
  /** over-represented ones that explain more alone than within another, worst first */
  segments: Segment[];
  /** spared values: significantly less hurt */
  spared: Segment[];
  /** dimensions that make no difference, or have one value only */
  ruledOut: { dimension: Dimension; why: 'oneValue' | 'noDifference'; value?: number }[];
  /** every value that was tried, whether it stands out or not */
  tried: Segment[];
  /** attempts gone wrong, and all */
  bad: number;
  all: number;
}

export interface WrongQuestion {
  rows: AttemptColumns;
  flows: ReadonlySet<number>;
  window: Window;
  normalAt: (flow: number, timeMs: number) => FlowNormal;
  /** look at failures and hung attempts alone, not at late ones */
  onlyFailed: boolean;
}

const FALSE_DISCOVERY = 0.05;
const FEWEST_ALL = 10;
const FEWEST_BAD = 5;
const LEAST_RISK = 1.3;

interface Count {
  all: number;
  bad: number;
  people: Set<number>;
}

/**
 * Who is hit more than others: every value of every dimension tried, against the rest, with control of false
 * discoveries. Of nested values (a site and its region) the one that explains more alone is kept: once a value is
 * picked, others must still stand out among the attempts without it.
 */
export function whereItGoesWrong(question: WrongQuestion): WentWrong {
  const judged = judgeRows(question);
  const first = tryAll(question.rows, judged, []);
  const picked = pickNarrowest(first.segments, isOver, (without) => tryAll(question.rows, judged, without).segments);
  const over = new Set(picked.map((one) => one.dimension));
  return {
    segments: picked.sort((a, b) => b.excess - a.excess),
    spared: first.segments.filter(
      (one) => one.p <= FALSE_DISCOVERY && one.high < 1 / LEAST_RISK && !over.has(one.dimension),
    ),
    ruledOut: DIMENSIONS.filter((dimension) => !over.has(dimension)).flatMap((dimension) => ruleOut(dimension, first)),
    tried: first.segments,
    bad: first.bad,
    all: first.all,
  };
}

const isOver = (one: Segment) =>
  one.p <= FALSE_DISCOVERY && one.bad >= FEWEST_BAD && one.relativeRisk >= LEAST_RISK && one.low > 1;

interface Tried {
  segments: Segment[];
  /** distinct values by dimension, unknown ones left out */
  values: Map<Dimension, Map<number, Count>>;
  bad: number;
  all: number;
}

function ruleOut(dimension: Dimension, { segments, values, bad }: Tried): WentWrong['ruledOut'] {
  const known = [...(values.get(dimension) as Map<number, Count>)].filter(([value]) => value !== 0);
  if (known.length === 0 || bad < FEWEST_BAD) return [];
  if (known.length === 1) return [{ dimension, why: 'oneValue', value: (known[0] as [number, Count])[0] }];
  return segments.some((one) => one.dimension === dimension && one.p <= FALSE_DISCOVERY)
    ? []
    : [{ dimension, why: 'noDifference' }];
}

/** Rows in question, and whether each went wrong: told once, used for every value. */
function judgeRows({ rows, flows, window, normalAt, onlyFailed }: WrongQuestion): { row: number; isBad: boolean }[] {
  const judged: { row: number; isBad: boolean }[] = [];
  eachRow(rows, { flows, window }, (row) => {
    const outcome = outcomeOfRow(rows, row, normalAt(rows.flow[row] as number, rows.startMs[row] as number));
    judged.push({ row, isBad: onlyFailed ? outcome === 'failed' || outcome === 'hung' : outcome !== 'onTime' });
  });
  return judged;
}

/** Counts every value among the rows that none of the picked values holds. */
function tryAll(
  rows: AttemptColumns,
  judged: readonly { row: number; isBad: boolean }[],
  picked: readonly Place[],
): Tried {
  const values = new Map<Dimension, Map<number, Count>>(DIMENSIONS.map((dimension) => [dimension, new Map()]));
  let [bad, all] = [0, 0];
  for (const { row, isBad } of judged) {
    if (picked.some(({ dimension, value }) => rows[dimension][row] === value)) continue;
    all++;
    if (isBad) bad++;
    const person = rows.person[row] as number;
    for (const dimension of DIMENSIONS) {
      const counts = values.get(dimension) as Map<number, Count>;
      const value = rows[dimension][row] as number;
      let count = counts.get(value);
      if (!count) counts.set(value, (count = { all: 0, bad: 0, people: new Set() }));
      count.all++;
      if (!isBad) continue;
      count.bad++;
      if (person !== 0) count.people.add(person);
    }
  }
  const segments = DIMENSIONS.flatMap((dimension) =>
    [...(values.get(dimension) as Map<number, Count>)]
      .filter(([value, count]) => value !== 0 && count.all >= FEWEST_ALL && count.all < all)
      .map(([value, count]) => compare(dimension, value, { count, bad, all })),
  );
  const adjusted = benjaminiHochberg(segments.map((one) => one.p));
  return { segments: segments.map((one, i) => ({ ...one, p: adjusted[i] as number })), values, bad, all };
}

/** Relative risk with the log interval of Katz (1978), half a case added where a side has none; p of the score test. */
function compare(
  dimension: Dimension,
  value: number,
  { count, bad, all }: { count: Count; bad: number; all: number },
): Segment {
  const rest = { all: all - count.all, bad: bad - count.bad };
  const inside = count.bad / count.all;
  const outside = rest.bad / rest.all;
  const pooled = bad / all;
  const score =
    pooled > 0 && pooled < 1
      ? (inside - outside) / Math.sqrt(pooled * (1 - pooled) * (1 / count.all + 1 / rest.all))
      : 0;
  const [a, b] = [count.bad + 0.5, rest.bad + 0.5];
  const logRisk = Math.log(a / (count.all + 0.5) / (b / (rest.all + 0.5)));
  const se = Math.sqrt(Math.max(0, 1 / a - 1 / (count.all + 0.5) + 1 / b - 1 / (rest.all + 0.5)));
  return {
    dimension,
    value,
    all: count.all,
    bad: count.bad,
    shareOfBad: bad > 0 ? count.bad / bad : 0,
    shareOfAll: count.all / all,
    relativeRisk: outside > 0 ? inside / outside : inside > 0 ? Infinity : 1,
    low: Math.exp(logRisk - Z95 * se),
    high: Math.exp(logRisk + Z95 * se),
    excess: count.bad - count.all * outside,
    people: count.people.size,
    p: twoSidedP(score),
  };
}
