import fc from 'fast-check';
import { slowerStatements, slowerWords, type StatementSample, type StatementTime } from './slower';

const SELECT = 'SELECT … FROM slot WHERE round = ?';
const statement = (change: Partial<StatementTime> = {}): StatementTime => ({
  component: 'slots-db',
  statement: SELECT,
  calls: 100,
  totalMs: 1_000,
  attempts: 100,
  ...change,
});
const sample = (meanMs: number, ...statements: StatementTime[]): StatementSample => ({
  attempts: 100,
  meanMs,
  statements,
});

test('the statement that takes the time is named, with what it took before', () => {
  // 10 ms of 100 ms before, 410 ms of 600 ms now: 400 of the 500 ms that came on top.
  const usual = sample(100, statement(), statement({ statement: 'COMMIT', totalMs: 300 }));
  const now = sample(600, statement({ totalMs: 41_000 }), statement({ statement: 'COMMIT', totalMs: 310 }));
  const [first, ...rest] = slowerStatements(now, usual, 3);
  expect(rest).toEqual([]);
  expect(first).toEqual({
    component: 'slots-db',
    statement: SELECT,
    nowMs: 410,
    usualMs: 10,
    nowCalls: 1,
    usualCalls: 1,
    shareOfExcess: 0.8,
  });
  expect(first && slowerWords(first)).toBe('410 ms of an attempt, usually 10 ms: 80 % of what attempts take longer');
});

test('one that is sent more often, and one that is new, are found as well', () => {
  const usual = sample(100, statement());
  const often = slowerStatements(sample(500, statement({ calls: 4_000, totalMs: 40_000 })), usual, 3);
  expect(often.map(slowerWords)).toEqual([
    '400 ms of an attempt, usually 10 ms, 40 calls an attempt in place of 1: 98 % of what attempts take longer',
  ]);
  const fresh = slowerStatements(sample(500, statement({ statement: 'LOCK', totalMs: 40_000 })), usual, 3);
  expect(fresh.map(slowerWords)).toEqual(['400 ms of an attempt, not sent before: 100 % of what attempts take longer']);
});

test('nothing is said where it explains little, is rare, grew little, or too little is known', () => {
  const usual = sample(100, statement({ totalMs: 5_000 }));
  const is = (now: StatementSample, before = usual) => slowerStatements(now, before, 3).length;
  expect(is(sample(600, statement({ totalMs: 20_000 })))).toBe(1);
  // 90 of 500 ms.
  expect(is(sample(600, statement({ totalMs: 14_000 })))).toBe(0);
  expect(is(sample(600, statement({ totalMs: 20_000, attempts: 4 })))).toBe(0);
  // 20 of 60 ms, from 50 to 70 ms.
  expect(is(sample(160, statement({ totalMs: 7_000 })))).toBe(0);
  expect(is({ ...sample(600, statement({ totalMs: 20_000 })), attempts: 9 })).toBe(0);
  expect(is(sample(600, statement({ totalMs: 20_000 })), { ...usual, attempts: 9 })).toBe(0);
  expect(is(sample(100, statement({ totalMs: 20_000 })))).toBe(0);
});

test('order of statements does not matter, and twice as many attempts of the same say the same', () => {
  const one = fc.record({
    component: fc.constantFrom('a', 'b'),
    statement: fc.constantFrom('S', 'T', 'U', 'V'),
    calls: fc.integer({ min: 1, max: 500 }),
    totalMs: fc.integer({ min: 1, max: 100_000 }),
    attempts: fc.integer({ min: 1, max: 100 }),
  });
  const some = fc.uniqueArray(one, { selector: ({ component, statement: text }) => component + text, maxLength: 8 });
  let found = 0;
  fc.assert(
    fc.property(some, some, fc.integer({ min: 101, max: 2_000 }), (now, usual, meanMs) => {
      const told = slowerStatements(sample(meanMs, ...now), sample(100, ...usual), 8);
      found += told.length;
      expect(slowerStatements(sample(meanMs, ...[...now].reverse()), sample(100, ...usual), 8)).toEqual(told);
      const twice = (of: StatementTime[], mean: number): StatementSample => ({
        attempts: 200,
        meanMs: mean,
        statements: of.map((s) => ({ ...s, calls: s.calls * 2, totalMs: s.totalMs * 2, attempts: s.attempts * 2 })),
      });
      const enough = (of: StatementTime[]) => of.filter(({ attempts }) => attempts >= 5);
      expect(slowerStatements(twice(enough(now), meanMs), twice(usual, 100), 8)).toEqual(told);
      for (const { shareOfExcess } of told) expect(shareOfExcess).toBeLessThanOrEqual(1);
    }),
    { seed: 11 },
  );
  expect(found).toBeGreaterThan(50);
});
