import type { Window } from '../time';
import { PROBE, type AttemptColumns, type Dimension } from './attempt';

/** Which rows of a table of attempts are asked for. */
export interface RowQuestion {
  /** one flow, or several; all when left out */
  flows?: number | ReadonlySet<number>;
  /** when they began; at any time when left out */
  window?: Window;
  /** values that all must hold */
  conditions?: readonly (readonly [dimension: Dimension, number: number])[];
  /** rows with any of these flags are passed over; probes when left out */
  without?: number;
  /** a run of rows; all when left out */
  from?: number;
  to?: number;
}

/**
 * Walks rows of attempts in the order in which they lie.
 *
 * @param see is told a row's index
 * @example eachRow(rows, { flows: 3, window }, (row) => (sum += rows.durationMs[row] as number))
 */
export function eachRow(rows: AttemptColumns, question: RowQuestion, see: (row: number) => void): void {
  const { flows, window, conditions = [], without = PROBE, from = 0, to = rows.n } = question;
  const { startMs, flags, flow } = rows;
  const [fromMs, toMs] = window ? [window.fromMs, window.toMs] : [-Infinity, Infinity];
  // What rejects most is asked first.
  const [first, ...others] = conditions;
  const firstColumn = first && rows[first[0]];
  const only = typeof flows === 'number' ? flows : undefined;
  const among = typeof flows === 'object' ? flows : undefined;
  for (let i = from; i < to; i++) {
    if (firstColumn && firstColumn[i] !== first[1]) continue;
    if (only !== undefined && flow[i] !== only) continue;
    const atMs = startMs[i] as number;
    if (atMs < fromMs || atMs >= toMs || (flags[i] as number) & without) continue;
    if (among && !among.has(flow[i] as number)) continue;
    if (others.length > 0 && others.some(([dimension, number]) => rows[dimension][i] !== number)) continue;
    see(i);
  }
}
