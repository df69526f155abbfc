import { quantileSorted } from '../stats';
import { PARTS, type Parts } from './navigation-parts';
import { rateVital, VITALS, type Rating, type Vital } from './vitals';

/** What is kept of a view for figures of many. */
export interface ViewFigures {
  /** number of the page, of the country …: whatever is told apart */
  group: number;
  person: number;
  atMs: number;
  /** share of all views that was sent */
  share: number;
  parts: Parts | undefined;
  vitals: Readonly<Partial<Record<Vital, number>>>;
  interactions: number;
  errors: number;
  /** resources that failed or did not come */
  missing: number;
}

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
 * Views by group, heaviest first. Views of which only a share is sent count for those that were not; quantiles are of what was
 * sent (type 7, exact).
 */
export function summariseViews(views: readonly ViewFigures[]): GroupFigures[] {
  const groups = new Map<number, ViewFigures[]>();
  for (const view of views) {
    const own = groups.get(view.group);
    if (own) own.push(view);
    else groups.set(view.group, [view]);
  }
  const figures = [...groups].map(([group, own]) => figuresOf(group, own));
  const weight = figures.reduce((sum, { weightMs }) => sum + weightMs, 0);
  for (const one of figures) one.shareOfWeight = weight > 0 ? one.weightMs / weight : 0;
  return figures.sort((a, b) => b.weightMs - a.weightMs || b.views - a.views || a.group - b.group);
}

function figuresOf(group: number, views: readonly ViewFigures[]): GroupFigures {
  const parts = PARTS.map(() => 0);
  const durations: number[] = [];
  const people = new Set<number>();
  const figures: GroupFigures = {
    group, views: 0, people: 0, loads: 0, parts, meanMs: undefined, medianMs: undefined, weightMs: 0, shareOfWeight: 0, vitals: vitalsOf(views),
    interactions: 0, errors: 0, viewsWithErrors: 0, viewsMissing: 0,
  }; // prettier-ignore
  for (const view of views) {
    const stands = 1 / view.share;
    figures.views += stands;
    figures.interactions += view.interactions * stands;
    figures.errors += view.errors * stands;
    if (view.errors > 0) figures.viewsWithErrors += stands;
    if (view.missing > 0) figures.viewsMissing += stands;
    if (view.person !== 0) people.add(view.person);
    if (!view.parts) continue;
    const loadMs = view.parts.reduce((sum, ms) => sum + ms, 0);
    view.parts.forEach((ms, i) => (parts[i] = (parts[i] as number) + ms * stands));
    durations.push(loadMs);
    figures.loads += stands;
    figures.weightMs += loadMs * stands;
  }
  figures.people = people.size;
  if (figures.loads === 0) return figures;
  figures.parts = parts.map((sum) => sum / figures.loads);
  figures.meanMs = figures.weightMs / figures.loads;
  figures.medianMs = quantileSorted(Float64Array.from(durations).sort(), 0.5);
  return figures;
}

/** 75th percentiles: the share by which published limits judge. */
const JUDGED_AT = 0.75;

export function vitalsOf(views: readonly Pick<ViewFigures, 'vitals'>[]): Partial<Record<Vital, VitalFigure>> {
  const figures: Partial<Record<Vital, VitalFigure>> = {};
  for (const vital of VITALS) {
    const values = views.flatMap(({ vitals }) => vitals[vital] ?? []);
    const p75 = quantileSorted(Float64Array.from(values).sort(), JUDGED_AT);
    if (p75 !== undefined) figures[vital] = { p75, rating: rateVital(vital, p75), views: values.length };
  }
  return figures;
}

/** Fewer views in a stretch say nothing of its 75th percentile. */
const FEWEST_VIEWS = 5;

/** 75th percentile of a vital by stretches of equal length; `null` where fewer than five views told it. */
export function vitalTrend(
  views: readonly Pick<ViewFigures, 'atMs' | 'vitals'>[],
  vital: Vital,
  fromMs: number,
  toMs: number,
  stretches: number,
): (number | null)[] {
  const values: number[][] = Array.from({ length: stretches }, () => []);
  for (const view of views) {
    const value = view.vitals[vital];
    const at = Math.floor(((view.atMs - fromMs) / (toMs - fromMs)) * stretches);
    if (value !== undefined) values[at]?.push(value);
  }
  return values.map((own) => (own.length < FEWEST_VIEWS ? null : (quantileSorted(Float64Array.from(own).sort(), JUDGED_AT) ?? null)));
}
