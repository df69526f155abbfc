import { cellsBetween, moved, ofKey, type Cells } from './field-region';

const LEFT = ofKey('ArrowLeft') as NonNullable<ReturnType<typeof ofKey>>;
const UP = ofKey('ArrowUp') as NonNullable<ReturnType<typeof ofKey>>;

test('a region is the same from whichever corner it is brushed', () => {
  const [a, b] = [
    { column: 4, row: 1 },
    { column: 2, row: 7 },
  ];
  expect(cellsBetween(a, b)).toEqual({ columns: [2, 4], rows: [1, 7] });
  expect(cellsBetween(b, a)).toEqual(cellsBetween(a, b));
});

test('arrow keys begin at the newest and slowest, move, and grow with Shift; never past the edge', () => {
  expect(moved(undefined, LEFT, { isGrown: false, columns: 48, rows: 10 })).toEqual({
    columns: [47, 47],
    rows: [9, 9],
  });
  const cells: Cells = { columns: [0, 2], rows: [3, 9] };
  expect(moved(cells, LEFT, { isGrown: false, columns: 48, rows: 10 })).toEqual(cells);
  expect(moved(cells, UP, { isGrown: true, columns: 48, rows: 10 })).toEqual(cells);
  expect(moved({ columns: [5, 6], rows: [3, 4] }, LEFT, { isGrown: false, columns: 48, rows: 10 })).toEqual({
    columns: [4, 5],
    rows: [3, 4],
  });
  expect(moved({ columns: [5, 6], rows: [3, 4] }, UP, { isGrown: true, columns: 48, rows: 10 })).toEqual({
    columns: [5, 6],
    rows: [3, 5],
  });
  expect(ofKey('Enter')).toBeUndefined();
});
