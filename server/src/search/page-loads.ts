import { hostOfUrl, isThirdParty, onlyHere, summariseViews, vitalTrend, VITALS, type GroupFigures, type Tally, type Vital } from '@toplens/core/pages';
import type { Window } from '@toplens/core/time';
import type { PageGroupShape, PageLoadsShape, PageWhereShape, ResourceHostShape } from '../api/shapes';
import type { Database } from '../store/database';
import {
  callsOf, conditionOf, detailsWhere, flowOfPage, namesOf, PAGE_DIMENSIONS, viewsWhere, worstViews, type PageDimension, type PageFocus, type StoredView,
} from '../store/pages'; // prettier-ignore

export interface PagesQuestion {
  window: Window;
  focus: PageFocus;
  /** by what views are told apart */
  by: PageDimension;
}

/** So many views are read; of more, a fair part. */
const MOST_VIEWS = 100_000;
const MOST_GROUPS = 200;
const MOST_LISTED = 20;
/** Resources are looked at of so many views with something missing, and of as many others. */
const MOST_DETAILS = 400;
const STRETCHES = 48;
/** Where it is worse is asked of these. */
const COMPARED = ['country', 'browser', 'system', 'connection', 'version'] as const satisfies readonly PageDimension[];
const ALL = 0;

/** Page loads of a window: by page (or country, browser …), heaviest first; where it is worse; what does not come. */
export async function pageLoads(database: Database, { window, focus, by }: PagesQuestion): Promise<PageLoadsShape> {
  const where = await conditionOf(database, window, focus);
  if (where === undefined) return { ...NOTHING, window, by };
  const { views, kept } = await viewsWhere(database, where, MOST_VIEWS);
  const names = await namesOf(database, views.flatMap(({ dimensions }) => PAGE_DIMENSIONS.map((dimension) => dimensions[dimension]))); // prettier-ignore
  const nameIn = (id: number) => names.get(id) ?? '';
  const page = focus.page === undefined ? undefined : views[0]?.dimensions.page;
  const whole = views.filter(({ kind }) => kind !== 'frame');
  const counted = (groupOf: (view: StoredView) => number, of = whole) =>
    summariseViews(of.map((view) => ({ ...view, group: groupOf(view), share: view.share * kept })));
  const groups = counted(({ dimensions }) => dimensions[by]);
  const frames = counted(
    ({ dimensions }) => dimensions.page,
    views.filter(({ kind }) => kind === 'frame'),
  );
  const [all] = counted(() => ALL);
  const stepMs = (window.toMs - window.fromMs) / STRETCHES;
  return {
    window,
    by,
    kept,
    kinds: { load: sumOf(views, 'load', kept), route: sumOf(views, 'route', kept), frame: sumOf(views, 'frame', kept) },
    all: all ? groupShape(all, '') : null,
    groups: groups.slice(0, MOST_GROUPS).map((group) => groupShape(group, nameIn(group.group))),
    frames: frames.slice(0, MOST_LISTED).map((group) => groupShape(group, nameIn(group.group))),
    flow: focus.page === undefined || !views[0] ? null : ((await flowOfPage(database, nameIn(views[0].dimensions.application), focus.page)) ?? null),
    trend: {
      startMs: window.fromMs,
      stepMs,
      vitals: Object.fromEntries(VITALS.map((vital) => [vital, vitalTrend(whole, vital, window.fromMs, window.toMs, STRETCHES)])) as Record<Vital, (number | null)[]>,
    },
    where: COMPARED.filter((dimension) => focus[dimension] === undefined).flatMap((dimension) => whereShapes(whole, dimension, nameIn)),
    hosts: await hostsOf(database, where),
    calls: await callsOf(database, window, page, MOST_LISTED),
    worst: await worstViews(database, where, MOST_LISTED),
  }; // prettier-ignore
}

const NOTHING = {
  kept: 1, kinds: { load: 0, route: 0, frame: 0 }, all: null, groups: [], frames: [], flow: null, where: [], hosts: [], calls: [], worst: [],
  trend: { startMs: 0, stepMs: 0, vitals: { ttfb: [], fcp: [], lcp: [], inp: [], cls: [] } },
}; // prettier-ignore

const sumOf = (views: readonly StoredView[], kind: StoredView['kind'], kept: number): number =>
  Math.round(views.reduce((sum, view) => sum + (view.kind === kind ? 1 / view.share / kept : 0), 0));

function groupShape({ group: _group, meanMs, medianMs, views, viewsWithErrors, viewsMissing, vitals, ...rest }: GroupFigures, name: string): PageGroupShape {
  return {
    ...rest,
    name,
    views: Math.round(views),
    meanMs: meanMs ?? null,
    medianMs: medianMs ?? null,
    vitals: Object.fromEntries(VITALS.map((vital) => [vital, vitals[vital] ?? null])) as PageGroupShape['vitals'],
    shareWithErrors: viewsWithErrors / views,
    shareMissing: viewsMissing / views,
  };
}

/** What counts as bad of a view; `undefined` when it cannot be told. LCP: beyond what is published as good. */
const BAD: Readonly<Record<PageWhereShape['what'], (view: StoredView) => boolean | undefined>> = {
  slow: ({ vitals }) => (vitals.lcp === undefined ? undefined : vitals.lcp > 2500),
  missing: ({ missing }) => missing > 0,
  errors: ({ errors }) => errors > 0,
};

function whereShapes(views: readonly StoredView[], dimension: PageDimension, nameIn: (id: number) => string): PageWhereShape[] {
  return Object.entries(BAD).flatMap(([what, isBad]) => {
    const tallies = new Map<number, Tally>();
    for (const view of views) {
      const bad = isBad(view);
      const value = view.dimensions[dimension];
      if (bad === undefined || value === 0) continue;
      const tally = tallies.get(value) ?? { value, views: 0, bad: 0 };
      tally.views++;
      if (bad) tally.bad++;
      tallies.set(value, tally);
    }
    const { verdict, hit } = onlyHere([...tallies.values()]);
    if (verdict === 'none' || verdict === 'oneValue') return [];
    const shapes = hit.map(({ value, views: n, here, elsewhere }) => ({ name: nameIn(value), views: n, here, elsewhere }));
    return [{ what: what as PageWhereShape['what'], dimension, verdict, hit: shapes }];
  });
}

/** From whom resources come, and how many do not. */
async function hostsOf(database: Database, where: string): Promise<ResourceHostShape[]> {
  const [hit, others] = await Promise.all([
    detailsWhere(database, `${where} AND missing > 0`, MOST_DETAILS),
    detailsWhere(database, `${where} AND missing = 0`, MOST_DETAILS),
  ]);
  const hosts = new Map<string, ResourceHostShape & { totalMs: number }>();
  for (const { host: pageHost, resources } of [...hit, ...others])
    for (const { url, durationMs, bytes, missing } of resources) {
      const host = hostOfUrl(url) || pageHost;
      const known = hosts.get(host) ?? { host, isThirdParty: isThirdParty(url, pageHost), resources: 0, missing: 0, meanMs: 0, totalMs: 0, bytes: 0 };
      known.resources++;
      known.totalMs += durationMs;
      known.bytes += bytes;
      if (missing) known.missing++;
      hosts.set(host, known);
    }
  return [...hosts.values()]
    .map(({ totalMs, ...host }) => ({ ...host, meanMs: totalMs / host.resources }))
    .sort((a, b) => b.missing - a.missing || b.meanMs * b.resources - a.meanMs * a.resources)
    .slice(0, MOST_LISTED);
}
