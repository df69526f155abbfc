import { refusedSample } from './refused-sample';

test.each([
  ['span', 'POST /pay', Date.UTC(2026, 10, 25, 8) * 1000, 'span “POST /pay” of 2026-11-25T08:00:00.000Z'],
  ['log record', '', 0, 'log record'],
  ['metric', 'cpu', Number.NaN, 'metric “cpu”'],
  ['metric', 'cpu', 1e30, 'metric “cpu”'],
  ['metric', 'cpu', -1, 'metric “cpu”'],
  ['span', 'x'.repeat(200), 0, `span “${'x'.repeat(120)}…”`],
])('%s %s at %d', (kind, name, atUs, words) => {
  expect(refusedSample(kind, name, atUs)).toBe(words);
});
