import type { AttemptColumns } from '@toplens/core/telemetry';
import { LRUCache } from 'lru-cache';

/** Slices remembered for each hour: what a few people look at again and again. */
const MOST_SLICES = 6;

/**
 * What was summed of an hour that is over, by slice. Kept with the hour's columns, which are made anew when the hour
 * changes: then it goes with them.
 */
export class PerHour<Summed extends NonNullable<unknown>> {
  readonly #kept = new WeakMap<AttemptColumns, LRUCache<string, Summed>>();

  /** @param slice a text that tells slices apart; the slice asked for longest ago is let go first */
  get(columns: AttemptColumns, slice: string, make: () => Summed): Summed {
    let slices = this.#kept.get(columns);
    if (!slices) this.#kept.set(columns, (slices = new LRUCache({ max: MOST_SLICES })));
    const known = slices.get(slice);
    if (known !== undefined) return known;
    const summed = make();
    slices.set(slice, summed);
    return summed;
  }
}
