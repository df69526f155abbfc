import { fireEvent, render, screen } from '@testing-library/react';
import type { FlowPage } from '@/data/client';
import { Bands } from './bands';

const mockSetView = jest.fn();
jest.mock('@/frame/view', () => ({
  ...jest.requireActual<object>('@/frame/view'),
  useView: () => ({ view: { last: 60, rankBy: 'harm' }, setView: mockSetView }),
}));

const bands = [
  { fromMs: 0, toMs: 600, attempts: 30 },
  { fromMs: 600, toMs: null, attempts: 10 },
  { fromMs: -1, toMs: null, attempts: 4 },
];
const page = (of: typeof bands) => ({ bands: of, window: { fromMs: 1_000, toMs: 61_000 } }) as unknown as FlowPage;

test('response bands are a table; without attempts there is none', () => {
  const { container, rerender } = render(<Bands page={page(bands)} />);
  expect(screen.getByRole('table', { name: 'Response bands' }).textContent).toContain('68 %');
  rerender(<Bands page={page([])} />);
  expect(container.textContent).toBe('');
});

test('a band lists its attempts, and that of those that failed lists them', () => {
  render(<Bands page={page(bands)} />);
  expect(screen.getAllByRole('button')).toHaveLength(3);
  fireEvent.click(screen.getByRole('button', { name: 'List attempts that took longer than 600 ms' }));
  expect(mockSetView).toHaveBeenCalledWith({ last: 60, rankBy: 'harm', brushed: '1000_61000_600_' });
  fireEvent.click(screen.getByRole('button', { name: 'List attempts that failed' }));
  expect(mockSetView).toHaveBeenLastCalledWith({ last: 60, rankBy: 'harm', brushed: '1000_61000_0__failed' });
});
