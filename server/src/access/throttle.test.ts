import { DAY_MS } from '@toplens/core/time';
import type { Failures } from '../store/accounts';
import { Throttle, waitAfter } from './throttle';

/** What the database keeps, in memory: a hundred thousand tries are made. */
const mockKept = new Map<string, Failures>();
jest.mock('../store/accounts', () => ({
  loadFailures: (_database: unknown, tried: string) =>
    Promise.resolve(mockKept.get(tried) ?? { failures: 0, lastMs: 0 }),
  addFailure: (_database: unknown, tried: string, lastMs: number) => {
    mockKept.set(tried, { failures: (mockKept.get(tried)?.failures ?? 0) + 1, lastMs });
    return Promise.resolve();
  },
  forgetFailures: (_database: unknown, tried: string) => Promise.resolve(mockKept.delete(tried)),
}));
beforeEach(() => mockKept.clear());

test('five wrong tries are free; each after them waits twice as long, to a quarter of an hour; a hundred a day', () => {
  expect([0, 4, 5, 6, 7, 10, 11, 12, 99, 100, 1000].map(waitAfter)).toEqual([
    0,
    0,
    8_000,
    16_000,
    32_000,
    256_000,
    512_000,
    900_000,
    900_000,
    DAY_MS,
    DAY_MS,
  ]);
});

test('of a hundred thousand wrong passwords, one a second, hardly more than a hundred are looked at', async () => {
  const throttle = new Throttle({} as never);
  let looked = 0;
  const wrong = () => {
    looked += 1;
    return Promise.resolve(undefined);
  };
  let refused = 0;
  for (let second = 0; second < 100_000; second += 1)
    await throttle.tried('password of a', 1e12 + second * 1000, wrong).catch(() => (refused += 1));
  expect(looked + refused).toBe(100_000);
  // A day and four hours: a hundred, or as many as a quarter of an hour each lets through.
  expect(looked).toBeGreaterThan(90);
  expect(looked).toBeLessThanOrEqual(101);
  // Nobody else waits for it.
  expect(await throttle.tried('password of b', 1e12, () => Promise.resolve('in'))).toBe('in');
});

test('a right one forgets the wrong ones before it', async () => {
  const throttle = new Throttle({} as never);
  for (let n = 0; n < 4; n += 1) await throttle.tried('x', n, () => Promise.resolve(undefined));
  expect(await throttle.tried('x', 5, () => Promise.resolve(true))).toBe(true);
  expect(mockKept.size).toBe(0);
});

test('how long it has to be waited is said in words', async () => {
  const throttle = new Throttle({} as never);
  const wrong = () => Promise.resolve(undefined);
  const wordsAt = async (failures: number) => {
    mockKept.clear();
    await throttle.tried('x', 0, wrong);
    for (const [key] of mockKept) mockKept.set(key, { failures, lastMs: 0 });
    return throttle.tried('x', 1, wrong).catch((error: Error) => error.message);
  };
  expect(await wordsAt(5)).toBe('Too many wrong tries. Wait 8 seconds, then try again.');
  expect(await wordsAt(11)).toBe('Too many wrong tries. Wait 9 minutes, then try again.');
  expect(await wordsAt(100)).toBe('Too many wrong tries. Wait 24 hours, then try again.');
});
