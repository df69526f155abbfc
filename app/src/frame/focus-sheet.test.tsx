import { fireEvent, render, screen } from '@testing-library/react';
import { FocusSheet } from '@/frame/focus-sheet';

const KNOWN = {
  applications: ['Sender Portal', 'Shipper Link'],
  teams: ['Payments'],
  flows: [{ id: 7, name: 'Pay', application: 'Sender Portal' }],
  dimensions: [{ dimension: 'site' as const, values: ['Ostrel', 'Dunsel'] }],
  remaining: { sessions: 121, attempts: 344 },
};

test('the focus narrows by any value, keeps what is narrowed already, and says what remains', () => {
  const onChange = jest.fn();
  render(
    <FocusSheet
      view={{ last: 60, rankBy: 'harm', application: 'Sender Portal' }}
      known={KNOWN}
      onChange={onChange}
      onClose={jest.fn()}
    />,
  );
  expect(screen.getByText('121 sessions with 344 attempts remain.')).toBeTruthy();
  fireEvent.click(screen.getByRole('radio', { name: 'Site' }));
  fireEvent.click(screen.getByRole('radio', { name: 'Ostrel' }));
  expect(onChange).toHaveBeenCalledWith({ last: 60, rankBy: 'harm', application: 'Sender Portal', site: 'Ostrel' });
  fireEvent.click(screen.getByRole('radio', { name: /^Application/ }));
  fireEvent.click(screen.getByRole('radio', { name: 'Any application' }));
  expect(onChange).toHaveBeenLastCalledWith({ last: 60, rankBy: 'harm' });
});
