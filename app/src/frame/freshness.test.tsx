import { render, screen } from '@testing-library/react';
import { earlierWords, Freshness, staleWords } from './freshness';

jest.mock('@/look/icon', () => ({ Icon: () => null }));
const mockNow = { ms: Date.UTC(2026, 2, 10, 12) };
jest.mock('./clock', () => ({ useClock: () => mockNow.ms }));

const nowMs = mockNow.ms;
const minutesAgo = (minutes: number) => nowMs - minutes * 60_000;

test('fresh data needs no words; a late minute is not stale yet', () => {
  expect(staleWords({ watermarkMs: nowMs, judgedMs: minutesAgo(2), silent: [], earlier: null }, nowMs)).toEqual([]);
  expect(staleWords({ watermarkMs: null, judgedMs: null, silent: [], earlier: null }, nowMs)).toEqual([]);
});

test('old data and silent applications are each said, with since when', () => {
  const words = staleWords(
    {
      watermarkMs: minutesAgo(6),
      judgedMs: minutesAgo(6),
      silent: [{ application: 'Depot Desk', sinceMs: minutesAgo(30) }],
      earlier: null,
    },
    nowMs,
  );
  expect(words).toEqual([
    expect.stringMatching(/^No data for 6 min: what you see is as of /),
    expect.stringMatching(/^No data from Depot Desk since /),
  ]);
});

test('a past moment is not stale, however long ago it is', () => {
  const old = { watermarkMs: minutesAgo(60), judgedMs: minutesAgo(60), silent: [], earlier: null };
  const { rerender } = render(<Freshness freshness={old} isLive={false} />);
  expect(screen.queryByRole('status')).toBeNull();
  rerender(<Freshness freshness={old} isLive />);
  expect(screen.getByRole('status').textContent).toContain('No data for 60 min');
});

test('a history that is being loaded is told with its day, and then old data is not "no data"', () => {
  const earlier = { fromMs: Date.UTC(2026, 1, 24, 9), toMs: Date.UTC(2026, 1, 24, 10) };
  const fresh = { watermarkMs: nowMs, judgedMs: minutesAgo(1), silent: [], earlier };
  expect(earlierWords(fresh, nowMs)).toMatch(
    /^Data of earlier days is coming in, now of Tue,? 24 Feb: what is usual is learned anew with it\.$/,
  );
  const today = { ...fresh, earlier: { fromMs: minutesAgo(120), toMs: minutesAgo(110) } };
  expect(earlierWords(today, nowMs)).toMatch(/^Data of earlier hours is coming in, now of \d\d:00\.$/);
  expect(staleWords({ ...today, judgedMs: minutesAgo(120) }, nowMs)).toEqual([
    expect.stringMatching(/^What you see is as of /),
  ]);
  expect(earlierWords({ ...fresh, earlier: null }, nowMs)).toBe('');
  render(<Freshness freshness={fresh} isLive />);
  expect(screen.getByTestId('earlier').textContent).toContain('24 Feb');
});
