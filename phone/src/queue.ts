import { logsRequest, tracesRequest, type Attributes, type EventRecord, type SpanRecord } from './otlp';

/** Where records wait on the device: the web's `localStorage`, or AsyncStorage of React Native. */
export interface Storage {
  getItem: (key: string) => string | null | Promise<string | null>;
  setItem: (key: string, value: string) => unknown;
  removeItem: (key: string) => unknown;
}

export type Queued = { span: SpanRecord } | { event: EventRecord };

export interface QueueOptions {
  url: string;
  key: string;
  /** told with each request, beside when it was sent */
  resource: Attributes;
  fetch: (
    url: string,
    init: { method: string; headers: Record<string, string>; body: string },
  ) => Promise<{ status: number }>;
  storage: Storage | undefined;
  now: () => number;
}

const KEPT_AT = 'toplens.queue';
/** So many wait at most: beyond, the oldest go, crashes last. */
const MOST = 500;
const A_REQUEST = 100;
const FIRST_PAUSE_MS = 5_000;
const LONGEST_PAUSE_MS = 300_000;

const isCrash = (one: Queued): boolean => 'event' in one && one.event.eventName === 'app.crash';

/**
 * Records on their way. They outlive a crash and a dead network: what was not acknowledged is kept on the device and
 * sent again; the server drops doubles by their identities.
 */
export class Queue {
  #waiting: Queued[] = [];
  #sending: Promise<void> | undefined;
  #pauseMs = FIRST_PAUSE_MS;
  #notBeforeMs = 0;

  constructor(private readonly options: QueueOptions) {}

  /** Takes up what an earlier run left. */
  async open(): Promise<void> {
    const text = await this.options.storage?.getItem(KEPT_AT);
    try {
      const kept = JSON.parse(text ?? '[]') as Queued[];
      if (Array.isArray(kept)) this.#waiting = [...kept, ...this.#waiting].slice(-MOST);
    } catch {
      // What cannot be read any more is lost; what comes now is not.
    }
  }

  get size(): number {
    return this.#waiting.length;
  }

  add(one: Queued): void {
    this.#waiting.push(one);
    if (this.#waiting.length > MOST) {
      const oldest = this.#waiting.findIndex((waiting) => !isCrash(waiting));
      this.#waiting.splice(Math.max(0, oldest), 1);
    }
    this.keep();
  }

  /** Writes down what waits, so that it is sent at the next start when this run ends now. */
  keep(): void {
    void this.options.storage?.setItem(KEPT_AT, JSON.stringify(this.#waiting));
  }

  /** Sends what waits, unless the server asked for a pause or did not answer a moment ago. */
  flush({ now = false } = {}): Promise<void> {
    if (!now && this.options.now() < this.#notBeforeMs) return Promise.resolve();
    this.#sending ??= this.#sendAll().finally(() => (this.#sending = undefined));
    return this.#sending;
  }

  async #sendAll(): Promise<void> {
    while (this.#waiting.length > 0) {
      const some = this.#waiting.slice(0, A_REQUEST);
      if (!(await this.#send(some))) {
        this.#notBeforeMs = this.options.now() + this.#pauseMs;
        this.#pauseMs = Math.min(LONGEST_PAUSE_MS, 2 * this.#pauseMs);
        return;
      }
      this.#pauseMs = FIRST_PAUSE_MS;
      const sent = new Set(some);
      this.#waiting = this.#waiting.filter((one) => !sent.has(one));
      this.keep();
    }
  }

  /** @returns whether these need not be sent again: taken, or refused for good */
  async #send(some: readonly Queued[]): Promise<boolean> {
    const resource = { ...this.options.resource, 'toplens.sent_at': Math.round(this.options.now()) };
    const spans = some.flatMap((one) => ('span' in one ? [one.span] : []));
    const events = some.flatMap((one) => ('event' in one ? [one.event] : []));
    const answers = [
      spans.length > 0 && (await this.#post('/v1/traces', tracesRequest(resource, spans))),
      events.length > 0 && (await this.#post('/v1/logs', logsRequest(resource, events))),
    ];
    return !answers.includes('again');
  }

  async #post(path: string, body: object): Promise<'done' | 'again'> {
    try {
      const { status } = await this.options.fetch(`${this.options.url}${path}`, {
        method: 'POST',
        headers: { 'content-type': 'application/json', 'toplens-key': this.options.key },
        body: JSON.stringify(body),
      });
      return status >= 500 || status === 429 || status === 408 ? 'again' : 'done';
    } catch {
      return 'again';
    }
  }
}
