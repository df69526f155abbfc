import { stepsOf, type Window } from '../time';

/** Attempts by when they began and how long they took: a grid of counts. */
export interface Field {
  startMs: number;
  stepMs: number;
  columns: number;
  /**
   * lower bounds of the rows, milliseconds, shortest first: each row reaches up to the next one's bound, the last has
   * no end
   */
  floorsMs: number[];
  /** by column, then row: how many, and how many of them went wrong */
  counts: number[][];
  bad: number[][];
}

const COLUMNS = 48;
/** Rows double the duration every second one: fine enough to see two humps apart. */
const ROWS_A_DOUBLING = 2;
const LEAST_ROWS = 8;
const MOST_ROWS = 22;

/** An empty field of a window, with rows from the shortest to the longest duration expected, on a log scale. */
export function emptyField(window: Window, shortestMs: number, longestMs: number): Field {
  const { startMs, stepMs, n: columns } = stepsOf(window, COLUMNS);
  const rowOf = (ms: number) => Math.floor(Math.log2(Math.max(0.1, ms)) * ROWS_A_DOUBLING);
  const top = rowOf(Math.max(shortestMs, longestMs));
  const bottom = Math.max(top - MOST_ROWS + 1, Math.min(rowOf(shortestMs), top - LEAST_ROWS + 1));
  const floorsMs = Array.from({ length: top - bottom + 1 }, (_, k) => 2 ** ((bottom + k) / ROWS_A_DOUBLING));
  const grid = () => Array.from({ length: columns }, () => new Array<number>(floorsMs.length).fill(0));
  return { startMs, stepMs, columns, floorsMs, counts: grid(), bad: grid() };
}

/** Counts an attempt; what is shorter than the lowest row counts there. Attempts outside of the window are left out. */
export function countInPlace(field: Field, atMs: number, durationMs: number, isBad: boolean): void {
  const column = Math.floor((atMs - field.startMs) / field.stepMs);
  if (column < 0 || column >= field.columns) return;
  const first = field.floorsMs[0] as number;
  const row = Math.min(
    field.floorsMs.length - 1,
    Math.max(0, Math.floor(Math.log2(Math.max(0.1, durationMs) / first) * ROWS_A_DOUBLING + 1e-9)),
  );
  const [counts, bad] = [field.counts[column] as number[], field.bad[column] as number[]];
  counts[row] = (counts[row] as number) + 1;
  if (isBad) bad[row] = (bad[row] as number) + 1;
}
