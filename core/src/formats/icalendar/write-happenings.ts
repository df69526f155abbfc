import ICAL from 'ical.js';
import type { Happening } from '../../happened';
import { momentOf } from './write-icalendar';

/**
 * What happened as a calendar (RFC 5545): an event without length for each, in UTC.
 *
 * @param home address of the interface, without a slash at the end
 * @param stampMs when it was written
 */
export function calendarOfHappenings(all: readonly Happening[], home: string, stampMs: number): string {
  const calendar = new ICAL.Component('vcalendar');
  calendar.addPropertyWithValue('version', '2.0');
  calendar.addPropertyWithValue('prodid', '-//Top Lens//happened//EN');
  for (const { id, kind, atMs, title, application, team, path } of all) {
    const event = new ICAL.Component('vevent');
    event.addPropertyWithValue('uid', `${id}@top-lens`);
    event.addPropertyWithValue('dtstamp', momentOf(stampMs));
    event.addPropertyWithValue('dtstart', momentOf(atMs));
    event.addPropertyWithValue('summary', title);
    event.addPropertyWithValue('description', [application, team].filter(Boolean).join(' · '));
    event.addPropertyWithValue('categories', kind);
    event.addPropertyWithValue('url', `${home}${path}`);
    calendar.addSubcomponent(event);
  }
  return `${calendar.toString()}\r\n`;
}
