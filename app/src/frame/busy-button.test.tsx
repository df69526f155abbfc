import { render, screen } from '@testing-library/react';
import { PaperProvider } from 'react-native-paper';
import { BusyButton } from './busy-button';

const button = (busy: boolean) => (
  <PaperProvider>
    <BusyButton busy={busy} onPress={() => undefined}>
      Save
    </BusyButton>
  </PaperProvider>
);

test('while it is busy it cannot be pressed, and shows no progress bar without a name', () => {
  render(button(true));
  expect(screen.getByRole('button', { name: 'Save' }).getAttribute('aria-disabled')).toBe('true');
  expect(screen.queryByRole('progressbar')).toBeNull();
});

test('a button that is not busy can be pressed', () => {
  render(button(false));
  expect(screen.getByRole('button', { name: 'Save' }).getAttribute('aria-disabled')).toBeNull();
});
