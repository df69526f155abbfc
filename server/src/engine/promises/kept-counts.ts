import { LRUCache } from 'lru-cache';
import type { Hours } from '../state/hours';
import type { Counter, HourCount } from './hour-count';

/** A count, and what it followed from: any of it changed, it is counted again. */
export interface KeptCount {
  count: HourCount;
  /** of the hour's attempts */
  version: number;
  /** of what judged them: a limit in milliseconds, or the number of the settings */
  judgedBy: number;
  /** steps that counted, where that matters */
  counted: string;
  /** counted anew from then on, by the clock of the process; Infinity: never for its age alone */
  untilMs: number;
}

/** What one counter counted of a flow, by hour. */
export type Lane = Map<number, KeptCount>;

/** Some thousand flows over a month and more. */
const MOST_KEPT = 400_000;
/** By what holds the attempts: what is counted goes with it. */
const kept = new WeakMap<Hours, KeptCounts>();

/**
 * Counts of hours, by flow and counter. A lane is looked up once for a question, however many hours it has: by a key for
 * each hour, a month of hundreds of flows took seconds to find again.
 */
export class KeptCounts {
  readonly #lanes = new LRUCache<string, Lane>({ max: MOST_KEPT });
  #n = 0;

  static of(hours: Hours): KeptCounts {
    let counts = kept.get(hours);
    if (!counts) kept.set(hours, (counts = new KeptCounts()));
    return counts;
  }

  lane({ flow, indicator, limitMs = 0, personShare = 1 }: Counter): Lane {
    const key = `${flow}:${indicator}:${limitMs}:${personShare}`;
    let lane = this.#lanes.get(key);
    if (!lane) this.#lanes.set(key, (lane = new Map()));
    return lane;
  }

  /** Where too many are kept, the lanes go that were asked for longest ago. */
  keep(lane: Lane, hourMs: number, count: KeptCount): void {
    if (!lane.has(hourMs)) this.#n++;
    lane.set(hourMs, count);
    while (this.#n > MOST_KEPT && this.#lanes.size > 1) this.#n -= this.#lanes.pop()?.size ?? 0;
  }
}
