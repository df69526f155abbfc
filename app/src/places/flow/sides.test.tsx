import { fireEvent, render, screen } from '@testing-library/react';
import type { FlowPage } from '@/data/client';
import { Sides } from './sides';

const mockSetView = jest.fn();
jest.mock('@/frame/view', () => ({
  ...jest.requireActual<object>('@/frame/view'),
  useView: () => ({ view: { last: 60, rankBy: 'harm' }, setView: mockSetView, go: jest.fn() }),
}));
beforeEach(() => mockSetView.mockClear());

const side = (value: string, ridit: number, isOdd: boolean) => ({
  value,
  attempts: 100,
  badShare: 0.1,
  medianMs: 200,
  p95Ms: 400,
  ridit,
  riditError: 0.02,
  isOdd,
});

test('side by side opens with the dimension in which something is odd', () => {
  const page = {
    sides: [
      { dimension: 'site', sides: [side('Ostrel', 0.5, false)] },
      { dimension: 'host', sides: [side('north-1', 0.49, false), side('mid-2', 0.8, true)] },
    ],
  } as unknown as FlowPage;
  render(<Sides page={page} />);
  expect(screen.getByRole('radio', { name: /host !/ }).getAttribute('aria-checked')).toBe('true');
  expect(
    screen.getByRole('button', {
      name: /mid-2 ?100 attempts · 10 % not on time ?slower than one of all in 80 % of pairs, stands out ?200 ms/,
    }),
  ).toBeTruthy();
  fireEvent.click(screen.getByRole('radio', { name: 'site' }));
  fireEvent.click(screen.getByRole('button', { name: /Ostrel/ }));
  expect(mockSetView).toHaveBeenCalledWith({ last: 60, rankBy: 'harm', site: 'Ostrel' });
});
