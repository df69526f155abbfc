import { BUCKET_MS, type FlowBucket } from '../flows';
import { sum } from '../stats';
import { DAY_MS, dayKinds, floorTo, HOUR_MS, type DayKinds, type Window } from '../time';
import { isLearned, type FlowNormal } from './flow-normal';
import { dispersionAround } from './volume';
import { learnNormal } from './learn-normal';
import { type UsualBucket } from './bucket-history';
import { SLOT_MS } from './learning-days';

/** True for a bucket in which the flow was in trouble: normal must not learn from it. */
export type IsMasked = (flow: number, startMs: number) => boolean;

/** What normal depends on besides the roll-ups. */
export interface Around {
  isMasked?: IsMasked;
  ownersLimit?: (flow: number, timeMs: number) => number | undefined;
  siteLimits?: (flow: number, timeMs: number) => ReadonlyMap<number, number> | undefined;
  /** false for what nobody waits for, such as a nightly batch */
  isWaitedFor?: (flow: number) => boolean;
  /** what is answered sooner is never late where somebody waits; milliseconds */
  atOnceMs?: (timeMs: number) => number;
  kinds?: DayKinds;
}

/** What may change of it: the calendar, a flow’s limits, or when some flows were in trouble before a moment. */
export type HistoryChange =
  | { what: 'calendar'; kinds: DayKinds }
  | { what: 'limit'; flow: number }
  | { what: 'trouble'; flows: readonly number[]; fromMs: number };

const PER_DAY = DAY_MS / BUCKET_MS;
const PER_HOUR = HOUR_MS / BUCKET_MS;
const NOTHING = new Uint8Array(0);
const LONGEST_MEMORY_MS = 36 * DAY_MS;
/**
 * An hour is first learned from as the same time of the day before, wide neighbourhood and the hour itself taken off;
 * as a part of its day’s total from the next midnight on.
 */
const NEXT_DAY_MS = 21 * HOUR_MS;

/** One flow's day in 288 buckets. The encoded histograms stand one behind the other, `ends` says where each stops. */
interface Day {
  attempts: Uint32Array;
  failed: Uint32Array;
  medianMs: Float64Array;
  valueMinor: Float64Array;
  ends: Uint32Array;
  durations: Uint8Array;
  /** attempts of the whole day */
  total: number;
}

const emptyDay = (): Day => ({
  attempts: new Uint32Array(PER_DAY),
  failed: new Uint32Array(PER_DAY),
  medianMs: new Float64Array(PER_DAY).fill(NaN),
  valueMinor: new Float64Array(PER_DAY),
  ends: new Uint32Array(PER_DAY),
  durations: NOTHING,
  total: 0,
});

/**
 * Roll-ups of all flows in memory, and the normal ranges learned from them. A month of 200 flows takes some 180 MB:
 * a day is a handful of typed arrays, not 288 objects.
 */
export class History {
  readonly #days = new Map<number, Map<number, Day>>();
  readonly #firstMs = new Map<number, number>();
  readonly #normals = new Map<number, Map<number, FlowNormal>>();

  #kinds: DayKinds;

  constructor(private readonly around: Around = {}) {
    this.#kinds = around.kinds ?? dayKinds();
  }

  /** Something that normal is learned from changed: what was learned from it is learned anew when it is asked for. */
  changed(change: HistoryChange): void {
    if (change.what === 'calendar') {
      this.#kinds = change.kinds;
      this.#normals.clear();
    } else if (change.what === 'limit') this.#normals.delete(change.flow);
    else
      for (const flow of change.flows) {
        const slots = this.#normals.get(flow);
        if (slots) for (const slotMs of slots.keys()) if (slotMs >= change.fromMs) slots.delete(slotMs);
      }
  }

