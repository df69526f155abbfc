import { textOf, type Attributes } from '@toplens/core/telemetry';

/** A source of telemetry, as it names itself. */
export interface Sender {
  /** service.name */
  component: string;
  /** language, name and version of its SDK (telemetry.sdk.*), as told last; '' where it does not say */
  sdk: string;
  /** records since the start of the server */
  came: number;
  /** of those that came */
  refused: number;
  /** of those that came: entries that are no flow by the settings */
  ignored: number;
  /** why the newest of the refused was; '' when none was */
  why: string;
  /** the newest of the refused, in a few words; '' when none was */
  sample: string;
  sinceMs: number;
  lastMs: number;
}

/** Requests that were refused as a whole, by way in and reason. */
export interface RefusedRequests {
  /** "OTLP/gRPC", "POST /v1/traces" */
  way: string;
  why: string;
  requests: number;
  /** address of the newest one's sender */
  from: string;
  sinceMs: number;
  lastMs: number;
}

const MOST = 200;

/**
 * Who sent what since the start of the server, and what was refused: a client that is set up wrongly is found on the
 * screen, and not in its own log alone. Bounded: what comes once there are too many is counted nowhere.
 */
export class Senders {
  readonly #senders = new Map<string, Sender>();
  readonly #refused = new Map<string, RefusedRequests>();
  /** records of a request share their resource: its sender is looked up once */
  readonly #known = new WeakMap<Attributes, Sender>();

  constructor(private readonly now: () => number) {}

  /** A record came. @param source its resource, or the service that it names */
  came(source: Attributes | string): void {
    const sender = this.#senderOf(source);
    if (!sender) return;
    sender.came++;
    sender.lastMs = this.now();
  }

  /** One that came was refused. */
  refused(source: Attributes | string, why: string, sample: string): void {
    const sender = this.#senderOf(source);
    if (!sender) return;
    sender.refused++;
    sender.why = why;
    sender.sample = sample;
  }

  /** One that came is no flow, as the settings say. */
  ignored(source: Attributes | string): void {
    const sender = this.#senderOf(source);
    if (sender) sender.ignored++;
  }

  /** A whole request was refused. @returns true when it is the first of its kind, or an hour after the one before */
  refusedRequest({ way, why, from }: Pick<RefusedRequests, 'way' | 'why' | 'from'>): boolean {
    const key = `${way}\u001f${why}`;
    const nowMs = this.now();
    const known = this.#refused.get(key);
    if (!known) {
      if (this.#refused.size < MOST)
        this.#refused.set(key, { way, why, from, requests: 1, sinceMs: nowMs, lastMs: nowMs });
      return true;
    }
    const isNews = nowMs - known.lastMs > 3_600_000;
    Object.assign(known, { requests: known.requests + 1, from, lastMs: nowMs });
    return isNews;
  }

  /** The newest first. */
  get list(): Sender[] {
    return [...this.#senders.values()].sort((a, b) => b.lastMs - a.lastMs || a.component.localeCompare(b.component));
  }

  get refusedRequests(): RefusedRequests[] {
    return [...this.#refused.values()].sort((a, b) => b.lastMs - a.lastMs);
  }

  #senderOf(source: Attributes | string): Sender | undefined {
    if (typeof source === 'string') return this.#named(source);
    const known = this.#known.get(source) ?? this.#lookUp(source);
    if (known) this.#known.set(source, known);
    return known;
  }

  #lookUp(resource: Attributes): Sender | undefined {
    const sender = this.#named(textOf(resource['service.name']) ?? 'unknown service');
    const sdk = (['telemetry.sdk.language', 'telemetry.sdk.name', 'telemetry.sdk.version'] as const)
      .map((name) => textOf(resource[name]) ?? '')
      .filter(Boolean)
      .join(' ');
    if (sender && sdk !== '') sender.sdk = sdk;
    return sender;
  }

  #named(component: string): Sender | undefined {
    const known = this.#senders.get(component);
    if (known || this.#senders.size >= MOST) return known;
    const nowMs = this.now();
    const made: Sender = {
      component,
      sdk: '',
      came: 0,
      refused: 0,
      ignored: 0,
      why: '',
      sample: '',
      sinceMs: nowMs,
      lastMs: nowMs,
    };
    this.#senders.set(component, made);
    return made;
  }
}
