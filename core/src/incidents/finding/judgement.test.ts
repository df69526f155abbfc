import fc from 'fast-check';
import { learnSuccession, rollUp } from '../../flows';
import { columnsOf, type TestAttempt } from '../../fixtures/attempts';
import { normalWith } from '../../fixtures/normal';
import { History } from '../../normal';
import { normalDeviate, poissonDeviate, seededRandom } from '../../stats';
import { FAILED, PAGE } from '../../telemetry';
import { DAY_MS, HOUR_MS, MINUTE_MS } from '../../time';
import { countMinutes, deviationsIn, isOutdated, judgeStretch, minuteSeries, Register, type Judge } from '..';

// Tuesday 10 March 2026, 10:00 UTC.
const NOW = Date.UTC(2026, 2, 10, 10);
const SITES = 4;

interface Hurt {
  flows: number[];
  site?: number;
  fromMs: number;
  toMs: number;
  kind: 'failing' | 'slow';
}

/** Attempts of some flows at a rate, with trouble in some of them. */
function attempts(
  fromMs: number,
  hours: number,
  {
    flows,
    perMinute,
    troubles = [],
    seed = 3,
  }: { flows: readonly number[]; perMinute: number; troubles?: readonly Hurt[]; seed?: number },
): TestAttempt[] {
  const random = seededRandom(seed + Math.floor(fromMs / HOUR_MS));
  const rows: TestAttempt[] = [];
  for (let minute = 0; minute < hours * 60; minute++)
    for (const flow of flows)
      for (let n = poissonDeviate(random, perMinute); n > 0; n--) {
        const startMs = fromMs + (minute + random()) * MINUTE_MS;
        const site = 1 + Math.floor(random() * SITES);
        const trouble = troubles.find(
          (one) =>
            one.flows.includes(flow) &&
            startMs >= one.fromMs &&
            startMs < one.toMs &&
            (one.site === undefined || one.site === site),
        );
        const failed = (trouble?.kind === 'failing' && random() < 0.8) || random() < 0.003;
        const durationMs = 200 * Math.exp(0.3 * normalDeviate(random)) * (trouble?.kind === 'slow' ? 6 : 1);
        rows.push({
          startMs,
          flow,
          site,
          durationMs,
          flags: failed ? FAILED : 0,
          person: 1 + Math.floor(random() * 5_000),
        });
      }
  return rows;
}

/** A history of eight days, and a judge over the hours before `NOW`. */
function judge(
  flows: readonly number[],
  perMinute: number,
  {
    troubles,
    more = {},
    siteLimits = new Map<number, number>(),
  }: { troubles: readonly Hurt[]; more?: Partial<Judge>; siteLimits?: Map<number, number> },
) {
  const register = new Register();
  const history = new History({
    isMasked: (flow, startMs) => register.touches(flow, { fromMs: startMs, toMs: startMs + 300_000 }),
    siteLimits: () => siteLimits,
  });
  for (let at = NOW - 8 * DAY_MS; at < NOW - 3 * HOUR_MS; at += HOUR_MS)
    history.putHour(at, rollUp(columnsOf(attempts(at, 1, { flows, perMinute }))));
  const window = { fromMs: NOW - 3 * HOUR_MS, toMs: NOW };
  const today = attempts(window.fromMs, 3, { flows, perMinute, troubles, seed: 77 });
  for (let at = window.fromMs; at < NOW; at += HOUR_MS)
    history.putHour(at, rollUp(columnsOf(today.filter(({ startMs }) => startMs >= at && startMs < at + HOUR_MS))));
  const judged: Judge = { history, register, applicationOf: () => 1, ...more };
  const rows = columnsOf(today);
  const normalAt = (flow: number, timeMs: number) => history.normalAt(flow, timeMs);
  const hours = new Map(
    [0, 1, 2].map((k) => [window.fromMs + k * HOUR_MS, countMinutes(rows, window.fromMs + k * HOUR_MS, normalAt)]),
  );
  const deviations = deviationsIn(window, (flow, hourMs) => hours.get(hourMs)?.get(flow), judged);
  judgeStretch(deviations, { rows, succession: learnSuccession(rows), window, judge: judged });
  return { register, history, deviations, rows, window };
}

