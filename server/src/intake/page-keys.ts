import type { Request, RequestHandler } from 'express';
import type { BrowserKey, KeyBook } from '../config';
import { Problem } from '../errors';

/** What the exporters of OpenTelemetry set in a browser. */
const HEADERS = 'authorization, content-encoding, content-type, toplens-key, traceparent, tracestate';
/** So long a browser need not ask again; two hours is the most that Chromium keeps it. */
const PREFLIGHT_S = 7_200;

/**
 * Lets pages send OTLP to another origin (Fetch standard, 3.2 CORS protocol): those of the origins that some key is for,
 * and no others.
 */
export function allowPages(keys: KeyBook<BrowserKey>): RequestHandler {
  // Keys are made and revoked while it runs.
  const isKnown = (origin: string) => [...keys.values()].some((key) => key.origins.includes(origin));
  return (request, response, next) => {
    const { origin } = request.headers;
    if (origin === undefined || !isKnown(origin)) return next();
    response.set({
      'access-control-allow-origin': origin,
      'cross-origin-resource-policy': 'cross-origin',
      vary: 'origin',
    });
    if (request.method !== 'OPTIONS') return next();
    response
      .set({
        'access-control-allow-methods': 'POST',
        'access-control-allow-headers': HEADERS,
        'access-control-max-age': String(PREFLIGHT_S),
      })
      .status(204)
      .end();
  };
}

/**
 * The component whose pages a key is for.
 *
 * @returns `undefined` for all other keys, and without one
 * @throws Problem 'forbidden' when the key is sent from a page of another origin
 */
export function pageOf(
  key: string | undefined,
  { headers }: Pick<Request, 'headers'>,
  keys: KeyBook<BrowserKey>,
): string | undefined {
  const known = key === undefined ? undefined : keys.get(key);
  if (!known) return undefined;
  const origin = headers.origin ?? '';
  if (known.origins.includes(origin)) return known.component;
  throw new Problem(
    'forbidden',
    `this key is not for pages of ${origin || 'no origin'}; TOPLENS_BROWSER_KEYS, or Settings, lists its origins`,
    { field: 'origin' },
  );
}
