import { isUserSide, SpanKind, textOf, type Span } from '@toplens/core/telemetry';

/** So long a parent may come after its child: exporters send every few seconds. */
export const PARENT_WAIT_MS = 30_000;
/** Spans are remembered for one to two of these: longer than a parent is waited for. */
const GENERATION_MS = 40_000;
/** Spans remembered in one generation; above that fewer traces are looked at. */
const MOST_SPANS = 20_000;
const MOST_SERVICES = 1_000;
const LEAST_SEEN = 5;
const LEAST_SEEN_TO_TAKE_BACK = 20;
/** A service begins attempts where so large a share of its server spans has a parent that nobody tells of. */
const FOREIGN_SHARE = 0.8;
const OWN_SHARE = 0.3;
/** Above so many both counts are halved: what a service is like may change. */
const FORGET_ABOVE = 400;

interface Tally {
  /** server spans whose parent is a browser's, or never came */
  foreign: number;
  /** server spans whose parent is another service's */
  known: number;
}

/**
 * Finds the services whose server spans begin attempts although they have a parent: it belongs to a browser or a phone,
 * or to a gateway that tells nothing. A sample of traces is enough: it is a question about services.
 */
export class EntryFinder {
  /** spans by trace and id: true when they are of somebody's own device */
  #spans = new Map<string, boolean>();
  #earlier = new Map<string, boolean>();
  #generationMs = 0;
  /** one of so many traces is looked at */
  #every = 1;
  #pending: { service: string; parent: string; dueMs: number }[] = [];
  readonly #tallies = new Map<string, Tally>();

  constructor(private readonly now: () => number) {}

  /** A span came. */
  see({ traceId, spanId, parentSpanId, kind, attributes, resource }: Span): void {
    if (this.#every > 1 && parseInt(traceId.slice(-4), 16) % this.#every !== 0) return;
    this.#turn();
    // What a device names a flow is an attempt already: its servers do not begin another.
    this.#spans.set(`${traceId}${spanId}`, isUserSide(resource) && attributes['toplens.flow'] === undefined);
    if (this.#spans.size > MOST_SPANS) this.#every *= 2;
    if (kind !== SpanKind.SERVER || parentSpanId === '' || this.#pending.length >= MOST_SPANS) return;
    this.#pending.push({
      service: textOf(resource['service.name']) ?? 'unknown service',
      parent: `${traceId}${parentSpanId}`,
      dueMs: this.now() + PARENT_WAIT_MS,
    });
  }

  /** Services that begin attempts, and services that do not, as far as enough was seen. */
  verdicts(nowMs = this.now()): { entries: string[]; inner: string[] } {
    this.#settle(nowMs);
    const seen = [...this.#tallies]
      .filter(([, { foreign, known }]) => foreign + known >= LEAST_SEEN)
      .sort(([a], [b]) => a.localeCompare(b));
    const foreignShare = ({ foreign, known }: Tally) => foreign / (foreign + known);
    return {
      entries: seen.filter(([, tally]) => foreignShare(tally) >= FOREIGN_SHARE).map(([service]) => service),
      inner: seen
        .filter(([, tally]) => tally.foreign + tally.known >= LEAST_SEEN_TO_TAKE_BACK)
        .filter(([, tally]) => foreignShare(tally) <= OWN_SHARE)
        .map(([service]) => service),
    };
  }

  #turn(): void {
    const nowMs = this.now();
    if (nowMs - this.#generationMs < GENERATION_MS) return;
    if (this.#spans.size < MOST_SPANS / 4 && this.#every > 1) this.#every /= 2;
    // While the parents of what is due are still remembered.
    this.#settle(nowMs);
    [this.#earlier, this.#spans, this.#generationMs] = [this.#spans, new Map<string, boolean>(), nowMs];
  }

  #settle(nowMs: number): void {
    const due = this.#pending.findIndex(({ dueMs }) => dueMs > nowMs);
    for (const { service, parent } of this.#pending.splice(0, due === -1 ? this.#pending.length : due)) {
      let tally = this.#tallies.get(service);
      if (!tally) {
        if (this.#tallies.size >= MOST_SERVICES) continue;
        this.#tallies.set(service, (tally = { foreign: 0, known: 0 }));
      }
      const isOfDevice = this.#spans.get(parent) ?? this.#earlier.get(parent);
      if (isOfDevice === false) tally.known++;
      else tally.foreign++;
      if (tally.foreign + tally.known <= FORGET_ABOVE) continue;
      tally.foreign /= 2;
      tally.known /= 2;
    }
  }
}
