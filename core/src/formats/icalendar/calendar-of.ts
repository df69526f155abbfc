import type { Calendar } from '../../time';
import type { CalendarOccurrence } from './read-icalendar';

/**
 * What a file's events mean for the calendar: an event's category says it (`holiday`, `maintenance`, `excluded`); without
 * one of these, whole days are holidays, and what has a time of the day is maintenance.
 */
export function calendarOf(occurrences: readonly CalendarOccurrence[]): Required<Calendar> {
  const holidays = new Set<string>();
  const maintenance: Calendar['excluded'][number][] = [];
  const excluded: Calendar['excluded'][number][] = [];
  for (const { summary, fromMs, toMs, days, categories } of occurrences) {
    const stretch = { fromMs, toMs, reason: summary.trim() || 'no reason told' };
    if (categories.includes('excluded')) excluded.push(stretch);
    else if (categories.includes('maintenance')) maintenance.push(stretch);
    else if (days.length > 0) for (const day of days) holidays.add(day);
    else if (toMs > fromMs) maintenance.push(stretch);
  }
  return { holidays: [...holidays].sort(), maintenance, excluded };
}
