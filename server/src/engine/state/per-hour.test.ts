import { emptyColumns } from '@toplens/core/telemetry';
import { PerHour } from './per-hour';

test('what was summed is kept with its hour and slice; the slice asked for longest ago goes first', () => {
  const kept = new PerHour<string>();
  const hour = emptyColumns(1);
  let made = 0;
  const get = (slice: string, columns = hour) => kept.get(columns, slice, () => `${slice} ${++made}`);
  expect(get('a')).toBe('a 1');
  expect(get('a')).toBe('a 1');
  for (const slice of ['b', 'c', 'd', 'e', 'f']) get(slice);
  expect(get('a')).toBe('a 1');
  // A seventh: b is the one that nobody asked for again.
  get('g');
  expect(get('a')).toBe('a 1');
  expect(get('b')).toBe('b 8');
});

test('an hour that was made anew is summed anew', () => {
  const kept = new PerHour<number>();
  let made = 0;
  expect(kept.get(emptyColumns(1), '', () => ++made)).toBe(1);
  expect(kept.get(emptyColumns(1), '', () => ++made)).toBe(2);
});
