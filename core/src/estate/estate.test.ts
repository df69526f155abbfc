import fc from 'fast-check';
import { noSums, recordInPlace, type RecentSums } from '../normal';
import { seededRandom } from '../stats';
import { SpanKind } from '../telemetry';
import { judgeParts, partsOf, type PartActivity, type SpanSums } from './index';

const random = seededRandom(11);
const MINUTES = { last: 5, before: 60, day: 60 };

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
  { kind, when = 'last', operation = 'work' }: { kind: number; when?: SpanSums['when']; operation?: string },
): SpanSums => ({
  component,
  host,
  peer,
  kind,
  operation,
  when,
  sums: sumsOf(3, 100),
});
const names = (parts: readonly PartActivity[]) =>
  parts.map(({ kind, component, host }) => [kind, component, host].join(' ').trim());

test('a component is a service where it works on its own host, a store where only calls tell of it, outside where it is only named', () => {
  const parts = partsOf(
    [
      span('web', 'north-1', '', { kind: SpanKind.SERVER }),
      span('web', 'north-1', 'prices', { kind: SpanKind.CLIENT }),
      span('prices', 'mid-1', '', { kind: SpanKind.SERVER }),
      span('prices', 'mid-2', '', { kind: SpanKind.INTERNAL }),
      span('goods-db', 'mid-1', '', { kind: SpanKind.CLIENT }),
      span('goods-db', 'mid-2', '', { kind: SpanKind.CLIENT }),
      span('prices', 'mid-1', 'rate-office', { kind: SpanKind.CLIENT }),
    ],
    0,
  );
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
      span(component, host, 'prices', { kind: SpanKind.CLIENT, when: 'before' }),
    ]),
  );
  const plain = (parts: readonly PartActivity[]) =>
    parts.map(({ component, host, last, before }) => [component, host, last.attempts, before.attempts]);
  fc.assert(
    fc.property(fc.shuffledSubarray(all, { minLength: all.length }), (shuffled) =>
      expect(plain(partsOf(shuffled, 0))).toEqual(plain(partsOf(all, 0))),
    ),
  );
});

const part = (
  component: string,
  before: RecentSums,
  last: RecentSums,
  days: readonly RecentSums[] = [],
): PartActivity => ({
  kind: 'service',
  component,
  host: 'h',
  before,
  last,
  days,
  operations: new Map([['work', { before, last, days }]]),
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
    MINUTES,
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

const calls = (operation: string, when: SpanSums['when'], n: number, medianMs: number): SpanSums => ({
  component: 'goods-db',
  host: 'h',
  peer: '',
  kind: SpanKind.CLIENT,
  operation,
  when,
  sums: sumsOf(n, medianMs),
});

test('one slow operation among many stands out though the mean of its part hardly moves', () => {
  const usual = ['select goods', 'select prices', 'insert order'].flatMap((name) => [
    calls(name, 'before', 2000, 20),
    calls(name, 'last', 170, 20),
  ]);
  const [db] = judgeParts(
    [
      ...quiet,
      ...partsOf([...usual, calls('select slots', 'before', 200, 20), calls('select slots', 'last', 17, 300)], 0),
    ],
    MINUTES,
  ).slice(-1);
  expect(db).toMatchObject({
    component: 'goods-db',
    level: 'hurting',
    changes: [{ measure: 'duration', operation: 'select slots' }],
  });
  expect(db?.slowness).toBeGreaterThan(8);
});

test('what a part as a whole tells is not told again of its operations', () => {
  const slow = ['a', 'b'].flatMap((name) => [calls(name, 'before', 600, 20), calls(name, 'last', 50, 200)]);
  expect(judgeParts(partsOf(slow, 0), MINUTES)[0]?.changes).toEqual([
    expect.objectContaining({ measure: 'duration', operation: '' }),
  ]);
});

describe('against what is usual', () => {
  const day = () => sumsOf(600, 120, 0.01);
  const judged = (one: PartActivity, others: readonly PartActivity[] = quiet) =>
    judgeParts([...others, one], MINUTES).at(-1) as ReturnType<typeof judgeParts>[number];
  const calm = quiet.map((one) => ({ ...one, days: [day(), day()] }));

  test('a trouble that goes on for hours stays one, though nothing changed just before', () => {
    const slow = judged(part('slow', sumsOf(600, 600), sumsOf(50, 600), [day(), day()]), calm);
    expect(slow).toMatchObject({ level: 'hurting', isSudden: false, isUsualKnown: true });
    expect(slow.changes).toEqual([expect.objectContaining({ measure: 'duration', against: 'usual' })]);
    expect(slow.slowness).toBeCloseTo(5, 0);
    const gone = judged(part('gone', noSums(), noSums(), [day(), day()]), calm);
    expect(gone).toMatchObject({ level: 'silent', usualPerMinute: 10 });
    const failing = judged(part('failing', sumsOf(600, 120, 0.9), sumsOf(50, 120, 0.9), [day(), day()]), calm);
    expect(failing.level).toBe('broken');
  });

  test('what changed against the time just before, and is as usual at this hour, is told and no trouble', () => {
    const days = [sumsOf(600, 600), sumsOf(600, 600)];
    const morning = judged(part('morning', sumsOf(600, 120), sumsOf(50, 600), days), calm);
    expect(morning).toMatchObject({ level: 'calm', isSudden: true });
    expect(morning.changes).toEqual([expect.objectContaining({ measure: 'duration', against: 'before' })]);
  });

  test('days differ: it must lie beyond each of them, but for one where four are known', () => {
    const bad = sumsOf(600, 700);
    const slow = (days: readonly RecentSums[]) => part('slow', sumsOf(600, 600), sumsOf(50, 600), days);
    expect(judged(slow([day(), bad]), calm).level).toBe('calm');
    const four = quiet.map((one) => ({ ...one, days: [day(), day(), day(), day()] }));
    expect(judged(slow([day(), day(), day(), bad]), four).level).not.toBe('calm');
    expect(judged(slow([day(), day(), bad, bad]), four).level).toBe('calm');
  });

  test('where no day is known the time just before judges, and says so', () => {
    const slow = judged(part('slow', sumsOf(600, 120), sumsOf(50, 600)));
    expect(slow).toMatchObject({ level: 'hurting', isUsualKnown: false, usualPerMinute: NaN });
  });

  test('days before it was first seen say nothing of it; later ones on which it did nothing do', () => {
    const on = (when: number) => span('web', 'north-1', '', { kind: SpanKind.SERVER, when });
    const last = span('web', 'north-1', '', { kind: SpanKind.SERVER });
    const daysOf = (...spans: SpanSums[]) => partsOf([last, ...spans], 7)[0]?.days.map(({ attempts }) => attempts);
    expect(daysOf(on(0))).toEqual([3]);
    expect(daysOf(on(2))).toEqual([0, 0, 3]);
    expect(daysOf()).toEqual([]);
    expect(partsOf([last, on(1)], 7)[0]?.operations.get('work')?.days).toHaveLength(2);
  });

  test('a day on which it did nothing counts: half as much is usual', () => {
    expect(judged(part('seldom', sumsOf(600, 120), sumsOf(50, 120), [noSums(), day()]), calm).usualPerMinute).toBe(5);
  });
});
