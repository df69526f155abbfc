import { emptyColumns, type AttemptColumns } from '@toplens/core/telemetry';
import { DAY_MS, HOUR_MS } from '@toplens/core/time';
import { ComingIn } from './coming-in';

const NOW = Date.UTC(2026, 2, 10, 12);
/** So many attempts of a second each that began so long ago. */
function rows(n: number, agoMs: number): AttemptColumns {
  const columns = emptyColumns(n);
  columns.startMs.fill(NOW - agoMs);
  columns.durationMs.fill(1_000);
  columns.n = n;
  return columns;
}

let nowMs = NOW;
beforeEach(() => (nowMs = NOW));
const comingIn = () => new ComingIn(() => nowMs);

test('a history that is being loaded is told with its time, until it is over for twenty seconds', () => {
  const coming = comingIn();
  coming.add(rows(2_000, 4 * DAY_MS));
  expect(coming.earlier).toEqual({ fromMs: NOW - 4 * DAY_MS, toMs: NOW - 4 * DAY_MS + 1_000 });
  coming.add(rows(2_000, 3 * DAY_MS));
  expect(coming.earlier?.fromMs).toBe(NOW - 3 * DAY_MS);
  nowMs = NOW + 20_001;
  expect(coming.earlier).toBeNull();
});

test.each([
  ['what is of now', [rows(5_000, 60_000)]],
  ['a phone that was away for a day', [rows(400, DAY_MS), rows(50, 60_000)]],
  ['many phones that were away, beside more that is of now', [rows(1_500, HOUR_MS), rows(4_000, 60_000)]],
])('%s is not a history', (_what, batches) => {
  const coming = comingIn();
  for (const batch of batches) coming.add(batch);
  expect(coming.earlier).toBeNull();
});

test('a clock that was set back forgets what it took in times to come', () => {
  const coming = comingIn();
  coming.add(rows(2_000, 4 * DAY_MS));
  nowMs = NOW - HOUR_MS;
  expect(coming.earlier).toBeNull();
});
