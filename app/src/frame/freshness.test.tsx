import { render, screen } from '@testing-library/react';
import { Freshness, staleWords } from './freshness';

jest.mock('@/look/icon', () => ({ Icon: () => null }));
const mockNow = { ms: Date.UTC(2026, 2, 10, 12) };
jest.mock('./clock', () => ({ useClock: () => mockNow.ms }));

const nowMs = mockNow.ms;
const minutesAgo = (minutes: number) => nowMs - minutes * 60_000;

test('fresh data needs no words; a late minute is not stale yet', () => {
  expect(staleWords({ watermarkMs: nowMs, judgedMs: minutesAgo(2), silent: [] }, nowMs)).toEqual([]);
  expect(staleWords({ watermarkMs: null, judgedMs: null, silent: [] }, nowMs)).toEqual([]);
});

test('old data and silent applications are each said, with since when', () => {
  const words = staleWords(
    {
      watermarkMs: minutesAgo(6),
      judgedMs: minutesAgo(6),
      silent: [{ application: 'Depot Desk', sinceMs: minutesAgo(30) }],
    },
    nowMs,
  );
  expect(words).toEqual([
    expect.stringMatching(/^No data for 6 min: what you see is as of /),
    expect.stringMatching(/^No data from Depot Desk since /),
  ]);
});

test('a past moment is not stale, however long ago it is', () => {
  const old = { watermarkMs: minutesAgo(60), judgedMs: minutesAgo(60), silent: [] };
  const { rerender } = render(<Freshness freshness={old} isLive={false} />);
  expect(screen.queryByRole('status')).toBeNull();
  rerender(<Freshness freshness={old} isLive />);
  expect(screen.getByRole('status').textContent).toContain('No data for 60 min');
});
