import { fireEvent, render, screen } from '@testing-library/react';
import { useState } from 'react';
import { SHORTCUTS, useShortcuts } from './shortcuts';

const ran = jest.fn();
function Place() {
  const [times, setTimes] = useState(0);
  useShortcuts({
    j: () => {
      setTimes(times + 1);
      ran('j', times);
    },
    Enter: () => void ran('Enter'),
  });
  return (
    <div>
      <input aria-label="note" />
      <button>
        <span>inside</span>
      </button>
      <p>text</p>
    </div>
  );
}
beforeEach(() => ran.mockClear());

test('a key runs what belongs to it now, not what belonged to it when the place opened', () => {
  render(<Place />);
  fireEvent.keyDown(screen.getByText('text'), { key: 'j' });
  fireEvent.keyDown(screen.getByText('text'), { key: 'j' });
  expect(ran.mock.calls).toEqual([
    ['j', 0],
    ['j', 1],
  ]);
});

test('a key that does something does nothing else, and one that does nothing is left to the browser', () => {
  render(<Place />);
  // `fireEvent` tells false when the event was prevented.
  expect(fireEvent.keyDown(screen.getByText('text'), { key: 'j' })).toBe(false);
  expect(fireEvent.keyDown(screen.getByText('text'), { key: 'x' })).toBe(true);
});

test('nobody who types is interrupted, and the browser’s own keys stay its own', () => {
  render(<Place />);
  fireEvent.keyDown(screen.getByLabelText('note'), { key: 'j' });
  for (const more of [{ ctrlKey: true }, { metaKey: true }, { altKey: true }])
    fireEvent.keyDown(screen.getByText('text'), { key: 'j', ...more });
  expect(ran).not.toHaveBeenCalled();
});

test('Enter on a button is the button’s', () => {
  render(<Place />);
  fireEvent.keyDown(screen.getByText('inside'), { key: 'Enter' });
  expect(ran).not.toHaveBeenCalled();
  fireEvent.keyDown(screen.getByText('text'), { key: 'Enter' });
  expect(ran.mock.calls).toEqual([['Enter']]);
});

test('behind an open sheet keys do nothing; after the place is left they are gone', () => {
  const { unmount } = render(<Place />);
  const sheet = document.createElement('div');
  sheet.setAttribute('aria-modal', 'true');
  document.body.append(sheet);
  fireEvent.keyDown(screen.getByText('text'), { key: 'j' });
  expect(ran).not.toHaveBeenCalled();
  sheet.remove();
  unmount();
  fireEvent.keyDown(document.body, { key: 'j' });
  expect(ran).not.toHaveBeenCalled();
});

test('the list names each key once', () => {
  const keys = SHORTCUTS.map(([key]) => key);
  expect(new Set(keys).size).toBe(keys.length);
});
