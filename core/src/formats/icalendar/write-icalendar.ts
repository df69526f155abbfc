import ICAL from 'ical.js';
import type { Calendar } from '../../time';

const PRODUCT = '-//Top Lens//Calendar//EN';

/**
 * A calendar as an iCalendar file (RFC 5545): holidays as whole days, stretches as events with the category that reads
 * them back.
 *
 * @param stampMs when it is written
 */
export function writeICalendar(calendar: Calendar, stampMs: number): string {
  const root = new ICAL.Component(['vcalendar', [], []]);
  root.addPropertyWithValue('prodid', PRODUCT);
  root.addPropertyWithValue('version', '2.0');
  const stamp = momentOf(stampMs);
  const add = (uid: string, summary: string, category: string, times: { start: ICAL.Time; end: ICAL.Time }) => {
    const event = new ICAL.Event();
    event.uid = uid;
    event.summary = summary;
    event.startDate = times.start;
    event.endDate = times.end;
    event.component.addPropertyWithValue('dtstamp', stamp);
    event.component.addPropertyWithValue('categories', category);
    root.addSubcomponent(event.component);
  };
  for (const day of calendar.holidays) {
    const start = ICAL.Time.fromDateString(day);
    const end = start.clone();
    end.adjust(1, 0, 0, 0);
    add(`holiday-${day}@toplens`, 'Holiday', 'holiday', { start, end });
  }
  for (const [category, stretches] of [
    ['maintenance', calendar.maintenance ?? []],
    ['excluded', calendar.excluded],
  ] as const)
    for (const { fromMs, toMs, reason } of stretches)
      add(`${category}-${fromMs}-${toMs}@toplens`, reason, category, {
        start: momentOf(fromMs),
        end: momentOf(toMs),
      });
  return `${root.toString()}\r\n`;
}

/** A moment in UTC. */
export const momentOf = (timeMs: number): ICAL.Time => ICAL.Time.fromJSDate(new Date(timeMs), true);
