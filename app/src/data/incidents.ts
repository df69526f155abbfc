import { queryOptions, useQuery, keepPreviousData, useMutation } from '@tanstack/react-query';
import { apiQuery, windowQuery, type View } from '@/frame/view';
import { sendForText, post, get, addressOf } from './client';
import { refetchInterval, useSurroundings, SURROUNDINGS_MS, LIVE_MS, useRefreshAll } from './live';

/** The list of a window. */
export function worstFirstQuery(view: View) {
  const query = { ...apiQuery(view), rankBy: view.rankBy };
  return queryOptions({ queryKey: ['worst-first', query], queryFn: () => get('/api/worst-first', { query }) });
}

/** What stands there stays until the new one has come. */
export const useWorstFirst = (view: View) =>
  useQuery({ ...worstFirstQuery(view), placeholderData: keepPreviousData, refetchInterval: refetchInterval(view) });

export function useIncident(id: number, view: View) {
  const query = apiQuery(view);
  return useQuery({
    queryKey: ['incident', id, query],
    queryFn: () => get('/api/incidents/{id}', { path: { id }, query }),
    placeholderData: (previous) => (previous?.id === id ? previous : undefined),
    refetchInterval: refetchInterval(view),
  });
}

export const useIncidentHosts = (id: number, isOver: boolean) =>
  useSurroundings(['incident-hosts', id], () => get('/api/incidents/{id}/hosts', { path: { id } }), isOver);

export const useIncidentStatements = (id: number, isOver: boolean) =>
  useSurroundings(['incident-statements', id], () => get('/api/incidents/{id}/statements', { path: { id } }), isOver);

export const useIncidentLogs = (id: number, isOver: boolean) =>
  useSurroundings(['incident-logs', id], () => get('/api/incidents/{id}/logs', { path: { id } }), isOver);

export function useHurt(id: number, view: View) {
  const query = apiQuery(view);
  return useQuery({
    queryKey: ['hurt', id, query],
    queryFn: () => get('/api/incidents/{id}/hurt', { path: { id }, query }),
    placeholderData: keepPreviousData,
    refetchInterval: refetchInterval(view, SURROUNDINGS_MS),
  });
}

/** Asked for where it is looked at: a bill for each tier. */
export function useLostByTier(id: number, view: View) {
  const query = apiQuery(view);
  return useQuery({
    queryKey: ['lost-by-tier', id, query],
    queryFn: () => get('/api/incidents/{id}/lost-by-tier', { path: { id }, query }),
    placeholderData: keepPreviousData,
    refetchInterval: refetchInterval(view, SURROUNDINGS_MS),
  });
}

/** By name, for those who may: the key goes along with this one request and is kept nowhere. */
export function useExportHurt(id: number, view: View) {
  return useMutation({
    mutationFn: ({ key, why }: { key: string; why: string }) =>
      sendForText(
        addressOf('/api/incidents/{id}/hurt/export', { path: { id }, query: apiQuery(view) }),
        { why },
        { authorization: `Bearer ${key}` },
      ),
  });
}

/** The end of the window against the time before it; only while somebody looks. */
export function useChanges(view: View, isShown: boolean) {
  const query = windowQuery(view);
  return useQuery({
    queryKey: ['changes', query],
    queryFn: () => get('/api/changes', { query }),
    enabled: isShown,
    refetchInterval: refetchInterval(view, 6 * LIVE_MS),
  });
}

/** Releases that the window can be compared with. */
export function useReleases(view: View) {
  const query = windowQuery(view);
  return useQuery({ queryKey: ['releases', query], queryFn: () => get('/api/releases', { query }) });
}

export type Decision = { who: string } & (
  | { what: 'join'; into: number }
  | { what: 'unjoin' }
  | { what: 'split'; flows: number[] }
  | { what: 'setAside'; reason: string; untilMs: number }
  | { what: 'takeBack' }
);

export function useDecide() {
  const refresh = useRefreshAll();
  return useMutation({
    mutationFn: ({ id, ...decision }: Decision & { id: number }) =>
      post('/api/incidents/{id}/decisions', { path: { id }, body: decision }),
    onSuccess: refresh,
  });
}
