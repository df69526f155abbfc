import { useGlobalSearchParams, useRouter } from 'expo-router';
import { useMemo } from 'react';

export const RANKINGS = ['harm', 'people', 'money', 'keyCustomers'] as const;
export type Ranking = (typeof RANKINGS)[number];

/** What is looked at: it stays while one moves between places, and lives in the URL. */
export interface View {
  /** length of a live window, minutes */
  last: number;
  /** begin and end of a past window, ISO 8601 */
  from?: string;
  to?: string;
  rankBy: Ranking;
  application?: string;
  team?: string;
}

export const DEFAULT_LAST = 60;
export const LENGTHS: readonly { minutes: number; words: string }[] = [
  { minutes: 15, words: '15 min' },
  { minutes: 60, words: '1 h' },
  { minutes: 480, words: '8 h shift' },
  { minutes: 1440, words: '24 h' },
  { minutes: 10080, words: '7 d' },
];

type Params = Record<string, string | string[] | undefined>;

const one = (value: string | string[] | undefined) => (Array.isArray(value) ? value[0] : value);

export function readView(params: Params): View {
  const last = Number(one(params.last));
  const from = one(params.from);
  const to = one(params.to);
  const rankBy = one(params.rankBy) as Ranking | undefined;
  const application = one(params.application);
  const team = one(params.team);
  const isPast = from !== undefined && to !== undefined && !Number.isNaN(Date.parse(from)) && !Number.isNaN(Date.parse(to));
  return {
    last: Number.isInteger(last) && last > 0 ? last : DEFAULT_LAST,
    ...(isPast && { from, to }),
    rankBy: rankBy && RANKINGS.includes(rankBy) ? rankBy : 'harm',
    ...(application && { application }),
    ...(team && { team }),
  };
}

/** Query for the API. */
export const windowQuery = (view: View): Record<string, string> =>
  view.from !== undefined && view.to !== undefined ? { from: view.from, to: view.to } : { last: String(view.last) };

/** Query for the address bar: only what differs from the default. */
export function viewQuery(view: View): string {
  const query = new URLSearchParams(view.from === undefined && view.last === DEFAULT_LAST ? {} : windowQuery(view));
  if (view.rankBy !== 'harm') query.set('rankBy', view.rankBy);
  if (view.application) query.set('application', view.application);
  if (view.team) query.set('team', view.team);
  const text = query.toString();
  return text === '' ? '' : `?${text}`;
}

/** The same view with its live window pinned, so that whoever gets the link sees the same. */
export const pinned = (view: View, window: { fromMs: number; toMs: number }): View => ({
  ...view,
  from: new Date(window.fromMs).toISOString(),
  to: new Date(window.toMs).toISOString(),
});

export function useView() {
  const params = useGlobalSearchParams();
  const router = useRouter();
  const key = JSON.stringify(params);
  const view = useMemo(() => readView(JSON.parse(key) as Params), [key]);
  return useMemo(() => {
    const clear = { last: undefined, from: undefined, to: undefined, rankBy: undefined, application: undefined, team: undefined };
    return {
      view,
      /** changes the view in place */
      setView: (next: View) => router.setParams({ ...clear, ...Object.fromEntries(new URLSearchParams(viewQuery(next))) }),
      /** goes to a place and takes the view along */
      go: (path: string) => router.push(`${path}${viewQuery(view)}` as never),
      back: () => (router.canGoBack() ? router.back() : router.replace(`/${viewQuery(view)}` as never)),
    };
  }, [view, router]);
}
