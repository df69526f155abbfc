import { DateTime, IANAZone } from 'luxon';
import { DAY_MS, type Window } from '../time';

/** Over what a promise is kept: the days up to now, or a week or month of the calendar in a named zone (IANA). */
export type Period = { kind: 'rolling'; days: number } | { kind: 'week' | 'month'; zone: string };

export const isZone = (zone: string): boolean => IANAZone.isValidZone(zone);

/**
 * The period that a moment lies in: a calendar's from its first midnight to the next period's (weeks begin on Monday,
 * ISO 8601; a day of a clock change has 23 or 25 hours), a rolling one's days up to the moment.
 *
 * @throws RangeError for a zone that the IANA time zone database does not know
 * @example periodAt({ kind: 'month', zone: 'Europe/Dublin' }, Date.UTC(2026, 2, 29, 12))
 *   // 1 March 00:00 to 1 April 00:00 in Dublin: 31 days less an hour
 */
export function periodAt(period: Period, timeMs: number): Window {
  if (period.kind === 'rolling') return { fromMs: timeMs - period.days * DAY_MS, toMs: timeMs };
  const from = localTime(timeMs, period.zone).startOf(period.kind);
  return { fromMs: from.toMillis(), toMs: from.plus({ [`${period.kind}s`]: 1 }).toMillis() };
}

/** The period before the one that a moment lies in. */
export function periodBefore(period: Period, timeMs: number): Window {
  const { fromMs } = periodAt(period, timeMs);
  return period.kind === 'rolling' ? periodAt(period, fromMs) : periodAt(period, fromMs - 1);
}

/** The period so many periods before the one that a moment lies in; 0: that one. */
export function periodBack(period: Period, timeMs: number, back: number): Window {
  let found = periodAt(period, timeMs);
  for (let k = 0; k < back; k++) found = periodBefore(period, period.kind === 'rolling' ? found.toMs : found.fromMs);
  return found;
}

/** How far ahead a rolling period is looked: by a part of its length. */
const AHEAD = 0.25;

/**
 * The period whose end is forecast: a calendar's own; of a rolling one the one that ends a quarter of its length after
 * the moment.
 */
export const forecastPeriod = (period: Period, timeMs: number): Window =>
  periodAt(period, period.kind === 'rolling' ? timeMs + AHEAD * period.days * DAY_MS : timeMs);

/** @throws RangeError for a zone that is not known */
export function localTime(timeMs: number, zone: string): DateTime {
  if (!isZone(zone)) throw new RangeError(`no time zone is called ${zone}; expected one as Europe/Dublin`);
  return DateTime.fromMillis(timeMs, { zone });
}
