import { keyValues, nanos, randomHex, type Attributes, type SpanRecord } from './otlp';
import { Queue, type Storage } from './queue';

export interface PhoneOptions {
  /** where Top Lens is: "https://toplens.example" */
  url: string;
  /** one of TOPLENS_PHONE_KEYS */
  key: string;
  /** name of this application among the components, as its key says */
  component: string;
  application: string;
  version: string;
  device?: { model?: string; system?: 'Android' | 'iOS'; systemVersion?: string };
  /** where records wait while there is no network; without it they are lost when the application ends */
  storage?: Storage;
  /** requests to these hosts are told to their servers as well, by a `traceparent` header (W3C Trace Context) */
  traceHosts?: readonly string[];
  /** who uses it; nobody is named when it is left out */
  person?: string;
  /** share of sessions that tell of taps, usage and shapes, 0 to 1 */
  detail?: number;
  fetch?: typeof fetch;
  now?: () => number;
}

export type ScreenPart = readonly [
  kind: 'text' | 'button' | 'picture' | 'field' | 'list',
  x: number,
  y: number,
  width: number,
  height: number,
];

/** What an application tells of itself. */
export interface Phone {
  /** The application can be used now. @param sinceMs when it was started */
  launched(kind: 'cold' | 'warm', sinceMs: number): void;
  /** A screen is being shown. @returns call it when the screen can be used */
  screen(name: string): () => void;
  /** As `fetch`: what it asks is told, and belongs to the screen that is being shown. */
  fetch: typeof fetch;
  tap(name: string): void;
  /** An error that the application caught. */
  caught(error: unknown): void;
  /** What happened, for the trail of a crash. */
  note(what: string): void;
  usage(taken: { cpu?: number; memory?: number }): void;
  /** Where something stands on the screen; never what it says. */
  shape(size: { width: number; height: number }, parts: readonly ScreenPart[]): void;
  /** The application came to the front, or went to the back. */
  state(state: 'foreground' | 'background'): void;
  /** The application ends by this error: for the platform's handler of errors that nobody caught. */
  crashed(error: unknown): Promise<void>;
  /** Sends what waits. */
  flush(): Promise<void>;
  /** Stops telling; what waits is kept. */
  stop(): void;
}

const ALIVE_AT = 'toplens.alive';
const SEND_EVERY_MS = 3_000;
const MOST_TRAIL = 50;

interface Alive {
  session: string;
  screen: string;
  trail: { at: number; what: string }[];
  atMs: number;
}

