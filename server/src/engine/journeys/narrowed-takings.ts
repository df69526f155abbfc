import type { Revenue } from '@toplens/core/money';
import { eachRow, FAILED, type AttemptColumns } from '@toplens/core/telemetry';
import { floorTo, HOUR_MS, type Window } from '@toplens/core/time';
import { LRUCache } from 'lru-cache';
import type { EngineState } from '../state/engine-state';

/** Single attempts of a dozen like days are read for it: of longer windows that would take long. */
export const LONGEST_NARROWED_MS = 8 * HOUR_MS;

/** What a filter leaves, and by what it is known. */
export interface Slice {
  holds: (rows: AttemptColumns, row: number) => boolean;
  key: string;
}

/** Days that are over are read once, however often the window is asked for. */
const read = new LRUCache<string, { version: number; takings: Revenue }>({ max: 5000 });

/** What a slice of a flow brought in a stretch, from single attempts; as roll-ups tell it of the whole flow. */
export async function narrowedTakings(
  { hours }: Pick<EngineState, 'hours'>,
  { flow, start }: { flow: number; start: number | undefined },
  window: Window,
  { holds, key }: Slice,
): Promise<Revenue> {
  const version = hours.versionOf(window);
  const name = [flow, start, window.fromMs, window.toMs, key].join(':');
  const known = read.get(name);
  if (known?.version === version) return known.takings;
  const takings = { orders: 0, value: 0, starts: start === undefined ? NaN : 0 };
  for (let hourMs = floorTo(window.fromMs, HOUR_MS); hourMs < window.toMs; hourMs += HOUR_MS) {
    const { columns, ranges } = await hours.glance(hourMs);
    const runOf = (one: number) => (ranges ? (ranges.get(one) ?? [0, 0]) : [0, columns.n]);
    const walk = (one: number, see: (row: number) => void) => {
      const [from, to] = runOf(one) as [number, number];
      eachRow(columns, { flows: one, window, from, to }, (row) => holds(columns, row) && see(row));
    };
    walk(flow, (row) => {
      if ((columns.flags[row] as number) & FAILED) return;
      takings.orders++;
      const minor = columns.valueMinor[row] as number;
      if (!Number.isNaN(minor)) takings.value += minor / 100;
    });
    if (start !== undefined) walk(start, () => takings.starts++);
  }
  read.set(name, { version, takings });
  return takings;
}
