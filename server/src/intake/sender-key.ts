import type { IncomingMessage } from 'node:http';
import type { KeyBook } from '../config';
import { Problem } from '../errors';

export interface SenderKeys {
  /** key → source */
  ingestKeys: KeyBook<string>;
  /** key → component */
  phoneKeys: KeyBook<string>;
  /** without any key, telemetry is taken only in demo mode */
  demo: boolean;
}

/** The key in the headers of a request; `undefined` without one. */
export function keyIn(header: (name: string) => string | undefined): string | undefined {
  const authorization = header('authorization');
  return authorization?.startsWith('Bearer ') ? authorization.slice(7) : header('toplens-key');
}

/** The same of a request over HTTP. */
export const keyOf = ({ headers }: Pick<IncomingMessage, 'headers'>): string | undefined =>
  keyIn((name) => {
    const value = headers[name];
    return typeof value === 'string' ? value : undefined;
  });

/** @throws Problem 'noKey' when the key may not send for services */
export function checkKey(key: string | undefined, { ingestKeys, demo }: Pick<SenderKeys, 'ingestKeys' | 'demo'>): void {
  if (key !== undefined && ingestKeys.has(key)) return;
  if (key === undefined && demo) return;
  throw new Problem(
    'noKey',
    'send your ingest key as "authorization: Bearer …" or "toplens-key: …"; TOPLENS_INGEST_KEYS lists the keys',
    { field: 'authorization' },
  );
}

/**
 * @returns the component of a phone's key, of which alone may be told; `undefined` for all other senders
 * @throws Problem 'noKey'
 */
export function phoneOf(key: string | undefined, keys: SenderKeys): string | undefined {
  const phone = keys.phoneKeys.get(key ?? '');
  if (phone === undefined) checkKey(key, keys);
  return phone;
}
