import { encodeViews } from '../browsers/encode-views';
import { PORTAL_ORIGIN, PORTAL_VERSION, type OutView } from '../browsers/page-views';
import { encodeLines, encodePoints, encodeSpans } from './encode';
import { salesCsv, type Sale } from './insurance';
import type { OutLine } from './lines';
import type { OutPoint } from './points';
import type { OutSpan } from './spans';

const MOST_TRIES = 60;
/** A server that cannot be reached is asked again after so many seconds. */
const AWAY_S = 1;

/** Sends telemetry as any OTLP exporter would: waits when told to, gives up on what is wrong. */
export class Sender {
  sent = 0;

  constructor(
    private readonly url: string,
    private readonly key?: string,
    /** of the portal's pages; without it their browsers tell nothing */
    private readonly browserKey?: string,
  ) {}

  send = (spans: readonly OutSpan[]): Promise<void> => this.#sendAll('/v1/traces', spans, encodeSpans);
  sendLines = (lines: readonly OutLine[]): Promise<void> => this.#sendAll('/v1/logs', lines, encodeLines);
  sendPoints = (points: readonly OutPoint[]): Promise<void> => this.#sendAll('/v1/metrics', points, encodePoints);

  /** Changes as CloudEvents, in a batch. */
  sendChanges = (events: readonly object[]): Promise<void> =>
    this.#sendAll(
      '/v1/changes',
      events,
      (all) => Buffer.from(JSON.stringify(all)),
      'application/cloudevents-batch+json',
    );

  /** The ledger's export of past sales, as a CSV file. */
  sendSales = (sales: readonly Sale[]): Promise<void> =>
    this.#sendAll('/v1/business-events', sales, (all) => Buffer.from(salesCsv(all)), 'text/csv');

  /** As the portal's delivery line would with each version. */
  async sendSourceMap(file: string, map: string): Promise<void> {
    const body = JSON.stringify({
      component: 'portal-browser',
      version: PORTAL_VERSION,
      file,
      map: JSON.parse(map) as object,
    });
    const response = await fetch(`${this.url}/api/source-maps`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body,
    });
    if (!response.ok) throw new Error(`${response.status}: ${await response.text()}`);
  }

  /** What browsers of the portal's pages tell. */
  sendViews = async (views: readonly OutView[]): Promise<void> => {
    if (this.browserKey !== undefined)
      await this.#sendAll(`/v1/browser?key=${this.browserKey}`, views, encodeViews, 'text/plain');
  };

  async #sendAll<Out>(
    path: string,
    records: readonly Out[],
    encode: (records: readonly Out[]) => Uint8Array,
    type = 'application/x-protobuf',
  ): Promise<void> {
    if (records.length === 0) return;
    const body = encode(records);
    for (let tries = 1; ; tries++) {
      const again = await this.#post(path, body, type);
      if (again === undefined) break;
      if (tries >= MOST_TRIES) throw new Error(`the server at ${this.url} does not answer, or does not keep up`);
      await new Promise((resolve) => setTimeout(resolve, again * 1000));
    }
    this.sent += records.length;
  }

  /** @returns seconds to wait before trying again; undefined when taken */
  async #post(path: string, body: Uint8Array, type: string): Promise<number | undefined> {
    const headers = {
      'content-type': type,
      ...(type === 'text/plain' && { origin: PORTAL_ORIGIN }),
      ...(this.key !== undefined && { authorization: `Bearer ${this.key}` }),
    };
    const told = await fetch(`${this.url}${path}`, { method: 'POST', headers, body: body as Uint8Array<ArrayBuffer> })
      .then(async (response) => ({ response, answer: Buffer.from(await response.arrayBuffer()) }))
      .catch(() => undefined);
    if (!told) return AWAY_S;
    const { response, answer } = told;
    if (response.ok) {
      const isTold =
        type === 'application/x-protobuf'
          ? answer.length > 0
          : (JSON.parse(answer.toString('utf8')) as { rejected: number }).rejected > 0;
      if (isTold) throw new Error(`records were rejected: ${answer.toString('utf8')}`);
      return undefined;
    }
    if (response.status === 429 || response.status === 503) return Number(response.headers.get('retry-after') ?? 1) / 5;
    throw new Error(`${response.status}: ${answer.toString('utf8')}`);
  }
}
