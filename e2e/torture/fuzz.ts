import { gzipSync } from 'node:zlib';
import { seededRandom } from '@toplens/core/stats';
import { requestOf } from './sender';

interface Route {
  method: string;
  /** with `{names}` */
  path: string;
  query: string[];
}

export interface FuzzResult {
  requests: number;
  byStatus: Record<string, number>;
  /** what must not happen: 5xx that is no honest "come back", or no answer at all */
  wrong: { status: number; method: string; url: string; body: string }[];
}

const ODD_TEXTS = [
  '',
  ' ',
  '0',
  '-1',
  '1e308',
  'NaN',
  'null',
  'true',
  '[]',
  '{}',
  'constructor',
  '__proto__',
  'toString',
  'hasOwnProperty',
  '\u0000',
  'a\u0000b',
  '\ud800',
  '\uffff',
  '%',
  '%00',
  '%zz',
  '../../etc/passwd',
  "' OR 1=1 --",
  '<script>alert(1)</script>',
  'x'.repeat(5_000),
  '\u4e2d'.repeat(1_000),
  '9007199254740993',
  '-9007199254740991',
  '2026-13-45',
  '0000-00-00T00:00:00Z',
  '1970-01-01',
  '2026-11-29T12:00:00Z',
  '\u001f',
  '١٢٣',
];

const ODD_VALUES: unknown[] = [
  null,
  true,
  false,
  0,
  -1,
  1e308,
  -9007199254740991,
  0.1,
  [],
  {},
  [[]],
  [null],
  { constructor: 1 },
  { __proto__: null },
  { toString: 'x' },
  { length: -1 },
  ...ODD_TEXTS,
];

/** Bodies as they should be, to be made wrong. */
export const BODIES: Record<string, () => unknown> = {
  '/api/settings': () => ({ who: 'Duty desk', key: 'rates', value: { waiting: 2 }, fromMs: Date.now() }),
  '/api/settings/changes/{id}/undo': () => ({ who: 'Duty desk' }),
  '/api/handoffs': () => ({ incident: 1, team: 'Payments', note: 'x', who: 'Duty desk' }),
  '/api/handoffs/{id}/answer': () => ({ what: 'taken', who: 'x', reason: 'y' }),
  '/api/incidents/{id}/decisions': () => ({
    who: 'Duty desk',
    what: 'setAside',
    reason: 'x',
    untilMs: Date.now() + 1000,
  }),
  '/api/people/find': () => ({ find: 'person-1', why: 'a complaint' }),
  '/api/incidents/{id}/hurt/export': () => ({ why: 'a complaint' }),
  '/api/source-maps': () => ({
    component: 'shop',
    version: '1',
    file: 'app.js',
    map: { version: 3, sources: ['a.ts'], names: [], mappings: 'AAAA' },
  }),
  '/v1/traces': () => JSON.parse(requestOf(3)) as unknown,
  '/v1/logs': () => ({
    resourceLogs: [
      {
        resource: { attributes: [] },
        scopeLogs: [
          {
            logRecords: [
              {
                timeUnixNano: `${Date.now()}000000`,
                severityNumber: 9,
                body: { stringValue: 'x' },
                attributes: [{ key: 'a', value: { arrayValue: { values: [{ intValue: '1' }] } } }],
              },
            ],
          },
        ],
      },
    ],
  }),
  '/v1/metrics': () => ({
    resourceMetrics: [
      {
        scopeMetrics: [
          {
            metrics: [
              {
                name: 'm',
                unit: '1',
                histogram: {
                  aggregationTemporality: 1,
                  dataPoints: [
                    {
                      timeUnixNano: `${Date.now()}000000`,
                      count: '2',
                      sum: 3,
                      bucketCounts: ['1', '1'],
                      explicitBounds: [5],
                    },
                  ],
                },
              },
            ],
          },
        ],
      },
    ],
  }),
  '/v1/changes': () => ({
    specversion: '1.0',
    id: 'a',
    source: 's',
    type: 'toplens.change.release',
    subject: 'shop',
    time: new Date().toISOString(),
    data: { title: 'x' },
  }),
  '/v1/business-events': () => [
    {
      specversion: '1.0',
      id: 'a',
      source: 's',
      type: 't',
      time: new Date().toISOString(),
      data: { name: 'Order placed', amount: 3 },
    },
  ],
  '/v1/har': () => ({ log: { version: '1.2', entries: [], pages: [] } }),
  '/v1/browser': () => ({ resourceLogs: [] }),
};

