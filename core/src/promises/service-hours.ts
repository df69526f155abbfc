import { MINUTE_MS, overlap, type Window } from '../time';
import { localTime } from './period';

/** When a promise counts, in the clock time of a zone. Hours past midnight belong to the day on which they begin. */
export interface ServiceHours {
  zone: string;
  /** ISO weekdays, 1 for Monday to 7 for Sunday */
  days: readonly number[];
  /** minutes after midnight on the clock; `toMinute` at most 1,440 and after `fromMinute` */
  fromMinute: number;
  toMinute: number;
}

/**
 * The stretches of a window in which a promise counts, in order and apart: inside its service hours, outside of what is
 * excluded. Without service hours all of the window. On days of a clock change the hours are those of the clock.
 *
 * @param isHoliday days that have no service hours; asked for the moment at which a day's hours begin
 */
export function countedStretches(
  { hours, excluded }: { hours?: ServiceHours | undefined; excluded: readonly Window[] },
  window: Window,
  isHoliday: (timeMs: number) => boolean = () => false,
): Window[] {
  const open = hours ? openIn(hours, window, isHoliday) : [window];
  return excluded.reduce((left, gap) => left.flatMap((stretch) => without(stretch, gap)), open);
}

function openIn(hours: ServiceHours, window: Window, isHoliday: (timeMs: number) => boolean): Window[] {
  const open: Window[] = [];
  for (let day = localTime(window.fromMs, hours.zone).startOf('day'); day.toMillis() < window.toMs;) {
    const at = (minute: number) =>
      minute === 1440
        ? day.plus({ days: 1 }).toMillis()
        : day.set({ hour: Math.floor(minute / 60), minute: minute % 60 }).toMillis();
    const stretch = { fromMs: at(hours.fromMinute), toMs: at(hours.toMinute) };
    const inside = overlap(stretch, window);
    if (inside && hours.days.includes(day.weekday) && !isHoliday(stretch.fromMs)) {
      const last = open[open.length - 1];
      if (last && last.toMs === inside.fromMs) last.toMs = inside.toMs;
      else open.push({ ...inside });
    }
    day = day.plus({ days: 1 }).startOf('day');
  }
  return open;
}

function without(stretch: Window, gap: Window): Window[] {
  if (!overlap(stretch, gap)) return [stretch];
  return [
    { fromMs: stretch.fromMs, toMs: gap.fromMs },
    { fromMs: gap.toMs, toMs: stretch.toMs },
  ].filter(({ fromMs, toMs }) => fromMs < toMs);
}

/** Asks whether a moment counts, of moments in any order. @param stretches in order, apart */
export function isCountedIn(stretches: readonly Window[]): (timeMs: number) => boolean {
  return (timeMs) => {
    let [low, high] = [0, stretches.length];
    while (low < high) {
      const middle = (low + high) >> 1;
      if ((stretches[middle] as Window).toMs <= timeMs) low = middle + 1;
      else high = middle;
    }
    const found = stretches[low];
    return found !== undefined && timeMs >= found.fromMs;
  };
}

/** "08:00" as minutes after midnight, "24:00" as 1,440; `undefined` for what is no time of a day. */
export function minuteOf(text: string): number | undefined {
  const [, hours, minutes] = /^(\d\d):(\d\d)$/.exec(text) ?? [];
  const minute = Number(hours) * 60 + Number(minutes);
  return Number.isNaN(minute) || Number(minutes) > 59 || minute > 1440 ? undefined : minute;
}

/** 480 as "08:00". */
export const clockOf = (minute: number): string =>
  `${String(Math.floor(minute / 60)).padStart(2, '0')}:${String(minute % 60).padStart(2, '0')}`;

/** Attempts are counted in steps of five minutes: hours that begin between them would be cut wrongly. */
export const HOURS_STEP_MS = 5 * MINUTE_MS;
