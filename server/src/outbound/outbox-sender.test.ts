import { createServer, type AddressInfo } from 'node:net';
import { pino } from 'pino';
import { openTestDatabase, type TestDatabase } from '../fixtures/test-database';
import { newestMessages, putInOutbox, type NewMessage, type OutboxRow } from '../store/outbox';
import { Channels } from './channels';
import type { Delivery } from './post';
import { OutboxSender } from './outbox-sender';

const log = pino({ level: 'silent' });
const START_MS = Date.UTC(2026, 2, 2, 9);
const DOWN: Delivery = { delivered: false, why: 'the mail server said: away', mayRetry: true, isDown: true };

const REAL = [
  'hrtime',
  'nextTick',
  'performance',
  'queueMicrotask',
  'setImmediate',
  'clearImmediate',
  'setInterval',
  'clearInterval',
  'setTimeout',
  'clearTimeout',
] as const;

let opened: TestDatabase;
beforeEach(async () => {
  // The clock alone is made: the database works in its own time.
  jest.useFakeTimers({ now: START_MS, doNotFake: [...REAL] });
  opened = await openTestDatabase();
});
afterEach(async () => {
  jest.useRealTimers();
  await opened.remove();
});

const message = (subject: string, more: Partial<NewMessage> = {}): NewMessage => ({
  code: subject,
  path: '/incident/7',
  conversation: null,
  stage: 'opened',
  receiver: 'Payments',
  person: '',
  channel: 'mail',
  address: 'payments@teams.test',
  message: { subject, text: subject, html: subject, short: subject },
  ...more,
});
const write = (one: NewMessage, atMs = Date.now()) => opened.database.transaction([putInOutbox(one, atMs)]);
const all = async () => (await newestMessages(opened.database, 500)).sort((a, b) => a.madeMs - b.madeMs);
const conversation = (n: number) => `00000000-0000-4000-8000-00000000000${n}`;
test('a mail server is away for ten minutes: nothing is lost, it is not asked for each mail, and no flood follows', async () => {
  let isAway = true;
  const delivered: string[] = [];
  let asked = 0;
  const channels = {
    deliver: (row: Pick<OutboxRow, 'message'>): Promise<Delivery> => {
      asked += 1;
      if (!isAway) delivered.push(row.message.subject);
      return Promise.resolve(isAway ? DOWN : { delivered: true });
    },
  };
  const sender = new OutboxSender(opened.database, channels, { log });
  let looks = 0;
  const look = async () => {
    looks += 1;
    await sender.deliverDue();
    jest.setSystemTime(Date.now() + 10_000);
  };
  for (let minute = 0; minute < 10; minute += 1) {
    for (const n of [1, 2, 3]) {
      await write(message(`trouble ${n}, minute ${minute}`, { conversation: conversation(n) }));
    }
    if (minute % 5 === 0) await write(message(`handoff at minute ${minute}`, { stage: 'handoff' }));
    for (let n = 0; n < 6; n += 1) await look();
  }
  expect(asked).toBeLessThanOrEqual(looks);
  isAway = false;
  for (let n = 0; n < 20; n += 1) await look();
  expect(delivered.sort()).toEqual([
    'handoff at minute 0',
    'handoff at minute 5',
    'trouble 1, minute 9',
    'trouble 2, minute 9',
    'trouble 3, minute 9',
  ]);
  const rows = await all();
  expect(rows).toHaveLength(32);
  for (const { deliveredMs, givenUp } of rows)
    expect(deliveredMs !== null || givenUp === 'a newer message tells more').toBe(true);
});

test('a webhook that never answers holds up nobody else', async () => {
  const order: string[] = [];
  const channels = {
    deliver: async ({ channel, address }: Pick<OutboxRow, 'channel' | 'address'>): Promise<Delivery> => {
      order.push(`${channel} begins`);
      if (address === 'http://never.test/') await new Promise((resolve) => setTimeout(resolve, 300));
      order.push(`${channel} ends`);
      return channel === 'webhook' ? { ...DOWN, why: 'no answer' } : { delivered: true };
    },
  };
  for (const n of [1, 2, 3])
    await write(message(`hook ${n}`, { channel: 'webhook', address: 'http://never.test/' }), START_MS - 10 + n);
  await write(message('mail'));
  await write(message('short', { channel: 'short', address: '+353' }));
  await new OutboxSender(opened.database, channels, { log }).deliverDue();
  // Of three to it one is tried, and all of them wait.
  expect(order).toHaveLength(6);
  expect([order[0], order.at(-1)]).toEqual(['webhook begins', 'webhook ends']);
  const waiting = (await all()).filter(({ channel }) => channel === 'webhook');
  expect(waiting.map(({ tries, trouble, givenUp }) => [tries, trouble, givenUp])).toEqual(
    Array(3).fill([1, 'no answer', null]),
  );
  expect(waiting.every(({ nextTryMs }) => nextTryMs !== null && nextTryMs > START_MS)).toBe(true);
});

test('one address that is refused for now is no reason to keep others waiting', async () => {
  const channels = {
    deliver: ({ address }: Pick<OutboxRow, 'address'>): Promise<Delivery> =>
      Promise.resolve(
        address === 'full@teams.test'
          ? { delivered: false, why: 'the mail server said: 452', mayRetry: true, isDown: false }
          : { delivered: true },
      ),
  };
  await write(message('first', { address: 'full@teams.test' }), START_MS - 10);
  await write(message('second'));
  await new OutboxSender(opened.database, channels, { log }).deliverDue();
  expect((await all()).map(({ deliveredMs, trouble }) => [deliveredMs !== null, trouble])).toEqual([
    [false, 'the mail server said: 452'],
    [true, ''],
  ]);
});

describe('real ways that are down', () => {
  const options = {
    mailFrom: 'top-lens@teams.test',
    publicUrl: 'http://toplens.test',
    webhookSecret: '',
    webhookHosts: ['127.0.0.1'],
  };
  const outgoing = (channel: 'mail' | 'short' | 'webhook', address: string) => ({
    ...message('down', { channel, address }),
    id: '9c2e7a52-6d3d-4b8e-8f1e-2f6f3d1c9a01',
    madeMs: START_MS,
  });

  test('nobody listens: told as down, and tried again', async () => {
    jest.useRealTimers();
    const gone = createServer();
    await new Promise<void>((resolve) => gone.listen(0, '127.0.0.1', resolve));
    const { port } = gone.address() as AddressInfo;
    await new Promise((resolve) => gone.close(resolve));
    const channels = new Channels({
      ...options,
      smtpUrl: `smtp://127.0.0.1:${port}`,
      messageUrl: `http://127.0.0.1:${port}/`,
    });
    for (const [channel, address] of [
      ['mail', 'payments@teams.test'],
      ['short', '+353 1 555 0100'],
      ['webhook', `http://127.0.0.1:${port}/hook`],
    ] as const)
      expect([channel, await channels.deliver(outgoing(channel, address))]).toEqual([
        channel,
        expect.objectContaining({ delivered: false, mayRetry: true, isDown: true }),
      ]);
  });
});