  get flows(): number[] {
    return [...this.#days.keys()].sort((a, b) => a - b);
  }

  firstMsOf(flow: number): number {
    return this.#firstMs.get(flow) ?? Infinity;
  }

  /** End of the newest five minutes in which the flow had attempts; 0 when none is in memory. */
  lastMsOf(flow: number): number {
    const days = this.#days.get(flow);
    for (const dayMs of [...(days?.keys() ?? [])].sort((a, b) => b - a)) {
      const last = (days?.get(dayMs) as Day).attempts.findLastIndex((attempts) => attempts > 0);
      if (last >= 0) return dayMs + (last + 1) * BUCKET_MS;
    }
    return 0;
  }

  /** The flow's roll-up of five minutes; `undefined` when nothing happened. */
  bucket(flow: number, startMs: number): UsualBucket | undefined {
    const dayMs = floorTo(startMs, DAY_MS);
    const day = this.#days.get(flow)?.get(dayMs);
    const i = (startMs - dayMs) / BUCKET_MS;
    if (!day || !day.attempts[i]) return undefined;
    return {
      attempts: day.attempts[i],
      failed: day.failed[i] as number,
      medianMs: day.medianMs[i] as number,
      valueMinor: day.valueMinor[i] as number,
      durations: day.durations.subarray(i === 0 ? 0 : day.ends[i - 1], day.ends[i]),
    };
  }

  /** Takes roll-ups that were stored, in any order. */
  load(buckets: readonly FlowBucket[]): void {
    const hours = new Map<string, FlowBucket[]>();
    for (const bucket of buckets) {
      const key = `${bucket.flow}:${floorTo(bucket.startMs, DAY_MS)}`;
      const known = hours.get(key);
      if (known) known.push(bucket);
      else hours.set(key, [bucket]);
    }
    for (const some of hours.values())
      this.#replace(some[0] as FlowBucket, {
        dayMs: floorTo((some[0] as FlowBucket).startMs, DAY_MS),
        from: 0,
        to: PER_DAY,
        buckets: some,
      });
  }

  /** Replaces all buckets of an hour. */
  putHour(hourMs: number, buckets: readonly FlowBucket[]): void {
    const dayMs = floorTo(hourMs, DAY_MS);
    const first = (hourMs - dayMs) / BUCKET_MS;
    const byFlow = new Map<number, FlowBucket[]>();
    for (const bucket of buckets) {
      const known = byFlow.get(bucket.flow);
      if (known) known.push(bucket);
      else byFlow.set(bucket.flow, [bucket]);
    }
    for (const [flow, days] of this.#days) if (!byFlow.has(flow) && days.has(dayMs)) byFlow.set(flow, []);
    for (const [flow, some] of byFlow) {
      if (!this.#isNew(flow, hourMs, some)) continue;
      const firstMs = this.firstMsOf(flow);
      this.#replace({ flow }, { dayMs, from: first, to: first + PER_HOUR, buckets: some });
      this.#forgetLearnedFrom(flow, hourMs, this.firstMsOf(flow) !== firstMs);
    }
  }

  /** Buckets that differ from those that are known. */
  #isNew(flow: number, hourMs: number, buckets: readonly FlowBucket[]): boolean {
    const byStart = new Map(buckets.map((bucket) => [bucket.startMs, bucket]));
    for (let startMs = hourMs; startMs < hourMs + HOUR_MS; startMs += BUCKET_MS) {
      const known = this.bucket(flow, startMs);
      const given = byStart.get(startMs);
      if (known === undefined && given === undefined) continue;
      if (
        known?.attempts !== given?.attempts ||
        known?.failed !== given?.failed ||
        known?.valueMinor !== given?.valueMinor
      )
        return true;
      if (known && given && !isEqual(known.durations, given.durations)) return true;
    }
    return false;
  }

  /**
   * A slot learns from the same time of earlier days; where too few are known, from all that came before it; in a flow's
   * first minutes from itself too. So an hour changes what is normal a day later, and at once only where normal comes
   * from all that is known.
   */
  #forgetLearnedFrom(flow: number, hourMs: number, isLonger: boolean): void {
    const slots = this.#normals.get(flow);
    if (!slots) return;
    const laterMs = Math.min(hourMs + NEXT_DAY_MS, floorTo(hourMs, DAY_MS) + DAY_MS);
    for (const [slotMs, normal] of slots) {
      const fromItself = !isLearned(normal);
      const fromAll = fromItself || normal.basis === 'history';
      if (fromItself ? slotMs >= hourMs : slotMs > hourMs && (isLonger || fromAll || slotMs >= laterMs))
        slots.delete(slotMs);
    }
  }

  #replace(
    { flow }: { flow: number },
    { dayMs, from, to, buckets }: { dayMs: number; from: number; to: number; buckets: readonly FlowBucket[] },
  ): void {
    let days = this.#days.get(flow);
    if (!days) this.#days.set(flow, (days = new Map<number, Day>()));
    let day = days.get(dayMs);
    if (!day) days.set(dayMs, (day = emptyDay()));
    const parts: Uint8Array[] = [];
    const at = (i: number) => (i === 0 ? 0 : (day.ends[i - 1] as number));
    for (let i = from; i < to; i++) {
      day.attempts[i] = day.failed[i] = day.valueMinor[i] = 0;
      day.medianMs[i] = NaN;
      parts[i - from] = NOTHING;
    }
    for (const bucket of buckets) {
      const i = (bucket.startMs - dayMs) / BUCKET_MS;
      day.attempts[i] = bucket.attempts;
      day.failed[i] = bucket.failed;
      day.medianMs[i] = bucket.medianMs;
      day.valueMinor[i] = bucket.valueMinor;
      parts[i - from] = bucket.durations;
      this.#firstMs.set(flow, Math.min(bucket.startMs, this.firstMsOf(flow)));
    }
    const before = day.durations.subarray(0, at(from));
    const after = day.durations.subarray(at(to));
    const size = sum(parts.map((part) => part.length));
    const packed = new Uint8Array(before.length + size + after.length);
    packed.set(before);
    packed.set(after, before.length + size);
    let end = before.length;
    const moved = end + size - at(to);
    parts.forEach((part, k) => {
      packed.set(part, end);
      end += part.length;
      day.ends[from + k] = end;
    });
    for (let i = to; i < PER_DAY; i++) day.ends[i] = (day.ends[i] as number) + moved;
    day.durations = packed;
    day.total = day.attempts.reduce((total, attempts) => total + attempts, 0);
  }

  normalAt(flow: number, timeMs: number): FlowNormal {
    const slotMs = floorTo(timeMs, SLOT_MS);
    let slots = this.#normals.get(flow);
    if (!slots) this.#normals.set(flow, (slots = new Map<number, FlowNormal>()));
    let normal = slots.get(slotMs);
    if (!normal) {
      // The same bucket is asked for many times: for days, for volume, for shares.
      const asked = new Map<number, UsualBucket | undefined>();
      const earlier = (startMs: number) => {
        if (!asked.has(startMs)) asked.set(startMs, this.#earlier(flow, startMs, slotMs));
        return asked.get(startMs);
      };
      const endMs = slotMs + SLOT_MS - 1;
      normal = learnNormal(earlier, {
        firstMs: this.firstMsOf(flow),
        slotMs,
        ownersLimitMs: this.around.ownersLimit?.(flow, endMs),
        kinds: this.#kinds,
        totalOf: (dayMs) => this.totalOf(flow, dayMs),
        siteLimitsMs: this.around.siteLimits?.(flow, endMs),
        isWaitedFor: this.around.isWaitedFor?.(flow) ?? true,
        atOnceMs: this.around.atOnceMs?.(endMs),
      });
      slots.set(slotMs, normal);
    }
    return normal;
  }

  /**
   * Variance-to-mean ratio of the attempts of several flows taken together, as it usually is around a moment. Where the
   * same people walk them one after the other it is far above that of each. Not kept: it is asked where an outage is
   * suspected.
   */
  dispersionTogether(flows: readonly number[], timeMs: number): number {
    const slotMs = floorTo(timeMs, SLOT_MS);
    const together = (startMs: number): UsualBucket | undefined => {
      let attempts = 0;
      for (const flow of flows) {
        const bucket = this.#earlier(flow, startMs, slotMs);
        if (!bucket) return undefined;
        attempts += bucket.attempts;
      }
      return { ...EMPTY, attempts };
    };
    const firstMs = Math.min(...flows.map((flow) => this.firstMsOf(flow)));
    return dispersionAround(together, { firstMs, slotMs, kinds: this.#kinds });
  }

  /** Attempts of a flow on a whole day (its begin, UTC); `undefined` when nothing is known of it. */
  totalOf(flow: number, dayMs: number): number | undefined {
    const day = this.#days.get(flow)?.get(dayMs);
    return !day || dayMs < this.firstMsOf(flow) ? undefined : day.total;
  }

  /**
   * Sums of a flow's roll-ups over a stretch; `undefined` when it began before anything is known of the flow.
   *
   * @param window its ends on whole roll-ups
   * @returns also the share of the stretch that is fit to learn from: without trouble, and not excluded by the calendar
   */
  sumsWithin(
    flow: number,
    { fromMs, toMs }: Window,
  ): { attempts: number; failed: number; valueMinor: number; usable: number } | undefined {
    if (fromMs < this.firstMsOf(flow)) return undefined;
    const sums = { attempts: 0, failed: 0, valueMinor: 0, usable: 0 };
    for (let startMs = fromMs; startMs < toMs; startMs += BUCKET_MS) {
      if (!this.#kinds.isExcluded(startMs) && !this.around.isMasked?.(flow, startMs))
        sums.usable += BUCKET_MS / (toMs - fromMs);
      const bucket = this.bucket(flow, startMs);
      sums.attempts += bucket?.attempts ?? 0;
      sums.failed += bucket?.failed ?? 0;
      sums.valueMinor += bucket?.valueMinor ?? 0;
    }
    return sums;
  }

  /** Is a day back of the same kind: a workday for a workday, a weekend or holiday for one? */
  isLikeDay(timeMs: number, daysBack: number): boolean {
    return this.#kinds.isOff(timeMs - daysBack * DAY_MS) === this.#kinds.isOff(timeMs);
  }

  #earlier(flow: number, startMs: number, slotMs: number): UsualBucket | undefined {
    if (this.#kinds.isExcluded(startMs)) return undefined;
    // Days are judged one after the other: only what earlier days found is final, so only that is masked.
    if (startMs < floorTo(slotMs, DAY_MS) && this.around.isMasked?.(flow, startMs)) return undefined;
    return this.bucket(flow, startMs) ?? EMPTY;
  }

  /** Lets go what is older than any normal looks back. */
  trim(nowMs: number): void {
    for (const days of this.#days.values())
      for (const dayMs of days.keys()) if (dayMs < nowMs - LONGEST_MEMORY_MS) days.delete(dayMs);
    for (const slots of this.#normals.values())
      for (const slotMs of slots.keys()) if (slotMs < nowMs - 2 * DAY_MS) slots.delete(slotMs);
  }
}

const isEqual = (a: Uint8Array, b: Uint8Array): boolean => a.length === b.length && a.every((byte, i) => byte === b[i]);

const EMPTY: UsualBucket = { attempts: 0, failed: 0, durations: NOTHING, medianMs: NaN, valueMinor: 0 };
