import { parseDecimal } from '@/frame/decimal';
import { lines, numberBetween, numberOf, required, set, type Section } from './section';

const DAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'] as const;

/** "Mon to Fri 08:00 to 18:00" or "Mon, Wed 08:00 to 12:00". `undefined` for what is neither. */
export function readHours(text: string): { days: number[]; from: string; to: string } | undefined {
  const [, days = '', from = '', to = ''] = /^(.+?)\s+(\d\d:\d\d)\s*(?:to|-|–)\s*(\d\d:\d\d)$/i.exec(text.trim()) ?? [];
  const dayOf = (word: string) => DAYS.findIndex((day) => day.toLowerCase() === word.trim().toLowerCase()) + 1;
  const [, first = '', last = ''] = /^(\w+)\s*(?:to|-|–)\s*(\w+)$/i.exec(days.trim()) ?? [];
  const [begin, end] = [dayOf(first), dayOf(last)];
  const numbers =
    begin > 0 && end >= begin
      ? Array.from({ length: end - begin + 1 }, (_, i) => begin + i)
      : days.split(',').map(dayOf);
  return from === '' || numbers.some((day) => day === 0) ? undefined : { days: numbers, from, to };
}

/** "Mon, Tue, Wed 08:00 to 18:00" */
export const hoursText = ({ days, from, to }: { days: readonly number[]; from: string; to: string }): string =>
  `${days.map((day) => DAYS[day - 1]).join(', ')} ${from} to ${to}`;

/** "30 days", "week", "month" */
export function readPeriod(text: string): { kind: 'rolling'; days: number } | { kind: 'week' | 'month' } | undefined {
  const word = text.trim().toLowerCase();
  if (word === 'week' || word === 'month') return { kind: word };
  const days = Number(/^(\d{1,3}) days?$/.exec(word)?.[1]);
  return days >= 1 && days <= 366 ? { kind: 'rolling', days } : undefined;
}

/** "2026-11-02T08:00Z to 2026-11-02T10:00Z: migration" */
export function readExcluded(line: string): { fromMs: number; toMs: number; reason: string } | undefined {
  const [, from = '', to = '', reason = ''] = /^(\S+)\s+to\s+(\S+?):\s+(.+)$/.exec(line.trim()) ?? [];
  const [fromMs, toMs] = [Date.parse(from), Date.parse(to)];
  return /Z$|[+-]\d\d:?\d\d$/.test(from) && /Z$|[+-]\d\d:?\d\d$/.test(to) && toMs > fromMs
    ? { fromMs, toMs, reason: reason.trim() }
    : undefined;
}

/** "99.5: 4000", highest share first */
export function readPenalty(line: string): { below: number; amount: number } | undefined {
  const [below, amount] = line.split(':').map((part) => parseDecimal(part.replace('%', '')));
  return below !== undefined && amount !== undefined && below > 0 && below < 100 && amount > 0
    ? { below: Number((below / 100).toFixed(8)), amount }
    : undefined;
}

const INDICATOR_WORDS = {
  inTime: 'in time',
  answered: 'answered',
  people: 'people in time',
  views: 'page views',
  crashFree: 'without a crash',
  reachable: 'reachable',
} as const;
const INDICATORS_SAID = `“${Object.values(INDICATOR_WORDS).slice(0, -1).join('”, “')}” or “${INDICATOR_WORDS.reachable}”`;
const indicatorOf = (text: string): keyof typeof INDICATOR_WORDS | undefined =>
  (Object.keys(INDICATOR_WORDS) as (keyof typeof INDICATOR_WORDS)[]).find(
    (indicator) => INDICATOR_WORDS[indicator] === text.trim(),
  );

const iso = (timeMs: number) => new Date(timeMs).toISOString().replace(/:00\.000Z$/, 'Z');
const shareText = (share: number) => String(Number((share * 100).toFixed(6)));
const unlessEmpty = (read: (text: string) => unknown, what: string) => (text: string) =>
  text.trim() === '' || read(text) !== undefined ? undefined : what;
const everyLine = (read: (line: string) => unknown, what: string) => (text: string) =>
  lines(text).every((line) => read(line) !== undefined) ? undefined : what;

