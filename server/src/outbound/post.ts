import { createHmac } from 'node:crypto';
import http from 'node:http';
import https from 'node:https';
import { allowedLookup, checkWrittenAddress, NotAllowed } from './allowed-address';

export type Delivery =
  | { delivered: true }
  | {
      delivered: false;
      why: string;
      mayRetry: boolean;
      /** nobody answered at all: what else goes this way would wait as long for nothing */
      isDown?: boolean;
    };

const TIMEOUT_MS = 10_000;
export const SECRET_PREFIX = 'whsec_';

export interface Posted {
  /** who is asked, for the words of a failure: "the webhook" */
  who: string;
  url: string;
  /** the same for the same event, however often it is sent */
  id: string;
  body: object;
  type: string;
  /** "whsec_…"; '' where nothing is signed */
  secret: string;
  /** names inside the network that may be asked; 'any' for an address that an administrator set up */
  inside: ReadonlySet<string> | 'any';
}

/** Delivers an event by HTTP POST, signed where there is a secret. Redirects are not followed: what is told is for the
 * address that was set up, and for nobody that it points to. */
export async function post(posted: Posted): Promise<Delivery> {
  const { who } = posted;
  try {
    const status = await statusOf(posted);
    if (status >= 200 && status < 300) return { delivered: true };
    // The request itself is at fault for 4xx, except "too early", "too many" and time-outs: sending it again will not
    // help.
    const mayRetry = status >= 500 || [408, 425, 429].includes(status);
    return { delivered: false, why: `${who} answered ${status}`, mayRetry };
  } catch (error) {
    if (error instanceof NotAllowed) return { delivered: false, why: `${who}: ${error.message}`, mayRetry: false };
    const { code, name } = error as Error & { code?: string };
    return { delivered: false, why: `${who} cannot be reached (${code ?? name})`, mayRetry: true, isDown: true };
  }
}

function statusOf({ url, id, body, type, secret, inside }: Posted): Promise<number> {
  const text = JSON.stringify(body);
  const target = new URL(url);
  const guard = inside === 'any' ? {} : { lookup: allowedLookup(inside) };
  return new Promise((resolve, reject) => {
    if (inside !== 'any') checkWrittenAddress(target.hostname, inside);
    const sent = (target.protocol === 'https:' ? https : http).request(
      target,
      {
        ...guard,
        method: 'POST',
        headers: {
          'content-type': type,
          'content-length': Buffer.byteLength(text),
          'idempotency-key': id,
          ...signatureOf(secret, { id, text, atMs: Date.now() }),
        },
        signal: AbortSignal.timeout(TIMEOUT_MS),
      },
      (response) => {
        // What is answered is nobody's business here; only that it ends.
        response.resume();
        resolve(response.statusCode ?? 0);
      },
    );
    sent.on('error', reject);
    sent.end(text);
  });
}

/**
 * Headers by which a receiver knows that an event is ours, whole, and not sent again by somebody else: HMAC-SHA256 over
 * id, time and body (Standard Webhooks, specification 1.0.0, "Signature scheme").
 *
 * @param secret "whsec_" and a key in base64; '' for none
 */
export function signatureOf(
  secret: string,
  { id, text, atMs }: { id: string; text: string; atMs: number },
): Record<string, string> {
  if (secret === '') return {};
  const at = String(Math.floor(atMs / 1000));
  const key = Buffer.from(secret.slice(SECRET_PREFIX.length), 'base64');
  const signature = createHmac('sha256', key).update(`${id}.${at}.${text}`).digest('base64');
  return { 'webhook-id': id, 'webhook-timestamp': at, 'webhook-signature': `v1,${signature}` };
}
