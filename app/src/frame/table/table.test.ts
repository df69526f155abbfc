import { parseSort, sortRows, toCsv, type Column } from './columns';

interface Row {
  name: string;
  n: number;
  meanMs: number | null;
}
const COLUMNS: readonly Column<Row>[] = [
  {
    key: 'name',
    words: 'Name',
    label: 'Name',
    show: ({ name }) => name,
    value: ({ name }) => name.toLowerCase(),
    save: ({ name }) => name,
  },
  { key: 'n', words: 'N', label: 'Attempts', show: ({ n }) => String(n), value: ({ n }) => n },
  {
    key: 'meanMs',
    words: 'Mean',
    label: 'Mean, ms',
    show: ({ meanMs }) => String(meanMs),
    value: ({ meanMs }) => meanMs,
    isAverage: true,
  },
];
const rows: Row[] = [
  { name: 'Rare', n: 3, meanMs: 9_000 },
  { name: 'busy', n: 900, meanMs: 300 },
  { name: 'Middle', n: 40, meanMs: 700 },
  { name: 'Silent', n: 50, meanMs: null },
];
const sorted = (sort: string | undefined, fewest?: number) =>
  sortRows(rows, parseSort(COLUMNS, sort, '-n'), { countOf: ({ n }) => n, ...(fewest !== undefined && { fewest }) });
const names = (...asked: Parameters<typeof sorted>) => sorted(...asked).rows.map(({ name }) => name);

test('every column sorts both ways; what is not known stands last in both', () => {
  expect(names('-n')).toEqual(['busy', 'Silent', 'Middle', 'Rare']);
  expect(names('name')).toEqual(['busy', 'Middle', 'Rare', 'Silent']);
  expect(names('-meanMs', 1)).toEqual(['Rare', 'Middle', 'busy', 'Silent']);
  expect(names('meanMs', 1)).toEqual(['busy', 'Middle', 'Rare', 'Silent']);
});

test('by an average, rows that stand for too few are marked and stand behind the others', () => {
  expect(names('-meanMs')).toEqual(['Middle', 'busy', 'Silent', 'Rare']);
  expect([...sorted('-meanMs').few].map(({ name }) => name)).toEqual(['Rare']);
  expect([...sorted('-meanMs', 100).few].map(({ name }) => name).sort()).toEqual(['Middle', 'Rare', 'Silent']);
  expect(sorted('-n').few.size).toBe(0);
});

test('nonsense in the address sorts as usual', () => {
  expect(parseSort(COLUMNS, '-colour', '-n')).toMatchObject({ column: { key: 'n' }, isDescending: true });
});

test('CSV is what is shown, in that order, with units in its head; it quotes, and is no formula', () => {
  expect(toCsv(COLUMNS, sorted('-n').rows).split('\r\n').slice(0, 3)).toEqual([
    'Name,Attempts,"Mean, ms"',
    'busy,900,300',
    'Silent,50,',
  ]);
  expect(toCsv(COLUMNS, [{ name: '=1+1, "x"', n: 3, meanMs: 12.5 }])).toMatch(/^.*\r\n"'=1\+1, ""x""",3,12\.5\r\n$/);
});
