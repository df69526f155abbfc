import fc from 'fast-check';
import { PROBE } from '@toplens/core/telemetry';
import { HOUR_MS, MINUTE_MS } from '@toplens/core/time';
import { FIRST_HOUR_MS as HOUR, hoursOf } from '../../fixtures/hours';
import { remainingIn } from './remaining';
import type { EngineState } from '../state/engine-state';

const attempt = fc.record({
  minute: fc.integer({ min: 0, max: 179 }),
  flow: fc.integer({ min: 1, max: 2 }),
  flags: fc.constantFrom(0, 0, 0, PROBE),
  person: fc.integer({ min: 0, max: 6 }),
  session: fc.constantFrom(0, 0, 1, 2, 77, 2 ** 31, 2 ** 32 - 1),
  site: fc.integer({ min: 1, max: 3 }),
});
type Attempt = typeof attempt extends fc.Arbitrary<infer T> ? T : never;

function stateOf(attempts: readonly Attempt[], sealed: boolean): EngineState {
  return {
    hours: hoursOf(attempts, sealed ? HOUR + 2 * HOUR_MS : undefined),
    names: {
      flows: [
        { id: 1, application: 'Shop' },
        { id: 2, application: 'Desk' },
      ],
      numberOf: (_dimension: string, value: string) => Number(value),
    },
  } as unknown as EngineState;
}

test('sessions that remain, and people of whoever sends none, are as many as sets hold; from open hours or sealed ones', async () => {
  await fc.assert(
    fc.asyncProperty(
      fc.array(attempt, { minLength: 1, maxLength: 60 }),
      fc.tuple(fc.integer({ min: 0, max: 179 }), fc.integer({ min: 0, max: 179 })),
      fc.option(fc.integer({ min: 1, max: 3 }), { nil: undefined }),
      fc.option(fc.constantFrom('Shop', 'Desk'), { nil: undefined }),
      fc.boolean(),
      async (attempts, ends, site, application, sealed) => {
        const [fromMs, toMs] = [HOUR + Math.min(...ends) * MINUTE_MS, HOUR + (Math.max(...ends) + 1) * MINUTE_MS];
        const focus = { values: site === undefined ? {} : { site: String(site) }, ...(application && { application }) };
        const state = stateOf(attempts, sealed);
        const left = attempts.filter((one) => {
          const startMs = HOUR + one.minute * MINUTE_MS;
          const isWanted =
            (site === undefined || one.site === site) &&
            (!application || (one.flow === 1) === (application === 'Shop'));
          return isWanted && startMs >= fromMs && startMs < toMs && !(one.flags & PROBE);
        });
        const sessions = new Set(
          left.map(({ session, person }) => (session ? `session ${session}` : `person ${person}`)),
        );
        const expected = site === undefined && !application ? null : { sessions: sessions.size, attempts: left.length };
        expect(await remainingIn(state, { fromMs, toMs }, focus)).toEqual(expected);
        // Whole hours are known now.
        expect(await remainingIn(state, { fromMs, toMs }, focus)).toEqual(expected);
      },
    ),
    { numRuns: 150 },
  );
});

test('of a window that is too long to be walked nothing is said', async () => {
  expect(
    await remainingIn(stateOf([], false), { fromMs: HOUR, toMs: HOUR + 30 * HOUR_MS }, { values: { site: '1' } }),
  ).toBeNull();
});
