import { HOUR_MS } from '@toplens/core/time';
import { ChangedHours } from './changed-hours';

const NOW = Date.UTC(2026, 2, 10, 12, 10);
const LIVE = Date.UTC(2026, 2, 10, 12);
const OLD = LIVE - 30 * HOUR_MS;

test('the hour that is going on is judged at once; an old one when nothing comes into it any more', () => {
  const changed = new ChangedHours();
  changed.touch(LIVE, NOW);
  changed.touch(OLD, NOW);
  expect(changed.take(false, NOW)).toEqual([LIVE]);
  changed.touch(OLD, NOW + 3_000);
  expect(changed.has(false, NOW + 5_000)).toBe(false);
  expect(changed.take(false, NOW + 7_000)).toEqual([OLD]);
  expect(changed.has(true, NOW + 7_000)).toBe(false);
});

test('what trickles into an old hour does not keep it waiting for longer than half a minute', () => {
  const changed = new ChangedHours();
  for (let s = 0; s < 30; s++) {
    changed.touch(OLD, NOW + s * 1_000);
    expect(changed.has(false, NOW + s * 1_000)).toBe(false);
  }
  changed.touch(OLD, NOW + 30_000);
  expect(changed.take(false, NOW + 30_000)).toEqual([OLD]);
});

test('nothing is waited for when all is wanted now, after a setting, or when the clock was set back', () => {
  const changed = new ChangedHours();
  changed.touch(OLD, NOW);
  expect(changed.take(true, NOW)).toEqual([OLD]);
  changed.add(OLD);
  expect(changed.take(false, NOW)).toEqual([OLD]);
  changed.touch(OLD, NOW);
  expect(changed.take(false, NOW - HOUR_MS)).toEqual([OLD]);
});
