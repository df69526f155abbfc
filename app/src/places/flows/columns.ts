import { rateWords } from '@toplens/core/words';
import type { FlowRow } from '@/data/client';
import type { Column } from '@/frame/table/columns';
import { count, durationWords, percent } from '@/look/format';

/** A column of the table of flows. */
export type FlowColumn = Column<FlowRow>;

const LEVELS = ['noData', 'learning', 'calm', 'strained', 'hurting', 'broken'];
const shown = (value: number | null, words: (value: number) => string) => (value === null ? '–' : words(value));

export const COLUMNS: readonly FlowColumn[] = [
  {
    key: 'name',
    words: 'Flow',
    label: 'Flow',
    show: (row) => row.name,
    value: (row) => row.name.toLowerCase(),
    save: (row) => row.name,
  },
  {
    key: 'level',
    words: 'Level',
    label: 'Level',
    show: (row) => (row.level === 'noData' ? 'no data' : row.level),
    value: (row) => LEVELS.indexOf(row.level),
    save: (row) => (row.level === 'noData' ? 'no data' : row.level),
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
    show: (row) => rateWords(row.perMinute),
    value: (row) => row.perMinute,
  },
  {
    key: 'meanMs',
    isAverage: true,
    words: 'Average',
    label: 'Average duration, ms',
    show: (row) => shown(row.meanMs, durationWords),
    value: (row) => row.meanMs,
  },
  {
    key: 'medianMs',
    isAverage: true,
    words: 'Median',
    label: 'Median duration, ms',
    show: (row) => shown(row.medianMs, durationWords),
    value: (row) => row.medianMs,
  },
  {
    key: 'p95Ms',
    isAverage: true,
    words: '95th',
    label: '95th percentile of the duration, ms',
    show: (row) => shown(row.p95Ms, durationWords),
    value: (row) => row.p95Ms,
  },
  {
    key: 'maxMs',
    isAverage: true,
    words: 'Longest',
    label: 'Longest attempt, ms',
    show: (row) => shown(row.maxMs, durationWords),
    value: (row) => row.maxMs,
  },
  {
    key: 'failedShare',
    isAverage: true,
    words: 'Failed',
    label: 'Share that failed, 0 to 1',
    show: (row) => shown(row.failedShare, percent),
    value: (row) => row.failedShare,
  },
  {
    key: 'apdex',
    isAverage: true,
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
    key: 'team',
    words: 'Team',
    label: 'Owning team',
    show: (row) => row.team ?? '–',
    value: (row) => row.team?.toLowerCase() ?? null,
    save: (row) => row.team,
  },
  {
    key: 'shareOfTime',
    words: 'Of all time',
    label: 'Share of all time spent, 0 to 1',
    show: (row) => shown(row.shareOfTime, percent),
    value: (row) => row.shareOfTime,
  },
];

const peopleWords = ({ hurt, people }: FlowRow) =>
  hurt === null || people === null ? '–' : `${count(hurt)} of ${count(people)}`;

export const DEFAULT_SORT = '-hurt';
