import { useQuery, keepPreviousData } from '@tanstack/react-query';
import type { View } from '@/frame/view';
import { ask, type FlowTable, type FlowPage, type Schemas } from './client';
import { queryOf, refetchInterval, LIVE_MS, SURROUNDINGS_MS } from './live';

export function useFlows(view: View) {
  const query = queryOf(view);
  return useQuery({
    queryKey: ['flows', query],
    queryFn: () => ask<FlowTable>(`/api/flows?${query}`),
    placeholderData: keepPreviousData,
    refetchInterval: refetchInterval(view),
  });
}

export function useFlow(id: number, view: View) {
  const query = queryOf(view);
  return useQuery({
    queryKey: ['flow', id, query],
    queryFn: () => ask<FlowPage>(`/api/flows/${id}?${query}`),
    placeholderData: (previous) => (previous?.row.id === id ? previous : undefined),
    refetchInterval: refetchInterval(view),
  });
}

export function useField(id: number, view: View) {
  const query = queryOf(view);
  return useQuery({
    queryKey: ['field', id, query],
    queryFn: () => ask<Schemas['Field']>(`/api/flows/${id}/field?${query}`),
    placeholderData: keepPreviousData,
    refetchInterval: view.from === undefined ? 6 * LIVE_MS : false,
  });
}

export function usePath(id: number, view: View) {
  const query = queryOf(view);
  return useQuery({
    queryKey: ['path', id, query],
    queryFn: () => ask<Schemas['Path']>(`/api/flows/${id}/path?${query}`),
    placeholderData: keepPreviousData,
    refetchInterval: view.from === undefined ? SURROUNDINGS_MS : false,
  });
}

/** Part of the field: from when to when, and how long attempts took; `toDurationMs` null: however long. */
export interface Region {
  fromMs: number;
  toMs: number;
  fromDurationMs: number;
  toDurationMs: number | null;
}

export function useRegion(id: number, view: View, region: Region | undefined) {
  const own = region && { longer: String(region.fromDurationMs), ...(region.toDurationMs !== null && { shorter: String(region.toDurationMs) }) };
  const query = region ? queryOf({ ...view, from: new Date(region.fromMs).toISOString(), to: new Date(region.toMs).toISOString() }, own) : '';
  return useQuery({
    queryKey: ['region', id, query],
    queryFn: () => ask<Schemas['Region']>(`/api/flows/${id}/region?${query}`),
    enabled: region !== undefined,
    placeholderData: keepPreviousData,
  });
}
