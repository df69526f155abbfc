import { windowWords } from './time-bar';
import { parseLocal, toLocal } from './time-sheet';
import { pinned, readView, viewQuery, windowQuery } from './view';
import { staleWords } from './freshness';

test('the address holds the view: what is read back is what was written', () => {
  const views = [
    { last: 60, rankBy: 'harm' as const },
    { last: 480, rankBy: 'people' as const, application: 'Sender Portal', team: 'Labels & Tracking' },
    {
      last: 60,
      rankBy: 'harm' as const,
      site: 'Ostrel',
      promotion: 'SPRING10',
      flow: '7',
      against: 'week' as const,
      sorts: { flows: '-p95Ms', pages: 'meanMs' },
      fewest: 100,
    },
    {
      last: 60,
      rates: 'today' as const,
      from: '2026-03-10T10:00:00.000Z',
      to: '2026-03-10T11:00:00.000Z',
      rankBy: 'money' as const,
    },
  ];
  for (const view of views) expect(readView(Object.fromEntries(new URLSearchParams(viewQuery(view))))).toEqual(view);
  expect(viewQuery({ last: 60, rankBy: 'harm' })).toBe('');
});

test('nonsense in the address falls back to the last hour', () => {
  expect(readView({ last: '-3', from: 'x', to: 'y', rankBy: 'colour', against: 'nobody' })).toEqual({
    last: 60,
    rankBy: 'harm',
  });
});

test('a pinned live window shows the same later', () => {
  const view = pinned(
    { last: 60, rankBy: 'harm' },
    { fromMs: Date.UTC(2026, 2, 10, 10), toMs: Date.UTC(2026, 2, 10, 11) },
  );
  expect(windowQuery(view)).toEqual({ from: '2026-03-10T10:00:00.000Z', to: '2026-03-10T11:00:00.000Z' });
  expect(windowWords({ last: 480, rankBy: 'harm' }, 0)).toBe('Now · last 8 h shift');
  expect(windowWords(view, Date.UTC(2026, 2, 10, 12))).toMatch(/^Past · /);
});

test('typed times are read in the viewer’s zone, wrong ones are none', () => {
  const timeMs = new Date(2026, 2, 10, 9, 30).getTime();
  expect(parseLocal(toLocal(timeMs))).toBe(timeMs);
  for (const wrong of ['2026-02-30 10:00', '10:00', '2026-03-10 25:00', '']) expect(parseLocal(wrong)).toBeNaN();
});

test('old data and silent sources are said, fresh data needs no words', () => {
  const nowMs = Date.UTC(2026, 2, 10, 12);
  expect(staleWords({ watermarkMs: nowMs, judgedMs: nowMs - 60_000, silent: [], earlier: null }, nowMs)).toEqual([]);
  const words = staleWords(
    {
      watermarkMs: nowMs,
      judgedMs: nowMs - 600_000,
      silent: [{ application: 'Depot Desk', sinceMs: nowMs - 900_000 }],
      earlier: null,
    },
    nowMs,
  );
  expect(words[0]).toContain('No data for 10 min');
  expect(words[1]).toContain('No data from Depot Desk');
});
