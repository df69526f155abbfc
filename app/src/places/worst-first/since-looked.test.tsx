import { act, render, screen } from '@testing-library/react';
import type { Happening } from '@/data/happened';
import { SinceLooked, sinceWords } from './since-looked';

const NOW = Date.UTC(2026, 2, 2, 10);
const mockHappened = { data: undefined as object | undefined };
const mockAsked = jest.fn();
jest.mock('@/data/happened', () => ({
  useHappenedSince: (sinceMs: number | undefined) => {
    mockAsked(sinceMs);
    return sinceMs === undefined ? { data: undefined } : mockHappened;
  },
}));
jest.mock('@/frame/door', () => ({
  Door: ({ children }: { children: React.ReactNode }) => <div data-testid="since">{children}</div>,
}));

const one = (kind: Happening['kind']) => ({ kind }) as Happening;

test('says what changed, each kind once, and that nothing did', () => {
  const some = [one('opened'), one('over'), one('over'), one('proven'), one('early'), one('handoff'), one('release')];
  expect(sinceWords(some, NOW - 50 * 60_000, NOW)).toBe(
    'Since 09:10: 1 new, 2 over, 1 proven, 1 handoff moved on, 1 release.',
  );
  expect(sinceWords([], NOW - 50 * 60_000, NOW)).toBe('Since 09:10: nothing new.');
});

test('a handoff that took several steps is one', () => {
  const step = (path: string) => ({ kind: 'handoff', path }) as Happening;
  expect(sinceWords([step('/handoff/a'), step('/handoff/a'), step('/handoff/b')], NOW - 3_000_000, NOW)).toBe(
    'Since 09:10: 2 handoffs moved on.',
  );
});

describe('on the home screen', () => {
  beforeEach(() => {
    jest.useFakeTimers({ now: NOW });
    localStorage.clear();
    mockHappened.data = { happenings: [one('opened')], window: { fromMs: 0, toMs: NOW } };
  });
  afterEach(() => jest.useRealTimers());

  test('is shown to whoever was away for a while, and marks that they look now', () => {
    localStorage.setItem('toplens.looked', String(NOW - 50 * 60_000));
    render(<SinceLooked />);
    expect(screen.getByTestId('since').textContent).toBe('Since 09:10: 1 new.');
    expect(localStorage.getItem('toplens.looked')).toBe(String(NOW));
    act(() => void jest.advanceTimersByTime(60_000));
    expect(Number(localStorage.getItem('toplens.looked'))).toBeGreaterThan(NOW);
    // It stays as it was told.
    expect(screen.getByTestId('since').textContent).toBe('Since 09:10: 1 new.');
  });

  test.each([undefined, NOW - 60_000, NOW - 4 * 86_400_000])('is not shown after %s', (lookedMs) => {
    if (lookedMs !== undefined) localStorage.setItem('toplens.looked', String(lookedMs));
    render(<SinceLooked />);
    expect(screen.queryByTestId('since')).toBeNull();
    expect(mockAsked).toHaveBeenLastCalledWith(undefined);
  });
});
