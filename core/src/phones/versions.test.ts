import { wilson } from '../stats';
import { versionFigures, type VersionTally } from './index';

const tally = (version: string, launches: number, crashes: number, more: Partial<VersionTally> = {}): VersionTally => ({
  version,
  launches,
  crashes,
  people: launches,
  peopleCrashed: crashes,
  coldStartsMs: [],
  warmStartsMs: [],
  sessions: 0,
  requests: 0,
  requestsFailed: 0,
  requestsMs: [],
  errors: 0,
  cpu: [],
  memory: [],
  ...more,
});
const starts = (fromMs: number) => Array.from({ length: 200 }, (_, i) => fromMs + (i % 50) * 10);

test('the version that crashes more than chance stands out, the others by its absence', () => {
  const [newest, older, oldest] = versionFigures([
    tally('7.3.0', 1_000, 60),
    tally('7.2.0', 4_000, 20),
    tally('7.1.0', 500, 3),
  ]);
  expect(newest?.crashRate).toEqual(wilson(60, 1_000));
  expect(newest?.crashFree?.estimate).toBeCloseTo(0.94, 9);
  expect(newest?.standsOut).toEqual([
    { what: 'crashes', times: expect.closeTo(60 / 1000 / (23 / 4500), 9) as number, isWorse: true },
  ]);
  expect(older?.standsOut).toEqual([
    { what: 'crashes', times: expect.closeTo(20 / 4000 / (63 / 1500), 9) as number, isWorse: false },
  ]);
  expect(oldest?.standsOut).toEqual([]);
});

test('a slower cold start stands out by its rank, told as a ratio of medians', () => {
  const [newest] = versionFigures([
    tally('7.3.0', 200, 0, { coldStartsMs: starts(1_500) }),
    tally('7.2.0', 200, 0, { coldStartsMs: starts(1_000) }),
  ]);
  expect(newest?.standsOut).toEqual([{ what: 'coldStart', times: 1750 / 1250, isWorse: true }]);
});

test.each([
  ['warmStart', { warmStartsMs: starts(1_500) }, { warmStartsMs: starts(1_000) }, 1750 / 1250],
  ['requestTime', { requestsMs: starts(1_500) }, { requestsMs: starts(1_000) }, 1750 / 1250],
  ['cpu', { cpu: starts(1_500) }, { cpu: starts(1_000) }, 1750 / 1250],
  ['memory', { memory: starts(1_500) }, { memory: starts(1_000) }, 1750 / 1250],
  ['requestsFailed', { requests: 1_000, requestsFailed: 60 }, { requests: 2_000, requestsFailed: 40 }, 3],
  ['errors', { sessions: 100, errors: 60 }, { sessions: 200, errors: 40 }, 3],
])('%s of a version is compared as well', (what, own, others, times) => {
  const [newest, older] = versionFigures([tally('7.3.0', 0, 0, own), tally('7.2.0', 0, 0, others)]);
  expect(newest?.standsOut).toEqual([{ what, times: expect.closeTo(times, 9) as number, isWorse: true }]);
  expect(older?.standsOut).toMatchObject([{ what, isWorse: false }]);
});

test('what differs by less than a twentieth is not said, however many samples there are', () => {
  const many = (fromMs: number) => Array.from({ length: 4_000 }, (_, i) => fromMs + (i % 100));
  expect(
    versionFigures([tally('a', 0, 0, { cpu: many(1_020) }), tally('b', 0, 0, { cpu: many(1_000) })])[0]?.standsOut,
  ).toEqual([]);
  expect(
    versionFigures([tally('a', 0, 0, { cpu: many(1_080) }), tally('b', 0, 0, { cpu: many(1_000) })])[0]?.standsOut,
  ).toHaveLength(1);
});

test('chance alone stands out in hardly any of fifty worlds', () => {
  let said = 0;
  for (let world = 0; world < 50; world++) {
    const crashes = (n: number) => 4 + ((world * 7 + n * 3) % 5);
    said += versionFigures([0, 1, 2, 3].map((n) => tally(`7.${n}`, 1_000, crashes(n)))).filter(
      ({ standsOut }) => standsOut.length > 0,
    ).length;
  }
  expect(said).toBe(0);
});

test('one version alone, and one without launches, are compared with nothing', () => {
  expect(versionFigures([tally('7.3.0', 10, 5)])[0]?.standsOut).toEqual([]);
  expect(versionFigures([tally('7.3.0', 0, 2), tally('7.2.0', 10, 0)])[0]).toMatchObject({
    crashRate: undefined,
    standsOut: [],
  });
});
