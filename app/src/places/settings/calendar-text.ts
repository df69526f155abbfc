import { DAY_MS } from '@toplens/core/time';
import type { Settings } from '@/data/client';

const DATE = /^\d{4}-\d\d-\d\d$/;
const MOMENT = /^\d{4}-\d\d-\d\dT\d\d:\d\d(:\d\d)?(Z|[+-]\d\d:\d\d)$/;

type Calendar = Settings['calendar'];

/**
 * Lines of text as a calendar: a holiday (`2026-12-25`), days of which nothing is learned (`2026-11-02 to 2026-11-09
 * migration`), maintenance (`maintenance 2026-11-02T22:00Z to 2026-11-03T02:00Z new disks`).
 *
 * @returns what is wrong with the first line that is none of these
 */
export function parseCalendar(text: string): Calendar | string {
  const calendar: Calendar = { holidays: [], excluded: [], maintenance: [] };
  for (const line of text
    .split('\n')
    .map((one) => one.trim())
    .filter(Boolean)) {
    if (DATE.test(line) && !Number.isNaN(Date.parse(line))) {
      calendar.holidays.push(line);
      continue;
    }
    const [, kind, from = '', to = '', reason = ''] = /^(maintenance\s+)?(\S+) to (\S+)\s*(.*)$/i.exec(line) ?? [];
    const [fromMs, toMs] = [beginOf(from), endOf(to)];
    if (fromMs === undefined || toMs === undefined)
      return `“${line}”: write a day as 2026-12-25, or a stretch as 2026-11-02 to 2026-11-09 and why; a time as 2026-11-02T22:00Z.`;
    if (toMs <= fromMs) return `“${line}”: it ends before it begins.`;
    if (reason === '') return `“${line}”: say why it is left out.`;
    (kind ? calendar.maintenance : calendar.excluded).push({ fromMs, toMs, reason });
  }
  return calendar;
}

function beginOf(text: string): number | undefined {
  const timeMs = DATE.test(text) ? Date.parse(`${text}T00:00:00Z`) : MOMENT.test(text) ? Date.parse(text) : NaN;
  return Number.isNaN(timeMs) ? undefined : timeMs;
}

/** A day that is named last belongs to the stretch. */
function endOf(text: string): number | undefined {
  const beginMs = beginOf(text);
  return beginMs === undefined ? undefined : DATE.test(text) ? beginMs + DAY_MS : beginMs;
}

export function calendarText({ holidays, excluded, maintenance }: Calendar): string {
  return [
    ...holidays,
    ...excluded.map(stretchText),
    ...maintenance.map((stretch) => `maintenance ${stretchText(stretch)}`),
  ].join('\n');
}

function stretchText({ fromMs, toMs, reason }: Calendar['excluded'][number]): string {
  const isWholeDays = fromMs % DAY_MS === 0 && toMs % DAY_MS === 0;
  const [from, to] = isWholeDays
    ? [new Date(fromMs).toISOString().slice(0, 10), new Date(toMs - DAY_MS).toISOString().slice(0, 10)]
    : [momentText(fromMs), momentText(toMs)];
  return `${from} to ${to} ${reason}`;
}

const momentText = (timeMs: number): string =>
  new Date(timeMs)
    .toISOString()
    .replace(/:00\.000Z$/, 'Z')
    .replace('.000Z', 'Z');

/** The lines of one calendar and those of another that it does not have yet. */
export function addedTo(text: string, more: Calendar): string {
  const known = text.split('\n').map((line) => line.trim());
  const added = calendarText(more)
    .split('\n')
    .filter((line) => line !== '' && !known.includes(line));
  return [...known.filter(Boolean), ...added].join('\n');
}
