import { createServer, type IncomingMessage, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { Sender } from './sender';

interface Answer {
  status: number;
  body?: string;
  headers?: Record<string, string>;
}

/** A receiver that answers one after the other, the last one for ever. */
async function receiver(answers: Answer[]) {
  const requests: { path: string; type: string; key: string; origin: string; body: string }[] = [];
  const take = async (request: IncomingMessage) => {
    const parts: Buffer[] = [];
    for await (const part of request) parts.push(part as Buffer);
    const { 'content-type': type = '', authorization: key = '', origin = '' } = request.headers;
    requests.push({ path: request.url ?? '', type, key, origin, body: Buffer.concat(parts).toString('utf8') });
  };
  const server: Server = createServer((request, response) => {
    void take(request).then(() => {
      const { status, body = '', headers = {} } = answers[Math.min(requests.length, answers.length) - 1] as Answer;
      response.writeHead(status, headers).end(body);
    });
  });
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  return {
    url: `http://127.0.0.1:${(server.address() as AddressInfo).port}`,
    requests,
    close: () => new Promise((resolve) => server.close(resolve)),
  };
}

const SALE = {
  number: 7,
  atMs: Date.UTC(2026, 2, 10, 9),
  person: 'sender-7',
  tier: 'Trader',
  region: 'NL',
  premium: 4.9,
};

test('who is told to come back comes back with the same, until it is taken; it counts once', async () => {
  const { url, requests, close } = await receiver([
    { status: 503, headers: { 'retry-after': '0' } },
    { status: 429, headers: { 'retry-after': '0' } },
    { status: 200, body: '{"rejected":0}' },
  ]);
  const sender = new Sender(url, 'k');
  await sender.sendSales([SALE]);
  await close();
  expect(requests.map(({ path, type, key }) => [path, type, key])).toEqual(
    Array.from({ length: 3 }, () => ['/v1/business-events', 'text/csv', 'Bearer k']),
  );
  expect(new Set(requests.map(({ body }) => body)).size).toBe(1);
  expect(requests[0]?.body).toContain('sender-7');
  expect(sender.sent).toBe(1);
});

test.each([
  ['what is refused is told, not tried again', { status: 400, body: 'no such column' }, '400: no such column'],
  ['records that were not taken are an error', { status: 200, body: '{"rejected":1}' }, 'records were rejected'],
])('%s', async (_, answer, words) => {
  const { url, requests, close } = await receiver([answer]);
  const sender = new Sender(url);
  const failed = await sender.sendSales([SALE]).then(
    () => 'taken',
    (error: Error) => error.message,
  );
  await close();
  expect(failed).toContain(words);
  expect(requests).toHaveLength(1);
  expect(sender.sent).toBe(0);
});

test('a server that is away for a moment is asked again', async () => {
  const first = await receiver([{ status: 200, body: '{"rejected":0}' }]);
  const port = Number(new URL(first.url).port);
  await first.close();
  const sender = new Sender(first.url);
  const sending = sender.sendSales([SALE]);
  await new Promise((resolve) => setTimeout(resolve, 200));
  const again = createServer((request, response) => request.resume().on('end', () => response.end('{"rejected":0}')));
  await new Promise<void>((resolve) => again.listen(port, '127.0.0.1', resolve));
  await sending;
  again.close();
  expect(sender.sent).toBe(1);
});

test('browsers of the portal tell only with a key, in plain text and from their origin; nothing is sent of nothing', async () => {
  const { url, requests, close } = await receiver([{ status: 200, body: '{"rejected":0}' }]);
  const view = {} as Parameters<Sender['sendViews']>[0][number];
  await new Sender(url).sendViews([view]);
  await new Sender(url, undefined, 'page').sendViews([]);
  await new Sender(url).sendChanges([]);
  await close();
  expect(requests).toEqual([]);
});
