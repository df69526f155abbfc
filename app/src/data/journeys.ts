import { useQuery, keepPreviousData } from '@tanstack/react-query';
import type { View } from '@/frame/view';
import { ask, type Schemas } from './client';
import { SURROUNDINGS_MS, queryOf, LIVE_MS } from './live';

/** @param query window and focus as the API takes them */
export function useMoney(query: Record<string, string>, isLive: boolean) {
  const text = new URLSearchParams(query).toString();
  return useQuery({
    queryKey: ['money', text],
    queryFn: () => ask<Schemas['Money']>(`/api/money?${text}`),
    placeholderData: keepPreviousData,
    refetchInterval: isLive ? SURROUNDINGS_MS : false,
  });
}

export function useJourneys(view: View) {
  const query = queryOf(view);
  return useQuery({
    queryKey: ['journeys', query],
    queryFn: () => ask<Schemas['Journeys']>(`/api/journeys?${query}`),
    placeholderData: keepPreviousData,
    refetchInterval: view.from === undefined ? 6 * LIVE_MS : false,
  });
}

export function useJourney(id: string, view: View) {
  const query = queryOf(view);
  return useQuery({
    queryKey: ['journey', id, query],
    queryFn: () => ask<Schemas['Journey']>(`/api/journeys/${id}?${query}`),
    placeholderData: (previous) => (previous?.id === id ? previous : undefined),
    refetchInterval: view.from === undefined ? 3 * LIVE_MS : false,
  });
}
