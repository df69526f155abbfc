import { attributes, type LogRecord, type Span, type Values } from './otlp';

/** A browser takes no more than 64 KiB while a page goes away. */
const MOST_CHARACTERS = 60_000;
const SEND_AFTER_MS = 2_000;

/** Gathers what is to be told and sends it in few requests: after a moment, and when the page goes away. */
export class Sender {
  #records: LogRecord[] = [];
  #spans: Span[] = [];
  #timer: ReturnType<typeof setTimeout> | undefined;

  constructor(
    private readonly url: string,
    private readonly resource: Values,
    /** the page's own fetch, not the watched one */
    private readonly fetch: typeof window.fetch,
  ) {}

  record(record: LogRecord): void {
    this.#records.push(record);
    this.#sendSoon();
  }

  span(span: Span): void {
    this.#spans.push(span);
    this.#sendSoon();
  }

  #sendSoon(): void {
    this.#timer ??= setTimeout(() => this.sendNow(), SEND_AFTER_MS);
  }

  sendNow(): void {
    clearTimeout(this.#timer);
    this.#timer = undefined;
    const [records, spans] = [this.#records, this.#spans];
    this.#records = [];
    this.#spans = [];
    if (records.length > 0 || spans.length > 0) this.#send(records, spans);
  }

  /** In halves when it is too much at once; what is too large alone is left out. */
  #send(records: LogRecord[], spans: Span[]): void {
    const resource = { attributes: attributes(this.resource) };
    const body = JSON.stringify({
      ...(records.length > 0 && { resourceLogs: [{ resource, scopeLogs: [{ logRecords: records }] }] }),
      ...(spans.length > 0 && { resourceSpans: [{ resource, scopeSpans: [{ spans }] }] }),
    });
    if (body.length > MOST_CHARACTERS) {
      if (records.length + spans.length < 2) return;
      const half = <One>(all: One[]) => [all.slice(0, all.length >> 1), all.slice(all.length >> 1)] as [One[], One[]];
      const [[firstRecords, otherRecords], [firstSpans, otherSpans]] = [half(records), half(spans)];
      this.#send(firstRecords, firstSpans);
      return this.#send(otherRecords, otherSpans);
    }
    // Plain text, since a browser would first ask for leave to send JSON. What becomes of it is nothing the page should
    // know.
    this.fetch
      .call(window, this.url, {
        method: 'POST',
        body,
        keepalive: true,
        mode: 'no-cors',
        credentials: 'omit',
        headers: { 'content-type': 'text/plain' },
      })
      .catch(() => undefined);
  }
}
