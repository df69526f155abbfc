import fc from 'fast-check';
import { histogramCount } from '@toplens/core/stats';
import { FAILED, PROBE, sortedByFlow } from '@toplens/core/telemetry';
import { HOUR_MS, MINUTE_MS } from '@toplens/core/time';
import { columnsOf, FIRST_HOUR_MS as HOUR, hoursOf } from '../../fixtures/hours';
import { flowSums } from './flow-sums';
import type { EngineState } from '../state/engine-state';

const LIMIT_MS = 500;

interface Attempt {
  minute: number;
  durationMs: number;
  flow: number;
  flags: number;
  person: number;
  site: number;
}

function stateOf(attempts: readonly Attempt[], sealed: boolean): EngineState {
  return {
    hours: hoursOf(attempts, sealed ? HOUR + 20 * HOUR_MS : undefined),
    names: {
      flows: [1, 2].map((id) => ({ id, application: 'Shop' })),
      numberOf: (_dimension: string, value: string) => Number(value),
    },
    history: { normalAt: () => ({ limitMs: LIMIT_MS, sites: new Map() }) },
  } as unknown as EngineState;
}

/** The same sums, the slow and plain way. */
function plainly(
  attempts: readonly Attempt[],
  flow: number,
  { fromMs, toMs, site }: { fromMs: number; toMs: number; site?: number },
) {
  const own = attempts.filter(
    (one) =>
      one.flow === flow &&
      !(one.flags & PROBE) &&
      (site === undefined || one.site === site) &&
      HOUR + one.minute * MINUTE_MS >= fromMs &&
      HOUR + one.minute * MINUTE_MS < toMs,
  );
  const isHurt = ({ flags, durationMs }: Attempt) => (flags & FAILED) !== 0 || durationMs > LIMIT_MS;
  const distinct = (some: readonly Attempt[]) =>
    new Set(some.filter(({ person }) => person !== 0).map(({ person }) => person)).size +
    some.filter(({ person }) => person === 0).length;
  return {
    attempts: own.length,
    failed: own.filter(({ flags }) => flags & FAILED).length,
    people: distinct(own),
    hurt: distinct(own.filter(isHurt)),
    onTime: own.filter((one) => !isHurt(one)).length,
    maxMs: Math.max(0, ...own.filter(({ flags }) => !(flags & FAILED)).map(({ durationMs }) => durationMs)),
  };
}

const attempt = fc.record({
  minute: fc.integer({ min: 0, max: 899 }),
  durationMs: fc.integer({ min: 1, max: 4_000 }),
  flow: fc.integer({ min: 1, max: 2 }),
  flags: fc.constantFrom(0, 0, FAILED, PROBE),
  person: fc.integer({ min: 0, max: 12 }),
  site: fc.integer({ min: 1, max: 3 }),
});

test('any window and slice, from open hours or sealed ones, sums up as plain counting does', async () => {
  await fc.assert(
    fc.asyncProperty(
      fc.array(attempt, { minLength: 1, maxLength: 80 }),
      fc.tuple(fc.integer({ min: 0, max: 900 }), fc.integer({ min: 0, max: 900 })),
      fc.option(fc.integer({ min: 1, max: 3 }), { nil: undefined }),
      fc.boolean(),
      async (attempts, ends, site, sealed) => {
        const [fromMs, toMs] = [HOUR + Math.min(...ends) * MINUTE_MS, HOUR + (Math.max(...ends) + 1) * MINUTE_MS];
        const state = stateOf(attempts, sealed);
        const focus = { values: site === undefined ? {} : { site: String(site) } };
        // Twice: the second time whole hours are known already.
        await flowSums(state, { fromMs, toMs }, focus);
        const sums = await flowSums(state, { fromMs, toMs }, focus);
        for (const flow of [1, 2]) {
          const expected = plainly(attempts, flow, { fromMs, toMs, site });
          const found = sums.get(flow);
          if (expected.attempts === 0) expect(found).toBeUndefined();
          else {
            expect({ ...found, onTime: found?.outcomes.onTime }).toMatchObject(expected);
            expect(histogramCount(found?.durations as Uint32Array)).toBe(expected.attempts - expected.failed);
          }
        }
      },
    ),
    { numRuns: 150 },
  );
});

test('rows sorted by flow are the same rows, each flow in one run and in order of time', () => {
  fc.assert(
    fc.property(fc.array(attempt, { maxLength: 60 }), (attempts) => {
      const { columns, ranges } = sortedByFlow(columnsOf(attempts));
      expect(columns.n).toBe(attempts.length);
      let seen = 0;
      for (const [flow, [from, to]] of ranges) {
        seen += to - from;
        for (let i = from; i < to; i++) {
          expect(columns.flow[i]).toBe(flow);
          if (i > from) expect(columns.startMs[i]).toBeGreaterThanOrEqual(columns.startMs[i - 1] as number);
        }
      }
      expect(seen).toBe(attempts.length);
    }),
  );
});
