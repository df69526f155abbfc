import { columnsOf, type TestAttempt } from '../../fixtures/attempts';
import { failingFor } from '../../fixtures/deviation';
import { normalWith } from '../../fixtures/normal';
import { seededRandom } from '../../stats';
import { FAILED } from '../../telemetry';
import { isAlone, narrowSegment, shareAbout, spreadOver } from './narrow';

const BASE = Date.UTC(2026, 2, 10, 10);
const normalAt = () => normalWith({ lateShare: 0.01, failedShare: 0.005 });
const part = (flow: number, excess = 40) => failingFor(flow, BASE, excess);

/** Flows 1 to 3 over an hour; those of a site fail with a chance, others hardly. */
function rows(chance: Record<number, number>, elsewhere = 0.004) {
  const random = seededRandom(6);
  return columnsOf(
    Array.from({ length: 1_800 }, (_, i): TestAttempt => {
      const flow = 1 + (i % 3);
      const site = 1 + Math.floor(random() * 6);
      const failed = random() < (site === 2 ? (chance[flow] ?? elsewhere) : elsewhere);
      return {
        startMs: BASE + i * 2_000,
        flow,
        site,
        region: site <= 3 ? 1 : 2,
        person: i + 1,
        flags: failed ? FAILED : 0,
      };
    }),
  );
}

test('a deviation that is about one site is told so; one about everybody, or too small, is about nobody', () => {
  expect(narrowSegment(rows({ 1: 0.7 }), part(1), normalAt)).toMatchObject({ dimension: 'site', value: 2 });
  expect(narrowSegment(rows({}, 0.3), part(1), normalAt)).toBeUndefined();
  expect(narrowSegment(rows({ 1: 0.7 }), part(1, 3), normalAt)).toBeUndefined();
});

test('one machine is told, since others may share it; versions are not: flows have them by the same names', () => {
  const failingOn = (dimension: 'host' | 'version') => {
    const random = seededRandom(4);
    return columnsOf(
      Array.from({ length: 600 }, (_, i): TestAttempt => {
        const value = 1 + (i % 4);
        return {
          startMs: BASE + i * 5_000,
          [dimension]: value,
          site: 1 + Math.floor(random() * 5),
          person: i + 1,
          flags: value === 1 && random() < 0.8 ? FAILED : 0,
        };
      }),
    );
  };
  expect(narrowSegment(failingOn('host'), part(1), normalAt)).toMatchObject({ dimension: 'host', value: 1 });
  expect(narrowSegment(failingOn('version'), part(1), normalAt)).toBeUndefined();
});

test('what the same people met in other flows belongs to it, also where it alone would not show', () => {
  const columns = rows({ 1: 0.7, 2: 0.06 });
  const segment = narrowSegment(columns, part(1), normalAt);
  if (!segment) throw new Error('the first flow is about site 2');
  const found = spreadOver(columns, part(1), { segment, flows: new Set([2, 3]), normalAt });
  expect(found.map(({ flow }) => flow)).toEqual([2]);
  expect(found[0]).toMatchObject({ signal: 'failing', onsetMs: BASE });
  expect(found[0]?.excess).toBeGreaterThan(2);
});

test('another deviation is about the same people when most of what went wrong is theirs', () => {
  const columns = rows({ 1: 0.7, 2: 0.5 });
  const segment = narrowSegment(columns, part(1), normalAt);
  if (!segment) throw new Error('the first flow is about site 2');
  expect(shareAbout(columns, part(2), segment, normalAt)).toBeGreaterThan(0.5);
  expect(shareAbout(columns, part(3), segment, normalAt)).toBeUndefined();
  expect(shareAbout(rows({}, 0.3), part(2), segment, normalAt)).toBeUndefined();
});

test('alone is who holds nearly all that went wrong, and much less of everything', () => {
  expect(isAlone({ shareOfBad: 0.95, shareOfAll: 0.2 })).toBe(true);
  expect(isAlone({ shareOfBad: 0.95, shareOfAll: 0.6 })).toBe(false);
  expect(isAlone({ shareOfBad: 0.8, shareOfAll: 0.2 })).toBe(false);
});
