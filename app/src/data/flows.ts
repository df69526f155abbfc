import { useQuery, keepPreviousData } from '@tanstack/react-query';
import { apiQuery, type View } from '@/frame/view';
import { get } from './client';
import { refetchInterval, LIVE_MS, SURROUNDINGS_MS } from './live';

export function useFlows(view: View) {
  const query = apiQuery(view);
  return useQuery({
    queryKey: ['flows', query],
    queryFn: () => get('/api/flows', { query }),
    placeholderData: keepPreviousData,
    refetchInterval: refetchInterval(view),
  });
}

/** The slowest flows with their slowest attempts; they change slowly. */
export function useSlowestFlows(view: View) {
  const query = apiQuery(view);
  return useQuery({
    queryKey: ['slowest-flows', query],
    queryFn: () => get('/api/slowest-flows', { query }),
    placeholderData: keepPreviousData,
    refetchInterval: refetchInterval(view, 6 * LIVE_MS),
  });
}

export function useFlow(id: number, view: View) {
  const query = apiQuery(view);
  return useQuery({
    queryKey: ['flow', id, query],
    queryFn: () => get('/api/flows/{id}', { path: { id }, query }),
    placeholderData: (previous) => (previous?.row.id === id ? previous : undefined),
    refetchInterval: refetchInterval(view),
  });
}

export function useField(id: number, view: View) {
  const query = apiQuery(view);
  return useQuery({
    queryKey: ['field', id, query],
    queryFn: () => get('/api/flows/{id}/field', { path: { id }, query }),
    placeholderData: keepPreviousData,
    refetchInterval: refetchInterval(view, 6 * LIVE_MS),
  });
}

export function usePath(id: number, view: View) {
  const query = apiQuery(view);
  return useQuery({
    queryKey: ['path', id, query],
    queryFn: () => get('/api/flows/{id}/path', { path: { id }, query }),
    placeholderData: keepPreviousData,
    refetchInterval: refetchInterval(view, SURROUNDINGS_MS),
  });
}

export function useSteps(id: number, view: View) {
  const query = apiQuery(view);
  return useQuery({
    queryKey: ['steps', id, query],
    queryFn: () => get('/api/flows/{id}/steps', { path: { id }, query }),
    placeholderData: keepPreviousData,
    refetchInterval: refetchInterval(view, SURROUNDINGS_MS),
  });
}

/** Part of the field: from when to when, and how long attempts took; `toDurationMs` null: however long. */
export interface Region {
  fromMs: number;
  toMs: number;
  fromDurationMs: number;
  toDurationMs: number | null;
  /** those that failed, all bad ones (late, hung or failed), or those that succeeded */
  only?: 'failed' | 'bad' | 'succeeded';
}

export function useRegion(id: number, view: View, region: Region | undefined) {
  const own = region && {
    longer: region.fromDurationMs,
    ...(region.toDurationMs !== null && { shorter: region.toDurationMs }),
    ...(region.only !== undefined && { only: region.only }),
  };
  const query = region
    ? {
        ...apiQuery({ ...view, from: new Date(region.fromMs).toISOString(), to: new Date(region.toMs).toISOString() }),
        ...own,
      }
    : {};
  return useQuery({
    queryKey: ['region', id, query],
    queryFn: () => get('/api/flows/{id}/region', { path: { id }, query }),
    enabled: region !== undefined,
    placeholderData: keepPreviousData,
  });
}
