import { MINUTE_MS } from '../time';

/** What can be asked of a service: more would be felt by the people who use it. */
export const MOST_VARIABLES = 8;
export const MOST_READINGS = 500;
export const LONGEST_WATCHED_MS = 120 * MINUTE_MS;

/** A line of a service, and what is read each time before it runs. */
export interface WatchPoint {
  id: number;
  /** the end of the path of a file, as `src/orders/price.js` */
  file: string;
  /** from 1 */
  line: number;
  /** texts that `parseVariable` reads */
  variables: readonly string[];
  /** so many readings are enough */
  most: number;
}

/**
 * How a watch point stands in one process: `set`, it is read; `notLoaded`, no such file is loaded; `tooOften`, it was
 * taken off because the line is passed too often; `done`, it has all its readings or its time is over; `refused`, it cannot be set.
 */
export const WATCH_STATES = ['set', 'notLoaded', 'tooOften', 'done', 'refused'] as const;
export type WatchState = (typeof WATCH_STATES)[number];

/**
 * In one process a line that is passed more often than this within a second is let go. One pass costs about 0.2 ms
 * (measured on Node.js 20), so that this is 2 % of a processor.
 */
export const MOST_PASSES_A_SECOND = 100;

/**
 * How a line stands in a process, or stood when it was watched.
 *
 * @param wanted the line that was asked for
 * @param line the line that is read: the next one that holds code
 */
export function watchStateWords(
  state: WatchState,
  { wanted, line, isInForce }: { wanted: number; line: number; isInForce: boolean },
): string {
  const read = isInForce ? `read before line ${line} runs` : `was read before line ${line} ran`;
  switch (state) {
    case 'set':
      if (line === wanted) return read;
      return `line ${wanted} holds no code: ${isInForce ? '' : 'was '}read before line ${line}`;
    case 'notLoaded':
      return isInForce ? 'waits: no loaded file has this path' : 'no loaded file had this path';
    case 'tooOften':
      return `taken off: the line is passed more than ${MOST_PASSES_A_SECOND} times a second`;
    case 'done':
      return 'taken off: it had all its readings, or its time was over';
    case 'refused':
      return `line ${wanted} cannot be read: the file may be shorter`;
  }
}
