import { useQuery, keepPreviousData } from '@tanstack/react-query';
import type { View } from '@/frame/view';
import { windowQuery } from '@/frame/view';
import { ask, type Schemas } from './client';
import { LIVE_MS, queryOf } from './live';

export function useEstate(view: View) {
  const query = new URLSearchParams(windowQuery(view)).toString();
  return useQuery({
    queryKey: ['estate', query],
    queryFn: () => ask<Schemas['Estate']>(`/api/estate?${query}`),
    placeholderData: keepPreviousData,
    refetchInterval: view.from === undefined ? 6 * LIVE_MS : false,
  });
}

export function useComponent(name: string, view: View) {
  const query = queryOf(view);
  return useQuery({
    queryKey: ['component', name, query],
    queryFn: () => ask<Schemas['Component']>(`/api/components/${encodeURIComponent(name)}?${query}`),
    placeholderData: (previous) => (previous?.name === name ? previous : undefined),
    refetchInterval: view.from === undefined ? 6 * LIVE_MS : false,
  });
}
