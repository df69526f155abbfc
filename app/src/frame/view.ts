import { useGlobalSearchParams, useRouter } from 'expo-router';
import { useMemo } from 'react';
import { RANKINGS, type Ranking } from '@toplens/core/incidents';
import { PAGE_DIMENSIONS, type PageDimension } from '@toplens/core/pages';
import { WORK_DIMENSIONS, type WorkDimension } from '@toplens/core/sites';
import { DIMENSIONS, type Dimension } from '@toplens/core/telemetry';
import { AGAINST, type Against } from '@toplens/core/time';
import type { operations } from '@/data/api-types';

export {
  AGAINST,
  DIMENSIONS,
  RANKINGS,
  WORK_DIMENSIONS,
  type Against,
  type Dimension,
  type Ranking,
  type WorkDimension,
};

export const AGAINST_WORDS: Record<Against, string> = {
  nothing: 'nothing',
  week: 'same time last week',
  day: 'the day before',
  before: 'just before',
  release: 'before the last release',
};

/** By what everything that runs is grouped. */
export const GROUPINGS = ['region', 'application', 'team', 'version'] as const;
export type Grouping = (typeof GROUPINGS)[number];

/** By what page loads are told apart. */
export type PageGroup = Exclude<PageDimension, 'application'>;
export const PAGE_GROUPS = PAGE_DIMENSIONS.filter((dimension): dimension is PageGroup => dimension !== 'application');
/** What page loads alone are narrowed to: attempts know nothing of it. */
export type PageNarrowing = Exclude<PageGroup, Dimension>;
export const PAGE_NARROWING = PAGE_GROUPS.filter(
  (dimension): dimension is PageNarrowing => !DIMENSIONS.some((one) => one === dimension),
);

/** What everything is narrowed to. */
export type Narrowed = { application?: string; team?: string; flow?: string } & Partial<Record<Dimension, string>>;
export const NARROWING = ['application', 'flow', 'team', ...DIMENSIONS] as const;
export type Narrowing = (typeof NARROWING)[number];

/** What is looked at: it stays while one moves between places, and lives in the URL. */
export interface View extends Narrowed {
  /** length of a live window, minutes */
  last: number;
  /** begin and end of a past window, ISO 8601 */
  from?: string;
  to?: string;
  rankBy: Ranking;
  against?: Exclude<Against, 'nothing'>;
  /** before which release, ISO 8601 of when it was first seen; the newest when left out */
  release?: string;
  /** past windows with the rates of today in place of those that were set then */
  rates?: 'today';
  /** order of tables by their names, as `-p95Ms` */
  sorts?: Readonly<Record<string, string>>;
  /** rows that stand for fewer are not ranked by averages */
  fewest?: number;
  /** attempts of a flow that are listed, by time and duration; see region.ts */
  brushed?: string;
  groupBy?: Exclude<Grouping, 'region'>;
  pagesBy?: Exclude<PageGroup, 'page'>;
  workBy?: Exclude<WorkDimension, 'site'>;
  page?: string;
  country?: string;
  area?: string;
  connection?: string;
}

export const DEFAULT_LAST = 60;
export const LENGTHS: readonly { minutes: number; words: string }[] = [
  { minutes: 15, words: '15 min' },
  { minutes: 60, words: '1 h' },
  { minutes: 480, words: '8 h shift' },
  { minutes: 1440, words: '24 h' },
  { minutes: 10080, words: '7 d' },
];

/** In the address a table’s order stands behind this and the table’s name. */
const SORT = 'sort-';

type Params = Record<string, string | string[] | undefined>;

const isMoment = (text: string | undefined) => text !== undefined && !Number.isNaN(Date.parse(text));
const one = (value: string | string[] | undefined) => (Array.isArray(value) ? value[0] : value);

export function readView(params: Params): View {
  const last = Number(one(params.last));
  const from = one(params.from);
  const to = one(params.to);
  const rankBy = one(params.rankBy) as Ranking | undefined;
  const against = one(params.against) as Against | undefined;
  const sorts = Object.fromEntries(
    Object.keys(params).flatMap((key) =>
      key.startsWith(SORT) ? [[key.slice(SORT.length), one(params[key]) ?? '']] : [],
    ),
  );
  const fewest = Number(one(params.fewest));
  const groupBy = one(params.groupBy) as Grouping | undefined;
  const pagesBy = one(params.pagesBy) as PageGroup | undefined;
  const workBy = one(params.workBy) as WorkDimension | undefined;
  const isPast =
    from !== undefined && to !== undefined && !Number.isNaN(Date.parse(from)) && !Number.isNaN(Date.parse(to));
  const narrowed: Narrowed = {};
  for (const name of NARROWING) {
    const value = one(params[name]);
    if (value) narrowed[name] = value;
  }
  return {
    last: Number.isInteger(last) && last > 0 ? last : DEFAULT_LAST,
    ...(isPast && { from, to }),
    rankBy: rankBy && RANKINGS.includes(rankBy) ? rankBy : 'harm',
    ...(against && against !== 'nothing' && AGAINST.includes(against) && { against }),
    ...(against === 'release' && isMoment(one(params.release)) && { release: one(params.release) }),
    ...(one(params.rates) === 'today' && { rates: 'today' as const }),
    ...(Object.keys(sorts).length > 0 && { sorts }),
    ...(Number.isInteger(fewest) && fewest > 0 && { fewest }),
    ...(one(params.brushed) && { brushed: one(params.brushed) }),
    ...(groupBy && groupBy !== 'region' && GROUPINGS.includes(groupBy) && { groupBy }),
    ...(pagesBy && pagesBy !== 'page' && PAGE_GROUPS.includes(pagesBy) && { pagesBy }),
    ...(workBy && workBy !== 'site' && WORK_DIMENSIONS.includes(workBy) && { workBy }),
    ...Object.fromEntries(PAGE_NARROWING.flatMap((name) => (one(params[name]) ? [[name, one(params[name])]] : []))),
    ...narrowed,
  };
}

