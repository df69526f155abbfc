/** A cell of the field; rows count from the shortest durations up. */
export interface Cell {
  column: number;
  row: number;
}

/** First and last column and row, both included. */
export interface Cells {
  columns: readonly [first: number, last: number];
  rows: readonly [first: number, last: number];
}

export const cellsBetween = (a: Cell, b: Cell): Cells => ({
  columns: [Math.min(a.column, b.column), Math.max(a.column, b.column)],
  rows: [Math.min(a.row, b.row), Math.max(a.row, b.row)],
});

const STEPS: Readonly<Record<string, Cell>> = {
  ArrowLeft: { column: -1, row: 0 },
  ArrowRight: { column: 1, row: 0 },
  ArrowUp: { column: 0, row: 1 },
  ArrowDown: { column: 0, row: -1 },
};

export const ofKey = (key: string): Cell | undefined => STEPS[key];

/**
 * The chosen cells after an arrow key: moved by one, or grown by one towards it; without any the newest, slowest cell.
 */
export function moved(
  cells: Cells | undefined,
  { column, row }: Cell,
  { isGrown, columns, rows }: { isGrown: boolean; columns: number; rows: number },
): Cells {
  if (!cells) return { columns: [columns - 1, columns - 1], rows: [rows - 1, rows - 1] };
  const range = ([first, last]: readonly [number, number], step: number, n: number): readonly [number, number] => {
    if (step === 0) return [first, last];
    if (isGrown) return step < 0 ? [Math.max(0, first - 1), last] : [first, Math.min(n - 1, last + 1)];
    const by = step < 0 ? -Math.min(1, first) : Math.min(1, n - 1 - last);
    return [first + by, last + by];
  };
  return { columns: range(cells.columns, column, columns), rows: range(cells.rows, row, rows) };
}
