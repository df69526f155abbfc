import {
  hostOfUrl,
  isThirdParty,
  onlyHere,
  rowsBy,
  summariseViews,
  VIEW_KINDS,
  partTrends,
  vitalTrends,
  VITALS,
  PAGE_DIMENSIONS,
  type GroupFigures,
  type Tally,
  type PageDimension,
} from '@toplens/core/pages';
import type { Window } from '@toplens/core/time';
import type { PageGroupShape, PageLoadsShape, PageWhereShape, ResourceHostShape } from '../contract/pages';
import type { Database } from '../store/database';
import {
  ALL_PEOPLE,
  callsOf,
  conditionOf,
  detailsWhere,
  flowOfPage,
  namesOf,
  peopleWhere,
  viewsWhere,
  worstViews,
  type PageFocus,
  type StoredViews,
} from '../store/pages';

export interface PagesQuestion {
  window: Window;
  focus: PageFocus;
  /** by what views are told apart */
  by: PageDimension;
}

/** So many views are read; of more, a fair part. */
const MOST_VIEWS = 30_000;
const MOST_GROUPS = 200;
const MOST_LISTED = 20;
/** Resources are looked at of so many views with something missing, and of as many others. */
const MOST_DETAILS = 400;
const STRETCHES = 48;
/** Where it is worse is asked of these. */
const COMPARED = ['country', 'browser', 'system', 'connection', 'version'] as const satisfies readonly PageDimension[];
const FRAME = VIEW_KINDS.indexOf('frame');

/**
 * Page loads of a window: by page (or country, browser …), heaviest first; where it is worse; what does not come.
 *
 * @param most views are read; of more a fair part, which counts for all
 */
export async function pageLoads(
  database: Database,
  { window, focus, by }: PagesQuestion,
  most = MOST_VIEWS,
): Promise<PageLoadsShape> {
  const where = await conditionOf(database, window, focus);
  if (where === undefined) return { ...NOTHING, window, by };
  const { views, every } = await viewsWhere(database, where, most);
  const kept = 1 / every;
  // People cannot be told from a part of the views.
  const people = every > 1 ? await peopleWhere(database, where, by) : undefined;
  const names = await namesOf(
    database,
    PAGE_DIMENSIONS.flatMap((dimension) => [...new Set(views.dimensions[dimension].subarray(0, views.n))]),
  );
  const nameIn = (id: number) => names.get(id) ?? '';
  const [framed, whole] = [rowsOf(views, (kind) => kind === FRAME), rowsOf(views, (kind) => kind !== FRAME)];
  const groups = summariseViews(views, views.dimensions[by], whole, kept);
  const frames = summariseViews(views, views.dimensions.page, framed, kept);
  const [all] = summariseViews(views, new Int32Array(views.n), whole, kept);
  if (people) for (const group of groups) group.people = people.get(group.group) ?? 0;
  if (people && all) all.people = people.get(ALL_PEOPLE) ?? 0;
  const [page, application] = [views.dimensions.page[0], views.dimensions.application[0]];
  const stretches = { fromMs: window.fromMs, toMs: window.toMs, stretches: STRETCHES };
  return {
    window,
    by,
    kept,
    kinds: Object.fromEntries(
      VIEW_KINDS.map((kind, index) => [kind, standFor(views, index, kept)]),
    ) as PageLoadsShape['kinds'],
    all: all ? groupShape(all, '') : null,
    groups: groups.slice(0, MOST_GROUPS).map((group) => groupShape(group, nameIn(group.group))),
    frames: frames.slice(0, MOST_LISTED).map((group) => groupShape(group, nameIn(group.group))),
    flow:
      focus.page === undefined || views.n === 0
        ? null
        : ((await flowOfPage(database, nameIn(application as number), focus.page)) ?? null),
    trend: {
      startMs: window.fromMs,
      stepMs: (window.toMs - window.fromMs) / STRETCHES,
      vitals: vitalTrends(views, whole, stretches),
      parts: partTrends(views, whole, stretches),
    },
    where: COMPARED.filter((dimension) => focus[dimension] === undefined).flatMap((dimension) =>
      whereShapes(views, whole, dimension, nameIn),
    ),
    hosts: await hostsOf(database, where, all?.viewsMissing ?? 0, all?.views ?? 0),
    calls: await callsOf(database, {
      window,
      page: focus.page === undefined ? undefined : page,
      every,
      most: MOST_LISTED,
    }),
    worst: await worstViews(database, where, MOST_LISTED),
  };
}

