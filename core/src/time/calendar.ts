import { DAY_MS, floorTo, isWeekend, type Window } from './window';

/** Days that are not like others, and stretches from which nothing is to be learned. */
export interface Calendar {
  /** days (UTC) with the traffic of a weekend, as `2026-12-25` */
  holidays: readonly string[];
  /** weeks of trouble, migrations, rehearsals: left out of what is normal */
  excluded: readonly (Window & { reason: string })[];
  /** agreed work on the systems: promises do not count it, and nothing is learned from it; none when left out */
  maintenance?: readonly (Window & { reason: string })[] | undefined;
}

export const NO_CALENDAR: Calendar = { holidays: [], excluded: [] };

/** The two questions that learning asks of a calendar, quick to answer. */
export interface DayKinds {
  /** weekend or holiday */
  isOff: (timeMs: number) => boolean;
  isHoliday: (timeMs: number) => boolean;
  isExcluded: (timeMs: number) => boolean;
}

/** @throws RangeError for a holiday that is not a date */
export function dayKinds(calendar: Calendar = NO_CALENDAR): DayKinds {
  const days = new Set(
    calendar.holidays.map((text) => {
      const dayMs = Date.parse(`${text}T00:00:00Z`);
      if (!/^\d{4}-\d\d-\d\d$/.test(text) || Number.isNaN(dayMs))
        throw new RangeError(`expected a date as 2026-12-25, got: ${text}`);
      return dayMs;
    }),
  );
  const left = [...calendar.excluded, ...(calendar.maintenance ?? [])];
  const isHoliday = (timeMs: number) => days.has(floorTo(timeMs, DAY_MS));
  return {
    isHoliday,
    isOff: (timeMs) => isWeekend(timeMs) || isHoliday(timeMs),
    isExcluded: (timeMs) => left.some(({ fromMs, toMs }) => timeMs >= fromMs && timeMs < toMs),
  };
}
