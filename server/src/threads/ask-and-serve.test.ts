import { MessageChannel, type MessagePort } from 'node:worker_threads';
import { Problem } from '../errors';
import { Client, serve, ThreadError, type Handlers } from './ask-and-serve';

interface Sums {
  add: { ask: { a: number; b: number }; answer: number };
  fail: { ask: string; answer: never };
}

const handlers: Handlers<Sums> = {
  add: ({ a, b }) => a + b,
  fail: (how) => {
    if (how === 'problem') throw new Problem('tooMany', 'slower', { retryAfterS: 4 });
    throw Object.assign(new Error('no such table'), { code: '42P01', query: 'SELECT 1 FROM nothing' });
  },
};

let ports: MessagePort[] = [];
function connected(options: Parameters<typeof serve<Sums>>[2] = {}): Client<Sums> {
  const { port1, port2 } = new MessageChannel();
  ports = [port1, port2];
  port2.on('message', serve<Sums>(port2, handlers, options));
  const client = new Client<Sums>(port1);
  port1.on('message', (message: object) => client.take(message));
  return client;
}
afterEach(() => ports.forEach((port) => port.close()));

test('questions are answered, each with its own answer', async () => {
  const client = connected();
  expect(await Promise.all([client.ask('add', { a: 1, b: 2 }), client.ask('add', { a: 3, b: 4 })])).toEqual([3, 7]);
  expect(client.size).toBe(0);
});

test('an error keeps message, stack, SQLSTATE and statement; a problem stays one', async () => {
  const client = connected();
  const error = await client.ask('fail', 'database').catch((reason: unknown) => reason);
  expect(error).toBeInstanceOf(ThreadError);
  expect(error).toMatchObject({ message: 'no such table', code: '42P01', sql: 'SELECT 1 FROM nothing', isGone: false });
  expect((error as Error).stack).toContain('ask-and-serve.test.ts');
  const problem = await client.ask('fail', 'problem').catch((reason: unknown) => reason);
  expect(problem).toBeInstanceOf(Problem);
  expect(problem).toMatchObject({ code: 'tooMany', detail: 'slower', extra: { retryAfterS: 4 } });
});

test('an error may be looked at first, and then nobody is answered; whoever waits is told when the other side ends', async () => {
  const seen: string[] = [];
  const client = connected({ onError: (error) => seen.push(error.message) === 0 });
  const waiting = client.ask('fail', 'database');
  while (seen.length === 0) await new Promise(setImmediate);
  client.end(new Error('it ended'));
  await expect(waiting).rejects.toThrow('it ended');
  await expect(client.ask('add', { a: 1, b: 1 })).rejects.toThrow('it ended');
});

test('a question without a handler, and an answer of another shape, do not compile', () => {
  // Held by `npm run types`: an unused expectation is an error there.
  // @ts-expect-error a handler is missing
  const without: Handlers<Sums> = { add: ({ a, b }) => a + b };
  // @ts-expect-error the answer is no number
  const other: Handlers<Sums> = { ...handlers, add: ({ a, b }) => String(a + b) };
  const client = connected();
  // @ts-expect-error what is asked has another shape
  const asked = (): Promise<number> => client.ask('add', { a: 1 });
  expect([without, other, asked]).toHaveLength(3);
});
