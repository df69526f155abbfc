import fc from 'fast-check';
import { noSums, recordInPlace, type RecentSums } from '../normal';
import { seededRandom } from '../stats';
import { SpanKind } from '../telemetry';
import { judgeParts, partsOf, type PartActivity, type SpanSums } from './index';

const random = seededRandom(11);

function sumsOf(attempts: number, medianMs: number, failing = 0): RecentSums {
  const sums = noSums();
  for (let i = 0; i < attempts; i++)
    recordInPlace(sums, medianMs * Math.exp(0.3 * (random() + random() + random() - 1.5)), random() < failing);
  return sums;
}

const span = (
  component: string,
  host: string,
  peer: string,
  { kind, isLast = true, operation = 'work' }: { kind: number; isLast?: boolean; operation?: string },
): SpanSums => ({
  component,
  host,
  peer,
  kind,
  operation,
  isLast,
  sums: sumsOf(3, 100),
});
const names = (parts: readonly PartActivity[]) =>
  parts.map(({ kind, component, host }) => [kind, component, host].join(' ').trim());

test('a component is a service where it works on its own host, a store where only calls tell of it, outside where it is only named', () => {
  const parts = partsOf([
    span('web', 'north-1', '', { kind: SpanKind.SERVER }),
    span('web', 'north-1', 'prices', { kind: SpanKind.CLIENT }),
    span('prices', 'mid-1', '', { kind: SpanKind.SERVER }),
    span('prices', 'mid-2', '', { kind: SpanKind.INTERNAL }),
    span('goods-db', 'mid-1', '', { kind: SpanKind.CLIENT }),
    span('goods-db', 'mid-2', '', { kind: SpanKind.CLIENT }),
    span('prices', 'mid-1', 'rate-office', { kind: SpanKind.CLIENT }),
  ]);
  expect(names(parts)).toEqual([
    'service prices mid-1',
    'service prices mid-2',
    'service web north-1',
    'store goods-db',
    'outside rate-office',
  ]);
  expect(parts[3]?.last.attempts).toBe(6);
});

test('the same parts in whatever order spans are told', () => {
  const all = ['web', 'prices', 'goods-db'].flatMap((component) =>
    ['a', 'b'].flatMap((host) => [
      span(component, host, '', { kind: component === 'goods-db' ? SpanKind.CLIENT : SpanKind.SERVER }),
      span(component, host, 'prices', { kind: SpanKind.CLIENT, isLast: false }),
    ]),
  );
  const plain = (parts: readonly PartActivity[]) =>
    parts.map(({ component, host, last, before }) => [component, host, last.attempts, before.attempts]);
  fc.assert(
    fc.property(fc.shuffledSubarray(all, { minLength: all.length }), (shuffled) =>
      expect(plain(partsOf(shuffled))).toEqual(plain(partsOf(all))),
    ),
  );
});

const part = (component: string, before: RecentSums, last: RecentSums): PartActivity => ({
  kind: 'service',
  component,
  host: 'h',
  before,
  last,
  operations: new Map([['work', { before, last }]]),
});
// A hundred parts that do what they always do, so that chance has its chances.
const quiet = Array.from({ length: 100 }, (_, i) => part(`quiet-${i}`, sumsOf(600, 120, 0.01), sumsOf(50, 120, 0.01)));

test('only what changed beyond chance has a level', () => {
  const judged = judgeParts(
    [
      ...quiet,
      part('slow', sumsOf(600, 120), sumsOf(50, 600)),
      part('slower', sumsOf(600, 120), sumsOf(50, 220)),
      part('failing', sumsOf(600, 120, 0.01), sumsOf(50, 120, 0.95)),
      part('gone', sumsOf(600, 120), noSums()),
      part('faster', sumsOf(600, 120), sumsOf(50, 30)),
      part('busier', sumsOf(600, 120), sumsOf(400, 120)),
      part('rare', sumsOf(2, 120), noSums()),
    ],
    5,
    60,
  );
  const levelOf = Object.fromEntries(judged.map(({ component, level }) => [component, level]));
  expect(levelOf).toMatchObject({
    slow: 'hurting',
    slower: 'strained',
    failing: 'broken',
    gone: 'silent',
    faster: 'calm',
    busier: 'calm',
    rare: 'calm',
  });
  expect(judged.filter(({ component, level }) => component.startsWith('quiet') && level !== 'calm')).toEqual([]);
  const slow = judged.find(({ component }) => component === 'slow');
  expect(slow?.slowness).toBeCloseTo(5, 0);
  expect(slow?.attemptsPerMinute).toBe(10);
  expect(slow?.changes).toEqual([expect.objectContaining({ measure: 'duration' })]);
  expect(judged.find(({ component }) => component === 'gone')?.failing).toBeNaN();
});

const calls = (operation: string, isLast: boolean, n: number, medianMs: number): SpanSums => ({
  component: 'goods-db',
  host: 'h',
  peer: '',
  kind: SpanKind.CLIENT,
  operation,
  isLast,
  sums: sumsOf(n, medianMs),
});

test('one slow operation among many stands out though the mean of its part hardly moves', () => {
  const usual = ['select goods', 'select prices', 'insert order'].flatMap((name) => [
    calls(name, false, 2000, 20),
    calls(name, true, 170, 20),
  ]);
  const [db] = judgeParts(
    [...quiet, ...partsOf([...usual, calls('select slots', false, 200, 20), calls('select slots', true, 17, 300)])],
    5,
    60,
  ).slice(-1);
  expect(db).toMatchObject({
    component: 'goods-db',
    level: 'hurting',
    changes: [{ measure: 'duration', operation: 'select slots' }],
  });
  expect(db?.slowness).toBeGreaterThan(8);
});

test('what a part as a whole tells is not told again of its operations', () => {
  const slow = ['a', 'b'].flatMap((name) => [calls(name, false, 600, 20), calls(name, true, 50, 200)]);
  expect(judgeParts(partsOf(slow), 5, 60)[0]?.changes).toEqual([
    expect.objectContaining({ measure: 'duration', operation: '' }),
  ]);
});
