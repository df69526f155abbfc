import { fireEvent, render, screen } from '@testing-library/react';
import { Broken, brokenWords } from './broken';

jest.mock('@/look/icon', () => ({ Icon: () => null }));

test('a screen that cannot be shown says why, and loads again', () => {
  const loaded = jest.fn();
  render(<Broken error={new Error('Loading module /_expo/flows.js failed')} onLoadAgain={loaded} />);
  expect(screen.getByText(/the server does not answer/)).toBeTruthy();
  fireEvent.click(screen.getByText('Load again'));
  expect(loaded).toHaveBeenCalled();
});

test('another fault is told as it is', () => {
  expect(brokenWords(new Error('x is not a function'))).toContain('x is not a function');
});