type ListQuery = NonNullable<operations['getWorstFirst']['parameters']['query']>;
type PagesQuery = NonNullable<operations['getPages']['parameters']['query']>;

/** The window, as the API takes it. */
export const windowQuery = (view: View): Pick<ListQuery, 'from' | 'to' | 'last'> =>
  view.from !== undefined && view.to !== undefined ? { from: view.from, to: view.to } : { last: view.last };

/** Window, focus and compare as the API takes them. */
export function apiQuery(view: View): Omit<ListQuery, 'rankBy'> {
  const { flow, ...narrowed } = narrowedOf(view);
  return {
    ...windowQuery(view),
    ...narrowed,
    ...(flow !== undefined && { flow: Number(flow) }),
    ...(view.against && { against: view.against }),
    ...(view.release && { release: view.release }),
    ...(view.rates && { rates: view.rates }),
  };
}

export function narrowedOf(view: View): Record<string, string> {
  return Object.fromEntries(NARROWING.flatMap((name) => (view[name] ? [[name, view[name]]] : [])));
}

/** Window and focus of page loads as the API takes them. */
export function pagesQuery(view: View): PagesQuery {
  const own = [...PAGE_GROUPS, 'application'] as const;
  return {
    ...windowQuery(view),
    by: view.pagesBy ?? 'page',
    ...Object.fromEntries(own.flatMap((name) => (view[name] ? [[name, view[name]]] : []))),
  };
}

/** The view with nothing narrowed away by that name. */
export function without(view: View, name: Narrowing | PageNarrowing): View {
  const { [name]: _gone, ...rest } = view;
  return rest;
}

/** Query for the address bar: only what differs from the default. */
export function viewQuery(view: View): string {
  const query = new URLSearchParams(
    view.from === undefined && view.last === DEFAULT_LAST
      ? {}
      : Object.entries(windowQuery(view)).map(([name, value]) => [name, String(value)]),
  );
  if (view.rankBy !== 'harm') query.set('rankBy', view.rankBy);
  for (const [name, value] of Object.entries(narrowedOf(view))) query.set(name, value);
  if (view.against) query.set('against', view.against);
  if (view.release) query.set('release', view.release);
  if (view.rates) query.set('rates', view.rates);
  for (const [table, sort] of Object.entries(view.sorts ?? {})) query.set(`${SORT}${table}`, sort);
  if (view.fewest) query.set('fewest', String(view.fewest));
  if (view.brushed) query.set('brushed', view.brushed);
  if (view.groupBy) query.set('groupBy', view.groupBy);
  if (view.pagesBy) query.set('pagesBy', view.pagesBy);
  if (view.workBy) query.set('workBy', view.workBy);
  for (const name of PAGE_NARROWING) if (view[name]) query.set(name, view[name]);
  const text = query.toString();
  return text === '' ? '' : `?${text}`;
}

/** The same view with its live window pinned, so that whoever gets the link sees the same. */
export const pinned = (view: View, window: { fromMs: number; toMs: number }): View => ({
  ...view,
  from: new Date(window.fromMs).toISOString(),
  to: new Date(window.toMs).toISOString(),
});

const CLEAR = Object.fromEntries(
  [
    'last',
    'from',
    'to',
    'rankBy',
    'against',
    'release',
    'rates',
    'fewest',
    'brushed',
    'groupBy',
    'pagesBy',
    'workBy',
    ...PAGE_NARROWING,
    ...NARROWING,
  ].map((name) => [name, undefined]),
);

export function useView() {
  const params = useGlobalSearchParams();
  const router = useRouter();
  const key = JSON.stringify(params);
  const view = useMemo(() => readView(JSON.parse(key) as Params), [key]);
  return useMemo(() => {
    return {
      view,
      /** changes the view in place */
      setView: (next: View) =>
        router.setParams({
          ...CLEAR,
          ...Object.fromEntries(Object.keys(view.sorts ?? {}).map((table) => [`${SORT}${table}`, undefined])),
          ...Object.fromEntries(new URLSearchParams(viewQuery(next))),
        }),
      /** goes to a place and takes the view along */
      go: (path: string, next: View = view) => router.push(`${path}${viewQuery(next)}` as never),
      back: () => (router.canGoBack() ? router.back() : router.replace(`/${viewQuery(view)}` as never)),
    };
  }, [view, router]);
}
