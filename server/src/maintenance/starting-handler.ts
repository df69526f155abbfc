import type { RequestListener } from 'node:http';
import { PROBLEMS } from '../errors';
import type { Health } from './health';

/** Answers until the server can do more: it lives, and nothing else yet. */
export function startingHandler(health: Health): RequestListener {
  return (request, response) => {
    request.resume();
    const path = request.url?.split('?')[0];
    if (path === '/livez') {
      response.writeHead(200, { 'content-type': 'application/json' }).end('{"status":"ok"}');
      return;
    }
    const isHealth = path === '/healthz' || path === '/readyz';
    const [status, title] = PROBLEMS.starting;
    const detail =
      health.report.disk.words ||
      'It opens its database. Nothing of this request was taken: send it again in a moment.';
    const body = isHealth
      ? { status: 'down', parts: health.report }
      : { type: 'urn:toplens:problem:starting', title, status, detail };
    response
      .writeHead(status, {
        'content-type': isHealth ? 'application/json' : 'application/problem+json',
        'retry-after': '3',
      })
      .end(JSON.stringify(body));
  };
}
