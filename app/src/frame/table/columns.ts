import { csvText } from '@toplens/core/csv';
import { clock } from '@/look/format';

/** A column of a table: what it shows, and by what it sorts. */
export interface Column<Row> {
  key: string;
  words: string;
  /** what the words leave out, with the unit of the value: for a screen reader and the head of the CSV */
  label: string;
  show: (row: Row) => string;
  /** what it sorts by, and what is saved unless `save` says otherwise; null: not known */
  value: (row: Row) => number | string | null;
  /** what is saved, where that is not what it sorts by */
  save?: (row: Row) => number | string | null;
  /** an average, a share, a percentile: of few it says little */
  isAverage?: boolean;
}

/** A column of texts: sorted without regard to capitals, saved as they are. */
export const textColumn = <Row>(key: string, label: string, textOf: (row: Row) => string): Column<Row> => ({
  key,
  words: label,
  label,
  show: textOf,
  value: (row) => textOf(row).toLowerCase(),
  save: textOf,
});

/** A column of figures. @param label with the unit, as in the head of the CSV: "Mean duration, ms" */
export const figureColumn = <Row>(
  key: string,
  label: string,
  valueOf: (row: Row) => number | null,
  { show = String, isAverage = false }: { show?: (value: number) => string; isAverage?: boolean } = {},
): Column<Row> => ({
  key,
  words: label,
  label,
  show: (row) => {
    const value = valueOf(row);
    return value === null ? '–' : show(value);
  },
  value: valueOf,
  isAverage,
});

/** A column of moments: saved as ISO 8601, UTC. */
export const timeColumn = <Row>(key: string, label: string, timeMsOf: (row: Row) => number): Column<Row> => ({
  key,
  words: label,
  label,
  show: (row) => clock(timeMsOf(row)),
  value: timeMsOf,
  save: (row) => new Date(timeMsOf(row)).toISOString(),
});

/** What a table is sorted by. */
export interface Order<Row> {
  column: Column<Row>;
  isDescending: boolean;
}

/** How many a row must stand for to be ranked by an average (common practice, no source). */
export const FEWEST_TO_RANK = [10, 30, 100, 300] as const;
export const DEFAULT_FEWEST = 30;

/** `-p95Ms`: by the 95th percentile, largest first; what names no column is as the default. */
export function parseSort<Row>(
  columns: readonly Column<Row>[],
  sort: string | undefined,
  byDefault: string,
): Order<Row> {
  const text = sort ?? byDefault;
  const column = columns.find(({ key }) => key === text.replace(/^-/, ''));
  if (column) return { column, isDescending: text.startsWith('-') };
  if (text === byDefault) throw new RangeError(`${byDefault}: no such column`);
  return parseSort(columns, byDefault, byDefault);
}

export interface Sorted<Row> {
  rows: Row[];
  /** too few to rank by the average that is sorted by: they stand behind the others */
  few: ReadonlySet<Row>;
}

/**
 * Rows in order. What is not known stands last, whichever way it is sorted; by averages, so do rows that stand for too
 * few: few samples are not bad ones.
 *
 * @param countOf how many a row stands for
 */
export function sortRows<Row>(
  rows: readonly Row[],
  { column, isDescending }: Order<Row>,
  { countOf, fewest = DEFAULT_FEWEST }: { countOf?: (row: Row) => number; fewest?: number } = {},
): Sorted<Row> {
  const few = new Set(column.isAverage && countOf ? rows.filter((row) => countOf(row) < fewest) : []);
  const order = (a: Row, b: Row) => {
    const [x, y] = [column.value(a), column.value(b)];
    if (x === null || y === null) return x === y ? 0 : x === null ? 1 : -1;
    const difference = typeof x === 'string' ? x.localeCompare(String(y)) : x - (y as number);
    return isDescending ? -difference : difference;
  };
  return { rows: [...rows].sort((a, b) => Number(few.has(a)) - Number(few.has(b)) || order(a, b)), few };
}

/** What the table shows, as CSV (RFC 4180), with units in the head. */
export const toCsv = <Row>(columns: readonly Column<Row>[], rows: readonly Row[]): string =>
  csvText([
    columns.map(({ label }) => label),
    ...rows.map((row) => columns.map(({ save, value }) => (save ?? value)(row))),
  ]);
