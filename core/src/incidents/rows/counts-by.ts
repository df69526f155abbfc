import type { Deviation, FlowNormal } from '../../normal';
import { binomialZ } from '../../stats';
import { eachRow, type AttemptColumns, type Dimension } from '../../telemetry';
import type { Window } from '../../time';
import { outcomeOfRow } from './row-outcome';

export type NormalAt = (flow: number, timeMs: number) => FlowNormal;

/** Attempts of a deviation's flow, and those of them that went wrong. */
export interface Counts {
  n: number;
  bad: number;
}
/** Of all, and of each value of a dimension. */
export interface CountsByValue {
  all: Counts;
  of: ReadonlyMap<number, Counts>;
}

/** What went wrong in a stretch of a deviation, as its signal tells it, by each of the dimensions: one walk for all. */
export function countsBy(
  rows: AttemptColumns,
  part: Deviation,
  { dimensions, window, normalAt }: { dimensions: readonly Dimension[]; window: Window; normalAt: NormalAt },
): CountsByValue[] {
  const all = { n: 0, bad: 0 };
  const by = dimensions.map((dimension) => ({ column: rows[dimension], of: new Map<number, Counts>() }));
  eachRow(rows, { flows: part.flow, window }, (i) => {
    const outcome = outcomeOfRow(rows, i, normalAt(part.flow, rows.startMs[i] as number));
    const isBad = part.signal === 'failing' ? outcome === 'failed' : outcome === 'late' || outcome === 'hung';
    add(all, isBad);
    for (const { column, of } of by) {
      const value = column[i] as number;
      const own = of.get(value) ?? { n: 0, bad: 0 };
      of.set(value, own);
      add(own, isBad);
    }
  });
  return by.map(({ of }) => ({ all, of }));
}

function add(counts: Counts, isBad: boolean): void {
  counts.n++;
  if (isBad) counts.bad++;
}

const MOSTLY = 0.5;

/** The share of what went wrong that was met by a value: undefined where it is not most of it, or could be chance. */
export function shareOf(value: number, { all, of }: CountsByValue, leastZ: number): number | undefined {
  const inside = of.get(value);
  if (!inside || inside.n === all.n || all.bad === 0) return undefined;
  const share = inside.bad / all.bad;
  return binomialZ(inside.bad, all.bad, inside.n / all.n) >= leastZ && share >= MOSTLY ? share : undefined;
}
