import { median } from './robust';

export interface Polished {
  common: number;
  rows: number[];
  columns: number[];
}

const MOST_ROUNDS = 20;
const LEAST_CHANGE = 1e-6;

/**
 * Additive fit of a two-way table by medians (Tukey 1977, Exploratory Data Analysis, ch. 11): a cell is common + row +
 * column + rest. One bad row or column does not move the others. As R `medpolish`, with holes.
 *
 * @param table rows of cells; `undefined` where nothing is known
 * @returns effects in the order of rows and columns; NaN for one without cells
 */
export function medianPolish(table: readonly (readonly (number | undefined)[])[]): Polished {
  const columns = Math.max(0, ...table.map((row) => row.length));
  const rest = table.map((row) => Array.from({ length: columns }, (_, c) => row[c]));
  const effectOf = (cells: readonly (number | undefined)[]) => (cells.every((cell) => cell === undefined) ? NaN : 0);
  const columnAt = (c: number) => rest.map((row) => row[c]);
  const fit: Polished = {
    common: 0,
    rows: rest.map(effectOf),
    columns: Array.from({ length: columns }, (_, c) => effectOf(columnAt(c))),
  };
  const middle = (values: readonly (number | undefined)[]) => median(values.filter((value) => value !== undefined));
  const shift = (effects: number[]) => {
    const by = middle(effects.filter((effect) => !Number.isNaN(effect))) ?? 0;
    effects.forEach((effect, i) => (effects[i] = effect - by));
    fit.common += by;
  };
  let before = Infinity;
  for (let round = 0; round < MOST_ROUNDS; round++) {
    rest.forEach((row, r) => {
      const by = middle(row) ?? 0;
      row.forEach((value, c) => (row[c] = value === undefined ? undefined : value - by));
      fit.rows[r]! += by;
    });
    shift(fit.columns);
    for (let c = 0; c < columns; c++) {
      const by = middle(columnAt(c)) ?? 0;
      for (const row of rest) if (row[c] !== undefined) row[c] = (row[c] as number) - by;
      fit.columns[c]! += by;
    }
    shift(fit.rows);
    const left = rest.flat().reduce<number>((sum, value) => sum + Math.abs(value ?? 0), 0);
    if (left === 0 || Math.abs(before - left) < LEAST_CHANGE * left) break;
    before = left;
  }
  return fit;
}
