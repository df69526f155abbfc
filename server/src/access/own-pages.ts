import { isIP } from 'node:net';
import type { Request, RequestHandler } from 'express';
import { Problem } from '../errors';

const CHANGES_NOTHING: ReadonlySet<string> = new Set(['GET', 'HEAD', 'OPTIONS']);
const LOOPBACK = 'localhost';

/** Host without its port, in lower case, an IPv6 address without brackets; '' for what is none. */
export function hostnameOf(host: string | undefined): string {
  if (!host || !URL.canParse(`http://${host}`)) return '';
  return new URL(`http://${host}`).hostname.toLowerCase().replace(/^\[|\]$/g, '');
}

/**
 * May a browser ask the server under this name? A page of another name could have its own name point here (DNS
 * rebinding), and would read everything as its own: so only addresses, which no page can be called, and the server's own
 * names are answered to.
 */
export const isOwnName = (host: string | undefined, names: ReadonlySet<string>): boolean => {
  const name = hostnameOf(host);
  return name !== '' && (isIP(name) !== 0 || name === LOOPBACK || names.has(name));
};

/** @throws Problem 'wrongHost' unless the server is asked by an address, or by one of its names */
export function ownNamesOnly(hosts: readonly string[]): RequestHandler {
  const names = new Set(hosts.map((host) => hostnameOf(host) || host));
  return (request, _response, next) => {
    const host = askedHost(request);
    if (!isOwnName(host, names)) {
      const name = hostnameOf(host) || 'that';
      throw new Problem(
        'wrongHost',
        `This server does not answer to the name “${name.slice(0, 100)}”. If it is one of its own, whoever runs it allows it by TOPLENS_HOSTS=${name.slice(0, 100)}.`,
        { field: 'host' },
      );
    }
    next();
  };
}

/** Behind a proxy that is trusted, the name that the browser asked for. */
const askedHost = (request: Request): string | undefined => {
  const forwarded: unknown = request.app.get('trust proxy') ? request.get('x-forwarded-host') : undefined;
  return typeof forwarded === 'string' && forwarded !== '' ? forwarded.split(',')[0]?.trim() : request.get('host');
};

/**
 * What changes something is taken from the server's own pages, and from what is no browser; not from pages of others,
 * which a browser would let send it.
 *
 * @throws Problem 'forbidden'
 */
export const ownPagesOnly: RequestHandler = (request, _response, next) => {
  if (CHANGES_NOTHING.has(request.method)) return next();
  const site = request.get('sec-fetch-site');
  const origin = request.get('origin');
  const isForeign =
    (site !== undefined && site !== 'same-origin' && site !== 'none') ||
    (origin !== undefined && hostOf(origin) !== askedHost(request)?.toLowerCase());
  if (isForeign)
    throw new Problem('forbidden', 'Changes are taken from the pages of this server alone, not from other pages.', {
      field: 'origin',
    });
  next();
};

const hostOf = (origin: string): string | undefined => (URL.canParse(origin) ? new URL(origin).host : undefined);