const NOTHING = {
  kept: 1,
  kinds: { load: 0, route: 0, frame: 0 },
  all: null,
  groups: [],
  frames: [],
  flow: null,
  where: [],
  hosts: [],
  calls: [],
  worst: [],
  trend: { startMs: 0, stepMs: 0, vitals: { ttfb: [], fcp: [], lcp: [], inp: [], cls: [] }, parts: [] },
};

const rowsOf = ({ n, kind }: StoredViews, isWanted: (kind: number) => boolean): Uint32Array =>
  Uint32Array.from({ length: n }, (_, row) => row).filter((row) => isWanted(kind[row] as number));

/** Views of a kind, with those that were not sent or not read. */
function standFor({ n, kind, share }: StoredViews, wanted: number, kept: number): number {
  let sum = 0;
  for (let row = 0; row < n; row++) if (kind[row] === wanted) sum += 1 / (share[row] as number) / kept;
  return Math.round(sum);
}

function groupShape(
  { group: _group, meanMs, medianMs, views, viewsWithErrors, viewsMissing, vitals, ...rest }: GroupFigures,
  name: string,
): PageGroupShape {
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
const BAD: Readonly<Record<PageWhereShape['what'], (views: StoredViews, row: number) => boolean | undefined>> = {
  slow: ({ vitals }, row) => (Number.isNaN(vitals.lcp[row]) ? undefined : (vitals.lcp[row] as number) > 2500),
  missing: ({ missing }, row) => (missing[row] as number) > 0,
  errors: ({ errors }, row) => (errors[row] as number) > 0,
};

function whereShapes(
  views: StoredViews,
  rows: Uint32Array,
  dimension: PageDimension,
  nameIn: (id: number) => string,
): PageWhereShape[] {
  const parted = [...rowsBy(views.dimensions[dimension], rows)].filter(([value]) => value !== 0);
  return Object.entries(BAD).flatMap(([what, isBad]) => {
    const tallies = parted.map(([value, own]): Tally => {
      const tally = { value, views: 0, bad: 0 };
      for (const row of own) {
        const bad = isBad(views, row);
        if (bad === undefined) continue;
        tally.views++;
        if (bad) tally.bad++;
      }
      return tally;
    });
    const { verdict, hit } = onlyHere(tallies.filter((tally) => tally.views > 0));
    if (verdict === 'none' || verdict === 'oneValue') return [];
    const shapes = hit.map(({ value, views: n, here, elsewhere }) => ({
      name: nameIn(value),
      views: n,
      here,
      elsewhere,
    }));
    return [{ what: what as PageWhereShape['what'], dimension, verdict, hit: shapes }];
  });
}

/** From whom resources come, and how many do not. */
async function hostsOf(database: Database, where: string, missing: number, all: number): Promise<ResourceHostShape[]> {
  const [hit, others] = await Promise.all([
    detailsWhere(database, `${where} AND missing > 0`, missing, MOST_DETAILS),
    detailsWhere(database, `${where} AND missing = 0`, all - missing, MOST_DETAILS),
  ]);
  const hosts = new Map<string, ResourceHostShape & { totalMs: number }>();
  for (const { host: pageHost, resources } of [...hit, ...others])
    for (const { url, durationMs, bytes, missing } of resources) {
      const host = hostOfUrl(url) || pageHost;
      const known = hosts.get(host) ?? {
        host,
        isThirdParty: isThirdParty(url, pageHost),
        resources: 0,
        missing: 0,
        meanMs: 0,
        totalMs: 0,
        bytes: 0,
      };
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
