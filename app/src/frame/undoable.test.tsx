import { act, fireEvent, render, screen } from '@testing-library/react';
import { UNDO_MS, UndoBar, useUndoable } from './undoable';

const done: string[] = [];
function Page() {
  const { waiting, ask, undo } = useUndoable();
  const one = (id: number) => ({ id, words: `Doing ${id}`, run: () => done.push(`did ${id}`) });
  return (
    <>
      <button onClick={() => ask(one(1))}>one</button>
      <button onClick={() => ask(one(2))}>two</button>
      <UndoBar waiting={waiting} undo={undo} />
    </>
  );
}

beforeEach(() => {
  jest.useFakeTimers();
  done.length = 0;
});
afterEach(() => jest.useRealTimers());
const later = (ms: number) => act(() => void jest.advanceTimersByTime(ms));

test('it is done when its time is over, and not before', () => {
  render(<Page />);
  fireEvent.click(screen.getByText('one'));
  expect(screen.getByText('Doing 1')).toBeTruthy();
  later(UNDO_MS - 100);
  expect(done).toEqual([]);
  later(200);
  expect(done).toEqual(['did 1']);
});

test('what is taken back is never done', () => {
  render(<Page />);
  fireEvent.click(screen.getByText('one'));
  fireEvent.click(screen.getByText('Undo'));
  later(2 * UNDO_MS);
  expect(done).toEqual([]);
});

test('another one, and leaving, end the time of the one before: nothing is lost, nothing done twice', () => {
  const { unmount } = render(<Page />);
  fireEvent.click(screen.getByText('one'));
  fireEvent.click(screen.getByText('two'));
  expect(done).toEqual(['did 1']);
  unmount();
  expect(done).toEqual(['did 1', 'did 2']);
  later(2 * UNDO_MS);
  expect(done).toEqual(['did 1', 'did 2']);
});
