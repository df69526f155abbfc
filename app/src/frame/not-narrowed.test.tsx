import { render } from '@testing-library/react';
import { NotNarrowed } from './not-narrowed';

const mockView: Record<string, unknown> = { last: 60, rankBy: 'harm' };
jest.mock('./view', () => ({ ...jest.requireActual<object>('./view'), useView: () => ({ view: mockView }) }));

test('where a filter is set and not followed, that is said; else nothing is', () => {
  const { container, rerender } = render(<NotNarrowed what="hosts serve everybody" />);
  expect(container.textContent).toBe('');
  mockView.site = 'Ostrel';
  rerender(<NotNarrowed what="hosts serve everybody" />);
  expect(container.textContent).toBe('The filter does not apply here: hosts serve everybody.');
});
