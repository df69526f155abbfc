import { DAY_MS, floorTo, HOUR_MS, MINUTE_MS, type Window } from '@toplens/core/time';

/** Change without any rule takes both lengths from the time bar: the last twelfth of the window, and the rest of it. */
const PARTS = 12;
const SHORTEST_MS = 2 * MINUTE_MS;
/** Of a longer window its last hours are compared: a night says nothing of a morning. */
const LONGEST_MS = 8 * HOUR_MS;
const EARLIER_DAYS = 7;

export interface LastStretch {
  last: Window;
  before: Window;
}

/** The end of a window, and the longer time before it. A window of an hour is five minutes and the 55 before. */
export function lastStretch({ fromMs, toMs }: Window): LastStretch {
  const beginMs = Math.max(fromMs, toMs - LONGEST_MS);
  const lengthMs = Math.max(SHORTEST_MS, floorTo((toMs - beginMs) / PARTS, MINUTE_MS));
  const turnMs = toMs - lengthMs;
  return { last: { fromMs: turnMs, toMs }, before: { fromMs: Math.min(beginMs, turnMs - lengthMs), toMs: turnMs } };
}

/** The whole hours around the same time of earlier days, yesterday's first. */
export const sameHoursEarlier = ({ fromMs, toMs }: Window): Window[] =>
  Array.from({ length: EARLIER_DAYS }, (_, day) => ({
    fromMs: floorTo(fromMs, HOUR_MS) - (day + 1) * DAY_MS,
    toMs: floorTo(toMs + HOUR_MS - 1, HOUR_MS) - (day + 1) * DAY_MS,
  }));

export const minutesOf = ({ fromMs, toMs }: Window): number => (toMs - fromMs) / MINUTE_MS;
