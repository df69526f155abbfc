import { figureColumn, textColumn, type Column } from '@/frame/table/columns';
import type { PageGroup } from '@/frame/view';
import { durationWords, percent } from '@/look/format';
import { GROUP_WORDS, valueName, type PageGroupFigures } from './page-words';

/** Groups of page loads in one table: what weighs most on everyone, and what is slowest for one. */
export const pageColumns = (
  by: PageGroup,
  nameOf = (value: string) => valueName(by, value),
): readonly Column<PageGroupFigures>[] => [
  figureColumn('weight', 'Share of all time, 0 to 1', ({ shareOfWeight }) => shareOfWeight, { show: percent }),
  textColumn('name', GROUP_WORDS[by], ({ name }) => nameOf(name)),
  figureColumn('views', 'Views', ({ views }) => views),
  figureColumn('meanMs', 'Mean load, ms', ({ meanMs }) => meanMs, { show: durationWords, isAverage: true }),
  figureColumn('lcp', 'LCP at the 75th percentile, ms', ({ vitals }) => vitals.lcp?.p75 ?? null, {
    show: durationWords,
    isAverage: true,
  }),
  figureColumn('inp', 'INP at the 75th percentile, ms', ({ vitals }) => vitals.inp?.p75 ?? null, {
    show: durationWords,
    isAverage: true,
  }),
  figureColumn('cls', 'CLS at the 75th percentile', ({ vitals }) => vitals.cls?.p75 ?? null, { isAverage: true }),
  figureColumn('interactions', 'Interactions a view', ({ interactions, views }) => interactions / views, {
    show: (value) => value.toFixed(1),
    isAverage: true,
  }),
  figureColumn('errorCount', 'Script errors', ({ errors }) => Math.round(errors)),
  figureColumn('errors', 'Views with script errors, 0 to 1', ({ shareWithErrors }) => shareWithErrors, {
    show: percent,
    isAverage: true,
  }),
  figureColumn('missing', 'Views with something missing, 0 to 1', ({ shareMissing }) => shareMissing, {
    show: percent,
    isAverage: true,
  }),
];
