import { DAY_MS, HOUR_MS, WEEK_MS } from '@toplens/core/time';
import { comparedWindow, isFirst, resolveWindow } from './windows';
import type { Database } from '../../store/database';
import type { EngineState } from '../state/engine-state';

const NOW = Date.UTC(2026, 2, 10, 12);
const release = (application: string, version: string, firstMs: number) => ({ application, version, firstMs });
/** @param seen versions first seen in spans, as the database answers */
const state = (releases: EngineState['releases'] = [], judgedMs = NOW, seen: object[] = []) =>
  ({
    releases,
    judgedMs,
    watermarkMs: NOW + 5_000,
    database: { query: () => Promise.resolve(seen) } as unknown as Database,
  }) as EngineState;
const WINDOW = { fromMs: NOW - HOUR_MS, toMs: NOW };

test('a live window ends with the newest judged minute, a past one where it was asked to', () => {
  expect(resolveWindow(state(), { lengthMs: HOUR_MS })).toEqual(WINDOW);
  expect(resolveWindow(state([], 0), { lengthMs: HOUR_MS })).toEqual(WINDOW);
  expect(resolveWindow(state(), { fromMs: 1, toMs: 2 })).toEqual({ fromMs: 1, toMs: 2 });
});

test('compared with last week, the day before, just before, or nothing', async () => {
  expect(await comparedWindow(state(), WINDOW, 'nothing')).toBeUndefined();
  expect(await comparedWindow(state(), WINDOW, 'week')).toEqual({
    window: { fromMs: WINDOW.fromMs - WEEK_MS, toMs: NOW - WEEK_MS },
    words: 'last Tuesday',
  });
  expect((await comparedWindow(state(), WINDOW, 'day'))?.window.toMs).toBe(NOW - DAY_MS);
  expect((await comparedWindow(state(), WINDOW, 'before'))?.window).toEqual({
    fromMs: WINDOW.fromMs - HOUR_MS,
    toMs: WINDOW.fromMs,
  });
});

test('compared with the time before the newest release; the first version ever seen is none', async () => {
  const releases = [
    release('Shop', '1.0', NOW - 6 * DAY_MS),
    release('Shop', '1.1', NOW - 2 * DAY_MS),
    release('Desk', '7.0', NOW - 3 * HOUR_MS),
  ];
  expect(isFirst(state(releases), releases[2] as EngineState['releases'][number])).toBe(true);
  expect(await comparedWindow(state(releases), WINDOW, 'release')).toEqual({
    window: { fromMs: NOW - 2 * DAY_MS - HOUR_MS, toMs: NOW - 2 * DAY_MS },
    words: 'before 1.1 of Shop',
  });
  expect(await comparedWindow(state(releases), WINDOW, 'release', 'Desk')).toBeUndefined();
  expect(await comparedWindow(state([]), WINDOW, 'release')).toBeUndefined();
  expect(await comparedWindow(state(releases), WINDOW, { releaseMs: NOW - 2 * DAY_MS })).toMatchObject({
    words: 'before 1.1 of Shop',
  });
  expect(await comparedWindow(state(releases), WINDOW, { releaseMs: NOW - 4 * DAY_MS })).toBeUndefined();
  // Any component on the way may have been released after that.
  const seen = [{ component: 'prices', version: '4.18.0', firstMs: NOW - DAY_MS }];
  expect((await comparedWindow(state(releases, NOW, seen), WINDOW, 'release'))?.words).toBe('before 4.18.0 of prices');
});
