import { render, screen, within } from '@testing-library/react';
import { PaperProvider } from 'react-native-paper';
import { ShareGrid, rowsOf, type ShareCell } from './share-grid';

const cell = (rowId: number, row: string, owner: string, good: number): ShareCell => ({
  rowId,
  row,
  owner,
  column: 'North',
  valid: 100,
  good,
});
const CELLS = [
  cell(1, 'Sign in', 'Shop', 90),
  cell(2, 'Sign in', 'Courier app', 40),
  cell(3, 'Print labels', 'Depot', 70),
];

test('flows of one name in two applications are rows of their own, told by their application', () => {
  expect(rowsOf(CELLS)).toEqual([
    { id: 1, name: 'Sign in', owner: 'Shop' },
    { id: 2, name: 'Sign in', owner: 'Courier app' },
    { id: 3, name: 'Print labels', owner: undefined },
  ]);
  render(
    <PaperProvider>
      <ShareGrid label="Shares" head="Flow" cells={CELLS} />
    </PaperProvider>,
  );
  const shares = screen.getAllByRole('cell').map((one) => within(one).getByText(/%/).textContent);
  expect(shares).toEqual(['90 %', '40 %', '70 %']);
});
