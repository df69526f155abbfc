import { act, fireEvent, render, screen } from '@testing-library/react';
import type { Row } from '@/data/client';
import { UNDO_MS } from '@/frame/undoable';
import { useRowActions } from './row-actions';

const WINDOW = { fromMs: 1_000_000, toMs: 4_600_000 };
const mockSend = jest.fn();
const mockAccept = jest.fn();
const mockDecide = jest.fn();
const idle = { error: null, reset: () => undefined };
jest.mock('@/data/handoffs', () => ({
  useSend: () => ({ ...idle, mutate: mockSend }),
  useAccept: () => ({ ...idle, mutate: mockAccept }),
}));
jest.mock('@/data/incidents', () => ({ useDecide: () => ({ ...idle, mutate: mockDecide }) }));

const row = (more: object): Row =>
  ({ id: 7, title: 'Pay fails', proposedTeam: 'Payments', handoff: null, ...more }) as unknown as Row;
const chosen = jest.fn();
function Page({ shown, window = WINDOW }: { shown: Row; window?: typeof WINDOW | undefined }) {
  const { forward, aside, waiting, undo, nameSheet } = useRowActions({ window, onChooseTeam: chosen });
  const [right, left] = [forward(shown), aside(shown)];
  return (
    <>
      <p>{`right: ${right?.words ?? 'nothing'}`}</p>
      <button onClick={right?.act}>right</button>
      <button onClick={left?.act}>left</button>
      <button onClick={undo}>undo</button>
      <p>{waiting?.words}</p>
      {nameSheet}
    </>
  );
}

beforeEach(() => {
  jest.useFakeTimers();
  jest.clearAllMocks();
  localStorage.clear();
  localStorage.setItem('toplens.who', 'Noor');
});
afterEach(() => jest.useRealTimers());
const afterwards = () => act(() => void jest.advanceTimersByTime(UNDO_MS + 1));

test('to the right: sent to the proposed team, with what the list shows, once, unless it is taken back', () => {
  render(<Page shown={row({})} />);
  expect(screen.getByText('right: Send to Payments')).toBeTruthy();
  fireEvent.click(screen.getByText('right'));
  expect(screen.getByText('Sending to Payments: Pay fails')).toBeTruthy();
  fireEvent.click(screen.getByText('undo'));
  afterwards();
  expect(mockSend).not.toHaveBeenCalled();
  fireEvent.click(screen.getByText('right'));
  afterwards();
  expect(mockSend).toHaveBeenCalledTimes(1);
  expect(mockSend).toHaveBeenCalledWith(
    expect.objectContaining({ incident: 7, team: 'Payments', purpose: 'cause', ...WINDOW }),
    expect.anything(),
  );
});

test('what was sent is accepted, by name; what has a team that accepted it is left alone', () => {
  const { unmount } = render(<Page shown={row({ handoff: { id: 'h', team: 'Payments', state: 'sent' } })} />);
  expect(screen.getByText('right: Accept for Payments')).toBeTruthy();
  fireEvent.click(screen.getByText('right'));
  afterwards();
  expect(mockAccept).toHaveBeenCalledWith({ id: 'h', who: 'Noor' });
  unmount();
  render(<Page shown={row({ handoff: { id: 'h', team: 'Payments', state: 'taken' } })} />);
  expect(screen.getByText('right: nothing')).toBeTruthy();
});

test('to the left: set aside for two hours of the data’s own time', () => {
  render(<Page shown={row({})} />);
  fireEvent.click(screen.getByText('left'));
  afterwards();
  expect(mockDecide).toHaveBeenCalledWith({
    id: 7,
    what: 'setAside',
    who: 'Noor',
    reason: 'set aside from the list',
    untilMs: WINDOW.toMs + 7_200_000,
  });
});

test('where nobody is proposed, or something was typed for it, somebody chooses', () => {
  const { unmount } = render(<Page shown={row({ proposedTeam: null })} />);
  fireEvent.click(screen.getByText('right'));
  expect(chosen).toHaveBeenCalledWith(7);
  unmount();
  localStorage.setItem('toplens.draft.7', JSON.stringify({ note: 'Look at the index', key: 'k' }));
  render(<Page shown={row({})} />);
  fireEvent.click(screen.getByText('right'));
  expect(chosen).toHaveBeenCalledTimes(2);
  afterwards();
  expect(mockSend).not.toHaveBeenCalled();
});

test('nobody is known: the name is asked for once, and then it goes on', () => {
  localStorage.clear();
  render(<Page shown={row({})} />);
  fireEvent.click(screen.getByText('left'));
  fireEvent.change(screen.getByTestId('row-who'), { target: { value: ' Dana ' } });
  fireEvent.click(screen.getByTestId('row-name'));
  afterwards();
  expect(mockDecide).toHaveBeenCalledWith(expect.objectContaining({ who: 'Dana' }));
  expect(localStorage.getItem('toplens.who')).toBe('Dana');
});
