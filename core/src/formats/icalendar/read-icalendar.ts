import ICAL from 'ical.js';
import { DateTime, IANAZone } from 'luxon';
import { DAY_MS, type Window } from '../../time';
import { MalformedTelemetry } from '../otlp/malformed';

/** An occurrence of a calendar's event. */
export interface CalendarOccurrence extends Window {
  summary: string;
  /** whole days without a time of the day: the dates, as `2026-12-25` */
  days: string[];
  /** in lower case */
  categories: string[];
}

export interface ReadCalendar {
  occurrences: CalendarOccurrence[];
  /** what could not be taken, a sentence each */
  notes: string[];
}

/** A rule that goes on for ever ends at the window; one that names more than these is a mistake. */
const MOST_OCCURRENCES = 2000;

/**
 * Events of an iCalendar file (RFC 5545) as they occur in a window: recurrences are told out, exceptions and moved ones
 * taken into account, cancelled ones left out. Clock times hold in the zone that they name, a VTIMEZONE of the file or
 * one of the IANA database, so that they follow its clock changes; without a zone they are UTC, and a note says so.
 *
 * @throws MalformedTelemetry for what is no iCalendar file, or names more occurrences than anybody means
 */
export function readICalendar(text: string, window: Window): ReadCalendar {
  const calendar = parsed(text);
  const notes = new Set<string>();
  const events = calendar.getAllSubcomponents('vevent').map((one) => new ICAL.Event(one));
  const moved = events.filter((event) => event.isRecurrenceException());
  const occurrences: CalendarOccurrence[] = [];
  for (const event of events) {
    if (event.isRecurrenceException() || isCancelled(event)) continue;
    for (const exception of moved) if (exception.uid === event.uid) event.relateException(exception);
    if (!(event.startDate as ICAL.Time | null)) {
      notes.add(`“${event.summary}” has no begin and is left out.`);
      continue;
    }
    for (const start of startsOf(event, window)) {
      const details = event.isRecurring()
        ? event.getOccurrenceDetails(start)
        : { item: event, startDate: start, endDate: event.endDate };
      if (isCancelled(details.item)) continue;
      const occurrence = occurrenceOf(details, notes);
      if (occurrence.toMs > window.fromMs && occurrence.fromMs < window.toMs) occurrences.push(occurrence);
      if (occurrences.length > MOST_OCCURRENCES)
        throw new MalformedTelemetry(
          `more than ${MOST_OCCURRENCES} events; expected a calendar of holidays or maintenance`,
          'calendar',
        );
    }
  }
  return {
    occurrences: occurrences.sort((a, b) => a.fromMs - b.fromMs || a.summary.localeCompare(b.summary)),
    notes: [...notes],
  };
}

function parsed(text: string): ICAL.Component {
  try {
    const component = ICAL.Component.fromString(text.trim());
    if (component.name === 'vcalendar') return component;
  } catch {
    // Told below, in words that people know.
  }
  throw new MalformedTelemetry('this is no iCalendar file; expected one that begins with BEGIN:VCALENDAR', 'calendar');
}

const isCancelled = ({ component }: ICAL.Event): boolean =>
  String(component.getFirstPropertyValue('status') ?? '').toUpperCase() === 'CANCELLED';

/** Begins of an event up to the end of the window; those long before it are passed over where no rule needs them. */
function startsOf(event: ICAL.Event, window: Window): ICAL.Time[] {
  if (!event.isRecurring()) return [event.startDate];
  const starts: ICAL.Time[] = [];
  const iterator = event.iterator();
  const earliestMs = window.fromMs - event.duration.toSeconds() * 1000 - DAY_MS;
  for (let next = iterator.next() as ICAL.Time | undefined; next; next = iterator.next() as ICAL.Time | undefined) {
    const atMs = roughMs(next);
    if (atMs > window.toMs + DAY_MS) break;
    if (atMs >= earliestMs) starts.push(next);
    if (starts.length > MOST_OCCURRENCES + 1) break;
  }
  return starts;
}

/** Within a day of it: enough to know where to stop. */
const roughMs = ({ year, month, day, hour, minute }: ICAL.Time): number => Date.UTC(year, month - 1, day, hour, minute);

function occurrenceOf(
  { item, startDate, endDate }: { item: ICAL.Event; startDate: ICAL.Time; endDate: ICAL.Time },
  notes: Set<string>,
): CalendarOccurrence {
  const zone = zoneOf(item);
  const fromMs = momentOf(startDate, zone, notes);
  const toMs = momentOf(endDate, zone, notes);
  return {
    summary: item.summary ?? '',
    fromMs,
    toMs,
    days: startDate.isDate ? daysOf(fromMs, toMs) : [],
    categories: item.component
      .getAllProperties('categories')
      .flatMap((one): unknown[] => one.getValues())
      .map((one) => String(one).trim().toLowerCase()),
  };
}

const zoneOf = ({ component }: ICAL.Event): string | undefined => {
  const zone: unknown = component.getFirstProperty('dtstart')?.getParameter('tzid');
  return typeof zone === 'string' ? zone : undefined;
};

/** @param zone as the event names it: an IANA zone is told by the IANA database, any other by the file's VTIMEZONE */
function momentOf(time: ICAL.Time, zone: string | undefined, notes: Set<string>): number {
  const { year, month, day, hour, minute, second } = time;
  if (time.isDate) return Date.UTC(year, month - 1, day);
  if (zone !== undefined && IANAZone.isValidZone(zone))
    return DateTime.fromObject({ year, month, day, hour, minute, second }, { zone }).toMillis();
  if (zone !== undefined && time.zone !== ICAL.Timezone.localTimezone) return time.toUnixTime() * 1000;
  if (time.zone !== ICAL.Timezone.utcTimezone)
    notes.add(
      zone === undefined
        ? 'Times without a zone are taken as UTC.'
        : `The zone “${zone}” is not known: its times are taken as UTC.`,
    );
  return Date.UTC(year, month - 1, day, hour, minute, second);
}

/** Dates from a first to before a last. */
function daysOf(fromMs: number, toMs: number): string[] {
  const days: string[] = [];
  for (let dayMs = fromMs; dayMs < Math.max(toMs, fromMs + 1); dayMs += DAY_MS)
    days.push(new Date(dayMs).toISOString().slice(0, 10));
  return days;
}
