import express from 'express';
import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { escapedHtml } from '@toplens/core/words';
import { HERE, page } from './page';

/** A short message as it came; the same one twice is kept once, by its key. */
export interface ShortMessage {
  key: string;
  to: string;
  text: string;
  atMs: number;
  received: number;
}

export interface RunningMessages {
  /** what it is asked by POST */
  url: string;
  messages: ShortMessage[];
  /** answers this status from now on; 202 when all is well, 0 for no answer at all */
  answerWith: (status: number) => void;
  close: () => Promise<void>;
}

const TAKEN = 202;

/** A stand-in for a gateway of short messages: takes { to, text } by POST and shows what came. */
export async function startMessages({ port }: { port: number }): Promise<RunningMessages> {
  const messages: ShortMessage[] = [];
  let status = TAKEN;
  const app = express();
  app.use(express.json());
  app.post('/messages', (request, response) => {
    if (status === 0) return;
    const { to, text } = (request.body ?? {}) as { to?: string; text?: string };
    const key = request.get('idempotency-key') ?? '';
    if (status === TAKEN && to && text) {
      const known = messages.find((message) => message.key === key);
      if (known) known.received++;
      else messages.push({ key, to, text, atMs: Date.now(), received: 1 });
    }
    response.status(status === TAKEN && !(to && text) ? 400 : status).end();
  });
  app.get('/messages', (_request, response) => {
    response.json(messages);
  });
  app.get('/', (_request, response) => {
    const newest = [...messages]
      .reverse()
      .map(
        ({ to, text, atMs }) =>
          `<article><p>${escapedHtml(text).replace(/https?:\/\/\S+/, (url) => `<a href="${url}">${url}</a>`)}</p><p class="said">to ${escapedHtml(to)} · ${new Date(atMs).toISOString().slice(0, 16).replace('T', ' ')} UTC</p></article>`,
      );
    response.send(page('Short messages', `<p class="said">${HERE}</p>${newest.join('') || '<p>No message yet.</p>'}`));
  });
  const server = await new Promise<Server>((resolve, reject) => {
    const listening = app.listen(port, '127.0.0.1', (error?: Error) => (error ? reject(error) : resolve(listening)));
  });
  return {
    url: `http://127.0.0.1:${(server.address() as AddressInfo).port}/messages`,
    messages,
    answerWith: (next) => {
      status = next;
    },
    close: () => {
      server.closeAllConnections();
      return new Promise((resolve) => server.close(() => resolve()));
    },
  };
}
