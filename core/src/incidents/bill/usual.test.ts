import { learnSuccession, rollUp } from '../../flows';
import { columnsOf, type TestAttempt } from '../../fixtures/attempts';
import { History } from '../../normal';
import { poissonDeviate, seededRandom } from '../../stats';
import { FAILED, PROBE } from '../../telemetry';
import { DAY_MS, HOUR_MS, MINUTE_MS } from '../../time';
import {
  billContext,
  DEFAULT_RATES,
  harmBill,
  learnUsualMix,
  Register,
  surroundingsOf,
  todaysLevel,
  usualPeople,
} from '..';

const NOW = Date.UTC(2026, 2, 10, 10);

describe('what is usual around an incident', () => {
  const rows = columnsOf([
    { startMs: NOW, flow: 1, tier: 1, valueMinor: 1000, site: 1 },
    { startMs: NOW, flow: 1, tier: 1, valueMinor: 3000, site: 2 },
    { startMs: NOW, flow: 1, tier: 2, valueMinor: 9000, site: 1 },
    { startMs: NOW, flow: 1, tier: 2, flags: FAILED, valueMinor: 99_000, site: 1 },
    { startMs: NOW, flow: 1, tier: 2, flags: PROBE, valueMinor: 99_000, site: 1 },
    { startMs: NOW, flow: 2, tier: 1, site: 2 },
  ]);

  test('values by tier, without failures and probes; shares of tiers', () => {
    const mix = learnUsualMix(rows);
    expect([
      mix.expectedValue(1, 1),
      mix.expectedValue(1, 2),
      mix.expectedValue(2, 1),
      mix.expectedValue(1, 7),
    ]).toEqual([20, 90, 0, 0]);
    // 10 and 30: standard deviation of a sample √((10² + 10²) / 1); a single value has none.
    expect([mix.valueSpread(1, 1), mix.valueSpread(1, 2), mix.valueSpread(1, 7)]).toEqual([Math.sqrt(200), 0, 0]);
    expect([...mix.tierShares(1)]).toEqual([
      [1, 0.5],
      [2, 0.5],
    ]);
    expect([mix.shareWhere(1), mix.shareWhere(9)]).toEqual([1, 1]);
  });

  test('of a slice: its own tiers, and its share of the flow', () => {
    const mix = learnUsualMix(rows, (row) => rows.site[row] === 1);
    expect(mix.shareWhere(1)).toBe(0.75);
    expect(mix.tierShares(1).get(1)).toBeCloseTo(1 / 3, 9);
    expect(mix.shareWhere(2)).toBe(0);
  });

  test('people of stretches as long as the window, each once, probes left out', () => {
    const before = columnsOf(
      Array.from({ length: 360 }, (_, i): TestAttempt => ({
        startMs: NOW - 6 * HOUR_MS + i * MINUTE_MS,
        person: 1 + (i % 20),
        flags: i % 60 === 0 ? PROBE : 0,
      })),
    );
    const usual = usualPeople(before, NOW, new Set([1]), { fromMs: NOW, toMs: NOW + HOUR_MS });
    expect(usual.mean).toBe(20);
    expect(usual.attempts).toBe(59);
    expect(usualPeople(before, NOW, new Set([2]), { fromMs: NOW, toMs: NOW + HOUR_MS })).toMatchObject({
      mean: 0,
      attempts: 0,
    });
  });
});

test("today's level follows what came in the hours before, and passes over trouble", () => {
  const random = seededRandom(2);
  const history = new History();
  const hour = (at: number, rate: number) =>
    history.putHour(
      at,
      rollUp(
        columnsOf(
          Array.from({ length: poissonDeviate(random, rate * 60) }, (_, i) => ({
            startMs: at + ((i * 7919) % 3600) * 1000,
          })),
        ),
      ),
    );
  for (let at = NOW - 6 * DAY_MS; at < NOW - 5 * HOUR_MS; at += HOUR_MS) hour(at, 20);
  for (let at = NOW - 5 * HOUR_MS; at < NOW; at += HOUR_MS) hour(at, 24);
  const level = todaysLevel(history, () => false, 1, NOW);
  expect(level).toBeGreaterThan(1.13);
  expect(level).toBeLessThan(1.27);
  expect(todaysLevel(history, () => true, 1, NOW)).toBe(1);
});

test('people of two incidents together are no more than those of each added; a slice is no more than the whole', () => {
  const random = seededRandom(8);
  const flows = [1, 2];
  const make = (fromMs: number, hours: number, bad: boolean) =>
    Array.from({ length: hours * 60 * 12 }, (_, i): TestAttempt => {
      const startMs = fromMs + (i * MINUTE_MS) / 12;
      const inTrouble = bad && startMs >= NOW - 40 * MINUTE_MS;
      return {
        startMs,
        flow: 1 + (i % 2),
        site: 1 + (i % 3),
        tier: 1,
        person: 1 + Math.floor(random() * 900),
        durationMs: 150 + 100 * random(),
        flags: inTrouble && random() < 0.5 ? FAILED : 0,
      };
    });
  const register = new Register();
  const history = new History();
  for (let at = NOW - 5 * DAY_MS; at < NOW - HOUR_MS; at += HOUR_MS)
    history.putHour(at, rollUp(columnsOf(make(at, 1, false))));
  const all = make(NOW - 4 * HOUR_MS, 4, true);
  const part = (flow: number) => ({
    flow,
    signal: 'failing' as const,
    onsetMs: NOW - 40 * MINUTE_MS,
    endMs: NOW,
    firedMs: NOW,
    active: true,
    level: 'broken' as const,
    excess: 90,
    z: 20,
  });
  const window = { fromMs: NOW - HOUR_MS, toMs: NOW };
  const bill = (parts: ReturnType<typeof part>[], rows: TestAttempt[]) => {
    const columns = columnsOf(rows);
    const around = surroundingsOf(
      NOW - 40 * MINUTE_MS,
      { dayBefore: columns, hoursBefore: columns },
      learnSuccession(columns),
    );
    const settings = { rates: DEFAULT_RATES, importanceOf: () => 1, isKeyTier: () => false, promises: [] };
    return harmBill(
      parts,
      window,
      billContext(columns, { knownUntilMs: NOW, surroundings: around, judge: { history, register }, settings }),
    );
  };
  const [one, two] = flows.map((flow) => bill([part(flow)], all)) as [ReturnType<typeof bill>, ReturnType<typeof bill>];
  const both = bill(flows.map(part), all);
  expect(both.people.estimate).toBeLessThanOrEqual(one.people.estimate + two.people.estimate + 1e-6);
  expect(both.people.estimate).toBeGreaterThanOrEqual(Math.max(one.people.estimate, two.people.estimate) - 1e-6);
  const slice = bill(
    [part(1)],
    all.filter(({ site }) => site === 1),
  );
  expect(slice.people.estimate).toBeLessThan(one.people.estimate);
  expect(slice.harm.estimate).toBeLessThan(one.harm.estimate);
});
