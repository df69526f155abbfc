import fc from 'fast-check';
import { seededRandom } from '../stats';
import { BACKGROUND, FAILED, PROBE } from '../telemetry';
import { at, read } from './fixtures/walks';

describe('sessions', () => {
  test('loops are folded, the worst and the completed are kept, and nobody waits for probes and background work', () => {
    const [session, ...others] = read([
      { session: 7, person: 3, tier: 2, flow: 1, startMs: at(0) },
      { session: 7, person: 3, flow: 2, startMs: at(1), flags: FAILED },
      { session: 7, person: 3, flow: 2, startMs: at(2), durationMs: 3_000, valueMinor: 1250 },
      { session: 7, person: 3, flow: 1, startMs: at(3) },
      { session: 8, flow: 1, startMs: at(1), flags: PROBE },
      { session: 9, flow: 1, startMs: at(1), flags: BACKGROUND },
      { session: 0, flow: 1, startMs: at(1) },
    ]);
    expect(others).toEqual([]);
    expect(session).toMatchObject({ session: 7, person: 3, tier: 2 });
    expect(session?.visits).toEqual([
      {
        flow: 1,
        firstMs: at(0),
        lastMs: at(3),
        exposed: false,
        longestMs: 100,
        attempts: 2,
        failed: 0,
        succeeded: true,
        valueMinor: 0,
      },
      {
        flow: 2,
        firstMs: at(1),
        lastMs: at(2),
        exposed: true,
        longestMs: 3_000,
        attempts: 2,
        failed: 1,
        succeeded: true,
        valueMinor: 1250,
      },
    ]);
  });

  test('the order of the attempts makes no difference', () => {
    const random = seededRandom(5);
    const attempts = Array.from({ length: 60 }, () => ({
      session: 1 + Math.floor(random() * 8),
      flow: 1 + Math.floor(random() * 4),
      startMs: at(random() * 60),
      durationMs: 2_000 * random(),
      tier: 1,
    }));
    const whole = read(attempts);
    fc.assert(
      fc.property(fc.shuffledSubarray(attempts, { minLength: attempts.length }), (shuffled) =>
        expect(read(shuffled)).toEqual(whole),
      ),
      { numRuns: 25 },
    );
  });
});

/** So many sessions that walk so far through these flows. */