const shapes = (register: Register) =>
  register.all.map(({ parts }) => [...new Set(parts.map(({ flow }) => flow))].sort());

test('everything slow at one site is one incident with all its flows, also those too quiet to show it alone', () => {
  const { register } = judge([1, 2, 3], 3, {
    troubles: [{ flows: [1, 2, 3], site: 2, kind: 'slow', fromMs: NOW - 60 * MINUTE_MS, toMs: NOW }],
  });
  expect(shapes(register)).toEqual([[1, 2, 3]]);
  const [incident] = register.all;
  expect(Math.abs(((incident?.onsetMs as number) - (NOW - 60 * MINUTE_MS)) / MINUTE_MS)).toBeLessThanOrEqual(6);
});

test('two flows that fail at the same time for everybody are two incidents, unless traces lead to one component', () => {
  const troubles: Hurt[] = [1, 2].map((flow) => ({
    flows: [flow],
    kind: 'failing',
    fromMs: NOW - 40 * MINUTE_MS,
    toMs: NOW,
  }));
  expect(shapes(judge([1, 2, 3], 8, { troubles }).register)).toEqual([[1], [2]]);
  expect(
    shapes(
      judge([1, 2, 3], 8, { troubles, more: { suspectsOf: () => [{ component: 'parcels-db', score: 0.8 }] } }).register,
    ),
  ).toEqual([[1, 2]]);
});

test('the line of a site is one trouble over several applications', () => {
  const { register } = judge([1, 2, 3], 8, {
    troubles: [{ flows: [1, 2, 3], site: 2, kind: 'slow', fromMs: NOW - 60 * MINUTE_MS, toMs: NOW }],
    more: { applicationOf: (flow) => flow },
  });
  expect(shapes(register)).toEqual([[1, 2, 3]]);
});

test('troubles of two sites at the same time stay two', () => {
  const troubles: Hurt[] = [
    { flows: [1], site: 1, kind: 'failing', fromMs: NOW - 50 * MINUTE_MS, toMs: NOW },
    { flows: [2], site: 3, kind: 'failing', fromMs: NOW - 50 * MINUTE_MS, toMs: NOW },
  ];
  expect(shapes(judge([1, 2, 3], 8, { troubles }).register)).toEqual([[1], [2]]);
});

test('a quiet stretch has no incident; what judged a part is kept with it', () => {
  expect(judge([1, 2, 3], 8, { troubles: [] }).register.all).toEqual([]);
  const { register } = judge([1], 8, {
    troubles: [{ flows: [1], kind: 'failing', fromMs: NOW - 40 * MINUTE_MS, toMs: NOW }],
  });
  expect(register.all[0]?.parts[0]?.judgedBy).toMatchObject({ basis: 'dayPattern', limitBy: 'learned' });
});

test('judged again with the same attempts nothing changes', () => {
  const { register, history, deviations, rows, window } = judge([1, 2], 6, {
    troubles: [{ flows: [1], kind: 'slow', fromMs: NOW - 40 * MINUTE_MS, toMs: NOW }],
  });
  expect(
    judgeStretch(deviations, {
      rows,
      succession: learnSuccession(rows),
      window,
      judge: { history, register, applicationOf: () => 1 },
    }),
  ).toEqual([]);
});

