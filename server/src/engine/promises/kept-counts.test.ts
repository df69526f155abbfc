import type { Hours } from '../state/hours';
import type { Counter, HourCount } from './hour-count';
import { KeptCounts, type KeptCount } from './kept-counts';

const counter = (more: Partial<Counter> = {}): Counter => ({ flow: 1, indicator: 'inTime', limitMs: 500, ...more });
const kept: KeptCount = { count: {} as HourCount, version: 1, judgedBy: 0, counted: '', untilMs: Infinity };
const hours = () => ({}) as Hours;

test('a lane is that of its flow, indicator, limit and share alone', () => {
  const counts = KeptCounts.of(hours());
  counts.keep(counts.lane(counter()), 0, kept);
  expect(counts.lane(counter()).get(0)).toBe(kept);
  const others = [counter({ flow: 2 }), counter({ limitMs: 501 }), counter({ indicator: 'people' })];
  for (const other of others) expect(counts.lane(other).size).toBe(0);
});

test('what is counted goes with the attempts that it was counted of', () => {
  const one = hours();
  const counts = KeptCounts.of(one);
  expect(KeptCounts.of(one)).toBe(counts);
  expect(KeptCounts.of(hours())).not.toBe(counts);
});

test('where too many are kept, the lane goes that was asked for longest ago, and none that is being filled', () => {
  const counts = KeptCounts.of(hours());
  const old = counter({ flow: 1 });
  counts.keep(counts.lane(old), 0, kept);
  const full = counts.lane(counter({ flow: 2 }));
  for (let hour = 0; hour < 400_000; hour++) counts.keep(full, hour, kept);
  expect(full.size).toBe(400_000);
  expect(counts.lane(counter({ flow: 2 }))).toBe(full);
  expect(counts.lane(old).size).toBe(0);
});
