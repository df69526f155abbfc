import { quantileSorted } from '../stats';
import { PARTS } from './navigation-parts';
import { rowsBy, type ViewColumns } from './view-columns';
import { rateVital, VITALS, type Rating, type Vital } from './vitals';

export interface VitalFigure {
  /** 75th percentile of the views that told it */
  p75: number;
  rating: Rating;
  views: number;
}

export interface GroupFigures {
  group: number;
  /** of all views, also of those that were not sent */
  views: number;
  people: number;
  /** of which the loading is told: a page of a single-page application has none */
  loads: number;
  /** mean of each part, milliseconds, in the order of `PARTS` */
  parts: number[];
  /** mean and median of whole loads, milliseconds; `undefined` without one */
  meanMs: number | undefined;
  medianMs: number | undefined;
  /** waited for by all together, milliseconds, and its share of all groups' */
  weightMs: number;
  shareOfWeight: number;
  vitals: Partial<Record<Vital, VitalFigure>>;
  interactions: number;
  /** script errors, and views with at least one */
  errors: number;
  viewsWithErrors: number;
  /** views on which something did not come */
  viewsMissing: number;
}

/**
 * Views by group, heaviest first. Views of which only a share is sent count for those that were not; quantiles are of
 * what was sent (type 7, exact).
 *
 * @param groups number of the page, of the country …, by row: whatever is told apart
 * @param rows that are counted
 * @param kept share of the views that was read
 */
export function summariseViews(views: ViewColumns, groups: Int32Array, rows: Uint32Array, kept = 1): GroupFigures[] {
  const figures = [...rowsBy(groups, rows)].map(([group, own]) => figuresOf(group, views, own, kept));
  const weight = figures.reduce((sum, { weightMs }) => sum + weightMs, 0);
  for (const one of figures) one.shareOfWeight = weight > 0 ? one.weightMs / weight : 0;
  return figures.sort((a, b) => b.weightMs - a.weightMs || b.views - a.views || a.group - b.group);
}

function figuresOf(group: number, views: ViewColumns, rows: Uint32Array, kept: number): GroupFigures {
  const parts = PARTS.map(() => 0);
  const durations = new Float64Array(rows.length);
  let loads = 0;
  const people = new Set<number>();
  const figures: GroupFigures = {
    group,
    views: 0,
    people: 0,
    loads: 0,
    parts,
    meanMs: undefined,
    medianMs: undefined,
    weightMs: 0,
    shareOfWeight: 0,
    vitals: vitalsOf(views, rows),
    interactions: 0,
    errors: 0,
    viewsWithErrors: 0,
    viewsMissing: 0,
  };
  for (const row of rows) {
    const stands = 1 / ((views.share[row] as number) * kept);
    const errors = views.errors[row] as number;
    figures.views += stands;
    figures.interactions += (views.interactions[row] as number) * stands;
    figures.errors += errors * stands;
    if (errors > 0) figures.viewsWithErrors += stands;
    if ((views.missing[row] as number) > 0) figures.viewsMissing += stands;
    if (views.person[row] !== 0) people.add(views.person[row] as number);
    let loadMs = 0;
    for (let part = 0; part < parts.length; part++) loadMs += (views.parts[part] as Float64Array)[row] as number;
    if (Number.isNaN(loadMs)) continue;
    for (let part = 0; part < parts.length; part++)
      parts[part] = (parts[part] as number) + ((views.parts[part] as Float64Array)[row] as number) * stands;
    durations[loads++] = loadMs;
    figures.loads += stands;
    figures.weightMs += loadMs * stands;
  }
  figures.people = people.size;
  if (loads === 0) return figures;
  figures.parts = parts.map((sum) => sum / figures.loads);
  figures.meanMs = figures.weightMs / figures.loads;
  figures.medianMs = quantileSorted(durations.subarray(0, loads).sort(), 0.5);
  return figures;
}

/** 75th percentiles: the share by which published limits judge. */
const JUDGED_AT = 0.75;

export function vitalsOf(
  { vitals }: Pick<ViewColumns, 'vitals'>,
  rows: Uint32Array,
): Partial<Record<Vital, VitalFigure>> {
  const figures: Partial<Record<Vital, VitalFigure>> = {};
  for (const vital of VITALS) {
    const values = told(vitals[vital], rows);
    const p75 = quantileSorted(values.sort(), JUDGED_AT);
    if (p75 !== undefined) figures[vital] = { p75, rating: rateVital(vital, p75), views: values.length };
  }
  return figures;
}

/** The values of some rows, without those that were not told. */
function told(column: Float64Array, rows: Uint32Array): Float64Array {
  const values = new Float64Array(rows.length);
  let n = 0;
  for (const row of rows) {
    const value = column[row] as number;
    if (!Number.isNaN(value)) values[n++] = value;
  }
  return values.subarray(0, n);
}

/** Fewer views in a stretch say nothing of its 75th percentile. */
const FEWEST_VIEWS = 5;

/** A window cut in stretches of equal length. */
export interface Stretches {
  fromMs: number;
  toMs: number;
  stretches: number;
}

/** The rows of each stretch, in order. */
function rowsByStretch(views: ViewColumns, rows: Uint32Array, { fromMs, toMs, stretches }: Stretches): Uint32Array[] {
  const stretchOf = new Int32Array(views.n);
  for (const row of rows)
    stretchOf[row] = Math.floor((((views.atMs[row] as number) - fromMs) / (toMs - fromMs)) * stretches);
  const parted = rowsBy(stretchOf, rows);
  return Array.from({ length: stretches }, (_, stretch) => parted.get(stretch) ?? new Uint32Array());
}

/** Mean of each part of a load by stretches, milliseconds, in the order of `PARTS`; 0 where nothing was loaded. */
export function partTrends(views: ViewColumns, rows: Uint32Array, stretches: Stretches): number[][] {
  const means = rowsByStretch(views, rows, stretches).map((own) => figuresOf(0, views, own, 1).parts);
  return PARTS.map((_, part) => means.map((parts) => parts[part] as number));
}

/** 75th percentile of each vital by stretches; `null` where fewer than five views told it. */
export function vitalTrends(
  views: ViewColumns,
  rows: Uint32Array,
  stretches: Stretches,
): Record<Vital, (number | null)[]> {
  const byStretch = rowsByStretch(views, rows, stretches);
  const trend = (vital: Vital) =>
    byStretch.map((own) => {
      const values = told(views.vitals[vital], own);
      return values.length < FEWEST_VIEWS ? null : (quantileSorted(values.sort(), JUDGED_AT) ?? null);
    });
  return Object.fromEntries(VITALS.map((vital) => [vital, trend(vital)])) as Record<Vital, (number | null)[]>;
}
