import { existsSync, readFileSync } from 'node:fs';
import { Router, type Request } from 'express';
import { rateLimit } from 'express-rate-limit';
import { sendProblem } from '../problems';
import type { BrowserKey, KeyBook } from '../config';
import { Problem } from '../errors';
import { wrapBrowserBody } from './browser-body';
import type { Intake } from './intake';
import type { IntakeLimits } from './limits';
import { pageOf } from './page-keys';
import { readBody } from './read-body';
import { taking, unlessAllRefused } from './taking';

export interface BrowserRouteOptions {
  limits: IntakeLimits;
  browserKeys: KeyBook<BrowserKey>;
  /** the built snippet */
  snippetFile: string;
}

/** Browsers send at most 64 KiB while a page goes away; importers of many views may send more. */
const MOST_BYTES = 512 * 1024;
/** From one address: an office behind one, with a hundred people who open a page every few seconds. */
const REQUESTS_A_MINUTE = 6_000;

/**
 * The way in for pages: `GET /snippet.js` is the script that a page includes, `POST /v1/browser?key=…` takes what it
 * sends. The body is JSON under the type text/plain, for which browsers ask no leave before (CORS), not even while a
 * page goes away.
 */
export function browserRoutes(intake: Intake, { browserKeys, snippetFile, limits }: BrowserRouteOptions): Router {
  const router = Router();
  const snippet = existsSync(snippetFile) ? readFileSync(snippetFile, 'utf8') : undefined;
  router.get('/snippet.js', (_request, response) => {
    if (snippet === undefined)
      throw new Problem('notFound', 'the snippet is not built: run npm run build', { field: 'path' });
    response.set({
      'cross-origin-resource-policy': 'cross-origin',
      'access-control-allow-origin': '*',
      'cache-control': 'public, max-age=3600',
    });
    response.type('text/javascript').send(snippet);
  });
  router.post(
    '/v1/browser',
    rateLimit({
      windowMs: 60_000,
      limit: REQUESTS_A_MINUTE,
      handler: (_request, response) =>
        sendProblem(
          response,
          new Problem('tooMany', `at most ${REQUESTS_A_MINUTE} requests a minute`, { retryAfterS: 5 }),
        ),
    }),
    taking(intake, async (request, response) => {
      const { component, origin } = checkKey(request, browserKeys);
      // Whether it was taken is for nobody but the page.
      response.set({
        'access-control-allow-origin': origin,
        'cross-origin-resource-policy': 'cross-origin',
        vary: 'origin',
      });
      return unlessAllRefused(
        await intake.take(
          'browser',
          'json',
          wrapBrowserBody(component, await readBody(request, { ...limits, bytes: MOST_BYTES })),
        ),
      );
    }),
  );
  return router;
}

/** @throws Problem 'noKey', 'forbidden' */
function checkKey(request: Request, keys: KeyBook<BrowserKey>): { component: string; origin: string } {
  const { key } = request.query;
  const component = pageOf(typeof key === 'string' ? key : undefined, request, keys);
  if (component === undefined)
    throw new Problem(
      'noKey',
      'send the key of the page as ?key=…; TOPLENS_BROWSER_KEYS lists them with their origins',
      { field: 'key' },
    );
  return { component, origin: request.headers.origin ?? '' };
}
