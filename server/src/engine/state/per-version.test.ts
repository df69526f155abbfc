import { PerVersion } from './per-version';

test('an answer is made once for each version of what is known, and once for each question', async () => {
  const kept = new PerVersion<number>(10);
  let made = 0;
  const make = jest.fn(() => Promise.resolve(++made));
  expect(await kept.get({ version: 1 }, 'a', make)).toBe(1);
  expect(await kept.get({ version: 1 }, 'a', make)).toBe(1);
  expect(await kept.get({ version: 1 }, 'b', make)).toBe(2);
  expect(await kept.get({ version: 2 }, 'a', make)).toBe(3);
  expect(make).toHaveBeenCalledTimes(3);
});

test('whoever asks while it is made waits for the same answer', async () => {
  const kept = new PerVersion<string>(10);
  let finish: (answer: string) => void = () => undefined;
  const make = jest.fn(() => new Promise<string>((resolve) => (finish = resolve)));
  const both = [kept.get({ version: 1 }, 'a', make), kept.get({ version: 1 }, 'a', make)];
  finish('done');
  expect(await Promise.all(both)).toEqual(['done', 'done']);
  expect(make).toHaveBeenCalledTimes(1);
});

test('what failed is asked again, though nothing has come since', async () => {
  const kept = new PerVersion<string>(10);
  await expect(kept.get({ version: 1 }, 'a', () => Promise.reject(new Error('database is away')))).rejects.toThrow(
    'database is away',
  );
  await expect(kept.get({ version: 1 }, 'a', () => Promise.resolve('there'))).resolves.toBe('there');
});

test('a failure of an older state takes no newer answer with it', async () => {
  const kept = new PerVersion<string>(10);
  let fail: (error: Error) => void = () => undefined;
  const older = kept.get({ version: 1 }, 'a', () => new Promise<string>((_resolve, reject) => (fail = reject)));
  const make = jest.fn(() => Promise.resolve('new'));
  await kept.get({ version: 2 }, 'a', make);
  fail(new Error('late'));
  await expect(older).rejects.toThrow('late');
  expect(await kept.get({ version: 2 }, 'a', make)).toBe('new');
  expect(make).toHaveBeenCalledTimes(1);
});

test('so many are kept at most', async () => {
  const kept = new PerVersion<number>(2);
  const make = jest.fn(() => Promise.resolve(0));
  for (const key of ['a', 'b', 'c', 'd', 'a']) await kept.get({ version: 1 }, key, make);
  expect(make).toHaveBeenCalledTimes(5);
});
