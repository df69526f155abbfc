import { BUCKET_MS, type FlowBucket } from '@toplens/core/flows';
import { learnNormal, SLOT_MS, type FlowNormal } from '@toplens/core/normal';
import { DAY_MS, floorTo, HOUR_MS } from '@toplens/core/time';

/** True for a bucket in which the flow was in trouble: normal must not learn from it. */
export type IsMasked = (flow: number, startMs: number) => boolean;

const EMPTY = { attempts: 0, failed: 0, durations: new Uint8Array(0), medianMs: NaN };
const LONGEST_MEMORY_MS = 36 * DAY_MS;

/** Roll-ups of all flows in memory, and the normal ranges learned from them. */
export class History {
  readonly #buckets = new Map<number, Map<number, FlowBucket>>();
  readonly #firstMs = new Map<number, number>();
  readonly #normals = new Map<number, Map<number, FlowNormal>>();

  constructor(
    private readonly isMasked: IsMasked,
    private readonly ownersLimit: (flow: number) => number | undefined,
  ) {}

  get flows(): number[] {
    return [...this.#buckets.keys()].sort((a, b) => a - b);
  }

  firstMsOf(flow: number): number {
    return this.#firstMs.get(flow) ?? Infinity;
  }

  bucket(flow: number, startMs: number): FlowBucket | undefined {
    return this.#buckets.get(flow)?.get(startMs);
  }

  put(bucket: FlowBucket): void {
    let buckets = this.#buckets.get(bucket.flow);
    if (!buckets) this.#buckets.set(bucket.flow, (buckets = new Map<number, FlowBucket>()));
    buckets.set(bucket.startMs, bucket);
    this.#firstMs.set(bucket.flow, Math.min(bucket.startMs, this.firstMsOf(bucket.flow)));
  }

  /** Replaces all buckets of an hour. */
  putHour(hourMs: number, buckets: readonly FlowBucket[]): void {
    for (const known of this.#buckets.values()) for (let at = hourMs; at < hourMs + HOUR_MS; at += BUCKET_MS) known.delete(at);
    for (const bucket of buckets) this.put(bucket);
    // A slot learns from what lies before it alone: the hour's own first slot stays.
    this.forgetNormalsFrom(hourMs + 1);
  }

  /** What is normal from a moment on is learned anew. */
  forgetNormalsFrom(timeMs: number): void {
    for (const slots of this.#normals.values()) for (const slotMs of slots.keys()) if (slotMs >= timeMs) slots.delete(slotMs);
  }

  normalAt(flow: number, timeMs: number): FlowNormal {
    const slotMs = floorTo(timeMs, SLOT_MS);
    let slots = this.#normals.get(flow);
    if (!slots) this.#normals.set(flow, (slots = new Map<number, FlowNormal>()));
    let normal = slots.get(slotMs);
    if (!normal) {
      normal = learnNormal((startMs) => this.#earlier(flow, startMs, slotMs), this.firstMsOf(flow), slotMs, this.ownersLimit(flow));
      slots.set(slotMs, normal);
    }
    return normal;
  }

  #earlier(flow: number, startMs: number, slotMs: number) {
    // Days are judged one after the other: only what earlier days found is final, so only that is masked.
    if (startMs < floorTo(slotMs, DAY_MS) && this.isMasked(flow, startMs)) return undefined;
    return this.bucket(flow, startMs) ?? EMPTY;
  }

  /** Lets go what is older than any normal looks back. */
  trim(nowMs: number): void {
    for (const buckets of this.#buckets.values())
      for (const startMs of buckets.keys()) {
        if (startMs >= nowMs - LONGEST_MEMORY_MS) break;
        buckets.delete(startMs);
      }
    for (const slots of this.#normals.values()) for (const slotMs of slots.keys()) if (slotMs < nowMs - 2 * DAY_MS) slots.delete(slotMs);
  }
}
