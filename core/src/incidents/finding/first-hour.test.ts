import { rollUp } from '../../flows';
import { columnsOf, type TestAttempt } from '../../fixtures/attempts';
import { History, type Deviation } from '../../normal';
import { normalDeviate, seededRandom } from '../../stats';
import { FAILED } from '../../telemetry';
import { HOUR_MS, MINUTE_MS } from '../../time';
import { countMinutes, deviationsIn } from '..';

/** Tuesday 10 March 2026, 10:00 UTC: the installation's first minute. */
const BEGIN = Date.UTC(2026, 2, 10, 10);

/** Two attempts a second. */
function attempts(minutes: number, wrong: (minute: number, random: () => number) => Partial<TestAttempt> = () => ({})) {
  const random = seededRandom(4);
  return Array.from({ length: minutes * 120 }, (_, i): TestAttempt => {
    const minute = Math.floor(i / 120);
    const durationMs = 200 * Math.exp(0.3 * normalDeviate(random));
    const { durationMs: times = 1, flags = 0 } = wrong(minute, random);
    return { startMs: BEGIN + (i * MINUTE_MS) / 120, durationMs: durationMs * times, flags, person: 1 + i };
  });
}

/** What is found when only the attempts up to a minute have come, in hours as the engine gets them. */
function foundAt(minute: number, all: readonly TestAttempt[], ownersLimitMs?: number): Deviation[] {
  const nowMs = BEGIN + minute * MINUTE_MS;
  const history = new History({ ownersLimit: () => ownersLimitMs });
  const known = all.filter(({ startMs }) => startMs < nowMs);
  const rowsOf = (hourMs: number) =>
    columnsOf(known.filter(({ startMs }) => startMs >= hourMs && startMs < hourMs + HOUR_MS));
  for (let hourMs = BEGIN; hourMs < nowMs; hourMs += HOUR_MS) history.putHour(hourMs, rollUp(rowsOf(hourMs)));
  const normalAt = (flow: number, timeMs: number) => history.normalAt(flow, timeMs);
  return deviationsIn(
    { fromMs: BEGIN, toMs: nowMs },
    (flow, hourMs) => countMinutes(rowsOf(hourMs), hourMs, normalAt).get(flow),
    { history, applicationOf: () => 1 },
  );
}

const fails = (share: number) => (_minute: number, random: () => number) => (random() < share ? { flags: FAILED } : {});

test('what fails for 40 % from the first minute on is found in the third', () => {
  const [first] = foundAt(3, attempts(3, fails(0.4)));
  expect(first).toMatchObject({ signal: 'failing', active: true, onsetMs: BEGIN });
});

test('what fails for one in a hundred, as services do, is not', () => {
  for (const minute of [3, 10, 30, 60, 90]) expect(foundAt(minute, attempts(90, fails(0.01)))).toEqual([]);
});

test('slowness by six times that begins in the tenth minute is found within three, and lasts as long as it does', () => {
  const all = attempts(120, (minute) => (minute >= 10 && minute < 100 ? { durationMs: 6 } : {}));
  expect(foundAt(10, all)).toEqual([]);
  expect(foundAt(13, all)).toMatchObject([{ signal: 'slow', onsetMs: BEGIN + 10 * MINUTE_MS }]);
  // Nine tenths of what is known are slow by then: it does not become usual.
  for (const minute of [40, 70, 95])
    expect(foundAt(minute, all)).toMatchObject([{ signal: 'slow', active: true, onsetMs: BEGIN + 10 * MINUTE_MS }]);
  expect(foundAt(120, all)).toMatchObject([{ active: false, endMs: BEGIN + 100 * MINUTE_MS }]);
});

test('an owner’s limit judges at once', () => {
  expect(foundAt(3, attempts(3), 150)).toMatchObject([{ signal: 'slow', active: true }]);
  expect(foundAt(3, attempts(3), 800)).toEqual([]);
});

test('what a person waits for longer than ten seconds is found before the flow has shown its own', () => {
  const few = Array.from({ length: 12 }, (_, i) => ({
    startMs: BEGIN + i * 15_000,
    durationMs: 25_000,
    person: i + 1,
  }));
  expect(foundAt(3, few)).toMatchObject([{ signal: 'slow' }]);
});

test('attempts that stop coming after a quarter of an hour are missed', () => {
  const all = attempts(30).filter(({ startMs }) => startMs < BEGIN + 20 * MINUTE_MS);
  expect(foundAt(19, all)).toEqual([]);
  expect(foundAt(25, all)).toMatchObject([{ signal: 'missing', level: 'broken', onsetMs: BEGIN + 20 * MINUTE_MS }]);
});
