import fc from 'fast-check';
import { columnsOf, type TestAttempt } from '../../fixtures/attempts';
import { failingFor } from '../../fixtures/deviation';
import { normalWith } from '../../fixtures/normal';
import type { Deviation } from '../../normal';
import { FAILED } from '../../telemetry';
import { commonPlaces } from './common-places';
import { narrowSegment } from './narrow';

const BASE = Date.UTC(2026, 2, 10, 10);
const normalAt = () => normalWith({ lateShare: 0.01, failedShare: 0.005 });
const part = (flow: number, excess: number) => failingFor(flow, BASE, excess);

/** Attempts of a flow: so many on machine 9, of which so many failed, and the rest on machine 1 or 2, all well. */
const served = (flow: number, { there, bad, elsewhere }: { there: number; bad: number; elsewhere: number }) =>
  columnsOf(
    Array.from({ length: there + elsewhere }, (_, i): TestAttempt => {
      const isThere = i < there;
      return {
        startMs: BASE + i * 1_000,
        flow,
        host: isThere ? 9 : 1 + (i % 2),
        person: i + 1,
        flags: isThere && i < bad ? FAILED : 0,
      };
    }),
  );
/** Three flows that are mostly served by one machine, and one that is served by it alone. */
const FLOWS = new Map([
  [1, served(1, { there: 23, bad: 20, elsewhere: 20 })],
  [2, served(2, { there: 10, bad: 9, elsewhere: 7 })],
  [3, served(3, { there: 10, bad: 6, elsewhere: 7 })],
  [4, served(4, { there: 5, bad: 4, elsewhere: 0 })],
]);
const rowsOf = (flow: number) => FLOWS.get(flow) ?? columnsOf([]);
const PARTS = [part(1, 20), part(2, 9), part(3, 6), part(4, 4)];

test('a machine that serves most of several flows is told by all of them together, where none tells it alone', () => {
  for (const one of PARTS) expect(narrowSegment(rowsOf(one.flow), one, normalAt)).toBeUndefined();
  const [place, ...more] = commonPlaces(PARTS, rowsOf, normalAt);
  expect(more).toEqual([]);
  expect(place).toMatchObject({ dimension: 'host', value: 9 });
  // The flow that is served there alone cannot tell it, and belongs to it.
  expect([...(place?.shares.keys() ?? [])].map(({ flow }) => flow)).toEqual([1, 2, 3, 4]);
});

test('one flow alone has nothing in common; neither have flows that go wrong on every machine alike', () => {
  expect(commonPlaces(PARTS.slice(0, 1), rowsOf, normalAt)).toEqual([]);
  const everywhere = (flow: number) =>
    columnsOf(
      Array.from({ length: 40 }, (_, i): TestAttempt => ({
        startMs: BASE + i * 1_000,
        flow,
        host: 1 + (i % 3),
        person: i + 1,
        flags: i % 2 === 0 ? FAILED : 0,
      })),
    );
  expect(commonPlaces(PARTS, everywhere, normalAt)).toEqual([]);
});

test('what failed is not told by what was slow', () => {
  const slow = PARTS.map((one): Deviation => ({ ...one, signal: 'slow' }));
  expect(commonPlaces(slow, rowsOf, normalAt)).toEqual([]);
});

test('the same whatever the order of the deviations', () => {
  const told = (parts: readonly Deviation[]) =>
    commonPlaces(parts, rowsOf, normalAt).map(({ dimension, value, shares }) => ({
      dimension,
      value,
      flows: [...shares].map(([{ flow }, share]) => [flow, share] as const).sort(([a], [b]) => a - b),
    }));
  fc.assert(
    fc.property(fc.shuffledSubarray(PARTS, { minLength: PARTS.length }), (parts) => {
      expect(told(parts)).toEqual(told(PARTS));
    }),
  );
});