/** Begins to tell. A run that ended without going to the back first is told as one that ended uncleanly. */
export async function startPhone(options: PhoneOptions): Promise<Phone> {
  const { storage, person = '', detail = 1, device = {}, traceHosts = [] } = options;
  const now = options.now ?? (() => Date.now());
  const ask: typeof fetch = options.fetch ?? ((...asked) => fetch(...asked));
  const resource: Attributes = {
    'service.name': options.component,
    'service.namespace': options.application,
    'service.version': options.version,
    'device.model.name': device.model ?? 'unknown',
    'os.name': device.system ?? 'Android',
    'os.version': device.systemVersion,
    // On the web target alone; tells a script that drives a page from a person.
    'user_agent.original': (globalThis as { navigator?: { userAgent?: string } }).navigator?.userAgent,
  };
  const queue = new Queue({ ...options, resource, fetch: ask, storage, now });
  const session = randomHex(32);
  const tellsDetail = Math.random() < detail;
  const alive: Alive = { session, screen: '', trail: [], atMs: now() };
  let shown: { record: SpanRecord; endsAt: (ms: number) => void } | undefined;

  const whose = (of: string = session): Attributes => ({ 'session.id': of, 'user.id': person });
  const event = (
    eventName: string,
    attributes: Attributes,
    more: { atMs?: number; session?: string; spanId?: string; traceId?: string } = {},
  ) =>
    queue.add({
      event: {
        timeUnixNano: nanos(more.atMs ?? now()),
        eventName,
        ...(more.spanId !== undefined && { spanId: more.spanId }),
        ...(more.traceId !== undefined && { traceId: more.traceId }),
        attributes: keyValues({ ...attributes, ...whose(more.session), 'log.record.uid': randomHex(32) }),
      },
    });
  const spanOf = (
    {
      name,
      kind,
      startMs,
      endMs,
      failed = false,
    }: { name: string; kind: 1 | 3; startMs: number; endMs: number; failed?: boolean },
    attributes: Attributes,
    below?: SpanRecord,
  ): SpanRecord => ({
    traceId: below?.traceId ?? randomHex(32),
    spanId: randomHex(16),
    ...(below && { parentSpanId: below.spanId }),
    name,
    kind,
    startTimeUnixNano: nanos(startMs),
    endTimeUnixNano: nanos(endMs),
    attributes: keyValues({ ...attributes, ...whose() }),
    status: failed ? { code: 2 } : {},
  });
  const note = (what: string) => {
    alive.trail = [...alive.trail, { at: Math.round(now()), what: what.slice(0, 200) }].slice(-MOST_TRAIL);
    alive.atMs = now();
    void storage?.setItem(ALIVE_AT, JSON.stringify(alive));
  };
  const tellCrash = (
    { type, message, stack, ...crash }: { type: string; message: string; stack: string } & Alive,
    attempt?: SpanRecord,
  ) =>
    event(
      'app.crash',
      {
        'app.crash.id': randomHex(32),
        'app.screen.name': crash.screen,
        'exception.type': type,
        'exception.message': message,
        'exception.stacktrace': stack,
        'toplens.trail': JSON.stringify(crash.trail),
      },
      {
        atMs: crash.atMs,
        session: crash.session,
        ...(attempt && { spanId: attempt.spanId, traceId: attempt.traceId }),
      },
    );

  await queue.open();
  const before = await storage?.getItem(ALIVE_AT);
  if (before) {
    const last = parsed(before);
    if (last)
      tellCrash({ ...last, type: 'Ended uncleanly', message: 'the application was gone at its next start', stack: '' });
  }
  const timer = setInterval(() => void queue.flush(), SEND_EVERY_MS);

  return {
    launched(kind, sinceMs) {
      queue.add({
        span: spanOf({ name: `${kind} start`, kind: 1, startMs: sinceMs, endMs: now() }, { 'toplens.launch': kind }),
      });
      note(`${kind} start`);
    },
    screen(name) {
      const startMs = now();
      const record = spanOf({ name, kind: 1, startMs, endMs: startMs }, { 'app.screen.name': name });
      alive.screen = name;
      note(`screen ${name}`);
      const endsAt = (ms: number) => {
        if (shown?.record !== record) return;
        shown = undefined;
        record.endTimeUnixNano = nanos(ms);
        queue.add({ span: record });
      };
      shown?.endsAt(startMs);
      shown = { record, endsAt };
      return () => endsAt(now());
    },
    fetch: async (...asked) => {
      const [input, init] = asked;
      const url = new URL(typeof input === 'string' ? input : 'href' in input ? input.href : input.url);
      const method = (
        init?.method ?? (typeof input === 'object' && 'method' in input ? input.method : 'GET')
      ).toUpperCase();
      const startMs = now();
      const record = spanOf({ name: method, kind: 3, startMs, endMs: startMs }, {}, shown?.record);
      const headers = new Headers(
        init?.headers ?? (typeof input === 'object' && 'headers' in input ? input.headers : {}),
      );
      if (traceHosts.includes(url.host) && !headers.has('traceparent'))
        headers.set('traceparent', `00-${record.traceId}-${record.spanId}-01`);
      const tell = (status: number | undefined, received: number | undefined) => {
        record.endTimeUnixNano = nanos(now());
        record.status = status === undefined || status >= 400 ? { code: 2 } : {};
        record.attributes = keyValues({
          'http.request.method': method,
          'server.address': url.hostname,
          // Queries may hold what is nobody's business.
          'url.path': url.pathname,
          'http.response.status_code': status,
          'http.response.body.size': received,
          ...(typeof init?.body === 'string' && { 'http.request.body.size': init.body.length }),
          ...whose(),
        });
        queue.add({ span: record });
      };
      try {
        const answer = await ask(input, { ...init, headers });
        const length = Number(answer.headers.get('content-length') ?? NaN);
        tell(answer.status, Number.isFinite(length) ? length : undefined);
        return answer;
      } catch (error) {
        tell(undefined, undefined);
        throw error;
      }
    },
    tap(name) {
      note(`tap ${name}`);
      if (tellsDetail) event('app.widget.click', { 'app.widget.name': name, 'app.widget.id': name });
    },
    caught(error) {
      const { type, message, stack } = wordsOf(error);
      note(`error ${type}`);
      event('exception', { 'exception.type': type, 'exception.message': message, 'exception.stacktrace': stack });
    },
    note,
    usage({ cpu, memory }) {
      if (tellsDetail && (cpu !== undefined || memory !== undefined))
        event('toplens.usage', { 'process.cpu.utilization': cpu, 'process.memory.usage': memory });
    },
    shape(size, parts) {
      if (tellsDetail)
        event('toplens.screen.shape', {
          'app.screen.name': alive.screen,
          'toplens.shape': JSON.stringify({
            ...size,
            parts: parts.map(([kind, ...box]) => [kind, ...box.map(Math.round)]),
          }),
        });
    },
    state(state) {
      event('device.app.lifecycle', { [device.system === 'iOS' ? 'ios.app.state' : 'android.app.state']: state });
      note(state);
      // What ends in the back was put away, and did not crash in anybody's hand.
      if (state === 'background') void storage?.removeItem(ALIVE_AT);
      void queue.flush();
    },
    async crashed(error) {
      const attempt = shown?.record;
      if (attempt) {
        attempt.attributes = [...attempt.attributes, ...keyValues({ 'toplens.outcome': 'crashed' })];
        shown?.endsAt(now());
      }
      tellCrash({ ...alive, atMs: now(), ...wordsOf(error) }, attempt);
      await storage?.removeItem(ALIVE_AT);
      await queue.flush({ now: true });
    },
    flush: () => queue.flush({ now: true }),
    stop: () => clearInterval(timer),
  };
}

const wordsOf = (error: unknown): { type: string; message: string; stack: string } =>
  error instanceof Error
    ? { type: error.name, message: error.message, stack: error.stack ?? '' }
    : { type: typeof error, message: String(error), stack: '' };

function parsed(text: string): Alive | undefined {
  try {
    return JSON.parse(text) as Alive;
  } catch {
    return undefined;
  }
}