describe('counts by minute', () => {
  const normalAt = () => normalWith({ lateShare: 0.01, failedShare: 0.01, volumeSpread: 0.05 });
  const row = fc.record({
    startMs: fc.integer({ min: NOW, max: NOW + HOUR_MS - 1 }),
    durationMs: fc.integer({ min: 1, max: 40_000 }),
    flow: fc.integer({ min: 1, max: 3 }),
    flags: fc.constantFrom(0, FAILED),
  });

  test('of a person’s loads of a page the first in the hour counts, in any order; who is not named counts each time', () => {
    const load = fc.record({
      startMs: fc.integer({ min: NOW, max: NOW + HOUR_MS - 1 }),
      durationMs: fc.integer({ min: 1, max: 9 }),
      flow: fc.constantFrom(1, 2),
      flags: fc.constantFrom(PAGE, PAGE | FAILED),
      person: fc.nat(3),
    });
    fc.assert(
      fc.property(fc.array(load, { maxLength: 40 }), (loads) => {
        const counted = countMinutes(columnsOf(loads), NOW, normalAt);
        expect(countMinutes(columnsOf([...loads].reverse()), NOW, normalAt)).toEqual(counted);
        for (const flow of [1, 2]) {
          const own = loads.filter((one) => one.flow === flow);
          const expected =
            new Set(own.map(({ person }) => person).filter((person) => person !== 0)).size +
            own.filter(({ person }) => person === 0).length;
          expect((counted.get(flow)?.attempts ?? new Uint32Array()).reduce((sum, n) => sum + n, 0)).toBe(expected);
        }
      }),
    );
  });

  test('batches and order make no difference, and nothing is lost between counts and series', () => {
    fc.assert(
      fc.property(fc.array(row, { maxLength: 60 }), (rows) => {
        const counted = countMinutes(columnsOf(rows), NOW, normalAt);
        expect(countMinutes(columnsOf([...rows].reverse()), NOW, normalAt)).toEqual(counted);
        const series = minuteSeries(
          [1, 2, 3],
          { fromMs: NOW - HOUR_MS, toMs: NOW + HOUR_MS },
          (flow, hourMs) => (hourMs === NOW ? counted.get(flow) : undefined),
          normalAt,
        );
        const sum = (values: Int32Array) => values.reduce((total, value) => total + value, 0);
        for (const flow of [1, 2, 3]) {
          const own = rows.filter((one) => one.flow === flow);
          expect(sum(series.get(flow)?.attempts as Int32Array)).toBe(own.length);
          expect(sum(series.get(flow)?.failed as Int32Array)).toBe(own.filter(({ flags }) => flags === FAILED).length);
          expect(sum(series.get(flow)?.late as Int32Array)).toBe(
            own.filter(({ flags, durationMs }) => flags === 0 && durationMs > 500).length,
          );
        }
      }),
    );
  });

  test('another limit makes them outdated', () => {
    const counted = countMinutes(columnsOf([{ startMs: NOW, flow: 1 }]), NOW, normalAt);
    expect(isOutdated(counted, NOW, normalAt)).toBe(false);
    expect(isOutdated(counted, NOW, () => normalWith({ limitMs: 400 }))).toBe(true);
  });
});

test('a limit of one site judges there alone; what is usual there against it is no trouble, more than that is', () => {
  const tight = new Map([[2, 260]]);
  const late = ({ rows, history, window }: ReturnType<typeof judge>) => {
    const hour = countMinutes(rows, window.fromMs, (flow, timeMs) => history.normalAt(flow, timeMs)).get(1);
    return {
      late: hour?.late.reduce((sum, n) => sum + n, 0) ?? NaN,
      usual: hour?.usualLate?.reduce((sum, n) => sum + n, 0),
    };
  };
  const quiet = judge([1], 20, { troubles: [], more: {}, siteLimits: tight });
  // A fifth of a quarter of 1,200: a log-normal 200 ms with spread 0.3 lies above 260 ms with probability 1 − Φ(ln 1.3
  // / 0.3) = 0.191.
  expect(late(quiet).late).toBeGreaterThan(35);
  expect(late(quiet).late / (late(quiet).usual ?? NaN)).toBeGreaterThan(0.7);
  expect(late(quiet).late / (late(quiet).usual ?? NaN)).toBeLessThan(1.3);
  expect(late(judge([1], 20, { troubles: [] }))).toEqual({ late: expect.any(Number) as number, usual: undefined });
  expect(late(judge([1], 20, { troubles: [] })).late).toBeLessThan(15);
  expect(quiet.deviations).toEqual([]);
  const slow = [{ flows: [1], site: 2, kind: 'slow' as const, fromMs: NOW - 60 * MINUTE_MS, toMs: NOW }];
  expect(shapes(judge([1], 20, { troubles: slow, more: {}, siteLimits: tight }).register)).toEqual([[1]]);
});
