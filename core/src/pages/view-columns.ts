import { PARTS } from './navigation-parts';
import { VITALS, type Vital } from './vitals';

/** Views as columns, one entry a view, for figures of many. */
export interface ViewColumns {
  n: number;
  /** milliseconds since the epoch */
  atMs: Float64Array;
  /** number of a name; 0 when not told */
  person: Int32Array;
  /** share of all views that was sent, above 0 to 1 */
  share: Float64Array;
  /** a column for each of `PARTS`, milliseconds; NaN where there was no load */
  parts: Float64Array[];
  /** NaN where it was not told */
  vitals: Record<Vital, Float64Array>;
  interactions: Int32Array;
  /** script errors */
  errors: Int32Array;
  /** resources that failed or did not come */
  missing: Int32Array;
}

export const emptyViews = (capacity: number): ViewColumns => ({
  n: 0,
  atMs: new Float64Array(capacity),
  person: new Int32Array(capacity),
  share: new Float64Array(capacity).fill(1),
  parts: PARTS.map(() => new Float64Array(capacity).fill(NaN)),
  vitals: Object.fromEntries(VITALS.map((vital) => [vital, new Float64Array(capacity).fill(NaN)])) as Record<
    Vital,
    Float64Array
  >,
  interactions: new Int32Array(capacity),
  errors: new Int32Array(capacity),
  missing: new Int32Array(capacity),
});

/** Rows by a number that each has, e.g. its page: for each number its rows, in their order. */
export function rowsBy(numbers: Int32Array, rows: Uint32Array): Map<number, Uint32Array> {
  const counts = new Map<number, number>();
  for (const row of rows) counts.set(numbers[row] as number, (counts.get(numbers[row] as number) ?? 0) + 1);
  const found = new Map<number, Uint32Array>();
  for (const [number, count] of counts) found.set(number, new Uint32Array(count));
  const next = new Map<number, number>();
  for (const row of rows) {
    const number = numbers[row] as number;
    const at = next.get(number) ?? 0;
    (found.get(number) as Uint32Array)[at] = row;
    next.set(number, at + 1);
  }
  return found;
}