/** The first settings that are tried are the ones a browser would send; these change nothing that is counted. */
async function routesOf(url: string): Promise<Route[]> {
  const { paths } = (await (await fetch(`${url}/api/openapi.json`)).json()) as {
    paths: Record<string, Record<string, { parameters?: { name: string; in: string }[] }>>;
  };
  return Object.entries(paths).flatMap(([path, methods]) =>
    Object.entries(methods).map(([method, { parameters = [] }]) => ({
      method: method.toUpperCase(),
      path,
      query: parameters.filter((parameter) => parameter.in === 'query').map(({ name }) => name),
    })),
  );
}

/** Half a surrogate pair cannot be part of an address. */
const wellFormed = (text: string) => Buffer.from(text).toString();

export class Fuzzer {
  readonly #random: () => number;

  constructor(seed: number) {
    this.#random = seededRandom(seed);
  }

  #pick<T>(list: readonly T[]): T {
    return list[Math.floor(this.#random() * list.length)] as T;
  }

  #chance(share: number): boolean {
    return this.#random() < share;
  }

  /** One value somewhere in it becomes another, a name becomes another, or a part is there twice or gone. */
  mutate(value: unknown, depth = 0): unknown {
    if (this.#chance(depth === 0 ? 0.05 : 0.25)) return this.#chance(0.02) ? this.#deep() : this.#pick(ODD_VALUES);
    if (Array.isArray(value)) {
      const list = value.map((one) => (this.#chance(0.6) ? this.mutate(one, depth + 1) : (one as unknown)));
      if (this.#chance(0.2)) list.push(...list);
      return list;
    }
    if (value !== null && typeof value === 'object') {
      const entries = Object.entries(value).map(([name, one]): [string, unknown] => [
        this.#chance(0.05) ? this.#pick(ODD_TEXTS) : name,
        this.#chance(0.5) ? this.mutate(one, depth + 1) : one,
      ]);
      return Object.fromEntries(this.#chance(0.1) ? entries.slice(1) : entries);
    }
    return value;
  }

  #deep(): unknown {
    let value: unknown = 1;
    for (let i = 0; i < 1_000; i++) value = this.#chance(0.5) ? [value] : { a: value };
    return value;
  }

  /** A body that was taken or refused, changed once more: as values where it is JSON, else as bytes. */
  bytes(body: Uint8Array, encoding: 'json' | 'protobuf'): Uint8Array {
    if (encoding === 'protobuf' || this.#chance(0.1)) return this.#damaged(body);
    try {
      return Buffer.from(JSON.stringify(this.mutate(JSON.parse(Buffer.from(body).toString()))) ?? '');
    } catch {
      return this.#damaged(body);
    }
  }

  /** Bytes of a body, some of them wrong. */
  #damaged(bytes: Uint8Array): Uint8Array<ArrayBuffer> {
    const copy = new Uint8Array(bytes);
    for (let n = Math.floor(this.#random() * 8); n > 0; n--)
      copy[Math.floor(this.#random() * copy.length)] = Math.floor(this.#random() * 256);
    return this.#chance(0.2) ? copy.slice(0, Math.floor(this.#random() * copy.length)) : copy;
  }

  #urlOf({ path, query }: Route, url: string): string {
    const filled = path.replace(/\{(\w+)\}/g, () =>
      encodeURIComponent(this.#chance(0.3) ? '1' : wellFormed(this.#pick(ODD_TEXTS).slice(0, 200))),
    );
    const parts: string[] = [];
    for (const name of query)
      if (this.#chance(0.3))
        for (let n = this.#chance(0.1) ? 2 : 1; n > 0; n--) {
          const suffix = this.#chance(0.05) ? this.#pick(['[]', '[a]', '[constructor]', '[__proto__]']) : '';
          parts.push(`${encodeURIComponent(name)}${suffix}=${encodeURIComponent(wellFormed(this.#pick(ODD_TEXTS)))}`);
        }
    return `${url}${this.#chance(0.02) ? filled.replace(/[^/]*$/, '%zz') : filled}${parts.length > 0 ? `?${parts.join('&')}` : ''}`;
  }

  next(route: Route, url: string): { url: string; init: RequestInit & { duplex?: 'half' } } {
    const target = this.#urlOf(route, url);
    if (route.method === 'GET' || route.method === 'DELETE') return { url: target, init: { method: route.method } };
    const body = this.mutate(BODIES[route.path]?.() ?? {});
    const isDeep = this.#chance(0.005);
    const text = isDeep
      ? `${'['.repeat(200_000)}${']'.repeat(200_000)}`
      : body === undefined
        ? ''
        : JSON.stringify(body);
    let bytes: Uint8Array<ArrayBuffer> = new Uint8Array(Buffer.from(text));
    const isCounted = route.path === '/api/settings' || route.path.includes('decisions');
    const headers: Record<string, string> = { 'content-type': 'application/json' };
    if (this.#chance(0.05))
      headers['content-type'] = this.#pick([
        'application/x-protobuf',
        'text/plain',
        'text/csv',
        'application/cloudevents+json',
        'x',
        'application/json; charset=utf-16',
      ]);
    if (route.path === '/api/handoffs') headers['idempotency-key'] = `fuzz-${Math.floor(this.#random() * 1e9)}`;
    if (this.#chance(0.2) && !isCounted) bytes = this.#damaged(bytes);
    if (this.#chance(0.1)) {
      bytes = new Uint8Array(gzipSync(bytes));
      headers['content-encoding'] = 'gzip';
      if (this.#chance(0.5)) bytes = this.#damaged(bytes);
    }
    // A stream is sent in chunks, without a length.
    const isChunked = this.#chance(0.1);
    const stream = new ReadableStream<Uint8Array>({
      start: (controller) => {
        controller.enqueue(bytes);
        controller.close();
      },
    });
    return {
      url: target,
      init: {
        method: route.method,
        headers,
        body: isChunked ? stream : bytes,
        ...(isChunked && { duplex: 'half' as const }),
      },
    };
  }
}

/** Sends so many mutated requests over every route. */
export async function fuzz(url: string, requests: number, seed: number, lanes = 8): Promise<FuzzResult> {
  const routes = await routesOf(url);
  const fuzzer = new Fuzzer(seed);
  const result: FuzzResult = { requests: 0, byStatus: {}, wrong: [] };
  const lane = async () => {
    while (result.requests < requests) {
      const route = routes[result.requests++ % routes.length] as Route;
      const { url: target, init } = fuzzer.next(route, url);
      const answer = await fetch(target, { ...init, signal: AbortSignal.timeout(30_000) }).then(
        async (response) => ({ status: response.status, text: await response.text() }),
        (error: Error) => ({
          status: 0,
          text: `${error.message}: ${(error.cause as Error | undefined)?.message ?? ''}`,
        }),
      );
      result.byStatus[answer.status] = (result.byStatus[answer.status] ?? 0) + 1;
      // 503 with a reason is what an overloaded server should say; nothing else above 499 is.
      const isWrong = answer.status === 0 || (answer.status >= 500 && answer.status !== 503);
      if (isWrong && result.wrong.length < 50)
        result.wrong.push({
          status: answer.status,
          method: route.method,
          url: target.slice(0, 300),
          body: `${answer.text.slice(0, 300)} <- ${init.body instanceof Uint8Array ? Buffer.from(init.body).toString().slice(0, 300) : ''}`,
        });
    }
  };
  await Promise.all(Array.from({ length: lanes }, lane));
  return result;
}
