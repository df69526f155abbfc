import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { windowQuery, type View } from '@/frame/view';
import { get } from './client';
import { LIVE_MS, refetchInterval, SURROUNDINGS_MS } from './live';

/** A period moves slowly: it is asked for anew every half minute. */
const EVERY_MS = 6 * LIVE_MS;

export function usePromises(view: View) {
  const query = windowQuery(view);
  return useQuery({
    queryKey: ['promises', query],
    queryFn: () => get('/api/promises', { query }),
    placeholderData: keepPreviousData,
    refetchInterval: refetchInterval(view, EVERY_MS),
  });
}

export function useStanding(view: View) {
  const query = windowQuery(view);
  return useQuery({
    queryKey: ['standing', query],
    queryFn: () => get('/api/standing', { query }),
    placeholderData: keepPreviousData,
    refetchInterval: refetchInterval(view, EVERY_MS),
  });
}

/** Promises that an incident spends the budget of. */
export function useEndangered(id: number, view: View) {
  const query = windowQuery(view);
  return useQuery({
    queryKey: ['endangered', id, query],
    queryFn: () => get('/api/incidents/{id}/promises', { path: { id }, query }),
    placeholderData: keepPreviousData,
    refetchInterval: refetchInterval(view, SURROUNDINGS_MS),
  });
}

/** Attempts that broke a promise: of a flow at a site alone, or all. */
export function usePromiseAttempts(name: string, view: View, only: { flow: number; site: string } | undefined) {
  const query = { ...windowQuery(view), ...only };
  return useQuery({
    queryKey: ['promise attempts', name, query],
    queryFn: () => get('/api/promises/{name}/attempts', { path: { name }, query }),
    placeholderData: keepPreviousData,
    refetchInterval: refetchInterval(view, EVERY_MS),
  });
}

export function usePromise(name: string, view: View) {
  const query = windowQuery(view);
  return useQuery({
    queryKey: ['promise', name, query],
    queryFn: () => get('/api/promises/{name}', { path: { name }, query }),
    placeholderData: (previous) => (previous?.level.name === name ? previous : undefined),
    refetchInterval: refetchInterval(view, EVERY_MS),
  });
}
