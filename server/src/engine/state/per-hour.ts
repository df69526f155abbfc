import type { AttemptColumns } from '@toplens/core/telemetry';

/** Slices remembered for each hour: what a few people look at again and again. */
const MOST_SLICES = 6;

/**
 * What was summed of an hour that is over, by slice. Kept with the hour's columns, which are made anew when the hour changes:
 * then it goes with them.
 */
export class PerHour<Summed> {
  readonly #kept = new WeakMap<AttemptColumns, Map<string, Summed>>();

  /** @param slice a text that tells slices apart; the slice asked for longest ago is let go first */
  get(columns: AttemptColumns, slice: string, make: () => Summed): Summed {
    let slices = this.#kept.get(columns);
    if (!slices) this.#kept.set(columns, (slices = new Map<string, Summed>()));
    const summed = slices.get(slice) ?? make();
    slices.delete(slice);
    slices.set(slice, summed);
    if (slices.size > MOST_SLICES) slices.delete(slices.keys().next().value as string);
    return summed;
  }
}
