import { useView } from '../view';
import { DEFAULT_FEWEST, parseSort, sortRows, type Column, type Order } from './columns';

export interface Table<Row> extends Order<Row> {
  name: string;
  columns: readonly Column<Row>[];
  rows: readonly Row[];
  few: ReadonlySet<Row>;
  fewest: number;
  /** by a column; the same again the other way round */
  sortBy: (key: string) => void;
  setFewest: (fewest: number) => void;
}

export interface Asked<Row> {
  /** of the file that it is saved as, and in the address */
  name: string;
  columns: readonly Column<Row>[];
  /** as `-attempts` */
  byDefault: string;
  countOf?: (row: Row) => number;
}

/** A table whose order, and how few it ranks, live in the address: a link shows the same. */
export function useTable<Row>(rows: readonly Row[], { name, columns, byDefault, countOf }: Asked<Row>): Table<Row> {
  const { view, setView } = useView();
  const order = parseSort(columns, view.sorts?.[name], byDefault);
  const fewest = view.fewest ?? DEFAULT_FEWEST;
  const sorted = sortRows(rows, order, { fewest, ...(countOf && { countOf }) });
  return {
    name,
    columns,
    ...order,
    ...sorted,
    fewest,
    sortBy: (key) => {
      const next = order.column.key === key && order.isDescending ? key : `-${key}`;
      const { [name]: _before, ...others } = view.sorts ?? {};
      setView({ ...view, sorts: next === byDefault ? others : { ...others, [name]: next } });
    },
    setFewest: (next) => setView({ ...view, fewest: next }),
  };
}
