import { request as askPlain, type IncomingMessage } from 'node:http';
import { request as askSecure } from 'node:https';
import { JSONPath } from 'jsonpath-plus';
import { LONGEST_STEP_MS, type ProbeStep, type RequestParts } from '@toplens/core/probes';
import type { Guard } from './guard';

const MOST_REDIRECTS = 5;
/** More of an answer is not looked at. */
const MOST_BYTES = 1024 * 1024;

export interface Answer {
  status: number;
  body: string;
  parts: RequestParts;
}

/** What a step sends with each request, so that services know what asks them. */
export type StepHeaders = Readonly<Record<string, string>>;

/**
 * Asks a server, and follows redirects.
 *
 * @throws Error that says in words what went wrong
 */
export async function askStep(
  step: ProbeStep & { url: string },
  { guard, headers, signal }: { guard: Guard; headers: StepHeaders; signal: AbortSignal },
): Promise<RequestParts> {
  const parts: RequestParts = { nameMs: 0, connectMs: 0, waitMs: 0, transferMs: 0 };
  let url = new URL(step.url);
  let method: string = step.method ?? 'GET';
  for (let redirects = 0; ; redirects++) {
    guard.check(url);
    const answer = await ask(url, { method, step, guard, headers, signal });
    for (const part of Object.keys(parts) as (keyof RequestParts)[]) parts[part] += answer.parts[part];
    // Fetch standard, 4.4: 303, and 301 and 302 of a POST, are followed by GET.
    if (answer.location === undefined || step.status === answer.status) {
      checkAnswer(step, answer);
      return parts;
    }
    if (redirects === MOST_REDIRECTS)
      throw new Error(`more than ${MOST_REDIRECTS} redirects, the last to ${answer.location}`);
    if (answer.status === 303 || (method === 'POST' && answer.status <= 302)) method = 'GET';
    url = new URL(answer.location, url);
    if (!/^https?:$/.test(url.protocol)) throw new Error(`a redirect leads to ${url.protocol}, which is not asked`);
  }
}

function ask(
  url: URL,
  {
    method,
    step,
    guard,
    headers,
    signal,
  }: { method: string; step: ProbeStep; guard: Guard; headers: StepHeaders; signal: AbortSignal },
): Promise<Answer & { location: string | undefined }> {
  const begun = performance.now();
  const marks = { name: begun, connected: begun, answered: begun };
  return new Promise((resolve, reject) => {
    const body = method === 'GET' || method === 'HEAD' ? undefined : step.body;
    const asking = (url.protocol === 'https:' ? askSecure : askPlain)(url, {
      method,
      // Each step connects anew: what is measured is what somebody meets who comes for the first time.
      agent: false,
      lookup: guard.lookup(url),
      headers: {
        ...step.headers,
        ...headers,
        ...(body !== undefined && { 'content-length': Buffer.byteLength(body) }),
      },
      signal,
    });
    asking.on('socket', (socket) => {
      const at = (name: 'name' | 'connected') => () => (marks[name] = performance.now());
      socket.once('lookup', at('name'));
      socket.once(url.protocol === 'https:' ? 'secureConnect' : 'connect', at('connected'));
    });
    asking.on('error', (error: NodeJS.ErrnoException) => reject(inWords(error, url)));
    asking.on('response', (response: IncomingMessage) => {
      marks.answered = performance.now();
      const chunks: Buffer[] = [];
      let bytes = 0;
      response.on('data', (chunk: Buffer) => {
        bytes += chunk.length;
        if (bytes <= MOST_BYTES) chunks.push(chunk);
      });
      response.on('error', (error: NodeJS.ErrnoException) => reject(inWords(error, url)));
      response.on('end', () =>
        resolve({
          status: response.statusCode ?? 0,
          body: Buffer.concat(chunks).toString('utf8'),
          location:
            (response.statusCode ?? 0) >= 300 && (response.statusCode ?? 0) < 400
              ? response.headers.location
              : undefined,
          parts: {
            nameMs: marks.name - begun,
            connectMs: Math.max(0, marks.connected - Math.max(marks.name, begun)),
            waitMs: Math.max(0, marks.answered - Math.max(marks.connected, marks.name)),
            transferMs: performance.now() - marks.answered,
          },
        }),
      );
    });
    asking.end(body);
  });
}

const REASONS: Readonly<Record<string, string>> = {
  ECONNREFUSED: 'nobody listens there',
  ECONNRESET: 'the connection was cut',
  ENOTFOUND: 'no such name',
  EHOSTUNREACH: 'no way leads there',
  ENETUNREACH: 'no way leads there',
  ETIMEDOUT: 'no answer to the connection',
  ABORT_ERR: `no answer within ${LONGEST_STEP_MS / 1000} s`,
  CERT_HAS_EXPIRED: 'the certificate has expired',
  DEPTH_ZERO_SELF_SIGNED_CERT: 'the certificate is signed by nobody who is known',
};

function inWords(error: NodeJS.ErrnoException, url: URL): Error {
  const reason = REASONS[error.code ?? ''];
  return reason === undefined ? error : Object.assign(new Error(`${url.host}: ${reason}`), { code: error.code });
}

/** @throws Error that names what was expected and what came */
export function checkAnswer({ status, contains, json = [] }: ProbeStep, answer: Pick<Answer, 'status' | 'body'>): void {
  if (status === undefined ? answer.status >= 400 : answer.status !== status)
    throw new Error(`status ${answer.status}, expected ${status ?? 'below 400'}`);
  if (contains !== undefined && !answer.body.includes(contains)) throw new Error(`“${contains}” is not in the answer`);
  if (json.length === 0) return;
  const told = parsed(answer.body);
  for (const { path, equals } of json) {
    const found: unknown[] = JSONPath({ path, json: told, eval: false, wrap: true });
    if (!found.some((one) => one === equals))
      throw new Error(
        `${path} is ${found.length === 0 ? 'missing' : JSON.stringify(found[0])}, expected ${JSON.stringify(equals)}`,
      );
  }
}

function parsed(body: string): object {
  try {
    const value: unknown = JSON.parse(body);
    if (typeof value === 'object' && value !== null) return value;
  } catch {
    // told below
  }
  throw new Error('the answer is no JSON');
}
