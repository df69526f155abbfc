import { encodeRequest } from './encode';
import type { OutSpan } from './spans';

const MOST_TRIES = 60;

/** Sends spans as any OTLP exporter would: waits when told to, gives up on what is wrong. */
export class Sender {
  sent = 0;

  constructor(
    private readonly url: string,
    private readonly key?: string,
  ) {}

  async send(spans: readonly OutSpan[]): Promise<void> {
    if (spans.length === 0) return;
    const body = encodeRequest(spans);
    for (let tries = 1; ; tries++) {
      const again = await this.#post(body).catch((error: Error) => (tries < MOST_TRIES ? 1 : Promise.reject(error)));
      if (again === undefined) break;
      if (tries >= MOST_TRIES) throw new Error(`the server at ${this.url} does not keep up`);
      await new Promise((resolve) => setTimeout(resolve, again * 1000));
    }
    this.sent += spans.length;
  }

  /** @returns seconds to wait before trying again; undefined when taken */
  async #post(body: Uint8Array): Promise<number | undefined> {
    const response = await fetch(`${this.url}/v1/traces`, {
      method: 'POST',
      headers: { 'content-type': 'application/x-protobuf', ...(this.key !== undefined && { authorization: `Bearer ${this.key}` }) },
      body: body as Uint8Array<ArrayBuffer>,
    });
    const answer = Buffer.from(await response.arrayBuffer());
    if (response.ok) {
      if (answer.length > 0) throw new Error(`spans were rejected: ${answer.toString('utf8')}`);
      return undefined;
    }
    if (response.status === 429 || response.status === 503) return Number(response.headers.get('retry-after') ?? 1) / 5;
    throw new Error(`${response.status}: ${answer.toString('utf8')}`);
  }
}
