import { medianPolish } from './index';

test('median polish of the table in the help of R `medpolish` (infant mortality, Tukey 1977; from memory)', () => {
  const { common, rows, columns } = medianPolish([
    [14, 15, 14],
    [7, 4, 7],
    [8, 2, 10],
    [15, 9, 10],
    [0, 2, 0],
  ]);
  expect(common).toBe(8);
  expect(rows).toEqual([6, -1, 0, 2, -8]);
  expect(columns).toEqual([0, -1, 0]);
});

test('an exact sum of rows and columns is found again, holes or not; one bad cell moves nothing', () => {
  const [rows, columns] = [
    [-3, -1, 0, 2, 5],
    [-2, 0, 1],
  ];
  const table = rows.map((row) => columns.map((column): number | undefined => 100 + row + column));
  const expected = { common: 100, rows, columns };
  expect(medianPolish(table)).toEqual(expected);
  (table[1] as (number | undefined)[])[2] = undefined;
  expect(medianPolish(table)).toEqual(expected);
  (table[3] as (number | undefined)[])[0] = 9_000;
  expect(medianPolish(table)).toEqual(expected);
});

test('a row of which nothing is known has no effect; an empty table has none at all', () => {
  expect(
    medianPolish([
      [1, 3],
      [undefined, undefined],
    ]).rows,
  ).toEqual([0, NaN]);
  expect(medianPolish([])).toEqual({ common: 0, rows: [], columns: [] });
});
