const hex = (n: number, length: number) => n.toString(16).padStart(length, '0');

export interface SpanOptions {
  name?: string;
  startMs?: number;
  durationMs?: number;
  attributes?: Record<string, string>;
  resource?: Record<string, string>;
}

const attributesOf = (texts: Record<string, string>) =>
  Object.entries(texts).map(([key, stringValue]) => ({ key, value: { stringValue } }));

let next = 1 + (process.pid % 1000) * 1_000_000;

/** A request with so many attempts of one flow, each with an id of its own. */
export function requestOf(
  spans: number,
  { startMs = Date.now() - 1000, durationMs = 5, attributes = {}, resource = {} }: SpanOptions = {},
): string {
  const list = Array.from({ length: spans }, () => {
    const id = next++;
    return {
      traceId: hex(id, 32),
      spanId: hex(id, 16),
      name: 'x',
      kind: 2,
      startTimeUnixNano: `${Math.round(startMs)}000000`,
      endTimeUnixNano: `${Math.round(startMs + durationMs)}000000`,
      attributes: attributesOf({ 'toplens.flow': 'counted', ...attributes }),
    };
  });
  return JSON.stringify({
    resourceSpans: [
      {
        resource: { attributes: attributesOf({ 'service.name': 'shop', ...resource }) },
        scopeSpans: [{ spans: list }],
      },
    ],
  });
}

export const postJson = (url: string, body: string | Uint8Array<ArrayBuffer>, headers: Record<string, string> = {}) =>
  fetch(url, { method: 'POST', headers: { 'content-type': 'application/json', ...headers }, body });

/**
 * Sends attempts as exporters do: what was not acknowledged is sent again. Knows what the server must have, and what it
 * may have.
 */
export class CountingSender {
  acknowledged = 0;
  refused = 0;
  readonly #unanswered: string[] = [];
  #running = false;
  #senders: Promise<void>[] = [];

  constructor(
    private readonly spans = 50,
    private readonly lanes = 4,
  ) {}

  /** Sends until stopped. */
  start(url: () => string): void {
    this.#running = true;
    this.#senders = Array.from({ length: this.lanes }, async () => {
      while (this.#running) {
        const body = this.#unanswered.pop() ?? requestOf(this.spans);
        const status = await postJson(`${url()}/v1/traces`, body).then(
          async (response) => {
            await response.text();
            return response.status;
          },
          () => 0,
        );
        if (status === 200) this.acknowledged += this.spans;
        else {
          this.#unanswered.push(body);
          if (status !== 0) this.refused++;
          await new Promise((resolve) => setTimeout(resolve, 20));
        }
      }
    });
  }

  async stop(): Promise<void> {
    this.#running = false;
    await Promise.all(this.#senders);
  }

  /** Attempts that may be in although nobody said so. */
  get unsure(): number {
    return this.#unanswered.length * this.spans;
  }
}