/** What was promised to whom, over which period, and what breaking it costs. */
export const PROMISES: Section = {
  key: 'promises',
  title: 'Promises',
  about:
    'Service levels: what share of attempts is promised to be good, to whom, over which period, and what breaking it costs.',
  unit: 'promise',
  isOrdered: false,
  columns: [
    { name: 'name', label: 'Name', check: required('Name the promise.') },
    { name: 'to', label: 'Given to' },
    { name: 'application', label: 'Application', hint: 'Whose attempts count; empty: of all.' },
    { name: 'flow', label: 'Flow', hint: 'Name or technical name; * for any text; empty: all work.' },
    {
      name: 'indicator',
      label: 'What is good',
      hint: 'Attempts “in time” or “answered” (neither failed nor hung); “people in time” (each once an hour); “page views” with good vitals; launches “without a crash”; or “reachable” (answered, of probes alone).',
      check: (text) => (indicatorOf(text) ? undefined : `${INDICATORS_SAID}.`),
    },
    {
      name: 'limit',
      label: 'Its own limit in seconds',
      hint: 'With “in time” and “people in time”; empty: the limit that judges each attempt.',
      check: numberBetween(0.001, 86_400, 'Seconds, more than 0 and at most a day.'),
    },
    {
      name: 'personShare',
      label: 'Of somebody’s attempts in time, %',
      hint: 'With “people in time” alone: who has fewer is not served well.',
      check: numberBetween(50, 100, 'Between 50 and 100.'),
    },
    {
      name: 'target',
      label: 'Promised share, %',
      check: (text) =>
        text.trim() === '' || parseDecimal(text) >= 100
          ? 'Less than 100: with 100 % one bad attempt breaks it.'
          : numberBetween(50, 99.999, 'Between 50 and 99.999.')(text),
    },
    {
      name: 'period',
      label: 'Period',
      hint: '“month”, “week”, or so many days up to now: “30 days”.',
      check: (text) => (readPeriod(text) ? undefined : '“month”, “week” or “30 days”.'),
    },
    { name: 'zone', label: 'Time zone', hint: 'For a month, a week and hours, as Europe/Dublin; empty: UTC.' },
    {
      name: 'hours',
      label: 'Service hours',
      hint: '“Mon to Fri 08:00 to 18:00”; empty: always.',
      check: unlessEmpty(readHours, 'As “Mon to Fri 08:00 to 18:00”.'),
    },
    {
      name: 'penalties',
      label: 'Penalties',
      hint: 'A line each, the highest share first: “99.5: 4000”.',
      isMultiline: true,
      check: everyLine(readPenalty, 'A line each: a share in percent, a colon, and an amount.'),
    },
    {
      name: 'excluded',
      label: 'What does not count',
      hint: 'A line each: “2026-11-02T08:00Z to 2026-11-02T10:00Z: migration”.',
      isMultiline: true,
      check: everyLine(readExcluded, 'A line each: begin and end with their zone, a colon, and the reason.'),
    },
  ],
  words: ({ name, target, to, period }) =>
    [
      name || '…',
      target && `${target} % over ${/^(week|month)$/.test(period ?? '') ? `a ${period}` : period}`,
      to && `to ${to}`,
    ]
      .filter(Boolean)
      .join(' · '),
  entriesOf: ({ promises }) =>
    promises.map(
      ({
        name,
        to = '',
        application = '',
        flow = '',
        indicator,
        limitMs,
        personShare,
        target,
        period,
        hours,
        ...rest
      }) => ({
        name,
        to,
        application,
        flow,
        indicator: INDICATOR_WORDS[indicator],
        limit: limitMs === undefined ? '' : String(limitMs / 1000),
        personShare: personShare === undefined ? '' : shareText(personShare),
        target: shareText(target),
        period: period.kind === 'rolling' ? `${period.days} days` : period.kind,
        zone: period.zone ?? hours?.zone ?? '',
        hours: hours ? hoursText(hours) : '',
        penalties: rest.penalties.map(({ below, amount }) => `${shareText(below)}: ${amount}`).join('\n'),
        excluded: rest.excluded
          .map(({ fromMs, toMs, reason }) => `${iso(fromMs)} to ${iso(toMs)}: ${reason}`)
          .join('\n'),
      }),
    ),
  valueOf: (entries) =>
    entries.map((entry) => {
      const zone = entry.zone?.trim() || 'UTC';
      const hours = readHours(entry.hours ?? '');
      const period = readPeriod(entry.period ?? '') ?? { kind: 'rolling' as const, days: 30 };
      const limit = numberOf(entry.limit);
      const personShare = numberOf(entry.personShare);
      return {
        name: (entry.name ?? '').trim(),
        ...set('to', entry.to?.trim()),
        ...set('application', entry.application?.trim()),
        ...set('flow', entry.flow?.trim()),
        indicator: indicatorOf(entry.indicator ?? '') ?? 'inTime',
        ...set('limitMs', limit === undefined ? undefined : Math.round(limit * 1000)),
        ...set('personShare', personShare === undefined ? undefined : Number((personShare / 100).toFixed(8))),
        target: Number(((numberOf(entry.target) ?? NaN) / 100).toFixed(8)),
        period: period.kind === 'rolling' ? period : { ...period, zone },
        ...(hours && { hours: { zone, ...hours } }),
        penalties: lines(entry.penalties).flatMap((line) => readPenalty(line) ?? []),
        excluded: lines(entry.excluded).flatMap((line) => readExcluded(line) ?? []),
      };
    }),
};
