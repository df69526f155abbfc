import { DAY_MS, HOUR_MS, WEEK_MS } from '@toplens/core/time';
import { comparedWindow, isFirst, resolveWindow } from './windows';
import type { World } from '../state/world';

const NOW = Date.UTC(2026, 2, 10, 12);
const release = (application: string, version: string, firstMs: number) => ({ application, version, firstMs });
const world = (releases: World['releases'] = [], judgedMs = NOW) => ({ releases, judgedMs, watermarkMs: NOW + 5_000 }) as World;
const WINDOW = { fromMs: NOW - HOUR_MS, toMs: NOW };

test('a live window ends with the newest judged minute, a past one where it was asked to', () => {
  expect(resolveWindow(world(), { lengthMs: HOUR_MS })).toEqual(WINDOW);
  expect(resolveWindow(world([], 0), { lengthMs: HOUR_MS })).toEqual(WINDOW);
  expect(resolveWindow(world(), { fromMs: 1, toMs: 2 })).toEqual({ fromMs: 1, toMs: 2 });
});

test('compared with last week, the day before, just before, or nothing', () => {
  expect(comparedWindow(world(), WINDOW, 'nothing')).toBeUndefined();
  expect(comparedWindow(world(), WINDOW, 'week')).toEqual({ window: { fromMs: WINDOW.fromMs - WEEK_MS, toMs: NOW - WEEK_MS }, words: 'last Tuesday' });
  expect(comparedWindow(world(), WINDOW, 'day')?.window.toMs).toBe(NOW - DAY_MS);
  expect(comparedWindow(world(), WINDOW, 'before')?.window).toEqual({ fromMs: WINDOW.fromMs - HOUR_MS, toMs: WINDOW.fromMs });
});

test('compared with the time before the newest release; the first version ever seen is none', () => {
  const releases = [release('Shop', '1.0', NOW - 6 * DAY_MS), release('Shop', '1.1', NOW - 2 * DAY_MS), release('Desk', '7.0', NOW - 3 * HOUR_MS)];
  expect(isFirst(world(releases), releases[2] as World['releases'][number])).toBe(true);
  expect(comparedWindow(world(releases), WINDOW, 'release')).toEqual({
    window: { fromMs: NOW - 2 * DAY_MS - HOUR_MS, toMs: NOW - 2 * DAY_MS },
    words: 'before 1.1 of Shop',
  });
  expect(comparedWindow(world(releases), WINDOW, 'release', 'Desk')).toBeUndefined();
  expect(comparedWindow(world([]), WINDOW, 'release')).toBeUndefined();
});
