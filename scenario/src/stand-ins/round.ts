import express, { json } from 'express';
import { readFileSync } from 'node:fs';
import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';

export interface RoundOptions {
  port: number;
  /** where Top Lens is */
  topLens: string;
  /** key of the component round-app */
  key: string;
  /** the bundled page */
  script: string;
}

export interface RunningRound {
  url: string;
  close: () => Promise<void>;
}

const page = (key: string) => `<!doctype html>
<html lang="en">
  <head>
    <meta charset="utf-8" />
    <meta name="viewport" content="width=device-width, initial-scale=1" />
    <title>Round</title>
    <style>
      body { margin: 0; background: #f4f6f1; font-family: system-ui, sans-serif; }
    </style>
  </head>
  <body data-key="${key}">
    <main id="round"></main>
    <script src="/round.js"></script>
  </body>
</html>`;

/** A stand-in for Round on a phone: its page, the server that it asks, and the way on to Top Lens. */
export async function startRound({ port, topLens, key, script }: RoundOptions): Promise<RunningRound> {
  const app = express();
  app.get('/', (_request, response) => void response.type('html').send(page(key)));
  app.get('/round.js', (_request, response) => void response.type('js').send(readFileSync(script)));
  app.post(['/v1/traces', '/v1/logs'], json({ limit: '4mb' }), async (request, response) => {
    const answer = await fetch(`${topLens}${request.path}`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', 'toplens-key': request.header('toplens-key') ?? '' },
      body: JSON.stringify(request.body),
    }).catch(() => undefined);
    response.status(answer?.status ?? 503).json(answer ? await answer.json().catch(() => ({})) : {});
  });
  app.all(['/stops/:id', '/stops/:id/done', '/scans', '/photos/:id'], (_request, response) => void response.json({}));
  const server = await new Promise<Server>((resolve) => {
    const listening = app.listen(port, '127.0.0.1', () => resolve(listening));
  });
  return {
    url: `http://127.0.0.1:${(server.address() as AddressInfo).port}`,
    close: () => new Promise((resolve) => server.close(() => resolve())),
  };
}
