import { csvText } from '@toplens/core/csv';
import type { FlowRow } from '@/data/client';
import { count, durationWords, percent } from '@/look/format';

/**
 * A column of the table of flows: what it shows, and by what it sorts. Unknown values stand last, whichever way it is
 * sorted.
 */
export interface Column {
  key: string;
  words: string;
  /** what the words leave out, for a screen reader */
  label: string;
  show: (row: FlowRow) => string;
  value: (row: FlowRow) => number | string | null;
}

const LEVELS = ['noData', 'calm', 'strained', 'hurting', 'broken'];
const shown = (value: number | null, words: (value: number) => string) => (value === null ? '–' : words(value));

export const COLUMNS: readonly Column[] = [
  { key: 'name', words: 'Flow', label: 'Flow', show: (row) => row.name, value: (row) => row.name.toLowerCase() },
  {
    key: 'level',
    words: 'Level',
    label: 'Level',
    show: (row) => (row.level === 'noData' ? 'no data' : row.level),
    value: (row) => LEVELS.indexOf(row.level),
  },
  {
    key: 'attempts',
    words: 'Attempts',
    label: 'Attempts in the window',
    show: (row) => count(row.attempts),
    value: (row) => row.attempts,
  },
  {
    key: 'perMinute',
    words: 'a min',
    label: 'Attempts a minute',
    show: (row) => rate(row.perMinute),
    value: (row) => row.perMinute,
  },
  {
    key: 'meanMs',
    words: 'Average',
    label: 'Average duration',
    show: (row) => shown(row.meanMs, durationWords),
    value: (row) => row.meanMs,
  },
  {
    key: 'medianMs',
    words: 'Median',
    label: 'Median duration',
    show: (row) => shown(row.medianMs, durationWords),
    value: (row) => row.medianMs,
  },
  {
    key: 'p95Ms',
    words: '95th',
    label: '95th percentile of the duration',
    show: (row) => shown(row.p95Ms, durationWords),
    value: (row) => row.p95Ms,
  },
  {
    key: 'maxMs',
    words: 'Longest',
    label: 'Longest attempt',
    show: (row) => shown(row.maxMs, durationWords),
    value: (row) => row.maxMs,
  },
  {
    key: 'failedShare',
    words: 'Failed',
    label: 'Share that failed',
    show: (row) => shown(row.failedShare, percent),
    value: (row) => row.failedShare,
  },
  {
    key: 'apdex',
    words: 'Apdex [T]',
    label: 'Apdex against the target in seconds',
    show: (row) => row.apdexWords ?? '–',
    value: (row) => row.apdex,
  },
  {
    key: 'hurt',
    words: 'Hurt',
    label: 'People hurt of people active',
    show: (row) => peopleWords(row),
    value: (row) => row.hurt,
  },
  {
    key: 'shareOfTime',
    words: 'Of all time',
    label: 'Share of all time spent',
    show: (row) => shown(row.shareOfTime, percent),
    value: (row) => row.shareOfTime,
  },
];

const rate = (perMinute: number) => (perMinute === 0 ? '0' : perMinute < 10 ? perMinute.toFixed(1) : count(perMinute));
const peopleWords = ({ hurt, people }: FlowRow) =>
  hurt === null || people === null ? '–' : `${count(hurt)} of ${count(people)}`;

export const DEFAULT_SORT = '-hurt';

/** `-p95Ms`: by the 95th percentile, largest first. */
export function parseSort(sort: string | undefined): { column: Column; isDescending: boolean } {
  const text = sort ?? DEFAULT_SORT;
  const isDescending = text.startsWith('-');
  const column = COLUMNS.find(({ key }) => key === text.replace(/^-/, ''));
  return column ? { column, isDescending } : parseSort(DEFAULT_SORT);
}

/** Share of all attempts below which a flow is left out when ranking by averages: few samples are not bad ones. */
export const CUT_OFF = 0.02;
const BY_AVERAGE = new Set(['meanMs', 'medianMs', 'p95Ms', 'maxMs', 'failedShare', 'apdex']);

export const isByAverage = (column: Column): boolean => BY_AVERAGE.has(column.key);

/** Rows in order; by averages, flows below the cut-off stand behind the others. */
export function sortRows(
  rows: readonly FlowRow[],
  sort: string | undefined,
  attempts: number,
  withSmall: boolean,
): { rows: FlowRow[]; leftOut: number } {
  const { column, isDescending } = parseSort(sort);
  const kept = !withSmall && isByAverage(column) ? rows.filter((row) => row.attempts >= CUT_OFF * attempts) : [...rows];
  const order = (a: FlowRow, b: FlowRow) => {
    const [x, y] = [column.value(a), column.value(b)];
    if (x === null || y === null) return x === y ? 0 : x === null ? 1 : -1;
    const difference = typeof x === 'string' ? x.localeCompare(y as string) : x - (y as number);
    return isDescending ? -difference : difference;
  };
  return {
    rows: [...kept].sort((a, b) => order(a, b) || a.name.localeCompare(b.name)),
    leftOut: rows.length - kept.length,
  };
}

/** What is shown, as CSV. */
export function toCsv(rows: readonly FlowRow[]): string {
  return csvText([COLUMNS.map(({ label }) => label), ...rows.map((row) => COLUMNS.map((column) => column.value(row)))]);
}
