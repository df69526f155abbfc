import { HAPPENING_KINDS, type HappeningKind } from '@toplens/core/happened';
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { windowQuery, type View } from '@/frame/view';
import { addressOf, get, type Schemas } from './client';
import { refetchInterval, SURROUNDINGS_MS } from './live';

export { HAPPENING_KINDS, type HappeningKind };
export type Happening = Schemas['Happened']['happenings'][number];

const queryOf = (view: View, kind: HappeningKind | undefined) => ({
  ...windowQuery(view),
  application: view.application,
  team: view.team,
  kind,
});

export function useHappened(view: View, kind: HappeningKind | undefined) {
  const query = queryOf(view, kind);
  return useQuery({
    queryKey: ['happened', query],
    queryFn: () => get('/api/happened', { query }),
    placeholderData: keepPreviousData,
    refetchInterval: refetchInterval(view, SURROUNDINGS_MS),
  });
}

/** What happened since a moment, up to now; nothing is asked without one. */
export function useHappenedSince(sinceMs: number | undefined) {
  return useQuery({
    queryKey: ['happened-since', sinceMs],
    queryFn: () =>
      get('/api/happened', {
        query: { from: new Date(sinceMs ?? 0).toISOString(), to: new Date().toISOString() },
      }),
    enabled: sinceMs !== undefined,
    // It is told once, when somebody comes back.
    staleTime: Infinity,
  });
}

/** Where readers of feeds and calendars find the same; of a live window, whatever its end is then. */
export const feedAddress = (view: View, kind: HappeningKind | undefined, type: 'json' | 'ics'): string =>
  addressOf(`/api/happened.${type}`, { query: queryOf(view, kind) });
